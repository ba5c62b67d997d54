import { v7 } from 'uuid';
import { sampleArea as area } from '../../test/sample-area';
import { fieldsOf, KINDS, type Kind } from '../kinds';
import { bodySchemas } from '../schemas';
import { readChange } from './read-change';

const changeWith = (more: object = {}) => ({
  changeId: v7(),
  kind: 'area',
  id: v7(),
  baseRevision: 0,
  op: 'create',
  body: area,
  ...more,
});

function refusalOf(input: unknown, i = 0) {
  const read = readChange(input, i);
  return read.ok ? null : { code: read.refusal.code, field: read.refusal.field };
}

test('a whole change is read as it is', () => {
  const change = changeWith();
  expect(readChange(change, 0)).toEqual({ ok: true, change });
});

test('an update may bring any part of a body, a creation must bring all of it', () => {
  expect(refusalOf(changeWith({ op: 'update', baseRevision: 2, body: { grade: 'II' } }))).toBeNull();
  expect(refusalOf(changeWith({ body: { grade: 'II' } }))).toEqual({
    code: 'required',
    field: 'changes[0].body.name',
  });
});

test('a creation by an older version of the app says nothing of what came later, an update takes nothing back', () => {
  const { voidFraction: _later, ...older } = area;
  const created = readChange(changeWith({ body: older }), 0);
  expect(created.ok && created.change.body).toEqual(area);
  const updated = readChange(changeWith({ op: 'update', baseRevision: 2, body: { grade: 'II' } }), 0);
  expect(updated.ok && updated.change.body).toEqual({ grade: 'II' });
});

test('deleting and restoring need no body', () => {
  for (const op of ['delete', 'restore']) {
    expect(refusalOf(changeWith({ op, baseRevision: 1, body: undefined }))).toBeNull();
  }
});

test('the place in the batch is part of the field', () => {
  expect(refusalOf(changeWith({ op: 'burn' }), 7)).toEqual({
    code: 'unknown-option',
    field: 'changes[7].op',
  });
});

test('members that nobody knows are passed over beside a change, and refused in a body', () => {
  expect(refusalOf(changeWith({ sentBy: 'phone' }))).toBeNull();
  expect(refusalOf(changeWith({ body: { ...area, colour: 'red' } }))).toMatchObject({
    code: 'unknown-field',
  });
});

test.each<[string, object, string]>([
  ['a layer of no kind', { kind: 'ghost', name: '' }, 'changes[0].body.buildUp.layers[0].kind'],
  [
    'a material without its conductivity',
    { kind: 'material', name: '', thicknessM: 0.1 },
    'changes[0].body.buildUp.layers[0].conductivityWmK',
  ],
  [
    'more frame than wall',
    { kind: 'framed', name: '', cavityRsi: 3, frameRsi: 1, framingFraction: 1.1, thicknessM: null },
    'changes[0].body.buildUp.layers[0].framingFraction',
  ],
  [
    'a resistance below zero',
    { kind: 'resistance', name: '', rsi: -1 },
    'changes[0].body.buildUp.layers[0].rsi',
  ],
])('%s is refused where it stands', (_name, layer, field) => {
  const body = { ...area, buildUp: { ...area.buildUp, layers: [layer] } };
  expect(refusalOf(changeWith({ body }))).toMatchObject({ field });
});

test.each(['__proto__', 'constructor', 'toString', 'Area', ''])('“%s” is no kind of record', (kind) => {
  expect(refusalOf(changeWith({ kind }))).not.toBeNull();
});

test.each<[string, Kind, string, unknown]>([
  ['a month 13', 'airtightnessTest', 'performedOn', '2026-13-01'],
  ['a day 32', 'airtightnessTest', 'performedOn', '2026-01-32'],
  ['200 °C', 'airtightnessTest', 'indoorTemperatureC', 200],
  ['no atmosphere', 'airtightnessTest', 'airPressurePa', 101],
  ['a storm', 'airtightnessTest', 'windMs', 61],
  [
    'two ranges of one name',
    'airtightnessTest',
    'fanRanges',
    [1, 2].map(() => ({ name: 'A', coefficient: 1, exponent: 0.5, minPa: 0, maxPa: 9 })),
  ],
  [
    'a range upside down',
    'airtightnessTest',
    'fanRanges',
    [{ name: 'A', coefficient: 1, exponent: 0.5, minPa: 9, maxPa: 9 }],
  ],
  ['half a bedroom', 'house', 'bedrooms', 1.5],
  ['a target on q50', 'house', 'target', { quantity: 'q50', limit: 100 }],
  ['a target of 0', 'house', 'target', { quantity: 'n50', limit: 0 }],
  ['a name of 121 letters', 'house', 'name', 'x'.repeat(121)],
])('%s is refused', (_name, kind, field, value) => {
  const refusal = refusalOf(changeWith({ kind, op: 'update', baseRevision: 1, body: { [field]: value } }));
  expect(refusal?.field.startsWith(`changes[0].body.${field}`)).toBe(true);
});

test('two readings of one id are refused', () => {
  const reading = {
    id: v7(),
    pressurePa: 1,
    flowM3h: 1,
    fanPressurePa: null,
    fanRange: null,
    struckOut: null,
  };
  const run = { baselineBeforePa: [], baselineAfterPa: [], readings: [reading, reading] };
  const refusal = refusalOf(
    changeWith({ kind: 'airtightnessTest', op: 'update', baseRevision: 1, body: { pressurise: run } }),
  );
  expect(refusal).toEqual({ code: 'conflict', field: 'changes[0].body.pressurise.readings[1]' });
});

test.each(KINDS)('every field of %s is its own, beside what every record carries', (kind) => {
  const carried = ['id', 'ledgerId', 'revision', 'changeNumber', 'updatedAt', 'updatedBy', 'deletedAt'];
  expect(fieldsOf(kind).filter((field) => carried.includes(field))).toEqual([]);
  expect(fieldsOf(kind)).toEqual(Object.keys(bodySchemas[kind].describe().keys));
});
