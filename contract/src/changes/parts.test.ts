import fc from 'fast-check';
import {
  changeBetween,
  cutAt,
  isEmptyChange,
  joinedChanges,
  keysOf,
  touches,
  valueAt,
  withParts,
} from './parts';
import { changedBody } from './ledger';

const reading = (id: string, pressurePa = -50) => ({ id, pressurePa });
const testOf = (...readings: readonly object[]) => ({
  note: '',
  fanRanges: [],
  depressurise: { baselineBeforePa: [], baselineAfterPa: [], readings },
  pressurise: null,
});
type Body = Readonly<Record<string, unknown>>;
const laid = (body: Body, change: ReturnType<typeof changeBetween>) =>
  changedBody('airtightnessTest', body, change);
const idsIn = (body: Body) =>
  (valueAt('airtightnessTest', body, 'depressurise.readings#') as string[]).join('');

test('what was left alone is no part of a change', () => {
  const seen = testOf(reading('a'));
  expect(isEmptyChange(changeBetween('airtightnessTest', seen, { ...seen }))).toBe(true);
  expect(changeBetween('airtightnessTest', seen, { note: 'windy' })).toEqual({
    body: { note: 'windy' },
    parts: [],
  });
});

test('readings that two people took at once both stay, from an empty run too', () => {
  const none = { ...testOf(), depressurise: null };
  const mine = changeBetween('airtightnessTest', none, { depressurise: testOf(reading('a')).depressurise });
  const theirs = changeBetween('airtightnessTest', none, { depressurise: testOf(reading('b')).depressurise });
  expect(idsIn(laid(laid(none, mine), theirs))).toBe('ab');
  expect(keysOf(mine)).toEqual(['depressurise.readings#a']);
});

test('a reading that is taken out goes alone, and comes back to its place', () => {
  const seen = testOf(reading('a'), reading('b'), reading('c'));
  const out = changeBetween('airtightnessTest', seen, testOf(reading('a'), reading('c')));
  const newer = testOf(reading('a'), reading('b'), reading('c'), reading('d'));
  const without = laid(newer, out);
  expect(idsIn(without)).toBe('acd');
  const back = changeBetween(
    'airtightnessTest',
    without,
    testOf(reading('a'), reading('b'), reading('c'), reading('d')),
  );
  expect(idsIn(laid(without, back))).toBe('abcd');
});

test('an order that others do not share leaves theirs behind what they follow', () => {
  const seen = testOf(reading('a'), reading('b'), reading('c'));
  const moved = changeBetween('airtightnessTest', seen, testOf(reading('c'), reading('a'), reading('b')));
  const newer = testOf(reading('a'), reading('x'), reading('b'), reading('c'));
  expect(idsIn(laid(newer, moved))).toBe('caxb');
});

test.each([
  ['depressurise', 'depressurise.readings#a', true],
  ['depressurise.readings#a', 'depressurise.readings#a', true],
  ['depressurise.readings#a', 'depressurise.readings#b', false],
  ['depressurise.readings#', 'depressurise.readings#a', false],
  ['depressurise.readings', 'depressurise.readings#a', true],
  ['depressurise', 'depressuriseMore', false],
  ['buildUp.name', 'buildUp.layers#a', false],
  ['buildUp', 'buildUp.name', true],
])('%s and %s touch: %s', (one, other, expected) => {
  expect(touches(one, other)).toBe(expected);
  expect(touches(other, one)).toBe(expected);
});

test('a change is cut in two where it is in dispute', () => {
  const change = { body: { note: 'x', windMs: 2 }, parts: [{ path: 'fanRanges', id: 'A', entry: null }] };
  expect(cutAt(change, ['note', 'fanRanges#A'])).toEqual({
    touching: { body: { note: 'x' }, parts: change.parts },
    rest: { body: { windMs: 2 }, parts: [] },
  });
});

test.each(['__proto__', 'constructor', 'nobody.knows', 'toString'])(
  'a part at “%s” changes nothing',
  (path) => {
    const body = testOf(reading('a'));
    expect(withParts('airtightnessTest', body, [{ path, id: 'a', entry: null }])).toEqual(body);
    expect(withParts('airtightnessTest', body, [{ path, value: 1 }])).toEqual(body);
  },
);

const list = fc.uniqueArray(
  fc.record({ id: fc.constantFrom(...'abcdefgh'), pressurePa: fc.integer({ min: -3, max: 3 }) }),
  {
    selector: ({ id }) => id,
    maxLength: 6,
  },
);

test('laid over what its maker saw, a change gives what they made of it', () => {
  fc.assert(
    fc.property(list, list, (seen, wished) => {
      const [before, after] = [testOf(...seen), testOf(...wished)];
      expect(laid(before, changeBetween('airtightnessTest', before, after))).toEqual(after);
    }),
  );
});

test('two changes joined do what one after the other does', () => {
  fc.assert(
    fc.property(list, list, list, (first, second, third) => {
      const [a, b, c] = [testOf(...first), testOf(...second), testOf(...third)];
      const one = changeBetween('airtightnessTest', a, b);
      const two = changeBetween('airtightnessTest', b, c);
      expect(laid(a, joinedChanges(one, two))).toEqual(c);
    }),
  );
});

test('changes of different entries come to the same entries in either order', () => {
  fc.assert(
    fc.property(list, list, list, (seen, mine, theirs) => {
      const base = testOf(...seen);
      const one = changeBetween('airtightnessTest', base, testOf(...mine));
      const two = changeBetween('airtightnessTest', base, testOf(...theirs));
      const both = new Set(keysOf(one));
      fc.pre(!keysOf(two).some((key) => both.has(key)));
      const entries = (body: Body) =>
        [...(valueAt('airtightnessTest', body, 'depressurise.readings') as { readonly id: string }[])].sort(
          (x, y) => x.id.localeCompare(y.id),
        );
      expect(entries(laid(laid(base, one), two))).toEqual(entries(laid(laid(base, two), one)));
    }),
  );
});

test('a group that is given up is gone as a whole, whatever was changed of it before', () => {
  const seen = testOf(reading('a'));
  const typed = changeBetween('airtightnessTest', seen, testOf(reading('a'), reading('b')));
  const given = changeBetween('airtightnessTest', laid(seen, typed), { depressurise: null });
  expect(given).toEqual({ body: { depressurise: null }, parts: [] });
  expect(laid(seen, joinedChanges(typed, given)).depressurise).toBeNull();
  // And taken up again it is what was entered then.
  const none = laid(seen, given);
  const again = changeBetween('airtightnessTest', none, testOf(reading('c')));
  const body = laid(seen, joinedChanges(given, again));
  expect(body.depressurise).toEqual(testOf(reading('c')).depressurise);
});

test('a group that one gave up and another changed is in dispute', () => {
  const seen = testOf(reading('a'));
  const given = changeBetween('airtightnessTest', seen, { depressurise: null });
  const changed = changeBetween('airtightnessTest', seen, testOf(reading('a', -60)));
  const isTouched = keysOf(given).some((one) => keysOf(changed).some((other) => touches(one, other)));
  expect(isTouched).toBe(true);
});
