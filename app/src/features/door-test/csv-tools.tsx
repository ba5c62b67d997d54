import type { AirtightnessTest } from '@calvet/contract/airtightness/airtightness-test';
import type { House } from '@calvet/contract/house/house';
import type { Direction } from '@calvet/core/airtightness/conditions';
import { useState, type ComponentProps } from 'react';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import type { Keep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { FieldMessage } from '../../ui/field';
import { FileButton } from '../../ui/file-button';
import { saveFile } from '../../ui/save-file';
import { useNote } from '../../ui/undo';
import { space } from '../../ui/tokens';
import type * as csvFiles from '../csv-files';
import { CsvImportSheet, type FoundFile } from './csv-import-sheet';

interface CsvToolsProps {
  readonly house: House;
  readonly test: AirtightnessTest;
  /** Direction of lines that name none. */
  readonly direction: Direction;
  readonly keep: Keep<'airtightnessTest'>;
}

const fetchCsvFiles = () => import('../csv-files');

const CSV = 'text/csv';

const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(1)} MB`;

/** Readings in from a file, and out to one. What reads and writes files is fetched when it is needed. */
export function CsvTools({ house, test, direction, keep }: CsvToolsProps) {
  const note = useNote();
  const { units } = usePreferences();
  const [message, setMessage] = useState<string | null>(null);
  const [found, setFound] = useState<{ readonly csv: typeof csvFiles; readonly file: FoundFile } | null>(
    null,
  );

  const look = async (file: File): Promise<void> => {
    const csv = await fetchCsvFiles();
    if (file.size > csv.CSV_BYTES_MAX) {
      setMessage(
        `${file.name} has ${megabytes(file.size)}. The readings of one test need less than ${csv.CSV_BYTES_MAX / 1000} kB: choose the file of this test.`,
      );
      return;
    }
    const result = csv.surveyCsv(await file.text());
    if (!result.ok) {
      const { line, column, message: reason } = result.refusal;
      setMessage(`Nothing was brought in. Line ${line}${column === null ? '' : `, ${column}`}: ${reason}`);
      return;
    }
    setMessage(null);
    setFound({ csv, file: { name: file.name, survey: result.survey } });
  };
  const take: ComponentProps<typeof CsvImportSheet>['onImport'] = (body, count) => {
    const { depressurise, pressurise, fanRanges } = test;
    setFound(null);
    keep(body);
    note({
      text: count === 1 ? 'One line was brought in.' : `${count} lines were brought in.`,
      undo: () => keep({ depressurise, pressurise, fanRanges }),
    });
  };
  const write = async (): Promise<void> => {
    const { writeReadingsCsv } = await fetchCsvFiles();
    saveFile(`${house.name} ${test.performedOn}.csv`, writeReadingsCsv(test), CSV);
  };
  const writeTemplate = async (): Promise<void> => {
    const { writeTemplateCsv } = await fetchCsvFiles();
    saveFile('readings.csv', writeTemplateCsv(direction, units), CSV);
  };
  return (
    <View style={styles.tools}>
      <View style={styles.row}>
        <FileButton
          label="Import CSV"
          icon="file-upload-outline"
          fileLabel="CSV file with readings"
          accept=".csv,text/csv"
          onFile={(file) => void look(file)}
        />
        <Button label="CSV template" icon="file-table-outline" onPress={() => void writeTemplate()} />
        <Button label="Export CSV" icon="file-download-outline" onPress={() => void write()} />
      </View>
      <FieldMessage message={message} />
      {found !== null && (
        <CsvImportSheet
          csv={found.csv}
          file={found.file}
          test={test}
          direction={direction}
          onImport={take}
          onClose={() => setFound(null)}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  tools: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
