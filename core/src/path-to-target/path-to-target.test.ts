import fc from 'fast-check';
import { compute } from '../operations';
import { seededRandom, triangularFrom } from '../random/distributions';
import type { OpenItem, PathToTargetInput } from './evaluate';

const DRAWS = 1000;
const fixed = (value: number) => ({ low: value, likely: value, high: value });
const item = (id: string, likely: number, minutes: number): OpenItem => ({
  id,
  leakM3h: { low: likely * 0.6, likely, high: likely * 1.6 },
  minutes,
});
const itemsOf = (most: number) =>
  fc
    .array(fc.tuple(fc.integer({ min: 5, max: 200 }), fc.integer({ min: 5, max: 90 })), {
      minLength: 1,
      maxLength: most,
    })
    .map((drawn) => drawn.map(([leak, minutes], i) => item(`i${i}`, leak, minutes)));
const house = { q50M3h: 1150, standardErrorLnQ50: 0.02, limitM3h: 900, draws: DRAWS };
const path = (input: Partial<PathToTargetInput> & { readonly items: readonly OpenItem[] }) =>
  compute('pathToTarget.evaluate', { ...house, ...input });

test('adding a mend never lowers the chance of passing', () => {
  fc.assert(
    fc.property(itemsOf(6), fc.nat(5), fc.integer({ min: 300, max: 1100 }), (items, picked, limitM3h) => {
      const ids = items.map(({ id }) => id);
      const without = ids.filter((_, i) => i !== picked % ids.length);
      const chance = (fixes: readonly string[]) => path({ items, fixes, limitM3h }).chanceFixes!;
      expect(chance(ids)).toBeGreaterThanOrEqual(chance(without));
      expect(chance(without)).toBeGreaterThanOrEqual(chance([]));
    }),
    { numRuns: 50 },
  );
});

test('the list reaches the confidence, and of few items no set of fewer minutes does', () => {
  fc.assert(
    fc.property(itemsOf(6), fc.integer({ min: 500, max: 1100 }), (items, limitM3h) => {
      const { list, chanceAll } = path({ items, limitM3h });
      if (list === null) {
        expect(chanceAll).toBeLessThan(0.9);
        return;
      }
      expect(path({ items, limitM3h, fixes: list.ids }).chanceFixes!).toBeCloseTo(list.chance, 9);
      expect(list.chance).toBeGreaterThanOrEqual(0.9);
      for (let set = 0; set < 2 ** items.length; set++) {
        const chosen = items.filter((_, i) => (set & (1 << i)) !== 0);
        const minutes = chosen.reduce((sum, each) => sum + each.minutes, 0);
        if (minutes >= list.minutes) continue;
        const fixes = chosen.map(({ id }) => id);
        expect(path({ items, limitM3h, fixes }).chanceFixes!).toBeLessThan(0.9);
      }
    }),
    { numRuns: 15 },
  );
});

test('of many items the greedy list reaches it too, and needs all that it keeps', () => {
  const items = Array.from({ length: 30 }, (_, i) =>
    item(`i${i}`, 10 + ((i * 37) % 23), 5 + ((i * 13) % 40)),
  );
  const { list } = path({ items, limitM3h: 1000 });
  expect(list!.chance).toBeGreaterThanOrEqual(0.9);
  for (const left of list!.ids) {
    const fixes = list!.ids.filter((id) => id !== left);
    expect(path({ items, limitM3h: 1000, fixes }).chanceFixes!).toBeLessThan(0.9);
  }
});

test('where few draws fit the test, drawing goes on until enough do', () => {
  const items = [{ id: 'a', leakM3h: { low: 0, likely: 1000, high: 12_000 }, minutes: 10 }];
  const tight = { ...house, q50M3h: 900, limitM3h: 800, items };
  const { keptShare } = compute('pathToTarget.evaluate', { ...tight, draws: undefined });
  expect(keptShare).toBeLessThan(0.25);
  expect(keptShare).toBeGreaterThan(0.01);
});

test('items beyond the test are scaled to it, and it is said', () => {
  const { scaled, findings, items } = path({ items: [{ id: 'a', leakM3h: fixed(5000), minutes: 1 }] });
  expect(scaled).toBe(true);
  expect(findings.map(({ rule }) => rule)).toContain('items-exceed-test');
  expect(items[0]!.meanLeakM3h / 1150).toBeCloseTo(0.95, 2);
});

test.each<[string, readonly object[], string, string]>([
  ['a leak given twice', [{ ...item('a', 9, 1), ela4M2: fixed(0.001) }], 'conflict', 'items[0].leakM3h'],
  ['no leak', [{ id: 'a', minutes: 3 }], 'required', 'items[0].leakM3h'],
  ['one id twice', [item('a', 9, 1), item('a', 8, 1)], 'duplicate-id', 'items[1].id'],
  [
    'a falling effect',
    [{ ...item('a', 9, 1), effect: { low: 1, likely: 0.5, high: 1 } }],
    'not-ascending',
    'items[0].effect',
  ],
  ['no time', [{ ...item('a', 9, 1), minutes: 0 }], 'out-of-range', 'items[0].minutes'],
])('%s is refused', (_name, items, code, field) => {
  expect(() => compute('pathToTarget.evaluate', { ...house, items })).toThrow(
    expect.objectContaining({ code, field }),
  );
});

test('triangular draws keep to their corners and their mean', () => {
  const draw = triangularFrom(seededRandom(11), { low: 2, likely: 3, high: 8 });
  const drawn = Array.from({ length: 20_000 }, draw);
  expect(Math.min(...drawn)).toBeGreaterThanOrEqual(2);
  expect(Math.max(...drawn)).toBeLessThanOrEqual(8);
  expect(drawn.reduce((sum, value) => sum + value, 0) / drawn.length).toBeCloseTo(13 / 3, 1);
});
