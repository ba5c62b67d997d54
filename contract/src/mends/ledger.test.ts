import { pathToTarget } from '@calvet/core/path-to-target/evaluate';
import { samplePenetration, sealed } from '../../test/sample-penetration';
import { notStored } from '../record';
import type { Penetration } from '../walk/penetration';
import { leakLedger, pathInput, type LastTest } from './ledger';
import { CLASS_LEAKS, leakOfHoles, sumOf } from './leak-range';
import { newMend } from '../walk/mend';
import type { MendHere } from './mend-list';

const mend = (id: string, more: Partial<MendHere> = {}): MendHere => ({
  record: { ...newMend('Front wall', '2027-03-08'), ...notStored(id, 'h') },
  from: 'verdict',
  checkpoint: null,
  placeName: 'Front wall',
  stop: null,
  what: 'Rim',
  why: '',
  how: '',
  trade: 'airSealer',
  minutes: 20,
  leak: CLASS_LEAKS['medium'],
  state: 'open',
  cover: null,
  visit: null,
  isUnvisited: false,
  ...more,
});

const test0: LastTest = { performedOn: '2027-03-01', q50M3h: 600, standardErrorLnQ50: 0.03, limitM3h: 500 };

test('what is open, doubtful and sealed adds up; what is wrong counts once, by its mend', () => {
  const fits = samplePenetration({ id: 'a', gapMm: 4, seals: [sealed('softSealant')] });
  const doubtful = samplePenetration({ id: 'b', gapMm: 4, seals: [sealed('lowFoam')], count: 3 });
  const wrong = samplePenetration({ id: 'c', gapMm: 4 });
  const toCome = samplePenetration({ id: 'd', gapMm: 40, made: 'toCome' });
  const holes: readonly Penetration[] = [fits, doubtful, wrong, toCome];
  const mends = [
    mend('one'),
    mend('hole', { from: 'penetration', leak: leakOfHoles(wrong, 'wrong') }),
    mend('done', { state: 'mended', leak: CLASS_LEAKS['large'] }),
    mend('as is', { state: 'accepted', leak: CLASS_LEAKS['small'] }),
  ];
  const found = leakLedger([], holes, mends);
  expect(found.sealed).toEqual(leakOfHoles(fits, 'fits'));
  expect(found.doubtful).toEqual(leakOfHoles(doubtful, 'doubtful'));
  expect(found.open).toEqual(
    sumOf([CLASS_LEAKS['medium'], leakOfHoles(wrong, 'wrong'), CLASS_LEAKS['small']]),
  );
  expect(found.all).toEqual(sumOf([found.open, found.doubtful, found.sealed]));
});

test('the way to the target is asked of the very figures of the list', () => {
  const mends = [
    mend('big', { leak: CLASS_LEAKS['large'], minutes: 30 }),
    mend('small', { leak: CLASS_LEAKS['small'], minutes: 0 }),
    mend('none', { leak: CLASS_LEAKS['none'] }),
    mend('done', { state: 'mended' }),
    mend('as is', { state: 'accepted' }),
    mend('later', { state: 'notYet' }),
  ];
  const input = pathInput(test0, mends);
  expect(input).toEqual({
    q50M3h: 600,
    standardErrorLnQ50: 0.03,
    limitM3h: 500,
    items: [
      { id: 'big', leakM3h: { low: 25, likely: 70, high: 200 }, minutes: 30 },
      { id: 'later', leakM3h: { low: 5, likely: 20, high: 60 }, minutes: 20 },
      { id: 'small', leakM3h: { low: 1, likely: 3, high: 8 }, minutes: 1 },
    ],
  });
  if (input === null) throw new Error('nothing is asked');
  const answer = pathToTarget({ ...input, draws: 2000 });
  expect(answer.chanceAll).toBeGreaterThanOrEqual(answer.chanceNow);
  expect(answer.items.map(({ id }) => id)).toEqual(['big', 'later', 'small']);
  expect(pathInput(test0, [mend('none', { leak: CLASS_LEAKS['none'] })])).toBeNull();
});

test('of more mends than the computation takes those count that let most through', () => {
  const many = Array.from({ length: 230 }, (_, i) =>
    mend(`m${i}`, { leak: { low: 0, likely: i, high: 2 * i + 1 } }),
  );
  const input = pathInput(test0, many);
  expect(input?.items).toHaveLength(200);
  expect(input?.items.at(-1)?.id).toBe('m30');
  expect(() => input !== null && pathToTarget({ ...input, draws: 200 })).not.toThrow();
});
