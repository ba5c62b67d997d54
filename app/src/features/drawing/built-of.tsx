import { idsIn } from '@calvet/contract/plan/item-key';
import { memo, useDeferredValue } from 'react';
import { View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { Text } from '../../ui/text';
import { AreaLine } from '../fill/area-line';

interface BuiltOfProps {
  readonly view: HouseView;
  /** Id of what was drawn. */
  readonly part: string;
}

/** What a part of the drawing is built of; its layers are seen and changed where each line leads. */
export function BuiltOf({ view, part }: BuiltOfProps) {
  return <Lines areas={useDeferredValue(view.areas)} part={part} />;
}

const Lines = memo(function Lines({
  areas: all,
  part,
}: Pick<HouseView, 'areas'> & Pick<BuiltOfProps, 'part'>) {
  const areas = all.filter(({ item }) => item !== null && idsIn(item)[0] === part);
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
});
