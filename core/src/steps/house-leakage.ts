import { REFERENCE_AIR } from '../air/density';
import type { Budget, BudgetInput } from '../airtightness/budget';
import type {
  UncertaintyPropagation,
  UncertaintyPropagationInput,
} from '../airtightness/uncertainty-propagation';
import {
  coverageOf,
  type StageComparison,
  type StageComparisonInput,
} from '../airtightness/stage-comparison';
import { t95 } from '../airtightness/student-t';
import type { Zone, ZoneInput } from '../airtightness/zone';
import { RHO0_IS, step, whereNotGiven, type Step } from './step';

const RHO0 = REFERENCE_AIR.densityKgM3;

export function explainUncertaintyPropagation(
  input: UncertaintyPropagationInput,
  output: UncertaintyPropagation,
): readonly Step[] {
  const { standardErrorLnQ50: se, flowCalibration = 0, q50M3h } = input;
  const unknownCalibration = whereNotGiven(
    { c: input.flowCalibration },
    'calibration of the flow, not given: none',
  );
  const over = (
    name: string,
    symbol: string,
    figure: UncertaintyPropagation['n50'],
    size: number | undefined,
    uncertainty: number | undefined,
    unit = '',
  ): readonly Step[] =>
    figure === null || size === undefined
      ? []
      : [
          step(name, `${symbol} = q50 / S`, { q50: q50M3h, S: size }, figure.value, unit),
          step(
            'Its relative uncertainty',
            'u = √(se^2 + c^2 + uS^2)',
            { se, c: flowCalibration, uS: uncertainty ?? 0 },
            figure.relativeUncertainty,
            '',
            { ...unknownCalibration, ...whereNotGiven({ uS: uncertainty }, 'not given: none') },
          ),
          step(
            'Its upper 95 % bound',
            `high = ${symbol}·exp(t·u)`,
            { [symbol]: figure.value, t: t95(figure.degreesOfFreedom), u: figure.relativeUncertainty },
            figure.high95,
            unit,
            { t: `Student’s t at ${figure.degreesOfFreedom.toFixed(1)} degrees of freedom` },
          ),
        ];
  return [
    step(
      'Relative uncertainty of q50',
      'u = √(se^2 + c^2)',
      { se, c: flowCalibration },
      output.q50.relativeUncertainty,
      '',
      unknownCalibration,
    ),
    ...over('Air changes at 50 Pa', 'n50', output.n50, input.volumeM3, input.volumeUncertainty, '/h'),
    ...over(
      'Per envelope area',
      'qE50',
      output.qE50,
      input.envelopeAreaM2,
      input.envelopeAreaUncertainty,
      'm³/(h·m²)',
    ),
    ...over(
      'Per floor area',
      'qF50',
      output.qF50,
      input.floorAreaM2,
      input.floorAreaUncertainty,
      'm³/(h·m²)',
    ),
  ];
}

export function explainBudget({ target, q50M3h }: BudgetInput, output: Budget): readonly Step[] {
  const { limit, quantity } = target;
  const size = output.limitFlowM3h / limit;
  return [
    ...(quantity === 'q50'
      ? []
      : [
          step(
            'Flow that the limit allows',
            'qlimit = limit·S',
            { limit, S: size },
            output.limitFlowM3h,
            'm³/h',
            { S: 'size of the house that the limit is about' },
          ),
        ]),
    step(
      'Excess',
      'excess = q50 − qlimit',
      { q50: q50M3h, qlimit: output.limitFlowM3h },
      output.excessM3h,
      'm³/h',
    ),
    ...(output.holeAreaM2 > 0
      ? [
          step(
            'The hole to close',
            'A = excess / 3600 / (0.611·√(2·50 / ρ0))',
            { excess: output.excessM3h, ρ0: RHO0 },
            output.holeAreaM2,
            'm²',
            { change: 'the change without its sign, m³/h', ρ0: RHO0_IS },
          ),
        ]
      : []),
  ];
}

export function explainStageComparison(
  { stageA: a, stageB: b }: StageComparisonInput,
  output: StageComparison,
): readonly Step[] {
  const coverage = coverageOf([a, b], output.uncertaintyM3h);
  return [
    step('Change', 'Δ = qB − qA', { qB: b.q50M3h, qA: a.q50M3h }, output.changeM3h, 'm³/h'),
    step(
      'Its uncertainty',
      'u = √((qA·seA)^2 + (qB·seB)^2)',
      { qA: a.q50M3h, seA: a.standardErrorLnQ50, qB: b.q50M3h, seB: b.standardErrorLnQ50 },
      output.uncertaintyM3h,
      'm³/h',
    ),
    step(
      'A change counts beyond',
      'least = k·u',
      { k: coverage, u: output.uncertaintyM3h },
      coverage * output.uncertaintyM3h,
      'm³/h',
      { k: 'Student’s t at the joined degrees of freedom; 2 where a stage does not give them' },
    ),
    ...(output.holeAreaM2 === null
      ? []
      : [
          step(
            'The change as a hole',
            'A = change / 3600 / (0.611·√(2·50 / ρ0))',
            { change: Math.abs(output.changeM3h), ρ0: RHO0 },
            output.holeAreaM2,
            'm²',
            { change: 'the change without its sign, m³/h', ρ0: RHO0_IS },
          ),
        ]),
  ];
}

/** Pressures of a zone go into roots without their sign. */
const SIZES = {
  Pho: 'house to outdoors, without its sign, Pa',
  Phz: 'house to zone, without its sign, Pa',
  Pzo: 'zone to outdoors, without its sign, Pa',
} as const;

export function explainZone(input: ZoneInput, output: Zone): readonly Step[] {
  const { houseOutdoorPressurePa: pho, houseZonePressurePa: phz, exponent: n = 0.65 } = input;
  const words = { ...SIZES, ...whereNotGiven({ n: input.exponent }, 'flow exponent, not given') };
  const between = step(
    'Zone to outdoors',
    'Pzo = Pho − Phz',
    { Pho: pho, Phz: phz },
    output.zoneOutdoorPressurePa,
    'Pa',
  );
  if (output.leakageRatio === null) return [between];
  const [ho, hz, zo] = [Math.abs(pho), Math.abs(phz), Math.abs(output.zoneOutdoorPressurePa)];
  const ratio = step(
    'Leak house–zone over zone–outdoors',
    'ratio = (Pzo / Phz)^n',
    { Pzo: zo, Phz: hz, n },
    output.leakageRatio,
    '',
    words,
  );
  const { paths } = output;
  const { closedFlowM3h: q1, openFlowM3h: q2 } = input;
  if (paths === null || q1 === undefined || q2 === undefined) return [between, ratio];
  return [
    between,
    ratio,
    step(
      'Coefficient zone–outdoors',
      'Czo = (Q2 − Q1) / (Pho^n − Pzo^n)',
      { Q2: q2, Q1: q1, Pho: ho, Pzo: zo, n },
      paths.zoneOutdoorCoefficientM3hPaN,
      'm³/(h·Paⁿ)',
      words,
    ),
    step(
      'Leakage through the zone',
      'q = Czo·Pzo^n',
      { Czo: paths.zoneOutdoorCoefficientM3hPaN, Pzo: zo, n },
      paths.throughZoneM3h,
      'm³/h',
      words,
    ),
    step(
      'Its equivalent leakage area at 10 Pa, zone to outdoors',
      'EqLA = Czo·10^n / 3600·√(ρ0 / (2·10)) / 0.611',
      { Czo: paths.zoneOutdoorCoefficientM3hPaN, n, ρ0: RHO0 },
      paths.zoneOutdoorEqLA10M2,
      'm²',
      { ...words, ρ0: RHO0_IS },
    ),
  ];
}
