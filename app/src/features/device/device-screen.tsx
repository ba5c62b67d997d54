import type { House } from '@calvet/contract/house/house';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useHouses, useIsKeptOnDevice, useOutbox } from '../../data/hooks';
import { usePicturesOnDevice, useSpaceOnDevice, useTakenHouses, useUploads } from '../../data/picture-hooks';
import type { PicturesHeld } from '../../data/local-schema';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useNote } from '../../ui/undo';
import { Screen } from '../shell/screen';
import { BringBackCard } from './bring-back-card';
import { TakeAlongLine } from './take-along-line';

const BYTES_PER_MB = 1_000_000;

function sizeWords(bytes: number): string {
  const mb = bytes / BYTES_PER_MB;
  if (mb < 1) return `${Math.round(mb * 1000)} kB`;
  if (mb >= 1000) return `${(mb / 1000).toFixed(1)} GB`;
  return `${mb < 10 ? mb.toFixed(1) : Math.round(mb)} MB`;
}

function heldWords({ pictures, bytes }: PicturesHeld): string {
  return `${pictures === 1 ? '1 picture' : `${pictures} pictures`} here, ${sizeWords(bytes)}.`;
}

function headline(isKept: boolean, bytes: number): string {
  if (!isKept) return 'This browser keeps nothing';
  return bytes === 0 ? 'No pictures are kept here' : `Pictures take ${sizeWords(bytes)} here`;
}

interface HouseHereProps {
  readonly house: House;
  readonly held: PicturesHeld | undefined;
  readonly onFreed: () => void;
}

function HouseHere({ house, held, onFreed }: HouseHereProps) {
  const note = useNote();
  const { freeHouse, holdsUnsent } = useStore();
  const [trouble, setTrouble] = useState<string | null>(null);
  // Told again whenever something was sent.
  useOutbox();
  useUploads();
  const isUnsent = holdsUnsent(house.id);
  const free = async (): Promise<void> => {
    setTrouble(null);
    try {
      await freeHouse(house.id);
    } catch {
      setTrouble('The server did not confirm what it has, so all of it stays here. Try again with a signal.');
      return;
    }
    onFreed();
    note({ text: `What the server has of ${house.name} was taken off this device.` });
  };
  return (
    <Card title={house.name}>
      <TakeAlongLine houseId={house.id} hint={held === undefined ? 'No pictures here.' : heldWords(held)} />
      {trouble !== null && (
        <Text tone="ember" role="alert">
          {trouble}
        </Text>
      )}
      {isUnsent && <Text tone="straw">Something of it is not sent yet, and stays.</Text>}
      {held !== undefined && (
        <View style={styles.row}>
          <Button label={`Free ${sizeWords(held.bytes)}`} onPress={() => void free()} />
        </View>
      )}
    </Card>
  );
}

/** What is kept on this device: which houses are taken along, how much room they take, and the way to free it. */
export function DeviceScreen() {
  const { data: houses = [] } = useHouses();
  const isKept = useIsKeptOnDevice();
  const [freed, setFreed] = useState(0);
  const taken = useTakenHouses();
  const look = useMemo(() => ({ freed, taken }), [freed, taken]);
  const held = usePicturesOnDevice(look);
  const onDevice = useSpaceOnDevice(look);
  const total = [...held.values()].reduce((sum, { bytes }) => sum + bytes, 0);
  return (
    <Screen name="This device" back="/" backLabel="Back to the houses">
      <Text look="answer" level={2}>
        {headline(isKept, total)}
      </Text>
      <Text tone="soft">
        {isKept
          ? 'What you enter and the houses you take with you are kept here, so that they are there without a signal. Freeing takes off only what the server has too.'
          : 'Entries live as long as this page. Leave it open until everything is sent, or use a window that is not private.'}
      </Text>
      {onDevice?.usedMb != null && onDevice.usedMb * BYTES_PER_MB > total && (
        <Text look="small" tone="soft">
          Calvet uses {sizeWords(onDevice.usedMb * BYTES_PER_MB)} in all, the app itself with it
          {onDevice.roomMb === null
            ? ''
            : `, of about ${sizeWords(onDevice.roomMb * BYTES_PER_MB)} that the browser allows`}
          {onDevice.isPersistent ? '. The browser will not clear it by itself.' : '.'}
        </Text>
      )}
      {houses.map((house) => (
        <HouseHere
          key={house.id}
          house={house}
          held={held.get(house.id)}
          onFreed={() => setFreed((count) => count + 1)}
        />
      ))}
      {houses.length === 0 && <Text tone="soft">No house yet.</Text>}
      <BringBackCard />
    </Screen>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', gap: space.s } });
