import { View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { Text } from '../../ui/text';
import { AreaLine } from '../fill/area-line';

interface BuiltOfProps {
  readonly view: HouseView;
  /** Keys of what was drawn. */
  readonly items: readonly string[];
}

/** What a part of the drawing is built of; its layers are seen and changed where each line leads. */
export function BuiltOf({ view, items }: BuiltOfProps) {
  const areas = view.areas.filter(({ item }) => item !== null && items.includes(item));
  if (areas.length === 0) return null;
  return (
    <View>
      <Text look="small" tone="soft">
        Built of
      </Text>
      {areas.map((area) => (
        <AreaLine key={area.id} area={area} />
      ))}
    </View>
  );
}
