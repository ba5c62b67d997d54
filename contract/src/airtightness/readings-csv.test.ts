import { baseline } from '../../test/baseline';
import { readReadingsCsv, withImported } from './readings-csv';
import { writeReadingsCsv } from './write-readings-csv';
import type { AirtightnessTestBody, NamedFanRange } from './airtightness-test';

let made = 0;
const newId = () => `00000000-0000-7000-8000-${String(++made).padStart(12, '0')}`;
const ring: NamedFanRange = { name: 'Ring B', coefficient: 12, exponent: 0.5, minPa: 20, maxPa: 300 };
const read = (text: string, fanRanges: readonly NamedFanRange[] = []) =>
  readReadingsCsv(text, { direction: 'depressurise', fanRanges, newId });

function imported(text: string, fanRanges?: readonly NamedFanRange[]) {
  const result = read(text, fanRanges);
  if (!result.ok) throw new Error(JSON.stringify(result));
  return result.imported;
}

test('a plain file of pressures and flows', () => {
  const { runs, count } = imported('house_pressure_pa,flow_m3h\n-20,210\n-35,300.5\n-50,377\n');
  expect(count).toBe(3);
  expect(runs.depressurise?.readings.map(({ pressurePa, flowM3h }) => [pressurePa, flowM3h])).toEqual([
    [-20, 210],
    [-35, 300.5],
    [-50, 377],
  ]);
});

test.each([
  ['flow_l_s', 360],
  ['flow_cfm', 169.9010796],
])('%s is brought to m³/h', (column, flow) => {
  const { runs } = imported(`house_pressure_pa,${column}\n-50,100\n`);
  expect(runs.depressurise?.readings[0]?.flowM3h).toBeCloseTo(flow, 5);
});

test('semicolons with decimal commas, a byte order mark, blank lines and Windows line ends', () => {
  const { runs } = imported('\uFEFFHouse_Pressure_Pa;Flow_m3h\r\n-20,5;210,25\r\n\r\n-50;377\r\n');
  expect(runs.depressurise?.readings.map(({ pressurePa, flowM3h }) => [pressurePa, flowM3h])).toEqual([
    [-20.5, 210.25],
    [-50, 377],
  ]);
});

test('both directions, baselines, a range and a reading struck out', () => {
  const { runs, fanRanges } = imported(
    [
      'direction,row,house_pressure_pa,fan_pressure_pa,fan_range,fan_coefficient,fan_exponent,fan_min_pa,fan_max_pa,struck_out',
      'pressurise,baseline before,0.5',
      'pressurise,reading,50,120,Ring A,10,0.5,0,200,"A door, opened"',
      'pressurise,,40,100,Ring A',
      'pressurise,baseline after,0.7',
      'depressurise,reading,-50,120,Ring B',
    ].join('\n'),
    [ring],
  );
  expect(fanRanges.map(({ name }) => name)).toEqual(['Ring B', 'Ring A']);
  expect(runs.pressurise).toMatchObject({
    baselineBeforePa: [{ pressurePa: 0.5 }],
    baselineAfterPa: [{ pressurePa: 0.7 }],
    readings: [
      { fanPressurePa: 120, fanRange: 'Ring A', struckOut: 'A door, opened' },
      { fanRange: 'Ring A' },
    ],
  });
  expect(runs.depressurise?.readings[0]).toMatchObject({ fanRange: 'Ring B', struckOut: null });
});

describe('a figure that could be either', () => {
  const flowsOf = (text: string, decimalMark?: '.' | ',') => {
    const result = readReadingsCsv(text, { direction: 'depressurise', fanRanges: [], newId, decimalMark });
    if (!result.ok) return result;
    return result.imported.runs.depressurise?.readings.map(({ flowM3h }) => flowM3h);
  };
  const unclear = 'house_pressure_pa;flow_m3h\n-20;900\n-50;1,200\n';

  test('is asked about where nothing in the file tells', () => {
    expect(flowsOf(unclear)).toEqual({
      ok: false,
      question: {
        line: 3,
        column: 'flow_m3h',
        text: '1,200',
        choices: [
          { value: 1.2, decimalMark: ',' },
          { value: 1200, decimalMark: '.' },
        ],
      },
    });
    expect(flowsOf(unclear, ',')).toEqual([900, 1.2]);
    expect(flowsOf(unclear, '.')).toEqual([900, 1200]);
    expect(flowsOf(unclear.replace(',', '.'), ',')).toEqual([900, 1200]);
  });

  test.each([
    ['-20,5;900', [900, 1.2]],
    ['-20.5;900', [900, 1200]],
    ['-20;1.100,5', [1100.5, 1.2]],
  ])('is read as the line %s shows', (line, flows) => {
    expect(flowsOf(unclear.replace('-20;900', line))).toEqual(flows);
  });
});

test.each<[string, string, number, string | null]>([
  ['an empty file', '', 1, 'house_pressure_pa'],
  ['a header of another kind', 'time,value\n1,2\n', 1, 'time'],
  ['no flow column', 'house_pressure_pa\n-50\n', 1, 'flow_m3h'],
  ['two flow columns', 'house_pressure_pa,flow_m3h,flow_cfm\n-50,1,1\n', 1, 'flow_cfm'],
  ['a column twice', 'house_pressure_pa,flow_m3h,flow_m3h\n-50,1,1\n', 1, 'flow_m3h'],
  ['a header alone', 'house_pressure_pa,flow_m3h\n', 2, null],
  ['text for a number', 'house_pressure_pa,flow_m3h\n-20,210\n-50,many\n', 3, 'flow_m3h'],
  ['flow 0', 'house_pressure_pa,flow_m3h\n-50,0\n', 2, 'flow_m3h'],
  ['no pressure', 'house_pressure_pa,flow_m3h\n,210\n', 2, 'house_pressure_pa'],
  ['a pressure beyond every gauge', 'house_pressure_pa,flow_m3h\n-5000,210\n', 2, 'house_pressure_pa'],
  ['no flow', 'house_pressure_pa,flow_m3h\n-50,\n', 2, 'flow_m3h'],
  ['too many columns', 'house_pressure_pa,flow_m3h\n-50,210,7\n', 2, null],
  ['an unknown direction', 'direction,house_pressure_pa,flow_m3h\nup,-50,210\n', 2, 'direction'],
  ['an unknown kind of row', 'row,house_pressure_pa,flow_m3h\nguess,-50,210\n', 2, 'row'],
  [
    'a range that nobody described',
    'house_pressure_pa,fan_pressure_pa,fan_range\n-50,120,Ring Z\n',
    2,
    'fan_range',
  ],
  ['a fan pressure without a range', 'house_pressure_pa,fan_pressure_pa\n-50,120\n', 2, 'fan_range'],
  [
    'flow and fan pressure at once',
    'house_pressure_pa,flow_m3h,fan_pressure_pa,fan_range\n-50,1,120,Ring B\n',
    2,
    'fan_pressure_pa',
  ],
  ['an open quotation mark', 'house_pressure_pa,flow_m3h\n-50,"210\n', 2, null],
])('%s is refused whole, with the line', (_name, text, line, column) => {
  const result = read(text, [ring]);
  expect(result).toMatchObject({ ok: false, refusal: { line, column } });
});

test('a file of 5 MB is refused at once', () => {
  expect(read(`house_pressure_pa,flow_m3h\n${'-50,210\n'.repeat(700_000)}`)).toMatchObject({ ok: false });
});

test('201 readings are one too many, and the line says so', () => {
  const result = read(`house_pressure_pa,flow_m3h\n${'-50,210\n'.repeat(201)}`);
  expect(result).toMatchObject({ ok: false, refusal: { line: 202 } });
});

test('what is written is read back', () => {
  const body: AirtightnessTestBody = {
    stage: 'finished',
    performedOn: '2026-10-01',
    indoorTemperatureC: 20,
    outdoorTemperatureC: 5,
    altitudeM: null,
    airPressurePa: null,
    windMs: null,
    fanRanges: [ring],
    note: '',
    depressurise: {
      baselineBeforePa: baseline(-1.1, -1.2),
      baselineAfterPa: baseline(-0.9),
      readings: [
        {
          id: newId(),
          pressurePa: -50.5,
          flowM3h: 401.25,
          fanPressurePa: null,
          fanRange: null,
          struckOut: null,
        },
        {
          id: newId(),
          pressurePa: -40,
          flowM3h: null,
          fanPressurePa: 111.5,
          fanRange: 'Ring B',
          struckOut: 'Gust, "hard"',
        },
      ],
    },
    pressurise: null,
  };
  const back = withImported(imported(writeReadingsCsv(body)), { ...body, fanRanges: [], depressurise: null });
  const withoutIds = (run: AirtightnessTestBody['depressurise']) => ({
    ...run,
    baselineBeforePa: run?.baselineBeforePa.map((reading) => ({ ...reading, id: '' })),
    baselineAfterPa: run?.baselineAfterPa.map((reading) => ({ ...reading, id: '' })),
    readings: run?.readings.map((reading) => ({ ...reading, id: '' })),
  });
  expect(back.fanRanges).toEqual([ring]);
  expect(withoutIds(back.depressurise ?? null)).toEqual(withoutIds(body.depressurise));
});

test('a file without baselines leaves those that are there', () => {
  const before = { baselineBeforePa: baseline(-1), baselineAfterPa: baseline(-2), readings: [] };
  const merged = withImported(imported('house_pressure_pa,flow_m3h\n-50,210\n'), {
    depressurise: before,
  } as unknown as AirtightnessTestBody);
  expect(merged.depressurise).toMatchObject({
    baselineBeforePa: baseline(-1),
    baselineAfterPa: baseline(-2),
  });
});
