import { notStored } from '../record';
import { firstSeenOn, followsOf, standingVerdicts, type Standing } from './standing-verdicts';
import type { Verdict, VerdictValue } from './verdict';

const HOUSE = '019df200-5000-77f8-8937-913296a3c6b5';

/** A verdict on the sill gasket of the front wall, or on what is said instead. */
function given(
  id: string,
  value: VerdictValue,
  follows: readonly string[] = [],
  more: Partial<Verdict> = {},
): Verdict {
  return {
    ...notStored(id, HOUSE),
    value,
    checkpoint: 'sill-gasket',
    item: 'foot/front',
    catalogueVersion: 2,
    phase: 'beforeFill',
    looked: 'onSite',
    seenOn: '2027-03-08',
    photo: null,
    reasons: [],
    note: null,
    readings: [],
    placeName: 'Ground floor, front wall: foot',
    follows: follows.map((each) => ({ id: each })),
    ...more,
  };
}

const KEY = 'sill-gasket@foot/front';
const standing = (...verdicts: readonly Verdict[]): Standing | undefined =>
  standingVerdicts(verdicts).get(KEY);
const ids = (verdicts: readonly Verdict[] = []): readonly string[] => verdicts.map(({ id }) => id);

/** The same verdicts in every order in which a device can come to know them. */
function everyOrder<T>(items: readonly T[]): readonly (readonly T[])[] {
  if (items.length < 2) return [items];
  return items.flatMap((item, i) =>
    everyOrder(items.filter((_, at) => at !== i)).map((rest) => [item, ...rest]),
  );
}

test('the last of those that follow each other counts, whichever is worse', () => {
  const found = standing(given('a', 'mend'), given('b', 'good', ['a']));
  expect(found?.counts.id).toBe('b');
  expect(ids(found?.beside)).toEqual([]);
  expect(ids(found?.all)).toEqual(['a', 'b']);
});

test.each<[VerdictValue, VerdictValue]>([
  ['mend', 'notSeen'],
  ['mend', 'good'],
  ['notSeen', 'good'],
  ['good', 'notHere'],
])('of two that knew nothing of each other %s counts before %s, and both are shown', (worse, better) => {
  for (const found of [
    standing(given('a', worse), given('b', better)),
    standing(given('a', better), given('b', worse)),
  ]) {
    expect(found?.counts.value).toBe(worse);
    expect(found?.beside.map(({ value }) => value)).toEqual([better]);
  }
});

test('the next verdict follows both, and counts', () => {
  const two = [given('a', 'good'), given('b', 'mend')];
  const follows = followsOf(standing(...two)).map(({ id }) => id);
  expect([...follows].sort()).toEqual(['a', 'b']);
  const found = standing(...two, given('c', 'good', follows));
  expect(found?.counts.id).toBe('c');
  expect(ids(found?.beside)).toEqual([]);
});

test('every device comes to the same, in whatever order verdicts reach it', () => {
  const all = [
    given('a', 'good'),
    given('b', 'mend', ['a']),
    given('c', 'good', ['a']),
    given('d', 'good', ['b']),
    given('e', 'mend', ['c']),
  ];
  const seen = everyOrder(all).map((order) => {
    const found = standing(...order);
    return [found?.counts.id, ...ids(found?.beside)].join();
  });
  expect(new Set(seen)).toEqual(new Set(['e,d']));
});

test('a verdict that was deleted follows nothing: the one before it counts again', () => {
  const [first, second] = [given('a', 'good'), given('b', 'mend', ['a'])];
  expect(standing(first, second)?.counts.id).toBe('b');
  expect(standing(first)?.counts.id).toBe('a');
  expect(standing(given('c', 'good', ['deleted']))?.counts.id).toBe('c');
});

test('verdicts that follow each other in a circle, or themselves, are not lost: the worst counts', () => {
  expect(standing(given('a', 'good', ['b']), given('b', 'mend', ['a']))?.counts.id).toBe('b');
  expect(standing(given('a', 'good', ['a']))?.counts.id).toBe('a');
});

test('each checkpoint of each item stands for itself', () => {
  const found = standingVerdicts([
    given('a', 'good'),
    given('b', 'mend', [], { item: 'foot/back' }),
    given('c', 'notHere', [], { checkpoint: 'sill-bolts' }),
  ]);
  expect([...found].map(([key, { counts }]) => [key, counts.id])).toEqual([
    [KEY, 'a'],
    ['sill-gasket@foot/back', 'b'],
    ['sill-bolts@foot/front', 'c'],
  ]);
});

test('where nothing was said the next follows nothing', () => {
  expect(followsOf(standing())).toEqual([]);
});

test('what was seen is seen since the first who looked, unless nobody could in the end', () => {
  const on = (seenOn: string) => ({ seenOn });
  const seen = (...verdicts: readonly Verdict[]): string | null => {
    const found = standing(...verdicts);
    return found === undefined ? null : firstSeenOn(found);
  };
  expect(
    seen(
      given('a', 'notSeen', [], on('2027-03-01')),
      given('b', 'mend', ['a'], on('2027-03-03')),
      given('c', 'good', ['b'], on('2027-03-09')),
    ),
  ).toBe('2027-03-03');
  expect(
    seen(given('a', 'good', [], on('2027-03-01')), given('b', 'notSeen', ['a'], on('2027-03-02'))),
  ).toBeNull();
  expect(seen(given('a', 'notHere', [], on('2027-03-05')))).toBe('2027-03-05');
});
