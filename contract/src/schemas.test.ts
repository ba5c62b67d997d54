import { misfit, type NumberSchema } from '@calvet/core/schema';
import { fanRangeFields, isFanRange, type NamedFanRange } from './airtightness/airtightness-test';
import type { AnyField, AnyFields, FigureField } from './kind/field';
import { kindNamed, KINDS } from './kinds';
import { valueSchema } from './schemas';

/** Every figure that a record may hold, however deep, by its path. */
function figuresIn(fields: AnyFields, path: string): readonly (readonly [string, FigureField])[] {
  const within = (field: AnyField, at: string): readonly (readonly [string, FigureField])[] => {
    switch (field.type) {
      case 'figure':
        return [[at, field]];
      case 'group':
        return figuresIn(field.members, at);
      case 'shape':
        return Object.entries(field.shapes).flatMap(([kind, inner]) => figuresIn(inner, `${at}.${kind}`));
      case 'list':
        return within(field.item, `${at}[]`);
      default:
        return [];
    }
  };
  return Object.entries(fields).flatMap(([name, field]) => within(field, `${path}.${name}`));
}

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

const figures = KINDS.flatMap((kind) => figuresIn(kindNamed(kind).fields, kind));

test.each(figures)('%s: a field takes what a record takes, and no more', (_path, field) => {
  const { bounds } = field;
  // What an entry asks beside it (above another figure) is no business of the single figure.
  const schema = valueSchema({ ...field, above: undefined } as AnyField);
  const byField = atEdges(bounds).map((value) => [value, misfit(bounds, value) === null]);
  const byRecord = atEdges(bounds).map((value) => [
    value,
    schema.validate(value, { convert: false }).error === undefined,
  ]);
  expect(byField).toEqual(byRecord);
  expect(new Set(byField.map(([, takes]) => takes))).toEqual(new Set([true, false]));
});

test('there are figures of every kind of place: fields, groups, shapes, lists', () => {
  const paths = figures.map(([path]) => path);
  expect(paths).toEqual(
    expect.arrayContaining([
      'house.volumeM3',
      'house.target.limit',
      'area.buildUp.layers[].framed.cavityRsi',
      'airtightnessTest.depressurise.readings[].flowM3h',
      'photo.marks[].arrow.from.x',
    ]),
  );
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
  const schema = valueSchema(fanRangeFields as AnyField);
  const byRecord = ranges.map((range) => schema.validate(range, { convert: false }).error === undefined);
  expect(ranges.map(isFanRange)).toEqual(byRecord);
  expect(byRecord.filter(Boolean)).toHaveLength(1);
  expect(isFanRange({ ...right, maxPa: null })).toBe(false);
});
