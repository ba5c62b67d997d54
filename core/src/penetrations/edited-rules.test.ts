import fc from 'fast-check';
import { editedRules, GIVEN_RULES, isRuleFixed, judgePenetration } from './judge';
import type { PenetrationInput } from './penetration-input';
import type { SealVerdict } from './penetration-rule';
import { FLAG_WORDS, PENETRATION_WORDS, SEAL_WORDS, THROUGH_WORDS } from './penetration-words';

const keysOf = <K extends string>(words: Readonly<Record<K, string>>): K[] => Object.keys(words) as K[];
const RULES = [...GIVEN_RULES.thing, ...GIVEN_RULES.seal];
const VERDICTS: SealVerdict[] = ['fits', 'doubtful', 'wrong'];
const HAZARDS = ['flue', 'gasPipe', 'box', 'recessedLight', 'hotDuct', 'radonPipe'];
const FLAGS = ['fireRated', 'amongConnections'];

const everyEdit = fc
  .constantFrom(...VERDICTS)
  .map((verdict) => new Map(RULES.map(({ id }) => [id, verdict])));
const anyHole: fc.Arbitrary<PenetrationInput> = fc.record({
  what: fc.constantFrom(...keysOf(PENETRATION_WORDS)),
  through: fc.constantFrom(...keysOf(THROUGH_WORDS)),
  gapMm: fc.integer({ min: 0, max: 2000 }),
  seals: fc.constantFrom(...keysOf(SEAL_WORDS)).map((seal) => [seal]),
  flags: fc.subarray(keysOf(FLAG_WORDS)),
});

test('a rule that a house has in another way decides as it has it, with the same reason', () => {
  const hole: PenetrationInput = { what: 'cable', through: 'board', gapMm: 20, seals: ['softSealant'] };
  const given = judgePenetration(hole);
  expect(given.verdict).toBe('doubtful');
  const edited = judgePenetration(hole, editedRules(new Map([[given.rule ?? '', 'wrong' as const]])));
  expect(edited).toEqual({ ...given, verdict: 'wrong' });
  expect(judgePenetration(hole, editedRules(new Map([['no such rule', 'wrong' as const]])))).toEqual(given);
});

test('whatever a house has, flues, gas, wiring, hot ducts, soil gas and fire rating are judged as given', () => {
  fc.assert(
    fc.property(anyHole, everyEdit, (hole, edit) => {
      fc.pre(HAZARDS.includes(hole.what) || (hole.flags ?? []).some((flag) => FLAGS.includes(flag)));
      expect(judgePenetration(hole, editedRules(edit))).toEqual(judgePenetration(hole));
    }),
    { numRuns: 3000 },
  );
});

test('every rule that speaks of these alone is fixed, and there are others', () => {
  const fixed = RULES.filter(isRuleFixed);
  for (const id of [
    'flue-only-metal',
    'flue-metal',
    'gas-open',
    'gas-by-trade',
    'rated-open',
    'rated-element',
    'among-connections',
    'hot-duct-foam',
    'box-open',
    'light-open',
  ])
    expect(fixed.map((rule) => rule.id)).toContain(id);
  expect(fixed.length).toBeLessThan(RULES.length / 2);
  const all = editedRules(new Map(RULES.map(({ id }) => [id, 'fits' as const])));
  for (const rule of [...all.thing, ...all.seal]) {
    const given = RULES.find(({ id }) => id === rule.id);
    expect(rule.verdict).toBe(isRuleFixed(rule) ? given?.verdict : 'fits');
  }
});

test('with every rule set to wrong, no hole that a rule knows fits; nothing else is changed', () => {
  const all = editedRules(new Map(RULES.map(({ id }) => [id, 'wrong' as const])));
  fc.assert(
    fc.property(anyHole, (hole) => {
      fc.pre(!HAZARDS.includes(hole.what) && !(hole.flags ?? []).some((flag) => FLAGS.includes(flag)));
      const { verdict, rule } = judgePenetration(hole, all);
      expect(verdict).toBe(rule === null ? 'doubtful' : 'wrong');
    }),
  );
});
