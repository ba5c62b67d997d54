import { drawJoint, type JoiningSide, type JointDrawing } from '@calvet/contract/continuity/joint-drawing';
import type { BarrierHere, JunctionHere } from '@calvet/contract/continuity/barrier-here';
import type { PlanPlace } from '@calvet/contract/plan/storey';
import { TIGHT_BY_WORDS } from '@calvet/contract/continuity/barrier-place';
import { useId, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Defs, G, Line, Path, Pattern, Text as SvgText } from 'react-native-svg';
import { strokeOf } from '../../ui/line-mark';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { fonts, space } from '../../ui/tokens';
import { scaleOver } from '../drawing/plan-scale';
import { MARK_OF_BARRIER } from './barrier-mark';

const HEIGHT = 210;
const MARGIN = 30;
const LETTERS = 14;
/** Behind a number, so that it is read over layers. */
const PLATE = 11;
const KNOT = 7;
const HATCH = 7;
/** Round a mark that lies on layers, so that it stands out. */
const HALO = 5;

interface JointPictureProps {
  readonly item: JunctionHere;
  /** Those that meet, one or two. */
  readonly sides: readonly JoiningSide[];
  readonly barrier: BarrierHere;
}

/** A junction cut through the build-ups that meet in it, with the air barrier of each and the joint between. */
export function JointPicture({ item, sides, barrier }: JointPictureProps) {
  const palette = usePalette();
  const hatch = useId();
  const [width, setWidth] = useState(0);
  const [isTold, setTold] = useState(false);
  const [first, second] = sides;
  const drawing = useMemo(
    () => (first === undefined ? null : drawJoint(item.kind, first, second)),
    [item.kind, first, second],
  );
  if (drawing === null) return null;
  const areaOf = (key: string) => barrier.areas.find((each) => each.key === key);
  const corners = drawing.sides.flatMap(({ layers }) => layers.flatMap((layer) => layer.corners));
  const scale =
    width === 0
      ? null
      : scaleOver([...corners, ...(drawing.against ?? []), drawing.inside], {
          width,
          height: HEIGHT,
          margin: MARGIN,
        });
  const at = ({ xM, yM }: PlanPlace) => ({ x: scale?.x(xM) ?? 0, y: scale?.y(yM) ?? 0 });
  const shape = (places: readonly PlanPlace[]): string =>
    `M${places.map((place) => `${at(place).x} ${at(place).y}`).join(' L')} Z`;
  const stroke = (from: PlanPlace, to: PlanPlace) => {
    const [a, b] = [at(from), at(to)];
    return { x1: a.x, y1: a.y, x2: b.x, y2: b.y };
  };
  const joint = strokeOf(MARK_OF_BARRIER[item.state], palette);
  const [jointFrom, jointTo] = drawing.joint;
  const inside = at(drawing.inside);
  return (
    <View style={styles.all}>
      <View
        style={{ height: HEIGHT }}
        onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}
      >
        {scale !== null && (
          <Svg
            width={width}
            height={HEIGHT}
            role="img"
            aria-label={`${item.name}, ${drawing.seen === 'above' ? 'seen from above' : 'cut upright'}: what meets, and where the air barrier runs`}
          >
            <Defs>
              <Pattern
                id={hatch}
                width={HATCH}
                height={HATCH}
                patternUnits="userSpaceOnUse"
                patternTransform="rotate(45)"
              >
                <Line x1={0} y1={0} x2={0} y2={HATCH} stroke={palette.line} strokeWidth={2} />
              </Pattern>
            </Defs>
            {drawing.against !== null && (
              <Path d={shape(drawing.against)} fill={palette.paper} stroke={palette.line} strokeWidth={1} />
            )}
            {drawing.sides.map(({ layers }, i) => (
              <G key={i}>
                {layers.map(({ id, kind, corners: places, isThicknessKnown }) => (
                  <G key={id}>
                    <Path
                      d={shape(places)}
                      fill={palette.card}
                      stroke={palette.soft}
                      strokeWidth={1}
                      strokeDasharray={isThicknessKnown ? undefined : '2 2'}
                    />
                    {kind === 'framed' && <Path d={shape(places)} fill={`url(#${hatch})`} />}
                  </G>
                ))}
              </G>
            ))}
            {drawing.sides.map(({ area, barrier: line }, i) => {
              if (line === null) return null;
              const mark = areaOf(area)?.isVerified === true ? 'sealed' : 'notSeen';
              const drawn = strokeOf(MARK_OF_BARRIER[mark], palette);
              return (
                <G key={i}>
                  <Line {...stroke(...line)} stroke={palette.card} strokeWidth={drawn.strokeWidth + HALO} />
                  <Line {...stroke(...line)} {...drawn} />
                </G>
              );
            })}
            {jointFrom !== undefined && jointTo !== undefined && (
              <>
                <Line
                  {...stroke(jointFrom, jointTo)}
                  stroke={palette.card}
                  strokeWidth={joint.strokeWidth + HALO}
                />
                <Line {...stroke(jointFrom, jointTo)} {...joint} />
              </>
            )}
            {drawing.joint.map((place, i) => {
              const { x, y } = at(place);
              return (
                <Circle
                  key={i}
                  cx={x}
                  cy={y}
                  r={KNOT}
                  fill={item.state === 'sealed' ? joint.stroke : palette.card}
                  stroke={joint.stroke}
                  strokeWidth={3}
                  strokeDasharray={item.state === 'sealed' ? undefined : '3 3'}
                />
              );
            })}
            {drawing.sides.slice(0, sides.length).map(({ label }, i) => {
              const { x, y } = at(label);
              return (
                <G key={i}>
                  <Circle cx={x} cy={y} r={PLATE} fill={palette.ink} />
                  <SvgText
                    x={x}
                    y={y + LETTERS / 3}
                    textAnchor="middle"
                    fontFamily={fonts.figureBold}
                    fontSize={LETTERS}
                    fill={palette.card}
                  >
                    {i + 1}
                  </SvgText>
                </G>
              );
            })}
            <SvgText
              x={inside.x}
              y={inside.y + LETTERS / 3}
              textAnchor="middle"
              fontFamily={fonts.text}
              fontSize={LETTERS}
              fill={palette.soft}
            >
              inside
            </SvgText>
          </Svg>
        )}
      </View>
      {sides.map(({ area, barrier: by }, i) => (
        <Text key={area} look="small" tone="soft">
          {sides.length > 1 ? `${i + 1} ` : ''}
          {areaOf(area)?.name ?? area}:{' '}
          {by === null ? 'nobody said where its air barrier is' : TIGHT_BY_WORDS[by].toLowerCase()}
        </Text>
      ))}
      <OpenButton isOpen={isTold} label="What it is built of" onToggle={setTold} />
      {isTold && <Layers sides={sides} drawing={drawing} />}
    </View>
  );
}

/** What each side is built of, inside → outside. */
function Layers({
  sides,
  drawing,
}: {
  readonly sides: readonly JoiningSide[];
  readonly drawing: JointDrawing;
}) {
  const isThicknessMissing = drawing.sides.some(({ layers }) =>
    layers.some(({ isThicknessKnown }) => !isThicknessKnown),
  );
  const words = ({ buildUp }: JoiningSide): string => {
    const names = buildUp.layers.map(({ name }) => name).filter((name) => name !== '');
    return names.length === 0 ? 'its layers are not told' : names.join(' · ');
  };
  return (
    <>
      {sides.map((side, i) => (
        <Text key={side.area} look="small">
          {sides.length > 1 ? `${i + 1} ` : ''}
          {words(side)}
        </Text>
      ))}
      <Text look="small" tone="soft">
        {drawing.seen === 'above' ? 'Seen from above' : 'Cut upright'}, layers from indoors outwards, to scale
        {isThicknessMissing ? '; those drawn dotted have no thickness yet' : ''}.
      </Text>
    </>
  );
}

const styles = StyleSheet.create({
  all: { gap: space.xs },
});
