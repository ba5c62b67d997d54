import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { Button } from '../../ui/button';
import { Sheet } from '../../ui/sheet';
import { space } from '../../ui/tokens';
import { partsOf, type HousePart } from './parts-of-house';

interface PartSheetProps {
  readonly view: HouseView;
  /** What is to be chosen for, as a heading. */
  readonly title: string;
  /** Which parts can be chosen. */
  readonly suits: (part: HousePart) => boolean;
  readonly onChoose: (part: HousePart) => void;
  readonly onClose: () => void;
}

/** One of the parts of a house, to be chosen. */
export function PartSheet({ view, title, suits, onChoose, onClose }: PartSheetProps) {
  return (
    <Sheet title={title} onClose={onClose}>
      <View style={styles.parts}>
        {partsOf(view)
          .filter(suits)
          .map((part) => (
            <Button key={part.id} label={part.name} onPress={() => onChoose(part)} />
          ))}
      </View>
      <Button kind="quiet" label="Cancel" onPress={onClose} />
    </Sheet>
  );
}

const styles = StyleSheet.create({ parts: { gap: space.s } });
