import type { Roof } from '@calvet/contract/plan/roof';
import type { Storey } from '@calvet/contract/plan/storey';
import type { Zone } from '@calvet/contract/plan/zone';
import { isSloping } from '@calvet/contract/plan/roof';
import { layOutline } from '@calvet/contract/plan/lay-outline';
import { dequal } from 'dequal';
import { memo, useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import useLatestCallback from 'use-latest-callback';
import { usePreferences } from '../../data/preferences';
import { figureWithUnit } from '../../ui/format';
import { usePalette } from '../../ui/theme';
import { fonts } from '../../ui/tokens';
import { scaleOver, wordsWithin } from './plan-scale';

const MARGIN = 18;
const LETTERS = 13;

interface SectionPictureProps {
  /** The lowest first. */
  readonly storeys: readonly Storey[];
  readonly roofs: readonly Roof[];
  readonly zones: readonly Zone[];
  readonly chosen: string | null;
  readonly onChoose: (storey: Storey) => void;
  readonly height: number;
}

interface Level {
  readonly id: string;
  readonly name: string;
  readonly clearM: number;
  readonly frameM: number;
  readonly x0M: number;
  readonly x1M: number;
  readonly floorM: number;
  readonly headM: number;
}

/** Storeys as they stand on each other, seen from the front. */
function levelsOf(storeys: readonly Storey[]): readonly Level[] {
  let headM = 0;
  return storeys.map((storey, i): Level => {
    const floorM = i === 0 ? 0 : headM + storey.floorDepthM;
    headM = floorM + storey.heightM;
    const xs = layOutline(storey).map(({ from }) => from.xM);
    const { id, name, heightM: clearM, floorDepthM: frameM } = storey;
    return { id, name, clearM, frameM, x0M: Math.min(...xs), x1M: Math.max(...xs), floorM, headM };
  });
}

/** The line of a wing's roof from the front, in m: a gable or a hip towards whoever looks, or a slope rising away. */
function roofLines(levels: readonly Level[], roofs: readonly Roof[]) {
  return roofs.flatMap(({ storeyId, form, pitch, collarM, wings }) => {
    const level = levels.find(({ id }) => id === storeyId);
    if (level === undefined || pitch === null || !isSloping(form)) return [];
    return wings.map(({ id, x0M, x1M, y0M, y1M, ridge, low }) => {
      const isAlong = form === 'slope' ? ridge === 'y' : low.startsWith('x');
      const spanM = isAlong ? x1M - x0M : y1M - y0M;
      const topM = form === 'monoSlope' ? spanM * pitch : Math.min((spanM / 2) * pitch, collarM ?? Infinity);
      const runM = topM / pitch;
      const places: readonly (readonly [number, number])[] = !isAlong
        ? [
            [x0M, 0],
            [x0M, topM],
            [x1M, topM],
            [x1M, 0],
          ]
        : form === 'slope'
          ? [
              [x0M, 0],
              [x0M + runM, topM],
              [x1M - runM, topM],
              [x1M, 0],
            ]
          : low === 'x0'
            ? [
                [x0M, 0],
                [x1M, topM],
                [x1M, 0],
              ]
            : [
                [x0M, 0],
                [x0M, topM],
                [x1M, 0],
              ];
      return { id, places: places.map(([xM, upM]) => ({ xM, yM: level.headM + upM })) };
    });
  });
}

/** The house from the front: its storeys on each other, floors between them, what closes it above. */
export function SectionPicture({ storeys, roofs, zones, onChoose, ...rest }: SectionPictureProps) {
  const levels = levelsOf(storeys);
  const choose = useLatestCallback((id: string) => {
    const storey = storeys.find((each) => each.id === id);
    if (storey !== undefined) onChoose(storey);
  });
  return (
    <Section
      {...rest}
      levels={levels}
      lines={roofLines(levels, roofs)}
      rooms={roomsBeside(levels, zones)}
      onChoose={choose}
    />
  );
}

/** Unheated rooms beside storeys, as high as these. */
function roomsBeside(levels: readonly Level[], zones: readonly Zone[]) {
  return zones.flatMap(({ id, storeyId, outline }) => {
    const level = levels.find((each) => each.id === storeyId);
    const xs = outline.map(({ xM }) => xM);
    return level === undefined
      ? []
      : [{ id, x0M: Math.min(...xs), x1M: Math.max(...xs), floorM: level.floorM, headM: level.headM }];
  });
}

interface SectionProps {
  readonly levels: readonly Level[];
  readonly lines: ReturnType<typeof roofLines>;
  readonly rooms: ReturnType<typeof roomsBeside>;
  readonly chosen: string | null;
  /** Called with the id of a storey. */
  readonly onChoose: (id: string) => void;
  readonly height: number;
}

/** The same while nothing of it lies elsewhere: most that is typed into a storey does not show from the front. */
const Section = memo(function Section({ levels, lines, rooms, chosen, onChoose, height }: SectionProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const [width, setWidth] = useState(0);
  const places = [
    ...[...levels, ...rooms].flatMap(({ x0M, x1M, floorM, headM }) => [
      { xM: x0M, yM: floorM },
      { xM: x1M, yM: headM },
    ]),
    ...lines.flatMap((each) => each.places),
  ];
  const scale = width === 0 ? null : scaleOver(places, { width, height, margin: MARGIN });
  return (
    <View style={{ height }} onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}>
      {scale !== null && (
        <Svg width={width} height={height} role="img" aria-label={`${levels.length} storeys from the front`}>
          {lines.map((each) => (
            <Path
              key={each.id}
              d={`M${each.places.map(({ xM, yM }) => `${scale.x(xM)} ${scale.y(yM)}`).join('L')}`}
              fill="none"
              stroke={palette.lake}
              strokeWidth={4}
            />
          ))}
          {rooms.map(({ id, x0M, x1M, floorM, headM }) => (
            <Rect
              key={id}
              x={scale.x(x0M)}
              y={scale.y(headM)}
              width={scale.x(x1M) - scale.x(x0M)}
              height={scale.y(floorM) - scale.y(headM)}
              fill="none"
              stroke={palette.unseen}
              strokeWidth={2}
            />
          ))}
          {levels.map(({ id, name, clearM, frameM, x0M, x1M, floorM, headM }) => {
            const [left, right, top, foot] = [scale.x(x0M), scale.x(x1M), scale.y(headM), scale.y(floorM)];
            const isChosen = id === chosen;
            const clear = figureWithUnit(clearM, 'length', units);
            const hasRoom = foot - top > LETTERS + 4;
            return (
              <G key={id}>
                <Rect
                  x={left}
                  y={top}
                  width={right - left}
                  height={foot - top}
                  fill={isChosen ? palette.lakeTint : palette.card}
                  stroke={isChosen ? palette.ink : palette.lake}
                  strokeWidth={4}
                />
                {frameM > 0 && (
                  <Line
                    x1={left}
                    x2={right}
                    y1={scale.y(floorM - frameM)}
                    y2={scale.y(floorM - frameM)}
                    stroke={palette.unseen}
                    strokeWidth={2}
                  />
                )}
                {hasRoom && (
                  <SvgText
                    x={(left + right) / 2}
                    y={(top + foot) / 2 + LETTERS / 2 - 2}
                    textAnchor="middle"
                    fontFamily={isChosen ? fonts.bold : fonts.text}
                    fontSize={LETTERS}
                    fill={palette.ink}
                  >
                    {`${wordsWithin(name, right - left - LETTERS * clear.length, LETTERS)} · ${clear}`}
                  </SvgText>
                )}
                <Rect
                  x={left}
                  y={top}
                  width={right - left}
                  height={foot - top}
                  fill="transparent"
                  onPress={() => onChoose(id)}
                />
              </G>
            );
          })}
        </Svg>
      )}
    </View>
  );
}, dequal);
