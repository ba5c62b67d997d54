import type { BarrierHere } from '@calvet/contract/continuity/barrier-here';
import { sectionThrough } from '@calvet/contract/continuity/section-line';
import type { BarrierState } from '@calvet/contract/continuity/unrolled';
import type { Storey } from '@calvet/contract/plan/storey';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Text as SvgText } from 'react-native-svg';
import { strokeOf } from '../../ui/line-mark';
import { usePalette } from '../../ui/theme';
import { fonts } from '../../ui/tokens';
import { scaleOver } from '../drawing/plan-scale';
import { MARK_OF_BARRIER } from './barrier-mark';

const MARGIN = 26;
const LETTERS = 14;
/** A joint is a knot in the line, of this radius; what is not sealed is a hole in it. */
const KNOT = 5;
const REACH = 34;
/** Smaller parts are drawn so long that they can be seen and touched. */
const LEAST_PX = 20;

interface SectionOfBarrierProps {
  /** The lowest first. */
  readonly storeys: readonly Storey[];
  readonly barrier: BarrierHere;
  /** Id of the wall through which it is cut. */
  readonly wall: string;
  /** Letters of the pieces that hang together, by the key of an area. */
  readonly letters: ReadonlyMap<string, string>;
  /** Called with the key of an area or a junction. */
  readonly onChoose: (key: string) => void;
  readonly height: number;
}

/** Heights as they are drawn: the small ones between storeys stretched, so that each joint is seen by itself. */
function stretched(heights: readonly number[], pxPerM: number): (yM: number) => number {
  const levels = [...new Set(heights)].sort((a, b) => a - b);
  const leastM = LEAST_PX / pxPerM;
  const drawn = new Map<number, number>();
  levels.forEach((level, i) => {
    const before = levels[i - 1];
    const below = before === undefined ? 0 : (drawn.get(before) ?? 0);
    drawn.set(level, before === undefined ? level : below + Math.max(level - before, leastM));
  });
  return (yM) => drawn.get(yM) ?? yM;
}

/** The air barrier where the house is cut, as one closed line with its breaks. */
export function SectionOfBarrier(props: SectionOfBarrierProps) {
  const { storeys, barrier, wall, letters, onChoose, height } = props;
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const line = useMemo(() => sectionThrough(storeys, barrier, wall), [storeys, barrier, wall]);
  const areas = useMemo(
    () =>
      new Map(
        barrier.areas.map(({ key, isVerified, barrier: of }): [string, BarrierState] => [
          key,
          of !== null && isVerified ? 'sealed' : 'notSeen',
        ]),
      ),
    [barrier],
  );
  const joints = useMemo(() => new Map(barrier.junctions.map(({ key, state }) => [key, state])), [barrier]);
  if (line === null) return null;
  const places = line.pieces.flatMap(({ from, to }) => [from, to]);
  const first = width === 0 ? null : scaleOver(places, { width, height, margin: MARGIN });
  const yOf = stretched(
    places.map(({ yM }) => yM),
    first?.pixelsPerM ?? 1,
  );
  const lifted = places.map(({ xM, yM }) => ({ xM, yM: yOf(yM) }));
  const scale = width === 0 ? null : scaleOver(lifted, { width, height, margin: MARGIN });
  const open = barrier.trace.breaks.length;
  return (
    <View style={{ height }} onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}>
      {scale !== null && (
        <Svg
          width={width}
          height={height}
          role="img"
          aria-label={`The air barrier where it is cut, ${open} breaks in all`}
        >
          {line.pieces.map(({ area, from, to }, i) => {
            const ends = {
              x1: scale.x(from.xM),
              y1: scale.y(yOf(from.yM)),
              x2: scale.x(to.xM),
              y2: scale.y(yOf(to.yM)),
            };
            const letter = area === null ? undefined : letters.get(area);
            const isUpright = Math.abs(ends.x2 - ends.x1) < 1;
            return (
              <G key={`${area} ${i}`}>
                <Line
                  {...ends}
                  {...strokeOf(
                    area === null ? 'thin' : MARK_OF_BARRIER[areas.get(area) ?? 'notSeen'],
                    palette,
                  )}
                />
                {letter !== undefined && Math.hypot(ends.x2 - ends.x1, ends.y2 - ends.y1) > LEAST_PX * 2 && (
                  <SvgText
                    x={
                      (ends.x1 + ends.x2) / 2 + (isUpright ? (i === 0 || ends.x1 < width / 2 ? 14 : -14) : 0)
                    }
                    y={(ends.y1 + ends.y2) / 2 + (isUpright ? LETTERS / 3 : 18)}
                    textAnchor="middle"
                    fontFamily={fonts.figureBold}
                    fontSize={LETTERS}
                    fill={palette.soft}
                  >
                    {letter}
                  </SvgText>
                )}
                {area !== null && (
                  <Line {...ends} stroke="transparent" strokeWidth={REACH} onPress={() => onChoose(area)} />
                )}
              </G>
            );
          })}
          {line.joints.map(({ junction, at }, i) => {
            if (junction === null) return null;
            const state = joints.get(junction) ?? 'notSeen';
            const centre = { cx: scale.x(at.xM), cy: scale.y(yOf(at.yM)) };
            const { stroke } = strokeOf(MARK_OF_BARRIER[state], palette);
            return (
              <G key={`${junction} ${i}`}>
                <Circle {...centre} r={KNOT + 4} fill={state === 'sealed' ? 'none' : palette.card} />
                <Circle
                  {...centre}
                  r={KNOT}
                  fill={state === 'sealed' ? stroke : palette.card}
                  stroke={stroke}
                  strokeWidth={3}
                  strokeDasharray={state === 'open' ? '6 4' : state === 'notSeen' ? '2 3' : undefined}
                />
                <Circle {...centre} r={REACH / 2} fill="transparent" onPress={() => onChoose(junction)} />
              </G>
            );
          })}
        </Svg>
      )}
    </View>
  );
}
