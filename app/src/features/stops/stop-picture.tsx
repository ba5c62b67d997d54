import type { Storey } from '@calvet/contract/plan/storey';
import { layOutline } from '@calvet/contract/plan/lay-outline';
import type { StopHere } from '@calvet/contract/walk/generate-walk';
import { stretchesOf } from '@calvet/contract/walk/walking-order';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Text as SvgText } from 'react-native-svg';
import { strokeOf, type Mark } from '../../ui/line-mark';
import { usePalette } from '../../ui/theme';
import { fonts } from '../../ui/tokens';
import { scaleOver } from '../drawing/plan-scale';

const MARGIN = 14;

/** How wide a thumb may miss a stretch. */
const REACH = 30;
const NUMBER_PX = 14;
const BESIDE_PX = 15;
/** Shorter stretches have no room for a number. */
const LEAST_PX = 20;
/** Stretches of one wall are told apart by so much. */
const GAP_PX = 3;
/** Where one is stands out by a band of this width. */
const AROUND_PX = 20;

interface StopPictureProps {
  readonly storey: Storey;
  /** All stops of the house, in walking order. */
  readonly stops: readonly StopHere[];
  /** Key of the stop one is at. */
  readonly chosen: string | null;
  /** Ids of walls that are seen from where one is, beside those of the stop itself. */
  readonly facing?: ReadonlySet<string>;
  readonly markOf: (stop: StopHere) => Mark;
  readonly onChoose: (key: string) => void;
  readonly height: number;
}

/** A storey from above with its stops, each with its number in walking order and the mark of how it stands there. */
export function StopPicture({ storey, stops, chosen, facing, markOf, onChoose, height }: StopPictureProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const walls = layOutline(storey);
  const scale =
    width === 0
      ? null
      : scaleOver(
          walls.flatMap(({ from, to }) => [from, to]),
          { width, height, margin: MARGIN },
        );
  const lines =
    scale === null
      ? []
      : stretchesOf(storey).flatMap((stretch) => {
          const laid = walls.find(({ wall }) => wall.id === stretch.wall);
          const at = stops.findIndex(
            ({ wall, stretchId, fromM }) =>
              wall === stretch.wall && stretchId === stretch.stretch && fromM === stretch.fromM,
          );
          const stop = stops[at];
          if (laid === undefined || stop === undefined) return [];
          const { lengthM } = laid.wall;
          const place = (m: number) => ({
            x: scale.x(laid.from.xM + ((laid.to.xM - laid.from.xM) * m) / lengthM),
            y: scale.y(laid.from.yM + ((laid.to.yM - laid.from.yM) * m) / lengthM),
          });
          const [a, b] = [place(stretch.fromM), place(stretch.toM)];
          const px = Math.hypot(b.x - a.x, b.y - a.y) || 1;
          const along = { x: (b.x - a.x) / px, y: (b.y - a.y) / px };
          return [
            {
              key: stop.key,
              isFaced: facing?.has(stretch.wall) === true,
              mark: markOf(stop),
              number: at + 1,
              a,
              b,
              px,
              along,
            },
          ];
        });
  return (
    <View style={{ height }} onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}>
      {scale !== null && (
        <Svg
          width={width}
          height={height}
          role="img"
          aria-label={`${storey.name} from above, ${lines.length} stops`}
        >
          {lines.map(({ key, isFaced, mark, number, a, b, px, along }) => {
            const isChosen = key === chosen || isFaced;
            // Indoors lies to the right of a wall's run.
            const middle = {
              x: (a.x + b.x) / 2 - along.y * BESIDE_PX,
              y: (a.y + b.y) / 2 + along.x * BESIDE_PX + NUMBER_PX / 3,
            };
            const line = {
              x1: a.x + along.x * GAP_PX,
              y1: a.y + along.y * GAP_PX,
              x2: b.x - along.x * GAP_PX,
              y2: b.y - along.y * GAP_PX,
            };
            return (
              <G key={key}>
                {isChosen && <Line {...line} stroke={palette.straw} strokeWidth={AROUND_PX} opacity={0.35} />}
                <Line {...line} {...strokeOf(mark, palette)} />
                {px > LEAST_PX && (
                  <SvgText
                    {...middle}
                    textAnchor="middle"
                    fontFamily={isChosen ? fonts.figureBold : fonts.figure}
                    fontSize={NUMBER_PX}
                    fill={isChosen ? palette.ink : palette.soft}
                  >
                    {number}
                  </SvgText>
                )}
                <Line {...line} stroke="transparent" strokeWidth={REACH} onPress={() => onChoose(key)} />
              </G>
            );
          })}
        </Svg>
      )}
    </View>
  );
}
