import { copiedDrawing } from '@calvet/contract/plan/copied-drawing';
import {
  DRAWING_FILE_BYTES_MAX,
  NoDrawingFile,
  readDrawingFile,
  writeDrawingFile,
} from '@calvet/contract/plan/drawing-file';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { FieldMessage } from '../../ui/field';
import { FileButton } from '../../ui/file-button';
import { saveFile } from '../../ui/save-file';
import { space } from '../../ui/tokens';

/** What checks a record as the server does is large and seldom needed: it is fetched with the first file. */
const fetchReader = async () => (await import('@calvet/contract/changes/read-change')).readChange;

const fetchCsvFiles = () => import('../csv-files');

interface FileProps {
  readonly view: HouseView;
}

/** Brings a drawing in from a file, into a house that has none. */
export function BringDrawing({ view }: FileProps) {
  const { createRecord } = useStore();
  const [message, setMessage] = useState<string | null>(null);
  const houseId = view.house.id;
  const take = async (file: File): Promise<void> => {
    if (file.size > DRAWING_FILE_BYTES_MAX) {
      setMessage(
        `${file.name} has ${(file.size / 1e6).toFixed(1)} MB. A drawing needs less than ${DRAWING_FILE_BYTES_MAX / 1e6} MB: choose the file of one.`,
      );
      return;
    }
    try {
      const drawing = readDrawingFile(await file.text(), await fetchReader());
      for (const { kind, id, body } of copiedDrawing(drawing, houseId).records)
        createRecord(houseId, kind, body, id);
      setMessage(null);
    } catch (error) {
      if (error instanceof NoDrawingFile) setMessage(error.message);
      else setMessage('This device does not have what reads such a file yet: try again with a signal.');
    }
  };
  return (
    <>
      <FileButton
        label="Bring one in from a file"
        icon="file-upload-outline"
        fileLabel="File of a drawing"
        accept="application/json,.json"
        onFile={(file) => void take(file)}
      />
      <FieldMessage message={message} />
    </>
  );
}

/** Saves a drawing to a file, and its areas as a table. */
export function SaveDrawing({ view }: FileProps) {
  const { house, areas } = view;
  const [message, setMessage] = useState<string | null>(null);
  const saveAreas = async (): Promise<void> => {
    try {
      const { writeAreasCsv } = await fetchCsvFiles();
      saveFile(`${house.name} areas.csv`, writeAreasCsv(house, areas), 'text/csv');
      setMessage(null);
    } catch {
      setMessage('This device does not have what writes such a file yet: try again with a signal.');
    }
  };
  return (
    <>
      <View style={styles.row}>
        <Button
          label="Save the drawing to a file"
          icon="file-download-outline"
          onPress={() => saveFile(`${house.name} drawing.json`, writeDrawingFile(view), 'application/json')}
        />
        <Button label="Save its areas as CSV" icon="file-table-outline" onPress={() => void saveAreas()} />
      </View>
      <FieldMessage message={message} />
    </>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
