import type { Operation, Progress } from '../operation';
import { seededRandom } from '../random/distributions';
import { as, boolean, fields, figure, number, optional, outcome, part, text } from '../schema';
import {
  capOfShares,
  cappedGrade,
  cavityAreas,
  gradeByShares,
  gradeMembers,
  isAsGoodAs,
  NEGLIGIBLE_VOID_FRACTION,
  type CavityAreas,
  type GradeInput,
  type GradeOfWork,
} from './grade';
import { groupAlike, plus, sharesOf, unseenShares, type Alike, type Shares } from './unseen-cavities';

export interface SamplingInput extends GradeInput {
  /** How sure the grade must be; 0.9 where left out. */
  readonly confidence?: number;
  readonly seed?: number;
  /**
   * True where somebody looked at every cavity at least in passing: those with grave voids are all among the observations.
   * False where left out: what nobody saw may be empty.
   */
  readonly everyCavityGlancedAt?: boolean;
  /** The share of void that a glance does not miss; 0.2 where left out. */
  readonly graveVoidFraction?: number;
}

/** What a sample says of the whole area. */
export interface JudgedSample {
  /** Of what was seen. */
  readonly voidFraction: number;
  /** Bounds that the whole area's void share lies between with 90 %. */
  readonly voidLow90: number;
  readonly voidHigh90: number;
  readonly shareObserved: number;
  /** Chance of each grade for the whole area, the imagined cavity in half of the draws as bad as can be, in half sound. */
  readonly chances: Readonly<Record<GradeOfWork, number>>;
  readonly likeliestGrade: GradeOfWork;
  /** The best grade that the area reaches, or betters, with the confidence asked for, at the worst; null: not even III. */
  readonly supportedGrade: 'I' | 'II' | 'III' | null;
  /** True where it is one grade, neither better nor worse, with the confidence asked for. */
  readonly settled: boolean;
}

export interface Sampling extends JudgedSample {
  /** Further cavities to look at until one grade is settled, whatever of a range of things they turn out to be. */
  readonly moreCavities: number;
}

const DRAWS = 1000;
const CONFIDENCE = 0.9;
const GRAVE_VOID_FRACTION = 0.2;
const GRADES: readonly GradeOfWork[] = ['I', 'II', 'III', 'none'];
/** How what is looked at next may turn out, and how closely each of these is looked into. */
const FUTURES = 40;
const DRAWS_OF_FUTURE = 100;
/** Where more than this share of what is left has to be seen, all of it has. */
const NEARLY_ALL = 0.9;
/** Beyond so many further cavities, nothing is settled by looking at more but by looking at all. */
const MOST_FURTHER = 1e6;

/** A wall of which a part was seen. */
interface Wall {
  readonly seen: Shares;
  /** What unseen cavities may be like, by what was seen. */
  readonly kinds: readonly Alike[];
  readonly unseenM2: number;
  readonly meanM2: number;
  /** Void share of the worst that a cavity may be which nobody saw. */
  readonly worstVoidFraction: number;
  readonly negligible: number;
}

const imagined = ({ meanM2 }: Wall, voidFraction: number, compressedFraction = 0): Alike => ({
  count: 1,
  cavity: {
    cavityM2: meanM2,
    voidM2: voidFraction * meanM2,
    compressedM2: compressedFraction * meanM2,
    fillM2: 0,
    cap: 'I',
  },
});

function wallOf(input: SamplingInput): Wall {
  const { netInsulatedAreaM2, observations, settings } = input;
  const { everyCavityGlancedAt = false, graveVoidFraction = GRAVE_VOID_FRACTION } = input;
  const cavities = observations.map(cavityAreas);
  const isGrave = ({ voidM2, cavityM2 }: CavityAreas): boolean => voidM2 >= graveVoidFraction * cavityM2;
  const all = groupAlike(cavities);
  const seen = sharesOf(
    all,
    all.map(({ count }) => count),
  );
  return {
    seen,
    // Those that a glance does not miss were all seen: there are no more of them.
    kinds: everyCavityGlancedAt ? all.filter(({ cavity }) => !isGrave(cavity)) : all,
    unseenM2: Math.max(0, netInsulatedAreaM2 - seen.cavityM2),
    meanM2: seen.cavityM2 / cavities.length,
    worstVoidFraction: everyCavityGlancedAt ? graveVoidFraction : 1,
    negligible: settings?.negligibleVoidFraction ?? NEGLIGIBLE_VOID_FRACTION,
  };
}

type Chances = Record<GradeOfWork, number>;

/** What the whole area may be like, with an imagined cavity among those seen: sound at best, or as bad as can be. */
interface Outlook {
  /** Void share of the whole area, by draw. */
  readonly atBest: Float64Array;
  readonly atWorst: Float64Array;
  readonly chancesAtBest: Readonly<Chances>;
  readonly chancesAtWorst: Readonly<Chances>;
}

function gradeOfShares(shares: Shares, negligible: number): GradeOfWork {
  const { cavityM2, voidM2, compressedM2, cappedIIM2, cappedIIIM2 } = shares;
  const byShares = gradeByShares(voidM2 / cavityM2, compressedM2 / cavityM2, negligible);
  return cappedGrade(byShares, capOfShares(cappedIIM2 / cavityM2, cappedIIIM2 / cavityM2));
}

const noChances = (): Chances => ({ I: 0, II: 0, III: 0, none: 0 });

interface Look {
  readonly draws: number;
  readonly seed: number;
  readonly isCounted: boolean;
}

function outlook(wall: Wall, { draws, seed, isCounted }: Look): Outlook {
  const { seen, kinds, unseenM2, meanM2, worstVoidFraction, negligible } = wall;
  const sound = sharesOf([imagined(wall, 0)], [1]);
  const bad = sharesOf([imagined(wall, worstVoidFraction, 1 - worstVoidFraction)], [1]);
  const draw = unseenShares({
    seen: [...kinds.map(({ count }) => count), 1],
    unseen: unseenM2 / meanM2,
    random: seededRandom(seed),
    isCounted,
  });
  const found = {
    atBest: new Float64Array(draws),
    atWorst: new Float64Array(draws),
    chancesAtBest: noChances(),
    chancesAtWorst: noChances(),
  };
  const whole = (unseen: Shares): Shares =>
    unseenM2 > 0 ? plus(seen, unseen, unseenM2 / unseen.cavityM2) : seen;
  for (let i = 0; i < draws; i++) {
    const shares = draw();
    const met = sharesOf(kinds, shares);
    const unmet = shares[kinds.length] ?? 0;
    const [best, worst] = [whole(plus(met, sound, unmet)), whole(plus(met, bad, unmet))];
    found.atBest[i] = best.voidM2 / best.cavityM2;
    found.atWorst[i] = worst.voidM2 / worst.cavityM2;
    found.chancesAtBest[gradeOfShares(best, negligible)] += 1 / draws;
    found.chancesAtWorst[gradeOfShares(worst, negligible)] += 1 / draws;
  }
  return found;
}

const chanceOf = (chances: Readonly<Chances>, isMeant: (grade: GradeOfWork) => boolean): number =>
  GRADES.filter(isMeant).reduce((sum, grade) => sum + chances[grade], 0);

/** The chance that the area is as good as a grade, or better, at the worst; and that it is no better, at best. */
const reaches = ({ chancesAtWorst }: Outlook, grade: GradeOfWork): number =>
  chanceOf(chancesAtWorst, (other) => isAsGoodAs(other, grade));
const staysAt = ({ chancesAtBest }: Outlook, grade: GradeOfWork): number =>
  chanceOf(chancesAtBest, (other) => isAsGoodAs(grade, other));

/** The chances are sums of many small shares. */
const ROUNDING = 1e-9;

function supportedGrade(view: Outlook, confidence: number): Sampling['supportedGrade'] {
  const grades = ['I', 'II', 'III'] as const;
  return grades.find((grade) => reaches(view, grade) >= confidence - ROUNDING) ?? null;
}

const isSettled = (view: Outlook, confidence: number): boolean =>
  GRADES.some((grade) => reaches(view, grade) + staysAt(view, grade) - 1 >= confidence - ROUNDING);

/** The wall once some more cavities were seen: those that a draw picks, one kind of them never met before. */
function seenFurther(wall: Wall, more: number, drawn: Float64Array, unmet: Alike): Wall {
  const kinds = [...wall.kinds, unmet];
  const counts = Array.from(drawn, (share) => share * more);
  const further = sharesOf(kinds, counts);
  const countOf = (i: number): number => (wall.kinds[i]?.count ?? 0) + (counts[i] ?? 0);
  return {
    ...wall,
    seen: plus(wall.seen, further, 1),
    kinds: kinds.map(({ cavity }, i) => ({ cavity, count: countOf(i) })).filter(({ count }) => count > 0),
    unseenM2: Math.max(0, wall.unseenM2 - further.cavityM2),
  };
}

/**
 * How many more cavities settle one grade, in every one of many ways in which they may turn out: drawn from those seen,
 * and one kind never met before, from sound to as bad as can be. All of them always do.
 */
function cavitiesToSettle(wall: Wall, confidence: number, seed: number, progress: Progress): number {
  const all = Math.max(1, Math.ceil(wall.unseenM2 / wall.meanM2));
  const isSettledIn = (more: number, future: number, drawn: Float64Array): boolean => {
    const badness = (future + 0.5) / FUTURES;
    const next = seenFurther(wall, more, drawn, imagined(wall, badness * wall.worstVoidFraction));
    const look = { draws: DRAWS_OF_FUTURE, seed: seed + 2 + future, isCounted: false };
    return isSettled(outlook(next, look), confidence);
  };
  const isEnough = (more: number): boolean => {
    if (more >= all) return true;
    const seen = [...wall.kinds.map(({ count }) => count), 1];
    const draw = unseenShares({ seen, unseen: more, random: seededRandom(seed + 1) });
    for (let future = 0; future < FUTURES; future++) {
      if (!isSettledIn(more, future, draw())) return false;
    }
    return true;
  };
  const rounds = 2 * Math.log2(Math.min(all, MOST_FURTHER)) + 2;
  let round = 0;
  const tell = (): void => progress(Math.min(1, ++round / rounds));
  let [tooFew, enough] = [0, 1];
  for (; !isEnough(enough); tell()) {
    [tooFew, enough] = [enough, Math.min(2 * enough, all)];
    if (enough > MOST_FURTHER || tooFew >= NEARLY_ALL * all) return all;
  }
  for (; enough - tooFew > 1; tell()) {
    const middle = Math.floor((tooFew + enough) / 2);
    if (isEnough(middle)) enough = middle;
    else tooFew = middle;
    if (tooFew >= NEARLY_ALL * all) return all;
  }
  return enough > NEARLY_ALL * all ? all : enough;
}

const quantile = (draws: Float64Array, share: number): number =>
  Float64Array.from(draws).sort()[Math.floor(share * (draws.length - 1))] ?? 0;

/**
 * What the cavities seen say of the whole area: its void share with bounds, the chance of each grade, and the grade that it
 * supports. Bayesian bootstrap with one imagined cavity, since what nobody saw may be worse than anything seen: void wholly
 * or, where every cavity was glanced at, to the share that a glance does not miss, and compressed in the rest. What was seen
 * counts as it is.
 * @example judgeSample({ ...examples['insulation.sampling'], draws: 400 }).voidFraction // 0.003378
 * @throws {Refusal} `regions-exceed-cavity`
 */
export function judgeSample(input: SamplingInput): JudgedSample {
  const { netInsulatedAreaM2, confidence = CONFIDENCE, seed = 1 } = input;
  const wall = wallOf(input);
  const { seen } = wall;
  const view = outlook(wall, { draws: DRAWS, seed, isCounted: true });
  const chance = (grade: GradeOfWork): number => (view.chancesAtBest[grade] + view.chancesAtWorst[grade]) / 2;
  const chances = { I: chance('I'), II: chance('II'), III: chance('III'), none: chance('none') };
  return {
    voidFraction: seen.voidM2 / seen.cavityM2,
    voidLow90: quantile(view.atBest, 0.05),
    voidHigh90: quantile(view.atWorst, 0.95),
    shareObserved: seen.cavityM2 / netInsulatedAreaM2,
    chances,
    likeliestGrade: GRADES.reduce((best, grade) => (chances[grade] > chances[best] ? grade : best), 'I'),
    supportedGrade: supportedGrade(view, confidence),
    settled: isSettled(view, confidence),
  };
}

/**
 * What a sample says of the whole area, and how many more cavities to look at before one grade is settled.
 * @example sampling(examples['insulation.sampling']).supportedGrade // null
 * @throws {Refusal} as {@link judgeSample}
 */
export function sampling(input: SamplingInput, progress: Progress = () => undefined): Sampling {
  const judged = judgeSample(input);
  const { confidence = CONFIDENCE, seed = 1 } = input;
  const moreCavities = judged.settled ? 0 : cavitiesToSettle(wallOf(input), confidence, seed, progress);
  return { ...judged, moreCavities };
}

export const samplingOperation: Operation<SamplingInput, Sampling> = {
  words: {
    shelf: 'insulation',
    title: 'How many cavities to look at',
    tells: 'What the cavities seen so far say of the whole area, and how many more settle its grade.',
    alsoCalled: 'sample size, how many, spot check, confidence, grade',
    mainFigures: ['moreCavities', 'supportedGrade', 'voidFraction', 'settled'],
  },
  schema: fields<SamplingInput>({
    ...gradeMembers,
    confidence: as('Chance to reach', optional(number({ quantity: 'share', min: 0.5, max: 0.99 }))),
    seed: as('Seed of the draws', optional(number({ quantity: 'count', whole: true }))),
    everyCavityGlancedAt: as('Every cavity was glanced at', optional(boolean())),
    graveVoidFraction: as(
      'Void share that a glance does not miss',
      optional(number({ quantity: 'share', min: 0.05, max: 1 })),
    ),
  }),
  run: sampling,
  takesLong: true,
  output: outcome<Sampling>({
    voidFraction: as('Void share', figure('share')),
    voidLow90: as('Void share, lower bound at 90 %', figure('share')),
    voidHigh90: as('Void share, upper bound at 90 %', figure('share')),
    shareObserved: as('Share of the area seen', figure('share')),
    chances: part({
      I: as('Grade I', figure('share')),
      II: as('Grade II', figure('share')),
      III: as('Grade III', figure('share')),
      none: as('No grade', figure('share')),
    }),
    likeliestGrade: text(),
    supportedGrade: as('Grade supported so far', optional(text())),
    settled: boolean(),
    moreCavities: as('More cavities to look at', figure('count')),
  }),
};
