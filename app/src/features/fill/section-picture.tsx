import { designAirOf } from '@calvet/contract/house/design-air';
import type { HouseBody } from '@calvet/contract/house/house';
import { heatFlowOf, type AreaInHand } from '@calvet/contract/installation/area';
import { lookOf, type LayerLook } from '@calvet/contract/installation/layer-group';
import { sectionOf, type Section, type SectionPoint } from '@calvet/contract/installation/section';
import { Refusal } from '@calvet/core/refusal';
import { useId, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Defs, G, Line, Path, Pattern, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '../../data/preferences';
import { figure, figureWithUnit } from '../../ui/format';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { fonts, space } from '../../ui/tokens';

const HEIGHT = 190;
/** Above and below the cut, for what is written there. */
const HEAD = 18;
const FOOT = 20;
const SIDE = 34;
/** Layers that would be thinner are widened to this and marked. */
const LEAST_PX = 3;
const MEMBERS = 2;
const LETTERS = 12;

/** How each look is drawn: a line in a tile of the size, turned. */
const HATCHES: Readonly<Partial<Record<LayerLook, { d: string; size: number; turn: number }>>> = {
  insulation: { d: 'M0 4 C2 0 4 0 6 4 C8 8 10 8 12 4', size: 12, turn: 0 },
  foam: { d: 'M3 3 m-1 0 a1 1 0 1 0 2 0 a1 1 0 1 0 -2 0', size: 7, turn: 0 },
  board: { d: 'M0 3 H6', size: 6, turn: 0 },
  masonry: { d: 'M0 0 V8', size: 8, turn: 45 },
  metal: { d: 'M0 0 V3', size: 3, turn: 45 },
};

interface Placed {
  readonly fromPx: number;
  readonly toPx: number;
  readonly isWidened: boolean;
}

/** Where each part stands on the screen: to scale, the thinnest widened at the cost of the thickest. */
export function placeParts(section: Section, widthPx: number): readonly Placed[] {
  const natural = section.parts.map(({ fromM, toM }) => ((toM - fromM) / section.thicknessM) * widthPx);
  const lacking = natural.reduce((sum, px) => sum + Math.max(0, LEAST_PX - px), 0);
  const spare = natural.reduce((sum, px) => sum + Math.max(0, px - LEAST_PX), 0);
  const shrink = spare > 0 ? Math.max(0, 1 - lacking / spare) : 1;
  let at = 0;
  return natural.map((px) => {
    const isWidened = px < LEAST_PX;
    const fromPx = at;
    at += isWidened ? LEAST_PX : LEAST_PX + (px - LEAST_PX) * shrink;
    return { fromPx, toPx: at, isWidened };
  });
}

/** Where a depth of the section stands on the screen, however thin layers were widened. */
function depthScale(section: Section, placed: readonly Placed[]): (atM: number) => number {
  return (atM) => {
    const within = section.parts.findIndex(({ toM }) => atM <= toM);
    const at = within < 0 ? section.parts.length - 1 : within;
    const [part, place] = [section.parts[at], placed[at]];
    if (part === undefined || place === undefined) return 0;
    const along = part.toM > part.fromM ? Math.min(1, (atM - part.fromM) / (part.toM - part.fromM)) : 0;
    return place.fromPx + along * (place.toPx - place.fromPx);
  };
}

interface SectionPictureProps {
  readonly house: HouseBody;
  readonly area: AreaInHand;
  /** Layer that is open in the list below: it is framed. */
  readonly openId: string | null;
  /** A layer was pressed. */
  readonly onOpen: (layerId: string) => void;
}

/** A build-up cut through, inside at the left, with how warm it is within on the coldest day. */
export function SectionPicture({ house, area, openId, onOpen }: SectionPictureProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const hatch = useId();
  const [width, setWidth] = useState(0);
  const air = useMemo(() => designAirOf(house), [house]);
  const { buildUp, kind } = area;
  const { filmConvention } = house;
  const section = useMemo(() => {
    try {
      return sectionOf(buildUp, { filmConvention, heatFlow: heatFlowOf(kind) }, air);
    } catch (error) {
      // What is wrong with its layers is said where they are entered.
      if (error instanceof Refusal) return null;
      throw error;
    }
  }, [buildUp, filmConvention, kind, air]);
  if (section === null) return null;
  const widthPx = Math.max(0, width - 2 * SIDE);
  const placed = placeParts(section, widthPx);
  const x = depthScale(section, placed);
  const [coldest, warmest] = [Math.min(air.outdoorC, section.dewPointC) - 1, air.indoorC + 1];
  const y = (temperatureC: number): number =>
    HEIGHT - FOOT - ((temperatureC - coldest) / (warmest - coldest)) * (HEIGHT - FOOT - HEAD);
  const temperature = (si: number): string => figureWithUnit(si, 'temperature', units);
  const line = (points: readonly SectionPoint[]): string => {
    const [first] = points;
    const last = points.at(-1);
    if (first === undefined || last === undefined) return '';
    const through = points.map(({ atM, temperatureC }) => `L${SIDE + x(atM)} ${y(temperatureC)}`).join(' ');
    return `M${SIDE / 3} ${y(air.indoorC)} L${SIDE - 6} ${y(air.indoorC)} ${through} L${SIDE + x(last.atM) + 6} ${y(air.outdoorC)}`;
  };
  const dew = y(section.dewPointC);
  const body = HEIGHT - HEAD - FOOT;
  const inner = section.cavity[0]?.temperatureC ?? air.indoorC;
  const says =
    section.cold === null
      ? `Nowhere colder than the dew point of the rooms, ${temperature(section.dewPointC)}.`
      : `Colder than the dew point of the rooms, ${temperature(section.dewPointC)}, ${whereCold(section, units)}.`;
  return (
    <View style={styles.all}>
      <View
        style={{ height: HEIGHT }}
        onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}
      >
        {width > 0 && (
          <Svg
            width={width}
            height={HEIGHT}
            role="img"
            aria-label={`${buildUp.name}, cut through, inside at the left: ${figureWithUnit(section.thicknessM, 'thickness', units)}. ${says}`}
          >
            <Defs>
              {Object.entries(HATCHES).map(([look, { d, size, turn }]) => (
                <Pattern
                  key={look}
                  id={`${hatch}${look}`}
                  width={size}
                  height={size}
                  patternUnits="userSpaceOnUse"
                  patternTransform={`rotate(${turn})`}
                >
                  <Path d={d} stroke={palette.unseen} strokeWidth={1} fill="none" />
                </Pattern>
              ))}
              <Pattern
                id={`${hatch}cold`}
                width={7}
                height={7}
                patternUnits="userSpaceOnUse"
                patternTransform="rotate(-45)"
              >
                <Line x1={0} y1={0} x2={0} y2={7} stroke={palette.straw} strokeWidth={2} />
              </Pattern>
            </Defs>
            {section.parts.map((part, i) => {
              const { fromPx = 0, toPx = 0, isWidened = false } = placed[i] ?? {};
              const look = lookOf(part);
              const isOpen = part.layer.id === openId;
              return (
                <G key={`${part.layer.id} ${i}`} onPress={() => onOpen(part.layer.id)}>
                  <Rect
                    x={SIDE + fromPx}
                    y={HEAD}
                    width={toPx - fromPx}
                    height={body}
                    fill={part.isOpen || look === 'air' ? palette.paper : palette.card}
                    stroke={isOpen ? palette.lake : palette.soft}
                    strokeWidth={isOpen ? 2 : 1}
                    strokeDasharray={part.isThicknessKnown ? undefined : '3 3'}
                  />
                  {HATCHES[look] !== undefined && (
                    <Rect
                      x={SIDE + fromPx}
                      y={HEAD}
                      width={toPx - fromPx}
                      height={body}
                      fill={`url(#${hatch}${look})`}
                    />
                  )}
                  {isWidened && (
                    <Path
                      d={`M${SIDE + (fromPx + toPx) / 2 - 4} ${HEAD - 7} h8 l-4 6 Z`}
                      fill={palette.soft}
                    />
                  )}
                </G>
              );
            })}
            {section.parts.map((part, i) => {
              const { layer, fill } = part;
              // Of several fills in one cavity its members stand once, over all of them.
              if (layer.kind !== 'framed' || part.isGap || (fill ?? 0) > 0) return null;
              const own = section.parts.flatMap((each, at) => (each.layer === layer ? [placed[at]] : []));
              const [fromPx, toPx] = [own[0]?.fromPx ?? 0, own.at(-1)?.toPx ?? 0];
              const framesBefore = buildUp.layers.slice(0, buildUp.layers.indexOf(layer));
              const isShifted =
                buildUp.frameAlignment === 'offset' &&
                framesBefore.filter((each) => each.kind === 'framed').length % 2 === 1;
              const high = Math.max(3, (layer.framingFraction * body) / MEMBERS);
              return Array.from({ length: MEMBERS }, (_, member) => {
                const middle = HEAD + (body * (member + (isShifted ? 1 : 0.5))) / MEMBERS;
                const top = Math.min(middle - high / 2, HEAD + body - high);
                return (
                  <Rect
                    key={`${i} ${member}`}
                    x={SIDE + fromPx}
                    y={top}
                    width={toPx - fromPx}
                    height={high}
                    fill={palette.straw}
                    fillOpacity={0.35}
                    stroke={palette.soft}
                    strokeWidth={1}
                  />
                );
              });
            })}
            {section.cold !== null && (
              <Rect
                x={SIDE + x(section.cold.fromM)}
                y={Math.max(HEAD, dew)}
                width={Math.max(2, x(section.cold.toM) - x(section.cold.fromM))}
                height={Math.max(2, HEIGHT - FOOT - Math.max(HEAD, dew))}
                fill={`url(#${hatch}cold)`}
                fillOpacity={0.6}
              />
            )}
            <Line x1={4} x2={width - 4} y1={dew} y2={dew} stroke={palette.straw} strokeDasharray="2 4" />
            <SvgText x={2} y={dew - 4} fontFamily={fonts.text} fontSize={LETTERS - 1} fill={palette.straw}>
              {`${figure(section.dewPointC, 'temperature', units)}°`}
            </SvgText>
            {section.frame !== null && (
              <Path
                d={line(section.frame)}
                fill="none"
                stroke={palette.ink}
                strokeWidth={1}
                strokeDasharray="6 3"
              />
            )}
            <Path d={line(section.cavity)} fill="none" stroke={palette.card} strokeWidth={5} />
            <Path d={line(section.cavity)} fill="none" stroke={palette.ink} strokeWidth={2.5} />
            {section.cavity.map(({ atM, temperatureC }, i) => (
              <Circle key={i} cx={SIDE + x(atM)} cy={y(temperatureC)} r={2.5} fill={palette.ink} />
            ))}
            <SvgText x={2} y={LETTERS} fontFamily={fonts.text} fontSize={LETTERS} fill={palette.soft}>
              {`in ${temperature(air.indoorC)}`}
            </SvgText>
            <SvgText
              x={width - 2}
              y={HEIGHT - 4}
              textAnchor="end"
              fontFamily={fonts.text}
              fontSize={LETTERS}
              fill={palette.soft}
            >
              {`out ${temperature(air.outdoorC)}`}
            </SvgText>
          </Svg>
        )}
      </View>
      <Text tone={section.cold === null ? undefined : 'straw'}>{says}</Text>
      <Text look="small" tone="soft">
        Heavy line: through the cavity{section.frame === null ? '' : '; thin line: through the frame'}. Inner
        surface {temperature(inner)}. Whole thickness {figureWithUnit(section.thicknessM, 'thickness', units)}
        {placed.some(({ isWidened }) => isWidened) ? '; what is marked above is thinner than drawn' : ''}.
        {house.winterDesignC === null ? ' Nobody said how cold it gets here: drawn for a cold day.' : ''}
      </Text>
    </View>
  );
}

/** Where a section is colder than the dew point, in words. */
function whereCold(section: Section, units: Parameters<typeof figureWithUnit>[2]): string {
  const { cold, parts } = section;
  if (cold === null) return '';
  const part = parts.find(({ fromM, toM }) => cold.fromM >= fromM - 1e-9 && cold.fromM < toM);
  const name = part === undefined || part.name === '' ? 'a layer' : part.name;
  return `from ${figureWithUnit(cold.fromM, 'thickness', units)} outwards, within ${name}: air from the rooms must not get there`;
}

const styles = StyleSheet.create({ all: { gap: space.xs } });
