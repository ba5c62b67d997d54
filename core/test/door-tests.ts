import type { InstrumentAccuracy } from '../src/airtightness/instrument-accuracy';
import { yorkRegression, type YorkRegressionInput } from '../src/airtightness/york-regression';
import { normalFrom, seededRandom, type RandomSource } from '../src/random/distributions';

/** How a simulated door test is made. */
export interface WayOfTesting {
  readonly name: string;
  readonly readings: number;
  /** Baseline readings before, and as many after. */
  readonly baselines: number;
  /** Standard deviation of a single pressure reading in the wind. */
  readonly windPa: number;
  /** Limits of error of each reading, as shares of it, evenly likely within. */
  readonly own: { readonly gauge: number; readonly flow: number };
  /** Limits of the errors that all readings of the test share. */
  readonly shared: { readonly gauge: number; readonly flow: number };
  readonly accuracy: InstrumentAccuracy;
}

const INDEPENDENT = {
  own: { gauge: 0.01, flow: 0.03 },
  shared: { gauge: 0, flow: 0 },
  accuracy: { ownPart: 1 },
};
/** What the defaults take apart: ± 1 % and ± 3 %, a sixth of it each reading's own. */
const SHARED = {
  own: { gauge: 0.01 / 6, flow: 0.005 },
  shared: { gauge: 0.01, flow: 0.03 },
  accuracy: {},
};
const [CALM_PA, GUSTY_PA] = [0.3, 2.5];

export const WAYS_OF_TESTING: readonly WayOfTesting[] = [5, 8, 12].flatMap((readings) =>
  [2, 6].flatMap((baselines) => [
    { name: 'calm, independent errors', readings, baselines, windPa: CALM_PA, ...INDEPENDENT },
    { name: 'gusty, independent errors', readings, baselines, windPa: GUSTY_PA, ...INDEPENDENT },
    { name: 'calm, gauge and flow shared', readings, baselines, windPa: CALM_PA, ...SHARED },
    { name: 'gusty, gauge and flow shared', readings, baselines, windPa: GUSTY_PA, ...SHARED },
  ]),
);

/** The house that is measured: what the flow at 50 Pa is in truth. */
const [COEFFICIENT, EXPONENT, BASELINE_PA] = [40, 0.63, -1.5];
export const TRUE_Q50_M3H = COEFFICIENT * 50 ** EXPONENT;
const GAUGE_FLOOR_PA = 0.15;

export function doorTest(way: WayOfTesting, random: RandomSource): YorkRegressionInput {
  const { readings, baselines, windPa, own, shared } = way;
  const normal = normalFrom(random, 0, 1);
  const within = (limit: number) => (2 * random() - 1) * limit;
  const [gauge, flow] = [1 + within(shared.gauge), 1 + within(shared.flow)];
  const still = () => Array.from({ length: baselines }, () => gauge * (BASELINE_PA + windPa * normal()));
  return {
    method: 'iso9972',
    building: { volumeM3: 400, envelopeAreaM2: 420, floorAreaM2: 150, heightM: 5 },
    conditions: {
      indoorTemperatureC: 20,
      outdoorTemperatureC: 20,
      indoorRelativeHumidity: 0,
      outdoorRelativeHumidity: 0,
      pressurePa: 101_325,
    },
    accuracy: way.accuracy,
    runs: [
      {
        direction: 'depressurise',
        baselineBeforePa: still(),
        baselineAfterPa: still(),
        readings: Array.from({ length: readings }, (_, i) => {
          const pressurePa = 15 + (50 * i) / (readings - 1);
          const error = windPa * normal() + within(Math.max(own.gauge * pressurePa, GAUGE_FLOOR_PA));
          return {
            pressurePa: gauge * (BASELINE_PA - pressurePa + error),
            flowM3h: COEFFICIENT * pressurePa ** EXPONENT * flow * (1 + within(own.flow)),
          };
        }),
      },
    ],
  };
}

/** Of simulated tests, the share whose 95 % interval holds the truth: of the fit that weighs, and of the ordinary one. */
export function coverageOf(way: WayOfTesting, tests: number) {
  const random = seededRandom(WAYS_OF_TESTING.indexOf(way) + 3);
  const holds = (fit: { readonly q50Low95M3h: number; readonly q50High95M3h: number }) =>
    fit.q50Low95M3h <= TRUE_Q50_M3H && TRUE_Q50_M3H <= fit.q50High95M3h ? 1 / tests : 0;
  let [weighed, ordinary, unexplained] = [0, 0, 0];
  for (let i = 0; i < tests; i++) {
    const { runs, result, findings } = yorkRegression(doorTest(way, random));
    weighed += holds(result);
    ordinary += runs[0] === undefined ? 0 : holds(runs[0].ordinary);
    if (findings.some(({ rule }) => rule === 'scatter-unexplained')) unexplained += 1 / tests;
  }
  return { weighed, ordinary, unexplained };
}
