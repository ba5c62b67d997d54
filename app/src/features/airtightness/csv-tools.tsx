import type { AirtightnessTest, AirtightnessTestBody, House } from '@calvet/contract';
import type { Direction } from '@calvet/core';
import { useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import { Button } from '../../ui/button';
import { FieldMessage } from '../../ui/field';
import { useNote } from '../../ui/undo';
import { space } from '../../ui/tokens';

interface CsvToolsProps {
  readonly house: House;
  readonly test: AirtightnessTest;
  /** Direction of lines that name none. */
  readonly direction: Direction;
  readonly keep: (body: Partial<AirtightnessTestBody>) => void;
}

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
  const picker = useRef<HTMLInputElement>(null);
  const [message, setMessage] = useState<string | null>(null);

  const take = async (file: File): Promise<void> => {
    const csv = await import('@calvet/contract/airtightness/readings-csv');
    if (file.size > csv.CSV_BYTES_MAX) {
      setMessage(
        `${file.name} has ${megabytes(file.size)}. The readings of one test need less than ${csv.CSV_BYTES_MAX / 1000} kB: choose the file of this test.`,
      );
      return;
    }
    const result = csv.readReadingsCsv(await file.text(), {
      direction,
      fanRanges: test.fanRanges,
      newId: v7,
    });
    if (!result.ok) {
      const { line, column, message: reason } = result.refusal;
      setMessage(`Nothing was imported. Line ${line}${column === null ? '' : `, ${column}`}: ${reason}`);
      return;
    }
    const { depressurise, pressurise, fanRanges } = test;
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
        <Button label="Import CSV" icon="file-upload-outline" onPress={() => picker.current?.click()} />
        <Button label="Export CSV" icon="file-download-outline" onPress={() => void write()} />
      </View>
      <FieldMessage message={message} />
      <input
        ref={picker}
        type="file"
        accept=".csv,text/csv"
        aria-label="CSV file with readings"
        style={{ display: 'none' }}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file !== undefined) void take(file);
        }}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  tools: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
