import { exceeds, fallsBelow, type Finding } from '../finding';
import { largestBaselinePa } from './reading';
import type { ReferenceMethod } from './reference-conditions';
import type { PressureTest, Run, RunResult } from './run';

export type MultiPointRule =
  | 'few-readings'
  | 'highest-pressure-low'
  | 'correlation-low'
  | 'exponent-impossible'
  | 'exponent-unusual'
  | 'baseline-high'
  | 'lowest-pressure-low'
  | 'stack-effect'
  | 'wind'
  | 'directions-differ'
  | 'one-direction-only';

type MultiPointFinding = Finding<MultiPointRule>;
/** Findings as they are met. */
type Findings = MultiPointFinding[];

const LIMITS = {
  readings: 5,
  highestPressurePa: 50,
  lowestPressurePa: 10,
  /** The lowest induced pressure is at least this many times the baseline. */
  baselineMultiple: 5,
  baselinePa: 5,
  rSquared: 0.98,
  exponentLow: 0.5,
  exponentHigh: 1,
  usualExponentLow: 0.55,
  usualExponentHigh: 0.75,
  windMs: 6,
  directionsDiffer: 0.1,
} as const;

/** Height times temperature difference. ISO 9972, 5.1.4; ASTM E779, 8. */
const STACK_METRE_KELVIN: Readonly<Record<ReferenceMethod, number>> = { iso9972: 250, astmE779: 200 };

function findInExponent({ exponent }: RunResult, run: number, findings: Findings): void {
  const isLow = exponent < LIMITS.usualExponentLow;
  if (fallsBelow(exponent, LIMITS.exponentLow) || exceeds(exponent, LIMITS.exponentHigh)) {
    findings.push({
      rule: 'exponent-impossible',
      severity: 'fail',
      message: 'A flow exponent outside 0.5 to 1 cannot come from leaks alone: repeat the run.',
      value: exponent,
      limit: isLow ? LIMITS.exponentLow : LIMITS.exponentHigh,
      run,
    });
  }
  if (fallsBelow(exponent, LIMITS.usualExponentLow) || exceeds(exponent, LIMITS.usualExponentHigh)) {
    findings.push({
      rule: 'exponent-unusual',
      severity: 'warn',
      message:
        'The flow exponent is outside the usual 0.55 to 0.75: look for a door, damper or seal that moved.',
      value: exponent,
      limit: isLow ? LIMITS.usualExponentLow : LIMITS.usualExponentHigh,
      run,
    });
  }
}

function findInPressures(given: Run, result: RunResult, run: number, findings: Findings): void {
  let lowest = Infinity;
  let highest = 0;
  for (const { inducedPressurePa } of result.readings) {
    lowest = Math.min(lowest, Math.abs(inducedPressurePa));
    highest = Math.max(highest, Math.abs(inducedPressurePa));
  }
  if (fallsBelow(highest, LIMITS.highestPressurePa)) {
    findings.push({
      rule: 'highest-pressure-low',
      severity: 'fail',
      message: 'No reading reaches 50 Pa: take one higher.',
      value: highest,
      limit: LIMITS.highestPressurePa,
      run,
    });
  }
  findings.push(...baselineFindings(given, lowest, { run }));
}

/** Which run or reading a finding is about. */
type Place = Pick<Finding, 'run' | 'reading'>;
type Baselines = Pick<Run, 'baselineBeforePa' | 'baselineAfterPa'>;

/**
 * Of the baseline, and of the lowest pressure that was read over it. ISO 9972, 5.3.3 and 5.3.4.
 * @example baselineFindings({ baselineBeforePa: [-6], baselineAfterPa: [-6] }, 40, { run: 0 })[0].rule // 'baseline-high'
 */
export function baselineFindings(
  { baselineBeforePa, baselineAfterPa }: Baselines,
  lowestPa: number,
  place: Place,
): readonly Finding<'baseline-high' | 'lowest-pressure-low'>[] {
  const baselinePa = largestBaselinePa(baselineBeforePa, baselineAfterPa);
  const leastPa = Math.max(LIMITS.lowestPressurePa, LIMITS.baselineMultiple * baselinePa);
  const findings: Finding<'baseline-high' | 'lowest-pressure-low'>[] = [];
  if (exceeds(baselinePa, LIMITS.baselinePa)) {
    findings.push({
      rule: 'baseline-high',
      severity: 'fail',
      message: 'The baseline is over 5 Pa: wait for less wind, or close what drives it.',
      value: baselinePa,
      limit: LIMITS.baselinePa,
      ...place,
    });
  }
  if (fallsBelow(lowestPa, leastPa)) {
    findings.push({
      rule: 'lowest-pressure-low',
      severity: 'fail',
      message:
        'The lowest reading is under 10 Pa or under five times the baseline: leave it out or take it higher.',
      value: lowestPa,
      limit: leastPa,
      ...place,
    });
  }
  return findings;
}

/** Validity of one run. ISO 9972, 5.3.3, 5.3.4 and 6.2. */
function findInRun(given: Run, result: RunResult, run: number, findings: Findings): void {
  if (result.readings.length < LIMITS.readings) {
    findings.push({
      rule: 'few-readings',
      severity: 'fail',
      message: 'A valid run has five readings or more.',
      value: result.readings.length,
      limit: LIMITS.readings,
      run,
    });
  }
  if (fallsBelow(result.rSquared, LIMITS.rSquared)) {
    findings.push({
      rule: 'correlation-low',
      severity: 'fail',
      message: 'The readings scatter too much about the line (r² under 0.98): look for the one that is off.',
      value: result.rSquared,
      limit: LIMITS.rSquared,
      run,
    });
  }
  findInPressures(given, result, run, findings);
  findInExponent(result, run, findings);
}

function findInDirections(runs: readonly RunResult[], findings: Findings): void {
  const first = runs[0];
  const second = runs[1];
  if (first === undefined || second === undefined) {
    findings.push({
      rule: 'one-direction-only',
      severity: 'warn',
      message: 'Only one direction was tested; flaps and loose sheets can open the other way.',
    });
    return;
  }
  const mean = (first.q50M3h + second.q50M3h) / 2;
  const difference = Math.abs(first.q50M3h - second.q50M3h) / mean;
  if (!exceeds(difference, LIMITS.directionsDiffer)) return;
  findings.push({
    rule: 'directions-differ',
    severity: 'warn',
    message: 'The two directions differ by more than 10 %: something opens one way.',
    value: difference,
    limit: LIMITS.directionsDiffer,
  });
}

/** Weather of the test. ISO 9972, 5.1.4. */
function findInWeather({ conditions, building, method }: PressureTest, findings: Findings): void {
  const stack = Math.abs(conditions.indoorTemperatureC - conditions.outdoorTemperatureC) * building.heightM;
  const stackLimit = STACK_METRE_KELVIN[method];
  if (exceeds(stack, stackLimit)) {
    findings.push({
      rule: 'stack-effect',
      severity: 'warn',
      message: `A tall house in the cold: height times temperature difference is over ${stackLimit} m·K, so the baseline drifts.`,
      value: stack,
      limit: stackLimit,
    });
  }
  const { windMs } = conditions;
  if (windMs !== undefined && exceeds(windMs, LIMITS.windMs)) {
    findings.push({
      rule: 'wind',
      severity: 'warn',
      message: 'Wind over 6 m/s: figures carry more uncertainty than the interval shows.',
      value: windMs,
      limit: LIMITS.windMs,
    });
  }
}

/**
 * Validity of a test: of each run, of the weather, of the directions (ISO 9972, 6.4).
 * @example validityFindings(examples['airtightness.multiPoint'], multiPoint(examples['airtightness.multiPoint']).runs).map(({ rule }) => rule) // ['one-direction-only']
 */
export function validityFindings(
  input: PressureTest,
  runs: readonly RunResult[],
): readonly MultiPointFinding[] {
  const findings: Findings = [];
  runs.forEach((result, run) => {
    const given = input.runs[run];
    if (given !== undefined) findInRun(given, result, run, findings);
  });
  findInWeather(input, findings);
  findInDirections(runs, findings);
  return findings;
}
