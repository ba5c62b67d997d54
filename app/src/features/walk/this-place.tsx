import type { StopHere, Walk } from '@calvet/contract/walk/generate-walk';
import { inLevels } from '@calvet/contract/plan/plan-input';
import { askedAt } from '@calvet/contract/walk/round';
import type { BarrierHere } from '@calvet/contract/continuity/barrier-here';
import { memo, useMemo } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { Card } from '../../ui/card';
import { Text } from '../../ui/text';
import { useIsWide } from '../../ui/theme';
import { BARRIER_WORDS, MARK_OF_BARRIER } from '../continuity/barrier-mark';
import { markOfAll } from '../stops/look-mark';
import { CheckpointLine, JunctionLine } from '../stops/stop-line';
import { StopPicture } from '../stops/stop-picture';
import { useCatalogue } from '../stops/use-catalogue';
import type { Walking } from './use-walking';

const ON_THE_PHONE = 116;
const ON_THE_DESK = 240;

interface PlaceProps {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly walking: Walking;
}

/** Where one is, on the storey from above. */
export const Here = memo(function Here({ view, walk, walking }: PlaceProps) {
  const isWide = useIsWide();
  const { stop, round, looks, goTo } = walking;
  const storey = view.storeys.find(({ id }) => id === stop.storeyId) ?? inLevels(view.storeys)[0];
  if (storey === undefined) return null;
  // From outside one faces whole walls.
  const facing = new Set(
    stop.kind === 'side' || stop.kind === 'beside'
      ? stop.checkpoints.flatMap(({ path }) => path[2] ?? [])
      : [],
  );
  const markOf = (each: StopHere) =>
    markOfAll(askedAt(each, round).map(({ key }) => looks.get(key)?.state ?? 'left'));
  return (
    <StopPicture
      storey={storey}
      stops={walk.stops}
      chosen={stop.key}
      facing={facing}
      markOf={markOf}
      onChoose={(key) => goTo(key)}
      height={isWide ? ON_THE_DESK : ON_THE_PHONE}
    />
  );
});

interface AtThisPlaceProps {
  readonly walking: Walking;
  readonly barrier: BarrierHere;
  /** Called with the key of a junction. */
  readonly onJunction: (key: string) => void;
}

/** What else is asked here, and what is joined here. */
export function AtThisPlace({ walking, barrier, onJunction }: AtThisPlaceProps) {
  const { checkpointOf } = useCatalogue();
  const { stop, asked, current, looks, goTo } = walking;
  const junctions = useMemo(() => new Map(barrier.junctions.map((item) => [item.key, item])), [barrier]);
  const joined = stop.junctions.flatMap((key) => junctions.get(key) ?? []);
  if (asked.length + joined.length === 0) {
    return (
      <Text tone="soft">Nothing is asked here on this round. Go on, or choose another place above.</Text>
    );
  }
  return (
    <>
      {asked.length > 0 && (
        <Card title={`Here · ${asked.length}`}>
          {asked.map((here) => (
            <CheckpointLine
              key={here.key}
              here={here}
              title={checkpointOf(here.checkpoint)?.title ?? '…'}
              look={looks.get(here.key)}
              isCurrent={here.key === current?.key}
              onPress={() => goTo(stop.key, here.key)}
            />
          ))}
        </Card>
      )}
      {joined.length > 0 && (
        <Card title="Junctions">
          {joined.map((item) => (
            <Pressable
              key={item.key}
              role="button"
              aria-label={`${item.name}, ${BARRIER_WORDS[item.state]}`}
              onPress={() => onJunction(item.key)}
              style={styles.junction}
            >
              <JunctionLine item={item} mark={MARK_OF_BARRIER[item.state]} />
            </Pressable>
          ))}
        </Card>
      )}
    </>
  );
}

const styles = StyleSheet.create({ junction: { minHeight: 48, justifyContent: 'center' } });
