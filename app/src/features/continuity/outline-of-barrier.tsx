import type { BarrierHere } from '@calvet/contract/continuity/barrier-here';
import type { BarrierState } from '@calvet/contract/continuity/unrolled';
import { layOutline } from '@calvet/contract/plan/lay-outline';
import { itemKey } from '@calvet/contract/plan/item-key';
import type { Storey } from '@calvet/contract/plan/storey';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line } from 'react-native-svg';
import { strokeOf } from '../../ui/line-mark';
import { usePalette } from '../../ui/theme';
import { scaleOver } from '../drawing/plan-scale';
import { MARK_OF_BARRIER } from './barrier-mark';

const MARGIN = 18;
const REACH = 30;
const KNOT = 4;
const AROUND_PX = 18;
const WORST_FIRST: readonly BarrierState[] = ['open', 'notSeen', 'sealed', 'notNeeded'];

interface OutlineOfBarrierProps {
  readonly storey: Storey;
  readonly barrier: BarrierHere;
  /** Id of the wall through which the section is cut. */
  readonly chosen: string;
  /** Called with the id of a wall. */
  readonly onChoose: (wall: string) => void;
  readonly height: number;
}

/** How it stands with all that is of a wall: its sheet, its foot and head, its openings, the holes in it. */
function stateOfWall(wall: string, { areas, junctions, holes }: BarrierHere): BarrierState {
  const keys = new Set([itemKey.wall(wall), itemKey.concrete(wall)]);
  const states: readonly BarrierState[] = [
    ...areas
      .filter(({ key }) => keys.has(key))
      .map(({ isVerified, barrier }): BarrierState =>
        isVerified && barrier !== null ? 'sealed' : 'notSeen',
      ),
    ...junctions
      .filter(
        ({ kind, areas: of }) =>
          !kind.startsWith('corner') && kind !== 'straightOn' && of.some((key) => keys.has(key)),
      )
      .map(({ state }) => state),
    ...holes.filter(({ areaId }) => keys.has(areaId)).map(({ state }) => state),
  ];
  return WORST_FIRST.find((state) => states.includes(state)) ?? 'notSeen';
}

/** A storey from above as one closed line: each wall with all that is of it, each corner a knot. */
export function OutlineOfBarrier({ storey, barrier, chosen, onChoose, height }: OutlineOfBarrierProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const walls = useMemo(() => layOutline(storey), [storey]);
  const states = useMemo(
    () => new Map(walls.map(({ wall }) => [wall.id, stateOfWall(wall.id, barrier)])),
    [walls, barrier],
  );
  const corners = useMemo(() => new Map(barrier.junctions.map(({ key, state }) => [key, state])), [barrier]);
  const scale =
    width === 0
      ? null
      : scaleOver(
          walls.flatMap(({ from, to }) => [from, to]),
          { width, height, margin: MARGIN },
        );
  return (
    <View style={{ height }} onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}>
      {scale !== null && (
        <Svg
          width={width}
          height={height}
          role="img"
          aria-label={`${storey.name} from above: its air barrier`}
        >
          {walls.map(({ wall, from, to }) => {
            const ends = {
              x1: scale.x(from.xM),
              y1: scale.y(from.yM),
              x2: scale.x(to.xM),
              y2: scale.y(to.yM),
            };
            return (
              <G key={wall.id}>
                {wall.id === chosen && (
                  <Line {...ends} stroke={palette.straw} strokeWidth={AROUND_PX} opacity={0.35} />
                )}
                <Line {...ends} {...strokeOf(MARK_OF_BARRIER[states.get(wall.id) ?? 'notSeen'], palette)} />
                <Line {...ends} stroke="transparent" strokeWidth={REACH} onPress={() => onChoose(wall.id)} />
              </G>
            );
          })}
          {walls.map(({ wall, from }) => {
            const state = corners.get(itemKey.corner(wall.corner));
            if (state === undefined) return null;
            const { stroke } = strokeOf(MARK_OF_BARRIER[state], palette);
            return (
              <Circle
                key={wall.corner}
                cx={scale.x(from.xM)}
                cy={scale.y(from.yM)}
                r={KNOT}
                fill={state === 'sealed' ? stroke : palette.card}
                stroke={stroke}
                strokeWidth={2}
                strokeDasharray={state === 'open' ? '5 3' : state === 'notSeen' ? '2 2' : undefined}
              />
            );
          })}
        </Svg>
      )}
    </View>
  );
}
