import { examples } from './examples';
import { compute, operationNames, type OperationName } from './operations';

const doubts = (name: OperationName, input: object) => {
  const { findings = [] } = compute(name, input) as {
    readonly findings?: readonly { readonly rule: string }[];
  };
  return findings.filter(({ rule }) => rule === 'implausible' || rule === 'specification-implausible');
};

const doorTest = examples['airtightness.multiPoint'];
const [run] = doorTest.runs;
const withReading = (reading: object) => ({
  ...doorTest,
  runs: [{ ...run, readings: [...(run?.readings ?? []), reading] }],
});
const building = (part: object) => ({ ...doorTest, building: { ...doorTest.building, ...part } });
const wall = (layer: object) => ({ ...examples['thermal.assembly'], layers: [{ rsi: 0.06 }, layer] });
const bags = examples['insulation.bags'];
const layout = examples['thermal.studLayout'];
const samples = examples['insulation.densitySamples'];

test.each<[string, OperationName, object, string]>([
  ['1e9 m³', 'airtightness.multiPoint', building({ volumeM3: 1e9 }), 'cubic metres'],
  ['0.4 m³', 'airtightness.multiPoint', building({ volumeM3: 0.4 }), 'air changes'],
  [
    '−250 Pa in the house',
    'airtightness.multiPoint',
    withReading({ pressurePa: -250, flowM3h: 1800 }),
    'pressure at the fan',
  ],
  [
    'a flow in another unit',
    'airtightness.singlePoint',
    {
      ...examples['airtightness.singlePoint'],
      repeats: [{ pressurePa: -50, flowM3h: 60_000, baselineBeforePa: [0], baselineAfterPa: [0] }],
    },
    'hole',
  ],
  ['R-21 as m²·K/W', 'thermal.assembly', wall({ rsi: 21, thicknessM: 0.14 }), 'ft²·h·°F/Btu'],
  ['the same without a thickness', 'thermal.assembly', wall({ rsi: 21 }), 'ft²·h·°F/Btu'],
  ['λ of 35', 'thermal.assembly', wall({ thicknessM: 0.1, conductivityWmK: 35 }), 'mW/(m·K)'],
  [
    'framing of 75 %',
    'thermal.assembly',
    wall({ cavityRsi: 3.7, frameRsi: 1.1, framingFraction: 0.75 }),
    'share of the cavity',
  ],
  [
    'a stud of 1.4 m',
    'thermal.assembly',
    wall({ cavityRsi: 3.7, frameRsi: 1.1, framingFraction: 0.2, thicknessM: 1.4 }),
    'stud',
  ],
  [
    'ψ of −2',
    'thermal.house',
    { areas: [{ areaM2: 100, uValue: 0.3 }], junctions: [{ lengthM: 4, psiWmK: -2 }] },
    'sign',
  ],
  [
    'a depth of 35 m',
    'insulation.depth',
    { ...examples['insulation.depth'], depthsM: [0.35, 35] },
    'two metres',
  ],
  [
    'a batt pressed to a third',
    'insulation.battCompression',
    { labelRsi: 3.35, labelThicknessM: 0.159, thicknessM: 0.05 },
    'less than half',
  ],
  [
    'samples in pounds',
    'insulation.densitySamples',
    { specifiedDensityKgM3: 56, samples: [{ massKg: 1.9, areaM2: 0.1, thicknessM: 0.14 }] },
    'pounds',
  ],
  [
    'kg/m² as a density',
    'insulation.densitySamples',
    { ...samples, specifiedDensityKgM3: 4 },
    'mass per area',
  ],
  [
    'an opening higher than its wall',
    'thermal.studLayout',
    { ...layout, openings: [{ widthM: 1, heightM: layout.heightM + 0.3, headerDepthM: 0 }] },
    'higher than its wall',
  ],
  ['a bag of 25', 'insulation.bags', { ...bags, bagMassKg: 25 }, 'pounds'],
])('%s is asked about', (_what, name, input, words) => {
  expect(doubts(name, input)).toContainEqual(
    expect.objectContaining({ severity: 'warn', message: expect.stringContaining(words) as string }),
  );
});

test.each(operationNames)('the worked example of %s holds nothing that is asked about', (name) => {
  expect(doubts(name, examples[name])).toEqual([]);
});

test('two areas of one id are refused', () => {
  const input = examples['thermal.requirements'];
  const [first] = input.areas;
  expect(() => compute('thermal.requirements', { ...input, areas: [...input.areas, first] })).toThrow(
    expect.objectContaining({ code: 'duplicate-id', field: `areas[${input.areas.length}].id` }),
  );
});
