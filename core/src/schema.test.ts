import {
  boolean,
  checked,
  fields,
  list,
  nonNegative,
  number,
  option,
  optional,
  positive,
  share,
} from './schema';

interface Sample {
  readonly size: number;
  readonly share?: number;
  readonly count?: number;
  readonly kind?: 'a' | 2;
  readonly isDry?: boolean;
  readonly items?: readonly { readonly depth: number; readonly note?: number }[];
}

const sample = fields<Sample>({
  size: positive('length'),
  share: optional(share()),
  count: optional(number({ min: 1, max: 9, whole: true })),
  kind: optional(option('a', 2)),
  isDry: optional(boolean()),
  items: optional(
    list(
      fields<NonNullable<Sample['items']>[number]>({
        depth: nonNegative('length'),
        note: optional(number({ below: 5 })),
      }),
      1,
      2,
    ),
  ),
});

test('what fits passes as it is, with members that are not known', () => {
  const input = { size: 1, extra: 'x', items: [{ depth: 0 }] };
  expect(checked(sample, input)).toBe(input);
});

test('null members count as left out, at any depth', () => {
  expect(checked(sample, { size: 1, share: null, items: [{ depth: 2, note: null }] })).toEqual({
    size: 1,
    items: [{ depth: 2 }],
  });
});

test.each<[string, unknown, string, string, unknown]>([
  ['nothing', undefined, 'not-an-object', '', undefined],
  ['null', null, 'not-an-object', '', undefined],
  ['a list', [], 'not-an-object', '', undefined],
  ['a missing member', {}, 'required', 'size', undefined],
  ['null for what is required', { size: null }, 'required', 'size', undefined],
  ['text for a number', { size: '1' }, 'not-a-number', 'size', undefined],
  ['an infinity', { size: Infinity }, 'not-a-number', 'size', undefined],
  ['NaN', { size: NaN }, 'not-a-number', 'size', undefined],
  ['the bound itself where it is left out', { size: 0 }, 'out-of-range', 'size', 0],
  ['above the bound', { size: 1, share: 1.01 }, 'out-of-range', 'share', 1],
  ['below the bound', { size: 1, share: -0.01 }, 'out-of-range', 'share', 0],
  ['half of one', { size: 1, count: 2.5 }, 'not-a-whole-number', 'count', undefined],
  ['no word of the list', { size: 1, kind: 'b' }, 'unknown-option', 'kind', 'a, 2'],
  ['text for a word that is a number', { size: 1, kind: '2' }, 'unknown-option', 'kind', 'a, 2'],
  ['text for true', { size: 1, isDry: 'true' }, 'not-a-boolean', 'isDry', undefined],
  ['no list', { size: 1, items: {} }, 'not-a-list', 'items', undefined],
  ['too short a list', { size: 1, items: [] }, 'list-length', 'items', 1],
  ['too long a list', { size: 1, items: [{}, {}, {}] }, 'list-length', 'items', 2],
  ['null in a list', { size: 1, items: [null] }, 'required', 'items[0]', undefined],
  [
    'a fault deep inside',
    { size: 1, items: [{ depth: 1 }, { depth: 1, note: 5 }] },
    'out-of-range',
    'items[1].note',
    5,
  ],
])('%s is refused by field, code and bound', (_name, input, code, field, bound) => {
  expect(() => checked(sample, input)).toThrow(expect.objectContaining({ code, field, bound }));
});

test('a refusal crosses a boundary as code, field and message', () => {
  try {
    checked(sample, { size: 0 });
    throw new Error('It was not refused.');
  } catch (error) {
    expect(JSON.parse(JSON.stringify(error))).toEqual({
      error: { code: 'out-of-range', field: 'size', message: 'This must be above 0.', bound: 0 },
    });
  }
});
