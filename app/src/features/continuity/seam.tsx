import { brokenFirst } from '@calvet/contract/continuity/broken-first';
import type { BarrierHere } from '@calvet/contract/continuity/barrier-here';
import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import { useWalk } from '../../compute/use-walk';
import type { HouseView } from '../../data/as-drawn';
import { inPixels, unrolled } from '@calvet/contract/continuity/unrolled';
import { memo, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line } from 'react-native-svg';
import { LinkArea } from '../../ui/link-area';
import { strokeOf } from '../../ui/line-mark';
import { usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { useQuiet } from '../../ui/use-quiet';
import { useLooks } from '../stops/use-looks';
import { useVerdicts } from '../stops/use-verdicts';
import { MARK_OF_BARRIER } from './barrier-mark';
import { SEAM_HEIGHT } from './seam-height';
import { useBarrier } from './use-barrier';

const HEIGHT = 10;

interface KnownProps {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly calendar: CalendarHere | null;
}

const Known = memo(function Known({ view, walk, calendar }: KnownProps) {
  const { standing } = useVerdicts(view, walk);
  const looks = useLooks(view, walk, calendar, standing);
  return <Seam houseId={view.house.id} barrier={useBarrier(view, walk, looks)} />;
});

/** So long after the last press or key the seam follows: whoever goes on is not held up. */
const QUIET_MS = 250;

/** The seam of a drawn house: nothing until it is known. */
export function SeamOfHouse({ view: newest }: { readonly view: HouseView }) {
  const view = useQuiet(newest, QUIET_MS);
  const { walk, calendar } = useWalk(view);
  return (
    <View style={styles.height}>
      {walk?.state === 'walked' && <Known view={view} walk={walk} calendar={calendar ?? null} />}
    </View>
  );
}

/** The whole air barrier of a house as one slim strip: solid, broken or dotted; where a pixel holds several, the worst. */
export function Seam({ houseId, barrier }: { readonly houseId: string; readonly barrier: BarrierHere }) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const stretches = useMemo(() => inPixels(unrolled(barrier), width), [barrier, width]);
  return (
    <LinkArea
      href={{ pathname: '/houses/[houseId]/continuity', params: { houseId } }}
      label={`Air barrier: ${brokenFirst(barrier)}`}
      style={styles.seam}
    >
      <View
        style={styles.strip}
        onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}
      >
        <Svg width={width} height={HEIGHT} aria-hidden>
          {stretches.map(({ state, fromPx, toPx }) => (
            <Line
              key={fromPx}
              x1={fromPx}
              x2={toPx}
              y1={HEIGHT / 2}
              y2={HEIGHT / 2}
              {...strokeOf(MARK_OF_BARRIER[state], palette)}
            />
          ))}
        </Svg>
      </View>
    </LinkArea>
  );
}

const styles = StyleSheet.create({
  height: { height: SEAM_HEIGHT },
  seam: { height: SEAM_HEIGHT, justifyContent: 'center', paddingHorizontal: space.l },
  strip: { height: HEIGHT },
});
