import { drawingOf, sampleStorey } from '../test/sample-drawing';
import { compute, operationNames, operations, type OperationName } from '@calvet/core/operations';
import { misfit, type Schema } from '@calvet/core/schema';
import { baseline } from '../test/baseline';
import { sampleHouse } from '../test/sample-house';
import type { AirtightnessTest } from './airtightness/airtightness-test';
import { testFigures } from './airtightness/test-figures';
import { inputsFromHouse, takesFromHouse, type HouseInput } from './house-inputs';
import type { House } from './house/house';
import { MADE_BY_HAND, PLAIN_AREA, type Area } from './installation/area';
import type { BuildUpLayer } from './installation/layer';
import { areaFigures, envelopeFigures } from './installation/area-figures';
import { BUILD_UP_LIBRARY, buildUpOf } from './installation/build-up-library';
import type { RecordBase } from './record';

const stored = (id: string): RecordBase => ({
  id,
  ledgerId: 'house',
  revision: 1,
  updatedAt: '2031-03-01T10:00:00.000Z',
  updatedBy: 'phone',
  deletedAt: null,
});
const house: House = { ...sampleHouse, ...stored('house') };

const testOn = (performedOn: string, coefficient: number, readingCount = 6): AirtightnessTest => ({
  ...stored(performedOn),
  stage: 'finished',
  performedOn,
  indoorTemperatureC: 20,
  outdoorTemperatureC: 5,
  altitudeM: null,
  airPressurePa: null,
  windMs: null,
  fanRanges: [],
  note: '',
  depressurise: {
    baselineBeforePa: baseline(-1),
    baselineAfterPa: baseline(-1),
    readings: [61, 53, 46, 38, 31, 24].slice(0, readingCount).map((pressurePa, i) => ({
      id: `${performedOn} ${i}`,
      pressurePa: -pressurePa,
      flowM3h: coefficient * (pressurePa - 1) ** (0.65 + 0.002 * (i % 2)),
      fanPressurePa: null,
      fanRange: null,
      struckOut: null,
    })),
  },
  pressurise: null,
});

const areas: readonly Area[] = BUILD_UP_LIBRARY.map((entry, i) => ({
  ...stored(entry.id),
  name: i < 2 ? 'Wall' : entry.id,
  kind: entry.kinds[0] ?? 'wall',
  areaM2: i === 4 ? null : 20 + i,
  buildUp: buildUpOf(entry),
  grade: entry.gradedLayer === null || i === 3 ? null : 'III',
  voidFraction: null,
  ...MADE_BY_HAND,
  ...PLAIN_AREA,
}));
const earlier = testOn('2031-03-02', 44);
const later = testOn('2031-04-05', 41);
const unfinished = testOn('2031-04-06', 40, 2);
const drawing = drawingOf(sampleStorey('ground'), sampleStorey('upper', { level: 1, under: 'outdoors' }));
const whole = { house, tests: [unfinished, later, earlier], areas, ...drawing };

const takers = operationNames.filter(takesFromHouse);
const isThere = (value: unknown): boolean => value !== null && value !== undefined;

/** Whatever is there of an input must be what its schema takes. */
function faultsIn(schema: Schema, given: unknown): readonly string[] {
  if (!isThere(given)) return [];
  if (schema.kind === 'fields') {
    const inner = given as Readonly<Record<string, unknown>>;
    return schema.members.flatMap((member) => faultsIn(member.schema, inner[member.name]));
  }
  if (schema.kind === 'list' && Array.isArray(given))
    return given.flatMap((item) => faultsIn(schema.item, item));
  const refusal = misfit(schema, given);
  return refusal === null ? [] : [refusal.message];
}

function inputFrom(name: OperationName, of: string): object {
  const found = inputsFromHouse(name, whole).find(({ source }) => idOf(source) === of);
  if (found === undefined) throw new Error(`${name} takes nothing of ${of}`);
  return found.given;
}

function idOf(source: HouseInput['source']): string {
  switch (source.of) {
    case 'house':
      return 'house';
    case 'area':
      return source.area.id;
    case 'test':
      return source.test.id;
    case 'tests':
      return `${source.earlier.id} ${source.later.id}`;
  }
}

test.each(takers)('%s: what a house gives is what the operation takes', (name) => {
  const inputs = inputsFromHouse(name, whole);
  expect(inputs.length).toBeGreaterThan(0);
  for (const { given } of inputs) {
    expect(faultsIn(operations[name].schema, given)).toEqual([]);
    const members = operations[name].schema.members.map((member) => member.name);
    expect(Object.keys(given).filter((member) => !members.includes(member))).toEqual([]);
  }
  expect(inputsFromHouse(name, { house, tests: [], areas: [], ...drawingOf() })).toEqual([]);
});

test('a test comes to the same figures as in its house', () => {
  const figures = testFigures(house, later);
  if (figures.state !== 'figures') throw new Error('no figures');
  expect(compute('airtightness.multiPoint', inputFrom('airtightness.multiPoint', later.id)).result).toEqual(
    figures.fit.result,
  );
  expect(compute('airtightness.budget', inputFrom('airtightness.budget', later.id))).toEqual(figures.budget);
});

test('an area and the envelope come to the same figures as in their house', () => {
  for (const area of areas) {
    const figures = areaFigures(house, area);
    if (figures.state !== 'figures') throw new Error('no figures');
    expect(compute('thermal.assembly', inputFrom('thermal.assembly', area.id)).uValue).toBe(
      figures.built.uValue,
    );
  }
  const { built, framed } = envelopeFigures(house, areas);
  expect(compute('thermal.house', inputFrom('thermal.house', 'house'))).toMatchObject({
    effectiveRsi: built?.effectiveRsi,
  });
  expect(inputFrom('thermal.designHeatLoad', 'house')).toEqual({
    planned: { transmissionWK: framed?.transmissionWK },
    asBuilt: { transmissionWK: built?.transmissionWK },
  });
});

test('areas of one name are told apart, and one that nobody graded has no figures as built', () => {
  const { areas: judged } = inputFrom('thermal.requirements', 'house') as {
    areas: readonly { id: string; grade?: string; asBuiltUValue?: number }[];
  };
  expect(new Set(judged.map(({ id }) => id)).size).toBe(judged.length);
  expect(judged).toHaveLength(areas.length - 1);
  expect(
    judged.filter(({ grade }) => grade === undefined).every(({ asBuiltUValue }) => !isThere(asBuiltUValue)),
  ).toBe(true);
  expect(() => compute('thermal.requirements', { areas: judged })).not.toThrow();
});

test('work too bad for a grade has none, and what it costs', () => {
  const [first] = areas;
  if (first === undefined) throw new Error('no area');
  const bad: Area = { ...first, grade: null, voidFraction: 0.2 };
  const [{ given } = { given: {} }] = inputsFromHouse('thermal.requirements', { ...whole, areas: [bad] });
  const figures = areaFigures(house, bad);
  expect(given).toMatchObject({
    areas: [{ grade: 'none', asBuiltUValue: figures.state === 'figures' ? figures.built.uValue : NaN }],
  });
});

test('tests are compared with the one before, the latest first; one without a fit is none', () => {
  const newest = testOn('2031-05-01', 40);
  const pairs = inputsFromHouse('airtightness.stageComparison', {
    ...whole,
    tests: [newest, ...whole.tests],
  });
  expect(pairs.map(({ source }) => idOf(source))).toEqual([
    `${later.id} ${newest.id}`,
    `${earlier.id} ${later.id}`,
  ]);
  expect(compute('airtightness.stageComparison', pairs[0]?.given).changeM3h).toBeLessThan(0);
});

test('readings without a fit yet go along, figures of a fit do not', () => {
  const of = (name: OperationName) =>
    inputsFromHouse(name, { ...whole, tests: [unfinished] }).map(({ source }) => idOf(source));
  expect(of('airtightness.multiPoint')).toEqual([unfinished.id]);
  expect(of('airtightness.budget')).toEqual([]);
});

test('vapour resistances are left to the person; a framed layer counts through its cavity', () => {
  const framed = areas.find(({ buildUp }) => buildUp.layers.some(({ kind }) => kind === 'framed'));
  const { layers } = inputFrom('moisture.interfaces', framed?.id ?? '') as {
    layers: readonly { rsi: number }[];
  };
  const at = framed?.buildUp.layers.findIndex(({ kind }) => kind === 'framed') ?? -1;
  const layer = framed?.buildUp.layers[at] as Extract<BuildUpLayer, { kind: 'framed' }>;
  expect(layers[at]).toEqual({ rsi: layer.cavityRsi });
});
