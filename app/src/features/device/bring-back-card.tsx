import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { NoRoomOnDevice } from '../../data/pictures';
import { useStore } from '../../data/store-context';
import { Card } from '../../ui/card';
import { FileButton } from '../../ui/file-button';
import { Text } from '../../ui/text';

const entryWords = (count: number): string => (count === 1 ? '1 entry' : `${count} entries`);
const pictureWords = (count: number): string => (count === 1 ? '1 picture' : `${count} pictures`);

function answerWords(fresh: number, entries: number, pictures: number): string {
  const known = entries - fresh;
  const were =
    known === 0 ? '' : ` ${entryWords(known)} of the file ${known === 1 ? 'was' : 'were'} here already.`;
  return `${entryWords(fresh)} and ${pictureWords(pictures)} are brought back, and are sent like all else.${were}`;
}

/** Takes in what another device held unsent, from the file that was saved there. */
export function BringBackCard() {
  const { bringBack } = useStore();
  const [answer, setAnswer] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = async (file: File): Promise<void> => {
    setAnswer(null);
    setTrouble(null);
    const { NoRescueFile, readRescueFile } = await import('../../data/rescue-file');
    try {
      const rescued = await readRescueFile(await file.text());
      const fresh = await bringBack(rescued);
      if (fresh === null) setTrouble('Calvet is open in another tab, which sends. Choose the file there.');
      else setAnswer(answerWords(fresh, rescued.changes.length, rescued.pictures.length));
    } catch (error) {
      if (!(error instanceof NoRescueFile || error instanceof NoRoomOnDevice)) throw error;
      setTrouble(error.message);
    }
  };
  return (
    <Card title="From a device that failed">
      <Text tone="soft">
        Where Calvet did not start, what was unsent could be saved to a file. Bring it back here: what the
        server has already is not taken twice, and what somebody changed meanwhile is asked about.
      </Text>
      <View style={styles.row}>
        <FileButton
          label="Bring back from a file"
          icon="file-upload-outline"
          fileLabel="File of unsent entries"
          accept=".json,application/json"
          onFile={(file) => void take(file)}
        />
      </View>
      <Text role="status">{answer}</Text>
      {trouble !== null && (
        <Text tone="ember" role="alert">
          {trouble}
        </Text>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row' } });
