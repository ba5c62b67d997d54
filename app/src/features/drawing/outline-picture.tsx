import type { PlanPlace, Storey, Wall } from '@calvet/contract/plan/storey';
import type { Roof, Wing } from '@calvet/contract/plan/roof';
import type { Zone } from '@calvet/contract/plan/zone';
import { gapOf, layOutline, type LaidWall } from '@calvet/contract/plan/lay-outline';
import { withWallMoved } from '@calvet/contract/plan/outline-edits';
import { memo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Polygon, Text as SvgText } from 'react-native-svg';
import useLatestCallback from 'use-latest-callback';
import { usePreferences } from '../../data/preferences';
import { figureWithUnit } from '../../ui/format';
import { usePalette } from '../../ui/theme';
import { fonts } from '../../ui/tokens';
import { scaleOver, wordsWithin, type PlanScale } from './plan-scale';
import { useOutlineKeep } from './use-outline-keep';
import { WallHandle } from './wall-handle';

const MARGIN = 34;
/** How wide a thumb may miss a wall. */
const REACH = 30;
const ABOVE_MARK = 5;
/** Its name stands at the foot of a room: in the middle it would lie over what is written at its wall. */
const ABOVE_FOOT = 8;
/** From here on a wall counts as upright on the picture: cosine of its outward direction. */
const UPRIGHT = 0.5;

interface WallLineProps {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  /** Within the outline, from 1. */
  readonly number: number;
  readonly isToOutdoors: boolean;
  /** Its length in words, of the one that is chosen; null of the others. */
  readonly chosenLength: string | null;
  /** Called with its number. */
  readonly onChoose: (number: number) => void;
}

/** A wall as a line, its number within the house, and, of the one that is chosen, its length beyond it. */
const WallLine = memo(function WallLine(props: WallLineProps) {
  const { x1, y1, x2, y2, number, isToOutdoors, chosenLength, onChoose } = props;
  const palette = usePalette();
  const length = Math.hypot(x2 - x1, y2 - y1) || 1;
  // Indoors lies to the right of its run.
  const inwards = { x: -(y2 - y1) / length, y: (x2 - x1) / length };
  // Beside an upright wall words begin, or end, where they would else lie over it.
  const beside = (pixels: number) => ({
    x: (x1 + x2) / 2 + inwards.x * pixels,
    y: (y1 + y2) / 2 + inwards.y * pixels + ABOVE_MARK,
    textAnchor:
      Math.abs(inwards.x) < UPRIGHT
        ? ('middle' as const)
        : inwards.x * pixels > 0
          ? ('start' as const)
          : ('end' as const),
  });
  const line = { x1, y1, x2, y2 };
  const isChosen = chosenLength !== null;
  const colour = isChosen ? palette.ink : palette.lake;
  return (
    <G>
      <Line {...line} stroke={colour} strokeWidth={isChosen ? 9 : 5} strokeLinecap="square" />
      {!isToOutdoors && <Line {...line} stroke={palette.card} strokeWidth={2} strokeDasharray="7 6" />}
      {length > 22 && (
        <SvgText
          {...beside(isChosen ? 18 : 12)}
          fontFamily={isChosen ? fonts.figureBold : fonts.figure}
          fontSize={14}
          fill={isChosen ? palette.ink : palette.soft}
        >
          {number}
        </SvgText>
      )}
      {isChosen && (
        <SvgText {...beside(-20)} fontFamily={fonts.figureBold} fontSize={14} fill={palette.ink}>
          {chosenLength}
        </SvgText>
      )}
      <Line {...line} stroke="transparent" strokeWidth={REACH} onPress={() => onChoose(number)} />
    </G>
  );
});

interface OutlinePictureProps {
  readonly storey: Storey;
  /** Dotted under it. */
  readonly lower: Storey | null;
  readonly zones: readonly Zone[];
  /** Those that have an outline of their own, and the ridges of all. */
  readonly roofs: readonly Roof[];
  /** Id of the wall that is chosen. */
  readonly chosen: string | null;
  readonly onChoose: (wall: Wall) => void;
  readonly height: number;
}

const pointsOf = (places: readonly PlanPlace[], scale: PlanScale): string =>
  places.map(({ xM, yM }) => `${scale.x(xM)},${scale.y(yM)}`).join(' ');

const cornersOf = (walls: readonly LaidWall[], scale: PlanScale): string =>
  pointsOf(
    walls.map(({ from }) => from),
    scale,
  );

/** How wide an outline is on the picture, in m. */
function acrossOf(outline: readonly PlanPlace[]): number {
  const xs = outline.map(({ xM }) => xM);
  return Math.max(...xs) - Math.min(...xs);
}

/** Where the ridge of a wing lies from above: from a gable, or as far from a hip as half the wing is wide. */
function ridgeOf({ x0M, x1M, y0M, y1M, ridge, lower, higher }: Wing): readonly [PlanPlace, PlanPlace] {
  const [from, to, across] = ridge === 'x' ? [x0M, x1M, (y0M + y1M) / 2] : [y0M, y1M, (x0M + x1M) / 2];
  const halfM = (ridge === 'x' ? y1M - y0M : x1M - x0M) / 2;
  const inset = { gable: 0, hip: halfM, joins: -halfM } as const;
  const place = (along: number): PlanPlace =>
    ridge === 'x' ? { xM: along, yM: across } : { xM: across, yM: along };
  return [place(from + inset[lower.kind]), place(to - inset[higher.kind])];
}

/** Roofs from above, in thin lines: outlines of their own, and ridges. */
function RoofLines({ roofs, scale }: { readonly roofs: readonly Roof[]; readonly scale: PlanScale }) {
  const palette = usePalette();
  return roofs.map(({ id, form, outline, wings }) => (
    <G key={id}>
      {outline !== null && (
        <Polygon points={pointsOf(outline, scale)} fill="none" stroke={palette.unseen} strokeWidth={1} />
      )}
      {form === 'slope' &&
        wings.map((wing) => {
          const [a, b] = ridgeOf(wing);
          return (
            <Line
              key={wing.id}
              x1={scale.x(a.xM)}
              y1={scale.y(a.yM)}
              x2={scale.x(b.xM)}
              y2={scale.y(b.yM)}
              stroke={palette.unseen}
              strokeWidth={1}
            />
          );
        })}
    </G>
  ));
}

/** A storey from above: solid what is drawn, dotted the storey below, broken where the outline does not close. */
export function OutlinePicture({
  storey,
  lower,
  zones,
  roofs,
  chosen,
  onChoose,
  height,
}: OutlinePictureProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { change } = useOutlineKeep(storey);
  const chooseNumber = useLatestCallback((number: number) => {
    const wall = storey.outline[number - 1];
    if (wall !== undefined) onChoose(wall);
  });
  const [width, setWidth] = useState(0);
  const [draggedM, setDraggedM] = useState<number | null>(null);
  const walls = layOutline(storey);
  const at = walls.findIndex(({ wall }) => wall.id === chosen);
  const canMove = at !== -1 && withWallMoved(storey, at, 0) !== null;
  const dragged = draggedM === null ? null : withWallMoved(storey, at, draggedM);
  const below = lower === null ? [] : layOutline(lower);
  const gap = gapOf(storey);
  const places = [
    ...[...walls, ...below].flatMap(({ from, to }) => [from, to]),
    ...zones.flatMap(({ outline }) => outline),
  ];
  const scale = width === 0 ? null : scaleOver(places, { width, height, margin: MARGIN });
  const end = walls.at(-1)?.to;
  const words = `${storey.name} from above, ${walls.length} walls${
    gap === null ? '' : `, does not close by ${figureWithUnit(gap.lengthM, 'length', units)}`
  }`;
  return (
    <View style={{ height }} onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}>
      {scale !== null && (
        <Svg width={width} height={height} role="img" aria-label={words}>
          {zones.map(({ id, name, outline }) => (
            <G key={id}>
              <Polygon
                points={pointsOf(outline, scale)}
                fill="none"
                stroke={palette.unseen}
                strokeWidth={2}
              />
              <SvgText
                x={scale.x(outline.reduce((sum, { xM }) => sum + xM, 0) / outline.length)}
                y={scale.y(Math.min(...outline.map(({ yM }) => yM))) - ABOVE_FOOT}
                textAnchor="middle"
                fontFamily={fonts.text}
                fontSize={13}
                fill={palette.soft}
              >
                {wordsWithin(name, acrossOf(outline) * scale.pixelsPerM, 13)}
              </SvgText>
            </G>
          ))}
          <RoofLines roofs={roofs} scale={scale} />
          {below.length > 0 && (
            <Polygon
              points={cornersOf(below, scale)}
              fill="none"
              stroke={palette.unseen}
              strokeWidth={4}
              strokeDasharray="3 5"
            />
          )}
          {walls.map(({ wall, from, to }, i) => (
            <WallLine
              key={wall.id}
              x1={scale.x(from.xM)}
              y1={scale.y(from.yM)}
              x2={scale.x(to.xM)}
              y2={scale.y(to.yM)}
              number={i + 1}
              isToOutdoors={wall.boundary === 'outdoors'}
              chosenLength={wall.id === chosen ? figureWithUnit(wall.lengthM, 'length', units) : null}
              onChoose={chooseNumber}
            />
          ))}
          {gap !== null && end !== undefined && (
            <G>
              <Line
                x1={scale.x(end.xM)}
                y1={scale.y(end.yM)}
                x2={scale.x(storey.start.xM)}
                y2={scale.y(storey.start.yM)}
                stroke={palette.ember}
                strokeWidth={5}
                strokeDasharray="9 5"
              />
              <Circle
                cx={scale.x(end.xM)}
                cy={scale.y(end.yM)}
                r={6}
                fill={palette.card}
                stroke={palette.ember}
                strokeWidth={3}
              />
            </G>
          )}
          {dragged !== null && (
            <Polygon
              points={cornersOf(layOutline(dragged), scale)}
              fill="none"
              stroke={palette.ink}
              strokeWidth={2}
            />
          )}
        </Svg>
      )}
      {scale !== null && canMove && (
        <WallHandle
          key={chosen}
          storey={storey}
          at={at}
          below={below}
          scale={scale}
          onDrag={setDraggedM}
          onMove={(movedM) => change('The wall was moved.', (drawn) => withWallMoved(drawn, at, movedM))}
        />
      )}
    </View>
  );
}
