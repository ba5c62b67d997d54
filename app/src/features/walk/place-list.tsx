import type { StopHere, Walk } from '@calvet/contract/walk/generate-walk';
import { isLeft, type Look } from '@calvet/contract/walk/looks';
import { askedAt, partOf, type Round } from '@calvet/contract/walk/round';
import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import useLatestCallback from 'use-latest-callback';
import type { HouseView } from '../../data/as-drawn';
import { LineMark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { markOfAll } from '../stops/look-mark';
import { stopName } from './place-bar';

/** A part of a house as it is called. */
export function partName(view: HouseView, part: string): string {
  if (part === 'outside') return 'Outside';
  if (part === 'house') return 'Whole house';
  return view.storeys.find(({ id }) => id === part)?.name ?? 'A storey';
}

interface PlaceListProps {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly round: Round;
  readonly looks: ReadonlyMap<string, Look>;
  /** Key of the stop one is at. */
  readonly here: string;
  readonly onChoose: (stop: string) => void;
}

/** All places of a house in walking order, each with what is left there on this round. */
export function PlaceList({ onChoose, ...rest }: PlaceListProps) {
  return <Drawn {...rest} onChoose={useLatestCallback(onChoose)} />;
}

const Drawn = memo(function Drawn({ view, walk, round, looks, here, onChoose }: PlaceListProps) {
  const palette = usePalette();
  const { stops } = walk;
  const parts = [...new Set(stops.map(partOf))];
  const line = (stop: StopHere) => {
    const asked = askedAt(stop, round);
    const left = asked.filter(({ key }) => isLeft(looks.get(key))).length;
    const isHere = stop.key === here;
    return (
      <Pressable
        key={stop.key}
        role="button"
        aria-label={`${stopName(stop)}, ${left} left`}
        aria-current={isHere ? 'location' : undefined}
        onPress={() => onChoose(stop.key)}
        style={[styles.line, isHere && { backgroundColor: palette.lakeTint }]}
      >
        <Text look="figure" tone="soft" style={styles.number}>
          {stops.indexOf(stop) + 1}
        </Text>
        <LineMark mark={markOfAll(asked.map(({ key }) => looks.get(key)?.state ?? 'left'))} width={28} />
        <Text look={isHere ? 'strong' : 'body'} style={styles.name}>
          {stopName(stop)}
        </Text>
        <Text look="figure" tone={left === 0 ? 'soft' : 'ink'}>
          {asked.length === 0 ? '–' : left}
        </Text>
      </Pressable>
    );
  };
  return parts.map((part) => (
    <View key={part}>
      <Text look="small" tone="soft">
        {partName(view, part)}
      </Text>
      {stops.filter((stop) => partOf(stop) === part).map(line)}
    </View>
  ));
});

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.s, minHeight: 48, paddingRight: space.s },
  number: { minWidth: 30, textAlign: 'right' },
  name: { flex: 1, minWidth: 0 },
});
