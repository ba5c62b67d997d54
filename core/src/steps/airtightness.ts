import type { YorkRegression, YorkRegressionInput } from '../airtightness/york-regression';
import type { MultiPointInput, MultiPointResult } from '../airtightness/multi-point';
import type { SinglePointInput, SinglePointResult } from '../airtightness/single-point';
import { t95 } from '../airtightness/student-t';
import { REFERENCE_AIR, type Air } from '../air/density';
import { airOnBothSides, type Conditions, type Direction } from '../airtightness/conditions';
import { densitySteps, viscosityStep } from './air';
import type { Building } from '../airtightness/building';
import type { LeakageFigures } from '../airtightness/figures';
import { eachTerm, found, MU0_IS, RHO0_IS, step, sumOf, type Step } from './step';

const RHO0 = REFERENCE_AIR.densityKgM3;

function figureSteps(
  figures: LeakageFigures,
  { volumeM3, envelopeAreaM2, floorAreaM2 }: Building,
): readonly Step[] {
  const { q4M3h, q10M3h, q50M3h } = figures;
  return [
    step('Air changes at 50 Pa', 'n50 = q50 / V', { q50: q50M3h, V: volumeM3 }, figures.n50PerHour, '/h'),
    step(
      'Per envelope area',
      'qE50 = q50 / A',
      { q50: q50M3h, A: envelopeAreaM2 },
      figures.qE50M3hM2,
      'm³/(h·m²)',
    ),
    step('Per floor area', 'qF50 = q50 / A', { q50: q50M3h, A: floorAreaM2 }, figures.qF50M3hM2, 'm³/(h·m²)'),
    step(
      'Equivalent leakage area at 10 Pa',
      'EqLA = q10 / 3600·√(ρ0 / (2·10)) / 0.611',
      { q10: q10M3h, ρ0: RHO0 },
      figures.eqLA10M2,
      'm²',
      { q10: 'flow at 10 Pa by the fitted line, m³/h', ρ0: RHO0_IS },
    ),
    step(
      'Effective leakage area at 4 Pa',
      'ELA = q4 / 3600·√(ρ0 / (2·4))',
      { q4: q4M3h, ρ0: RHO0 },
      figures.ela4M2,
      'm²',
      { q4: 'flow at 4 Pa by the fitted line, m³/h', ρ0: RHO0_IS },
    ),
  ];
}

/** Density, and viscosity where it counts, of the air on both sides. */
function airSteps(method: MultiPointInput['method'], conditions: Conditions): readonly Step[] {
  const { indoor, outdoor } = airOnBothSides(conditions);
  const { pressurePa, altitudeM } = conditions;
  const side = (words: string, air: Air, temperatureC: number, relativeHumidity: number | undefined) => {
    const input = { temperatureC, relativeHumidity, pressurePa, altitudeM };
    const steps = [
      ...densitySteps(input, air),
      ...(method === 'astmE779' ? [viscosityStep(input, air)] : []),
    ];
    return steps.map((each) => ({ ...each, what: `${each.what}, ${words}` }));
  };
  return [
    ...side('indoors', indoor, conditions.indoorTemperatureC, conditions.indoorRelativeHumidity),
    ...side('outdoors', outdoor, conditions.outdoorTemperatureC, conditions.outdoorRelativeHumidity),
  ];
}

function referenceStep(
  method: MultiPointInput['method'],
  conditions: Conditions,
  direction: Direction,
  values: { readonly C: number; readonly n: number },
  result: number,
  where: Readonly<Record<string, string>> = {},
): Step {
  const air = airOnBothSides(conditions);
  const entering = direction === 'depressurise' ? air.outdoor : air.indoor;
  const viscosity = method === 'astmE779' ? '·(μ / μ0)^(2·n − 1)' : '';
  return step(
    'Coefficient at reference conditions',
    `CL = C${viscosity}·(ρ / ρ0)^(1 − n)`,
    {
      ...values,
      ρ: entering.densityKgM3,
      ρ0: RHO0,
      ...(method === 'astmE779' ? { μ: entering.viscosityPaS, μ0: REFERENCE_AIR.viscosityPaS } : {}),
    },
    result,
    'm³/(h·Paⁿ)',
    {
      ρ: `density of the air that comes in, from ${entering === air.outdoor ? 'outdoors' : 'indoors'}, kg/m³`,
      ρ0: RHO0_IS,
      μ0: MU0_IS,
      ...where,
    },
  );
}

export function explainMultiPoint(input: MultiPointInput, output: MultiPointResult): readonly Step[] {
  const runs = output.runs.flatMap((run, i): Step[] => {
    const given = input.runs[i];
    const [first] = run.readings;
    if (given === undefined || first === undefined) return [];
    const way =
      output.runs.length > 1
        ? `, ${run.direction === 'depressurise' ? 'depressurising' : 'pressurising'}`
        : '';
    const logs = run.readings.map((reading) => ({
      x: Math.log(Math.abs(reading.inducedPressurePa)),
      y: Math.log(reading.envelopeFlowM3h),
    }));
    const mean = (of: (point: { x: number; y: number }) => number): number =>
      logs.reduce((sum, point) => sum + of(point), 0) / logs.length;
    const [meanX, meanY] = [mean(({ x }) => x), mean(({ y }) => y)];
    const sxx = logs.reduce((sum, { x }) => sum + (x - meanX) ** 2, 0);
    const sxy = logs.reduce((sum, { x, y }) => sum + (x - meanX) * (y - meanY), 0);
    const scatter = run.exponentStandardError * Math.sqrt(sxx);
    const ratio = run.direction === 'depressurise' ? 'ρi / ρe' : 'ρe / ρi';
    return [
      step(
        `First reading${way}: induced pressure`,
        'Δp = p − (b1 + b2) / 2',
        {
          p: given.readings[0]?.pressurePa ?? NaN,
          b1: run.baselineBeforeMeanPa,
          b2: run.baselineAfterMeanPa,
        },
        first.inducedPressurePa,
        'Pa',
        { b1: 'mean of the baseline before, Pa', b2: 'mean of the baseline after, Pa' },
      ),
      step(
        'First reading: flow through the envelope',
        `q = qf·${ratio}`,
        { qf: first.fanFlowM3h, ρi: output.indoorDensityKgM3, ρe: output.outdoorDensityKgM3 },
        first.envelopeFlowM3h,
        'm³/h',
        { qf: 'flow through the fan, m³/h', ρi: 'density indoors', ρe: 'density outdoors' },
      ),
      found(`Mean of ln(Δp) over the readings${way}`, meanX),
      found(`Mean of ln(q) over the readings${way}`, meanY),
      found(`Sxx${way}: the sum of (ln(Δp) − mean)² over the readings`, sxx),
      found(`Sxy${way}: the sum of (ln(Δp) − mean)·(ln(q) − mean) over the readings`, sxy),
      step(
        `Flow exponent of all ${logs.length} readings${way}`,
        'n = Sxy / Sxx',
        { Sxy: sxy, Sxx: sxx },
        run.exponent,
      ),
      step(
        'Coefficient',
        'C = exp(y − n·x)',
        { y: meanY, n: run.exponent, x: meanX },
        run.coefficientM3hPaN,
        'm³/(h·Paⁿ)',
      ),
      referenceStep(
        input.method,
        input.conditions,
        run.direction,
        { C: run.coefficientM3hPaN, n: run.exponent },
        run.referenceCoefficientM3hPaN,
      ),
      step(
        'Flow at 50 Pa',
        'q50 = CL·50^n',
        { CL: run.referenceCoefficientM3hPaN, n: run.exponent },
        run.q50M3h,
        'm³/h',
      ),
      step(
        'Its standard error',
        'se = s·√(1 / N + (ln(50) − x)^2 / Sxx)',
        { s: scatter, N: logs.length, x: meanX, Sxx: sxx },
        run.standardErrorLnQ50,
        '',
        {
          s: 'scatter of ln(q) about the line: the root of its sum of squares over N − 2',
          N: 'number of readings',
        },
      ),
    ];
  });
  const { result } = output;
  const flows = sumOf(
    'q',
    output.runs.map(({ q50M3h }) => q50M3h),
  );
  const both =
    output.runs.length > 1
      ? [step('Mean of both directions', `q50 = (${flows.terms}) / 2`, flows.values, result.q50M3h, 'm³/h')]
      : [];
  return [
    ...airSteps(input.method, input.conditions),
    ...runs,
    ...both,
    step(
      'Upper 95 % bound of q50',
      'qhigh = q50·exp(t·se)',
      { q50: result.q50M3h, t: t95(result.degreesOfFreedom), se: result.standardErrorLnQ50 },
      result.q50High95M3h,
      'm³/h',
      {
        t: `Student’s t at ${result.degreesOfFreedom.toFixed(1)} degrees of freedom`,
        se: 'standard error of ln(q50): of the mean where there are two directions, at least half of their difference',
      },
    ),
    ...figureSteps(result, input.building),
  ];
}

export function explainSinglePoint(
  input: SinglePointInput,
  { repeats, result }: SinglePointResult,
): readonly Step[] {
  const [first] = repeats;
  if (first === undefined) return [];
  const mean = sumOf(
    'q',
    repeats.map(({ q50M3h }) => q50M3h),
  );
  const coefficient = first.envelopeFlowM3h / Math.abs(first.inducedPressurePa) ** 0.65;
  return [
    ...airSteps(input.method, input.conditions),
    found('First reading: induced pressure, without its sign', Math.abs(first.inducedPressurePa), 'Pa'),
    found('First reading: flow through the envelope', first.envelopeFlowM3h, 'm³/h'),
    step(
      'Its coefficient',
      'C = q / p^0.65',
      { q: first.envelopeFlowM3h, p: Math.abs(first.inducedPressurePa) },
      coefficient,
      'm³/(h·Paⁿ)',
    ),
    referenceStep(
      input.method,
      input.conditions,
      input.direction,
      { C: coefficient, n: 0.65 },
      first.q50M3h / 50 ** 0.65,
      { n: 'taken for granted with a single pressure' },
    ),
    step(
      'Flow at 50 Pa, first reading',
      'q50 = CL·50^0.65',
      { CL: first.q50M3h / 50 ** 0.65 },
      first.q50M3h,
      'm³/h',
    ),
    ...(repeats.length > 1
      ? [
          step(
            'Geometric mean of the readings',
            `q50 = (${mean.terms.replaceAll(' + ', '·')})^(1 / N)`,
            { ...mean.values, N: repeats.length },
            result.q50M3h,
            'm³/h',
            { ...eachTerm(mean.values, (i) => `flow at 50 Pa, reading ${i}, m³/h`), N: 'number of readings' },
          ),
        ]
      : []),
    ...figureSteps(result, input.building),
  ];
}

export function explainYorkRegression(
  input: YorkRegressionInput,
  { runs, result }: YorkRegression,
): readonly Step[] {
  return [
    ...runs.flatMap((run): Step[] => {
      const [first] = run.readings;
      return [
        found('Scatter of a single pressure reading', run.pressureScatterPa, 'Pa'),
        ...(first === undefined
          ? []
          : [
              step(
                'First reading: relative uncertainty, pressure and flow together',
                'u = √((n·up / p)^2 + (uq / q)^2)',
                {
                  n: run.exponent,
                  up: first.pressureUncertaintyPa,
                  p: Math.abs(first.inducedPressurePa),
                  uq: first.flowUncertaintyM3h,
                  q: first.envelopeFlowM3h,
                },
                Math.hypot(
                  (run.exponent * first.pressureUncertaintyPa) / Math.abs(first.inducedPressurePa),
                  first.flowUncertaintyM3h / first.envelopeFlowM3h,
                ),
                '',
                {
                  n: 'flow exponent by York’s line',
                  up: 'uncertainty of the pressure: resolution, scatter and baseline, Pa',
                  p: 'induced pressure, Pa',
                  uq: 'uncertainty of the flow, m³/h',
                  q: 'flow through the envelope, m³/h',
                },
              ),
            ]),
        found('Flow exponent by York’s line', run.exponent),
        found(
          'Coefficient by York’s line, at reference conditions',
          run.referenceCoefficientM3hPaN,
          'm³/(h·Paⁿ)',
        ),
        step(
          'Flow at 50 Pa',
          'q50 = CL·50^n',
          { CL: run.referenceCoefficientM3hPaN, n: run.exponent },
          run.q50M3h,
          'm³/h',
        ),
        found('The same by the ordinary fit', run.ordinary.q50M3h, 'm³/h'),
      ];
    }),
    step(
      'Upper 95 % bound of q50',
      'qhigh = q50·exp(k·u)',
      { q50: result.q50M3h, k: result.coverageFactor, u: result.standardErrorLnQ50 },
      result.q50High95M3h,
      'm³/h',
      {
        q50: 'flow at 50 Pa, the mean where there are two directions, m³/h',
        k: 'coverage factor of the fit and of what all readings share, together',
        u: 'relative standard uncertainty of q50, with what all readings share',
      },
    ),
    ...figureSteps(result, input.building),
  ];
}
