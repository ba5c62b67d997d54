import { baseline } from '../../test/baseline';
import { columnNamed } from './csv-columns';
import { surveyCsv } from './csv-survey';
import { hasRoom, readReadingsCsv, withImported } from './readings-csv';
import { writeReadingsCsv, writeTemplateCsv } from './write-readings-csv';
import type { AirtightnessTestBody, NamedFanRange } from './airtightness-test';

let made = 0;
const newId = () => `00000000-0000-7000-8000-${String(++made).padStart(12, '0')}`;
const ring: NamedFanRange = { name: 'Ring B', coefficient: 12, exponent: 0.5, minPa: 20, maxPa: 300 };
type Options = Partial<Parameters<typeof readReadingsCsv>[1]>;

function read(text: string, options: Options = {}) {
  const result = surveyCsv(text);
  return result.ok
    ? readReadingsCsv(result.survey, { direction: 'depressurise', fanRanges: [], newId, ...options })
    : result;
}

function imported(text: string, options?: Options) {
  const result = read(text, options);
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

test.each<[string, string | null, string | null]>([
  ['house_pressure_pa', 'housePressure', 'Pa'],
  ['House Pressure (Pa)', 'housePressure', 'Pa'],
  ['Building pressure [Pa]', 'housePressure', 'Pa'],
  ['Induced pressure', 'housePressure', 'Pa'],
  ['Envelope Pressure, in. w.c.', 'housePressure', 'in. w.c.'],
  ['Pressure difference', 'housePressure', 'Pa'],
  ['Δp Pa', 'housePressure', 'Pa'],
  ['flow_l_s', 'flow', 'L/s'],
  ['flow_m3h', 'flow', 'm³/h'],
  ['Flow (m³/h)', 'flow', 'm³/h'],
  ['Air flow, m3/hr', 'flow', 'm³/h'],
  ['Fan Flow (CFM)', 'flow', 'cfm'],
  ['Airflow ft³/min', 'flow', 'cfm'],
  ['CFM', 'flow', 'cfm'],
  ['Flow', 'flow', null],
  ['Fan pressure [Pa]', 'fanPressure', 'Pa'],
  ['Flow pressure, in H2O', 'fanPressure', 'in. w.c.'],
  ['Ring', 'fanRange', null],
  ['fan_min_pa', 'fanMin', null],
  ['Direction', 'direction', null],
  ['Excluded because', 'struckOut', null],
  ['Time', null, null],
  ['Temperature (°C)', null, null],
  ['', null, null],
])('a column “%s” is taken for %s in %s', (name, meaning, unit) => {
  expect(columnNamed(name)).toEqual({ name, meaning, unit, strangeUnit: null });
});

test('lines above the names of the columns are passed over, columns of other things too', () => {
  const text = [
    'Door test of a barn, morning',
    'Gauge;12 345;calibrated',
    '',
    'No;Time;House pressure (Pa);Flow (CFM);',
    '1;09:12:01;-20,5;100;',
    '2;09:13:40;-50;212,5;',
  ].join('\n');
  const found = surveyCsv(text);
  expect(found).toMatchObject({ ok: true, survey: { headerLine: 4 } });
  const { runs, count } = imported(text);
  expect(count).toBe(2);
  expect(runs.depressurise?.readings[1]?.pressurePa).toBe(-50);
  expect(runs.depressurise?.readings[1]?.flowM3h).toBeCloseTo(212.5 * 1.699010796, 5);
  expect(read(text.replace('212,5', 'many'))).toMatchObject({
    refusal: { line: 6, column: 'Flow (CFM)', message: '“many” is not a number.' },
  });
});

test('pressures in inches of water are brought to Pa', () => {
  const { runs } = imported('House pressure in wc,Fan pressure in wc,Ring\n-0.2,0.5,Ring B\n', {
    fanRanges: [ring],
  });
  const [reading] = runs.depressurise?.readings ?? [];
  expect(reading?.pressurePa).toBeCloseTo(-49.818, 3);
  expect(reading?.fanPressurePa).toBeCloseTo(124.544, 3);
});

test('a flow that names no unit is in the one that is said', () => {
  const text = 'Pressure,Flow\n-50,100\n';
  const flow = (flowUnit: 'cfm' | 'm³/h') =>
    imported(text, { flowUnit }).runs.depressurise?.readings[0]?.flowM3h;
  expect([flow('m³/h'), flow('cfm')]).toEqual([100, expect.closeTo(169.9010796, 5)]);
});

test.each(['metric', 'imperial'] as const)(
  'a template, %s: what is filled in is read, what is left blank is not',
  (units) => {
    const template = writeTemplateCsv('pressurise', units);
    expect(read(template)).toMatchObject({ ok: false, refusal: { line: 2, column: null } });
    let filled = 0;
    const text = template.replace(/^pressurise,reading,,,$/gm, (line) => {
      filled += 1;
      return filled > 3 ? line : `pressurise,reading,${20 * filled},${100 * filled},`;
    });
    const { runs, count } = imported(text.replace('before,,,', 'before,0.5,,'));
    expect(count).toBe(4);
    expect(runs.pressurise?.baselineBeforePa).toMatchObject([{ pressurePa: 0.5 }]);
    const factor = units === 'metric' ? 1 : 1.69901079552;
    expect(runs.pressurise?.readings.map(({ flowM3h }) => flowM3h)).toEqual(
      [100, 200, 300].map((flow) => expect.closeTo(flow * factor, 6)),
    );
  },
);

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
    { fanRanges: [ring] },
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
    const result = read(text, { decimalMark });
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
  ['an empty file', '', 1, null],
  ['a header of another kind', 'time,value\n1,2\n', 1, null],
  ['no flow column', 'house_pressure_pa\n-50\n', 1, 'flow'],
  ['a pressure in bar', 'House pressure (mbar),flow_cfm\n-5,1\n', 1, 'House pressure (mbar)'],
  ['a flow in a unit of pressure', 'house pressure,Flow Pa\n-5,1\n', 1, 'Flow Pa'],
  ['names too far down', `${'x\n'.repeat(50)}house_pressure_pa,flow_m3h\n-50,1\n`, 1, null],
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
  ['a fan pressure without a range', 'house_pressure_pa,fan_pressure_pa\n-50,120\n', 2, 'fan range'],
  [
    'flow and fan pressure at once',
    'house_pressure_pa,flow_m3h,fan_pressure_pa,fan_range\n-50,1,120,Ring B\n',
    2,
    'fan_pressure_pa',
  ],
  ['an open quotation mark', 'house_pressure_pa,flow_m3h\n-50,"210\n', 2, null],
])('%s is refused whole, with the line', (_name, text, line, column) => {
  const result = read(text, { fanRanges: [ring] });
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

test('what is brought in can be added to what is there, as far as a run has room', () => {
  const [reading] = imported('house_pressure_pa,flow_m3h\n-30,150\n').runs.depressurise?.readings ?? [];
  if (reading === undefined) throw new Error('No reading was read.');
  const before = { baselineBeforePa: baseline(-1), baselineAfterPa: [], readings: [reading] };
  const file = imported('row,house_pressure_pa,flow_m3h\nbaseline before,-2\n,-50,210\n');
  const test = { depressurise: before, pressurise: null } as unknown as AirtightnessTestBody;
  const added = withImported(file, test, 'add');
  expect(added.depressurise?.readings.map(({ pressurePa }) => pressurePa)).toEqual([-30, -50]);
  expect(added.depressurise?.baselineBeforePa.map(({ pressurePa }) => pressurePa)).toEqual([-1, -2]);
  expect(added).not.toHaveProperty('pressurise');
  expect(hasRoom({ ...before, readings: Array.from({ length: 200 }, () => reading) })).toBe(true);
  expect(hasRoom({ ...before, readings: Array.from({ length: 201 }, () => reading) })).toBe(false);
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
