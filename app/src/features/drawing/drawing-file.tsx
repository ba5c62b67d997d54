import { copiedDrawing } from '@calvet/contract/plan/copied-drawing';
import {
  DRAWING_FILE_BYTES_MAX,
  readDrawingFile,
  writeDrawingFile,
} from '@calvet/contract/plan/drawing-file';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { FieldMessage } from '../../ui/field';
import { saveFile } from '../../ui/save-file';
import { space } from '../../ui/tokens';
import { JsonFileButton } from '../shell/json-file-button';

const fetchCsvFiles = () => import('../csv-files');

interface FileProps {
  readonly view: HouseView;
}

/** Brings a drawing in from a file, into a house that has none. */
export function BringDrawing({ view }: FileProps) {
  const { createRecord } = useStore();
  const houseId = view.house.id;
  return (
    <JsonFileButton
      label="Bring one in from a file"
      fileLabel="File of a drawing"
      bytesMax={DRAWING_FILE_BYTES_MAX}
      onText={(text, read) => {
        for (const { kind, id, body } of copiedDrawing(readDrawingFile(text, read), houseId).records)
          createRecord(houseId, kind, body, id);
        return null;
      }}
    />
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
