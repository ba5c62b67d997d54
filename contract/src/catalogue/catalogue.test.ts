import { PHASE_WORDS } from '../plan/own-checkpoint';
import { COVER_WORDS, TRADE_WORDS } from '../plan/work-words';
import { FEATURE_WORDS } from '../plan/feature';
import { AIR_BARRIER_WORDS, FRAMING_WORDS, INSULATION_WORDS, VAPOUR_WORDS } from '../plan/schools';
import { CATALOGUE_WORDS, CHECKPOINTS, suitsSchools, type Checkpoint, type SchoolWord } from './catalogue';

const words = (list: object): string[] => Object.keys(list);
const all = <T>(of: (checkpoint: Checkpoint) => readonly T[]): ReadonlySet<T> =>
  new Set(CHECKPOINTS.flatMap(of));
const schoolWords = Object.values(CATALOGUE_WORDS.schools).flatMap(words);

describe('the file of checkpoints', () => {
  test('names each once, by an id and by a title', () => {
    expect(CHECKPOINTS.length).toBeGreaterThan(150);
    expect(all(({ id }) => [id]).size).toBe(CHECKPOINTS.length);
    expect(all(({ title }) => [title]).size).toBe(CHECKPOINTS.length);
    for (const { id } of CHECKPOINTS) expect(id).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*$/);
  });

  test.each([
    ['phase', words(CATALOGUE_WORDS.phase), all(({ phase }) => [phase])],
    ['subject', words(CATALOGUE_WORDS.subject), all(({ subject }) => [subject])],
    ['at', words(CATALOGUE_WORDS.at), all(({ at }) => [at])],
    ['from', words(CATALOGUE_WORDS.from), all(({ from }) => [from])],
    ['needs', words(CATALOGUE_WORDS.needs), all(({ needs }) => needs)],
    ['schools', schoolWords, all(({ schools }) => schools)],
    ['evidence', words(CATALOGUE_WORDS.evidence), all(({ evidence }) => evidence)],
    ['trade', words(CATALOGUE_WORDS.trade), all(({ trade }) => [trade])],
    ['coverEvent', words(CATALOGUE_WORDS.coverEvent), all(({ coverEvent }) => [coverEvent])],
    ['leak', words(CATALOGUE_WORDS.leak), all(({ leak }) => [leak])],
  ])('uses every word of its list of %s, and no other', (_, listed, used) => {
    expect([...used].sort()).toEqual([...listed].sort());
  });

  test('keeps to its lengths', () => {
    for (const { id, title, what, good, why, fails } of CHECKPOINTS) {
      const longest = Math.max(...[what, good, why].map(({ length }) => length));
      expect([id, title.length <= 60, longest <= 160, fails.length >= 2 && fails.length <= 4]).toEqual([
        id,
        true,
        true,
        true,
      ]);
    }
  });

  test('names a feature where it is put at one, and no evidence beside none', () => {
    for (const { id, at, needs, evidence } of CHECKPOINTS) {
      expect([id, at !== 'perFeature' || needs.length > 0]).toEqual([id, true]);
      expect([id, !evidence.some((each) => each === 'none') || evidence.length === 1]).toEqual([id, true]);
    }
  });

  test('leaves every caution to local code and licensed trades', () => {
    const cautions = CHECKPOINTS.flatMap(({ caution }) => caution ?? []);
    expect(cautions.length).toBeGreaterThan(10);
    for (const caution of cautions) {
      expect(caution).toMatch(/local code/i);
      expect(caution).toMatch(/\blicensed [a-z]+/i);
    }
  });
});

describe('words that records bear', () => {
  test('are those of the catalogue', () => {
    const built = [AIR_BARRIER_WORDS, VAPOUR_WORDS, INSULATION_WORDS, FRAMING_WORDS].flatMap(words);
    expect([...built, 'frameSealSeams', 'frameServiceSpace'].sort()).toEqual([...schoolWords].sort());
    expect(words(PHASE_WORDS)).toEqual(words(CATALOGUE_WORDS.phase));
    expect(words(COVER_WORDS).sort()).toEqual(words(CATALOGUE_WORDS.coverEvent).sort());
    expect(words(TRADE_WORDS).sort()).toEqual(words(CATALOGUE_WORDS.trade).sort());
    const placed = words(FEATURE_WORDS).filter((word) => word !== 'plannedService');
    expect(words(CATALOGUE_WORDS.needs)).toEqual(expect.arrayContaining([...placed]));
  });
});

describe('what a way to build calls for', () => {
  const checkpoint = (id: string): Checkpoint => {
    const found = CHECKPOINTS.find((each) => each.id === id);
    if (found === undefined) throw new Error(id);
    return found;
  };
  const built = (...all: readonly SchoolWord[]) => new Set(all);

  test('any one word of a group will do', () => {
    const batts = checkpoint('batt-fills-cavity');
    expect(suitsSchools(batts, built('fillHybrid', 'frameSingle'))).toBe(true);
    expect(suitsSchools(batts, built('fillNetted', 'frameSingle'))).toBe(false);
    expect(suitsSchools(batts, built())).toBe(false);
  });

  test('one without words is called for however it is built', () => {
    expect(suitsSchools(checkpoint('barrier-can-be-shown'), built())).toBe(true);
  });
});
