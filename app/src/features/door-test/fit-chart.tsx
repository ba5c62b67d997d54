import type { TestPoint } from '@calvet/contract/airtightness/test-figures';
import type { Figures } from '@calvet/contract/airtightness/target-figure';
import { confidenceBand } from '@calvet/core/airtightness/confidence-band';
import { fromSi, unitOf, type UnitSystem } from '@calvet/core/units/quantity';
import type { Direction } from '@calvet/core/airtightness/conditions';
import type { RunResult } from '@calvet/core/airtightness/run';
import { scaleLog } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePreferences } from '../../data/preferences';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { fonts } from '../../ui/tokens';

const MARGIN = { top: 10, right: 14, bottom: 24, left: 54 };
const STEPS = 32;
const LOWEST_PA = 8;
const HIGHEST_PA = 75;
const PRESSURE_TICKS = [10, 20, 30, 50, 70];
const TICK_BASES = [1, 2, 5];
const REFERENCE_PA = 50;

interface FitChartProps {
  readonly figures: Figures;
  readonly height: number;
  /** Without its captions, where room is short. */
  readonly isBare?: boolean;
}

function pressureDomain(points: readonly TestPoint[]): readonly [number, number] {
  const sizes = points.map(({ inducedPressurePa }) => Math.abs(inducedPressurePa));
  return [
    Math.min(LOWEST_PA, ...sizes.map((size) => size * 0.9)),
    Math.max(HIGHEST_PA, ...sizes.map((size) => size * 1.1)),
  ];
}

function flowTicks([low, high]: readonly [number, number]): readonly number[] {
  const decades = Array.from({ length: 9 }, (_, i) => 10 ** (i - 1));
  const ticks = decades.flatMap((decade) => TICK_BASES.map((base) => base * decade));
  return ticks.filter((tick) => tick >= low && tick <= high);
}

function pressuresBetween([low, high]: readonly [number, number]): readonly number[] {
  return Array.from({ length: STEPS + 1 }, (_, i) => low * (high / low) ** (i / STEPS));
}

interface Picture {
  readonly x: (pressurePa: number) => number;
  readonly y: (flowM3h: number) => number;
  readonly pressureTicks: readonly number[];
  /** In the units shown. */
  readonly flowTicks: readonly number[];
  readonly lines: readonly { readonly direction: Direction; readonly line: string; readonly band: string }[];
  readonly limit: { readonly x: number; readonly y: number };
}

function drawRun(run: RunResult, pressures: readonly number[], x: Picture['x'], y: Picture['y']) {
  const band = confidenceBand(run, pressures);
  const pathOf = line<(typeof band)[number]>()
    .x(({ pressurePa }) => x(pressurePa))
    .y(({ flowM3h }) => y(flowM3h));
  const areaOf = area<(typeof band)[number]>()
    .x(({ pressurePa }) => x(pressurePa))
    .y0(({ low95M3h }) => y(low95M3h))
    .y1(({ high95M3h }) => y(high95M3h));
  return { direction: run.direction, line: pathOf(band) ?? '', band: areaOf(band) ?? '' };
}

function draw(figures: Figures, width: number, height: number, units: UnitSystem): Picture {
  const { fit, points, budget } = figures;
  const domain = pressureDomain(points);
  const pressures = pressuresBetween(domain);
  const flows = [
    ...fit.runs.flatMap((run) =>
      confidenceBand(run, [domain[0], domain[1]]).flatMap(({ low95M3h, high95M3h }) => [low95M3h, high95M3h]),
    ),
    ...points.map(({ envelopeFlowM3h }) => envelopeFlowM3h),
    budget.limitFlowM3h,
  ].map((flow) => fromSi(flow, 'flow', units));
  const flowDomain: readonly [number, number] = [Math.min(...flows) * 0.92, Math.max(...flows) * 1.08];
  const xScale = scaleLog([...domain], [MARGIN.left, width - MARGIN.right]);
  const yScale = scaleLog([...flowDomain], [height - MARGIN.bottom, MARGIN.top]);
  const y = (flowM3h: number): number => yScale(fromSi(flowM3h, 'flow', units));
  return {
    x: xScale,
    y,
    pressureTicks: PRESSURE_TICKS.filter((tick) => tick >= domain[0] && tick <= domain[1]),
    flowTicks: flowTicks(flowDomain),
    lines: fit.runs.map((run) => drawRun(run, pressures, xScale, y)),
    limit: { x: xScale(REFERENCE_PA), y: y(budget.limitFlowM3h) },
  };
}

interface PointProps {
  readonly point: TestPoint;
  readonly x: number;
  readonly y: number;
}

function Point({ point, x, y }: PointProps) {
  const palette = usePalette();
  const stroke = point.isStruckOut ? palette.unseen : palette.ink;
  return point.isStruckOut ? (
    <Path
      d={`M${x - 5} ${y - 5}L${x + 5} ${y + 5}M${x - 5} ${y + 5}L${x + 5} ${y - 5}`}
      stroke={stroke}
      strokeWidth={2.5}
    />
  ) : point.direction === 'depressurise' ? (
    <Circle cx={x} cy={y} r={5} fill={palette.card} stroke={stroke} strokeWidth={2.5} />
  ) : (
    <Rect
      x={x - 4.5}
      y={y - 4.5}
      width={9}
      height={9}
      fill={palette.card}
      stroke={stroke}
      strokeWidth={2.5}
    />
  );
}

function describe({ fit }: Figures): string {
  const runs = fit.runs.map(
    ({ direction, exponent, rSquared }) =>
      `${direction}: n ${exponent.toFixed(2)}, r² ${rSquared.toFixed(4)}`,
  );
  return `Flow through the envelope over building pressure on logarithmic axes. ${runs.join('; ')}`;
}

/** The fit on logarithmic axes with its 95 % band; rings depressurise, squares pressurise, crosses are struck out. */
export function FitChart({ figures, height, isBare = false }: FitChartProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const [width, setWidth] = useState(0);
  const picture = useMemo(
    () => (width === 0 ? null : draw(figures, width, height, units)),
    [figures, width, height, units],
  );
  const label = { fontFamily: fonts.figure, fontSize: 12, fill: palette.soft } as const;
  const struck = figures.points.filter(({ isStruckOut }) => isStruckOut).length;
  return (
    <View onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}>
      {picture === null ? (
        <View style={{ height }} />
      ) : (
        <View role="img" aria-label={describe(figures)}>
          <Svg width={width} height={height}>
            {picture.pressureTicks.map((tick) => (
              <G key={tick}>
                <Line
                  x1={picture.x(tick)}
                  x2={picture.x(tick)}
                  y1={MARGIN.top}
                  y2={height - MARGIN.bottom}
                  stroke={palette.line}
                  strokeWidth={tick === REFERENCE_PA ? 2 : 1}
                />
                <SvgText {...label} x={picture.x(tick)} y={height - 7} textAnchor="middle">
                  {tick}
                </SvgText>
              </G>
            ))}
            {picture.flowTicks.map((tick) => {
              const y = picture.y(tick / fromSi(1, 'flow', units));
              return (
                <G key={tick}>
                  <Line x1={MARGIN.left} x2={width - MARGIN.right} y1={y} y2={y} stroke={palette.line} />
                  <SvgText {...label} x={MARGIN.left - 8} y={y + 4} textAnchor="end">
                    {tick}
                  </SvgText>
                </G>
              );
            })}
            {picture.lines.map(({ direction, band }) => (
              <Path key={direction} d={band} fill={palette.lake} fillOpacity={0.18} />
            ))}
            {picture.lines.map(({ direction, line: path }) => (
              <Path
                key={direction}
                d={path}
                fill="none"
                stroke={palette.lake}
                strokeWidth={3}
                strokeDasharray={direction === 'pressurise' ? '2 3' : undefined}
              />
            ))}
            <G>
              <Path
                d={`M${picture.limit.x - 26} ${picture.limit.y}H${picture.limit.x + 26}`}
                stroke={palette.straw}
                strokeWidth={3}
              />
              <SvgText
                {...label}
                fill={palette.straw}
                x={picture.limit.x - 30}
                y={picture.limit.y + 4}
                textAnchor="end"
              >
                limit
              </SvgText>
            </G>
            {figures.points.map((point) => (
              <Point
                key={point.readingId}
                point={point}
                x={picture.x(Math.abs(point.inducedPressurePa))}
                y={picture.y(point.envelopeFlowM3h)}
              />
            ))}
          </Svg>
        </View>
      )}
      {!isBare && (
        <View style={styles.caption}>
          <Text look="small" tone="soft">
            building pressure, Pa — flow, {unitOf('flow', units).symbol} · band 95 %
          </Text>
          <Text look="small" tone="soft">
            {[
              ...(figures.fit.runs.length > 1 ? ['○ depressurise', '□ pressurise'] : []),
              ...(struck > 0 ? [`× ${struck} struck out`] : []),
            ].join(' · ')}
          </Text>
        </View>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  caption: { flexDirection: 'row', justifyContent: 'space-between', flexWrap: 'wrap', gap: 8 },
});
