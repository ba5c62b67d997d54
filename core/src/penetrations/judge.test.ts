import { Refusal } from '../refusal';
import { judgePenetration } from './judge';
import type { PenetrationInput } from './penetration-input';
import {
  FLAG_WORDS,
  PENETRATION_WORDS,
  SEAL_WORDS,
  THROUGH_WORDS,
  type PenetrationFlag,
  type PenetrationThrough,
  type PenetrationWhat,
  type Seal,
} from './penetration-words';
import { SEAL_RULES } from './rules-of-seals';
import { THING_RULES } from './rules-of-things';

const keysOf = <K extends string>(words: Readonly<Record<K, string>>): readonly K[] =>
  Object.keys(words) as K[];

const WHATS = keysOf<PenetrationWhat>(PENETRATION_WORDS);
const THROUGHS = keysOf<PenetrationThrough>(THROUGH_WORDS);
const SEALS = keysOf<Seal>(SEAL_WORDS);
const FLAGS = keysOf<PenetrationFlag>(FLAG_WORDS);
/** One within each step of the widths, on their edges, and none. */
const GAPS = [0, 3, 4, 6, 20, 25, 50, 75, 76, 2000];
const WIDTHS = [undefined, 3, 6, 25, 75, 76];
const SETS_OF_SEALS: readonly (readonly Seal[])[] = [
  ...SEALS.map((seal) => [seal]),
  ['boxFilled', 'faceSealed'],
  ['metalCollar', 'lowFoam'],
  ['fibre', 'tape'],
  ['lowFoam', 'tape'],
];
const SETS_OF_FLAGS: readonly (readonly PenetrationFlag[])[] = [[], ...FLAGS.map((flag) => [flag])];

/** Every hole that there is, with no more than one thing known of it. */
function* everyHole(): Generator<PenetrationInput> {
  for (const what of WHATS)
    for (const through of THROUGHS)
      for (const seals of SETS_OF_SEALS)
        for (const flags of SETS_OF_FLAGS)
          for (const gapMm of WIDTHS)
            yield { what, through, seals, flags, ...(gapMm === undefined ? {} : { gapMm }) };
}

const judged = [...everyHole()].map((hole) => ({ hole, judgement: judgePenetration(hole) }));

test('what can hurt has its caution beside every judgement, and no rule stands before those that decide', () => {
  const wrong = judged.filter(({ hole: { what, seals, flags = [] }, judgement: { verdict, cautions } }) => {
    const cautionsSay = (words: RegExp) => cautions.some((text) => words.test(text));
    const isMetalAlone = seals.length === 1 && seals[0] === 'metalCollar';
    return !(
      (what !== 'flue' || (cautionsSay(/Never foam/) && (verdict !== 'fits' || isMetalAlone))) &&
      (what !== 'gasPipe' || (cautionsSay(/licensed gas trade/) && verdict !== 'fits')) &&
      (!['box', 'recessedLight'].includes(what) || cautionsSay(/licensed electrician/)) &&
      (what !== 'radonPipe' || cautionsSay(/radon trades/)) &&
      (what !== 'hotDuct' || cautionsSay(/can burn/)) &&
      (!flags.includes('fireRated') ||
        (cautionsSay(/rated materials only/) &&
          (verdict !== 'fits' || seals.some((seal) => seal === 'ratedStop' || seal === 'metalCollar')))) &&
      (!flags.includes('amongConnections') || verdict === 'wrong')
    );
  });
  expect(wrong).toEqual([]);
});

test('whatever does not fit says why, and what to do instead', () => {
  const silent = judged.filter(
    ({ judgement: { verdict, reason, instead } }) => verdict !== 'fits' && (reason === '' || instead === ''),
  );
  expect(silent).toEqual([]);
});

test('every rule decides on some hole', () => {
  const decided = new Set(judged.map(({ judgement: { rule } }) => rule));
  expect([...THING_RULES, ...SEAL_RULES].map(({ id }) => id).filter((id) => !decided.has(id))).toEqual([]);
});

test('nothing and fibre never close a hole, whatever goes through', () => {
  const open = judged.filter(({ hole: { seals } }) =>
    seals.every((seal) => seal === 'none' || seal === 'fibre'),
  );
  expect(open.length).toBeGreaterThan(1000);
  expect(open.filter(({ judgement: { verdict } }) => verdict === 'fits')).toEqual([]);
});

test('a wider gap is never closed better by what closed a narrower one', () => {
  const worse = { fits: 0, doubtful: 1, wrong: 2 };
  for (const seal of SEALS) {
    const verdicts = GAPS.map(
      (gapMm) => worse[judgePenetration({ what: 'seam', through: 'board', gapMm, seals: [seal] }).verdict],
    );
    // Low-expansion foam alone asks for some width: its nozzle has to reach in.
    const from = seal === 'lowFoam' ? verdicts.slice(GAPS.indexOf(20)) : verdicts;
    expect(from).toEqual([...from].sort((a, b) => a - b));
  }
});

test('of several seals the best counts, in whatever order they are named', () => {
  const hole = { what: 'waterPipe', through: 'timber', gapMm: 10 } as const;
  const one = judgePenetration({ ...hole, seals: ['tape', 'backerSealant'] });
  expect(one).toEqual(judgePenetration({ ...hole, seals: ['backerSealant', 'tape'] }));
  expect(one).toMatchObject({ verdict: 'fits', rule: 'backerSealant-up-to-25' });
});

test('a box asks for both of its seals', () => {
  const box = (...seals: Seal[]) => judgePenetration({ what: 'box', through: 'lining', seals });
  expect(box('boxFilled')).toMatchObject({ verdict: 'doubtful', rule: 'box-half' });
  expect(box('faceSealed')).toMatchObject({ verdict: 'doubtful', rule: 'box-half' });
  expect(box('boxFilled', 'faceSealed')).toMatchObject({ verdict: 'fits', rule: 'box-both' });
});

test('what no rule knows is doubtful, and says what the width asks for', () => {
  const alone = (gapMm?: number) =>
    judgePenetration({
      what: 'cable',
      through: 'board',
      seals: ['gasketedBox'],
      ...(gapMm === undefined ? {} : { gapMm }),
    });
  expect(alone(4)).toMatchObject({ verdict: 'doubtful', rule: null, instead: 'Sealant that stays soft' });
  expect(alone(76)).toMatchObject({ instead: 'Rigid patch with sealed edges' });
  expect(alone()).toMatchObject({ instead: 'Seal by the width of the gap' });
});

test('nothing beside a seal is refused, and says what to do', () => {
  const both = () => judgePenetration({ what: 'cable', through: 'board', seals: ['tape', 'none'] });
  expect(both).toThrow(Refusal);
  expect(both).toThrow(/take one of them away/);
});
