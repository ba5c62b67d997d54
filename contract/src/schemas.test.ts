import { misfit, type NumberSchema } from '@calvet/core/schema';
import type Joi from 'joi';
import {
  CONDITION_BOUNDS,
  FAN_RANGE_BOUNDS,
  isFanRange,
  namedFanRange,
  READING_BOUNDS,
  type NamedFanRange,
} from './airtightness/airtightness-test';
import { HOUSE_BOUNDS, TARGET_LIMIT_BOUNDS } from './house/house';
import { AREA_BOUNDS, LAYER_BOUNDS } from './installation/area';
import { pieces } from './schema-pieces';
import { bodySchemas } from './schemas';

const atEdges = ({ min, max, above, below, whole }: NumberSchema): readonly number[] => {
  const edges = [min, max, above, below].filter((edge) => edge !== undefined);
  const step = whole === true ? 1 : 1e-6;
  return [
    ...edges.flatMap((edge) => [edge - step, edge, edge + step, edge + 0.5]),
    0,
    -1,
    1,
    1.5,
    NaN,
    1e300,
  ];
};

const { house, airtightnessTest, area } = bodySchemas;
const fieldsWithBounds: readonly (readonly [string, Joi.Schema, NumberSchema])[] = [
  ...Object.entries(HOUSE_BOUNDS).map(([name, bounds]) => [name, house.extract(name), bounds] as const),
  ['target.limit', house.extract('target.limit'), TARGET_LIMIT_BOUNDS],
  ...Object.entries(CONDITION_BOUNDS).map(
    ([name, bounds]) => [name, airtightnessTest.extract(name), bounds] as const,
  ),
  ...Object.entries(AREA_BOUNDS).map(([name, bounds]) => [name, area.extract(name), bounds] as const),
  ...Object.entries({ ...LAYER_BOUNDS, ...READING_BOUNDS, ...FAN_RANGE_BOUNDS }).map(
    ([name, bounds]) => [name, pieces.number(bounds), bounds] as const,
  ),
];

test.each(fieldsWithBounds)('%s: a field takes what a record takes, and no more', (_, schema, bounds) => {
  const byField = atEdges(bounds).map((value) => [value, misfit(bounds, value) === null]);
  const byRecord = atEdges(bounds).map((value) => [
    value,
    schema.validate(value, { convert: false }).error === undefined,
  ]);
  expect(byField).toEqual(byRecord);
  expect(new Set(byField.map(([, takes]) => takes))).toEqual(new Set([true, false]));
});

test('a fan range that is entered is one that a record takes', () => {
  const right: NamedFanRange = { name: 'Ring B', coefficient: 12.5, exponent: 0.49, minPa: 15, maxPa: 400 };
  const ranges = [
    right,
    { ...right, name: '  ' },
    { ...right, name: 'x'.repeat(61) },
    { ...right, coefficient: 0 },
    { ...right, exponent: 2.1 },
    { ...right, minPa: -1 },
    { ...right, minPa: 400 },
    { ...right, maxPa: 10_001 },
  ];
  const schema = namedFanRange(pieces);
  const byRecord = ranges.map((range) => schema.validate(range, { convert: false }).error === undefined);
  expect(ranges.map(isFanRange)).toEqual(byRecord);
  expect(byRecord.filter(Boolean)).toHaveLength(1);
  expect(isFanRange({ ...right, maxPa: null })).toBe(false);
});
