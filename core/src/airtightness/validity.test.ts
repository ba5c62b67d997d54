import { compute } from '../operations';
import type { MultiPointInput } from './multi-point';

interface Variation {
  readonly pressures?: readonly number[];
  readonly exponent?: number;
  readonly baseline?: number;
  readonly scatter?: readonly number[];
  readonly windMs?: number;
  readonly outdoorTemperatureC?: number;
  readonly heightM?: number;
  /** Flow of the pressurising run over that of the other; no second run where left out. */
  readonly otherWay?: number;
}

const usual = [11, 20, 30, 40, 51];

/** A test that no rule objects to, but for what is varied. */
function testWith(variation: Variation): MultiPointInput {
  const { pressures = usual, exponent = 0.65, baseline = 0, scatter = [], otherWay = 1 } = variation;
  const run = (sign: 1 | -1, factor: number): MultiPointInput['runs'][number] => ({
    direction: sign < 0 ? 'depressurise' : 'pressurise',
    baselineBeforePa: [baseline],
    baselineAfterPa: [baseline],
    readings: pressures.map((pressure, i) => ({
      pressurePa: sign * pressure + baseline,
      flowM3h: factor * 40 * pressure ** exponent * (1 + (scatter[i] ?? 0)),
    })),
  });
  return {
    method: 'iso9972',
    building: { volumeM3: 400, envelopeAreaM2: 420, floorAreaM2: 150, heightM: variation.heightM ?? 5 },
    conditions: {
      indoorTemperatureC: 20,
      outdoorTemperatureC: variation.outdoorTemperatureC ?? 20,
      windMs: variation.windMs ?? 0,
    },
    runs: variation.otherWay === undefined ? [run(-1, 1)] : [run(-1, 1), run(1, otherWay)],
  };
}

const rulesOf = (variation: Variation): readonly string[] =>
  compute('airtightness.multiPoint', testWith({ otherWay: 1, ...variation })).findings.map(
    ({ rule }) => rule,
  );

test('a good test in both directions finds nothing', () => {
  expect(rulesOf({})).toEqual([]);
});

test('one direction alone is said', () => {
  expect(rulesOf({ otherWay: undefined })).toEqual(['one-direction-only']);
});

describe('a rule holds at its limit and speaks beyond it', () => {
  test.each<[string, Variation, Variation]>([
    ['few-readings', {}, { pressures: [11, 20, 30, 51] }],
    ['highest-pressure-low', { pressures: [11, 20, 30, 40, 50] }, { pressures: [11, 20, 30, 40, 49.9] }],
    ['lowest-pressure-low', { pressures: [10, 20, 30, 40, 51] }, { pressures: [9.9, 20, 30, 40, 51] }],
    [
      'lowest-pressure-low',
      { pressures: [20, 25, 30, 40, 51], baseline: 4 },
      { pressures: [19.9, 25, 30, 40, 51], baseline: 4 },
    ],
    [
      'baseline-high',
      { pressures: [30, 35, 40, 45, 51], baseline: 5 },
      { pressures: [30, 35, 40, 45, 51], baseline: 5.1 },
    ],
    [
      'baseline-high',
      { pressures: [30, 35, 40, 45, 51], baseline: -5 },
      { pressures: [30, 35, 40, 45, 51], baseline: -5.1 },
    ],
    ['correlation-low', { scatter: [0.02, -0.02] }, { scatter: [0.5, -0.4, 0.4, -0.4, 0.3] }],
    ['exponent-impossible', { exponent: 0.5 }, { exponent: 0.49 }],
    ['exponent-impossible', { exponent: 1 }, { exponent: 1.01 }],
    ['exponent-unusual', { exponent: 0.55 }, { exponent: 0.54 }],
    ['exponent-unusual', { exponent: 0.75 }, { exponent: 0.76 }],
    ['stack-effect', { outdoorTemperatureC: -30, heightM: 5 }, { outdoorTemperatureC: -30, heightM: 5.01 }],
    ['wind', { windMs: 6 }, { windMs: 6.1 }],
    ['directions-differ', { otherWay: 1.1 }, { otherWay: 1.12 }],
  ])('%s', (rule, atLimit, beyond) => {
    expect(rulesOf(atLimit)).not.toContain(rule);
    expect(rulesOf(beyond)).toContain(rule);
  });
});

test('an impossible exponent is unusual as well', () => {
  expect(rulesOf({ exponent: 0.4 })).toEqual(
    expect.arrayContaining(['exponent-impossible', 'exponent-unusual']),
  );
});

test('a finding says its value and its limit', () => {
  const [finding] = compute('airtightness.multiPoint', testWith({ otherWay: 1, windMs: 8 })).findings;
  expect(finding).toMatchObject({ rule: 'wind', severity: 'warn', value: 8, limit: 6 });
});
