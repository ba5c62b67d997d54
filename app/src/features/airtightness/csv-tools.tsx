import type { AirtightnessTest, House } from '@calvet/contract';
import type * as readingsCsv from '@calvet/contract/airtightness/readings-csv';
import type { Direction } from '@calvet/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import type { Keep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { FieldTrouble } from '../../ui/field';
import type { EntryTrouble } from '../../ui/figure-entry';
import { FileButton } from '../../ui/file-button';
import { useNote } from '../../ui/undo';
import { space } from '../../ui/tokens';

interface CsvToolsProps {
  readonly house: House;
  readonly test: AirtightnessTest;
  /** Direction of lines that name none. */
  readonly direction: Direction;
  readonly keep: Keep<'airtightnessTest'>;
}

type CsvReader = Pick<typeof readingsCsv, 'readReadingsCsv' | 'withImported'>;
type DecimalMark = readingsCsv.CsvQuestion['choices'][number]['decimalMark'];

function download(name: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(1)} MB`;

/** Readings in from a file, all or nothing, and out to one. The reader of files is fetched when it is needed. */
export function CsvTools({ house, test, direction, keep }: CsvToolsProps) {
  const note = useNote();
  const [message, setMessage] = useState<string | null>(null);

  /** A figure of a file could be either. */
  const [question, setQuestion] = useState<EntryTrouble | null>(null);

  const take = async (file: File): Promise<void> => {
    const csv = await import('@calvet/contract/airtightness/readings-csv');
    if (file.size > csv.CSV_BYTES_MAX) {
      setMessage(
        `${file.name} has ${megabytes(file.size)}. The readings of one test need less than ${csv.CSV_BYTES_MAX / 1000} kB: choose the file of this test.`,
      );
      return;
    }
    read(csv, await file.text());
  };
  const read = (csv: CsvReader, text: string, decimalMark?: DecimalMark): void => {
    const { fanRanges } = test;
    const result = csv.readReadingsCsv(text, { direction, fanRanges, newId: v7, decimalMark });
    setQuestion(null);
    if ('question' in result) {
      const { line, column, text: figure, choices } = result.question;
      const values = choices.map(({ value }) => String(value));
      setMessage(null);
      setQuestion({
        message: `Nothing is imported yet. Line ${line}, ${column}: is “${figure}” ${values.join(' or ')}? It holds for the whole file.`,
        choices: values,
        take: (chosen) => read(csv, text, choices[values.indexOf(chosen)]?.decimalMark),
        isTold: false,
      });
      return;
    }
    if (!result.ok) {
      const { line, column, message: reason } = result.refusal;
      setMessage(`Nothing was imported. Line ${line}${column === null ? '' : `, ${column}`}: ${reason}`);
      return;
    }
    const { depressurise, pressurise } = test;
    keep(csv.withImported(result.imported, test));
    setMessage(null);
    note({
      text: `${result.imported.count} lines were imported.`,
      undo: () => keep({ depressurise, pressurise, fanRanges }),
    });
  };
  const write = async (): Promise<void> => {
    const { writeReadingsCsv } = await import('@calvet/contract/airtightness/write-readings-csv');
    download(`${house.name} ${test.performedOn}.csv`, writeReadingsCsv(test));
  };
  return (
    <View style={styles.tools}>
      <View style={styles.row}>
        <FileButton
          label="Import CSV"
          icon="file-upload-outline"
          fileLabel="CSV file with readings"
          accept=".csv,text/csv"
          onFile={(file) => void take(file)}
        />
        <Button label="Export CSV" icon="file-download-outline" onPress={() => void write()} />
      </View>
      <FieldTrouble trouble={question} message={message} />
    </View>
  );
}

const styles = StyleSheet.create({
  tools: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
