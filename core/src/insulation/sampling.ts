import type { Operation, Progress } from '../operation';
import { randomGamma } from 'd3-random';
import { seededRandom } from '../random/distributions';
import { fields, number, optional } from '../schema';
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

export interface SamplingInput extends GradeInput {
  /** How sure the grade must be; 0.9 where left out. */
  readonly confidence?: number;
  readonly seed?: number;
}

export interface Sampling {
  /** Of what was seen. */
  readonly voidFraction: number;
  /** Bounds that the whole area's void share lies between with 90 %; the upper one with the imagined cavity. */
  readonly voidLow90: number;
  readonly voidHigh90: number;
  readonly shareObserved: number;
  /** Chance of each grade for the whole area. */
  readonly chances: Readonly<Record<GradeOfWork, number>>;
  readonly likeliestGrade: GradeOfWork;
  /** The best grade that the area reaches, or betters, with the confidence asked for; null: not even III. */
  readonly supportedGrade: 'I' | 'II' | 'III' | null;
  /** True where one grade alone has the confidence asked for. */
  readonly settled: boolean;
  /** Further cavities to look at, if they turn out like those seen, until one grade is settled. */
  readonly moreCavities: number;
}

const DRAWS = 3000;
const CONFIDENCE = 0.9;
/** The imagined cavity stands at the edge of Grade III: what may lie in what nobody has seen. */
const IMAGINED = { voidFraction: 0.05, compressedFraction: 0.1 } as const;
const GRADES: readonly GradeOfWork[] = ['I', 'II', 'III', 'none'];

interface Sample {
  readonly cavities: readonly CavityAreas[];
  readonly observedM2: number;
  readonly netM2: number;
  readonly negligible: number;
  readonly seed: number;
}

/** Cavities that are alike, counted: the weights of like cavities add up to one of their number. */
interface Alike {
  readonly cavity: CavityAreas;
  readonly count: number;
}

function groupAlike(cavities: readonly CavityAreas[]): readonly Alike[] {
  const groups = new Map<string, { cavity: CavityAreas; count: number }>();
  for (const cavity of cavities) {
    const key = [cavity.cavityM2, cavity.voidM2, cavity.compressedM2, cavity.cap].join();
    const group = groups.get(key);
    if (group === undefined) groups.set(key, { cavity, count: 1 });
    else group.count++;
  }
  return [...groups.values()];
}

interface Outlook {
  /** Void share of the whole area, by draw: as the cavities seen have it, and with the imagined one among them. */
  readonly plain: Float64Array;
  readonly cautious: Float64Array;
  readonly chances: Readonly<Record<GradeOfWork, number>>;
}

/** Shares of an area, as sums over the cavity area they belong to. */
interface Shares {
  cavity: number;
  void: number;
  compressed: number;
  cappedII: number;
  cappedIII: number;
}

const noShares = (): Shares => ({ cavity: 0, void: 0, compressed: 0, cappedII: 0, cappedIII: 0 });

function add(shares: Shares, weight: number, cavity: CavityAreas): void {
  shares.cavity += weight * cavity.cavityM2;
  shares.void += weight * cavity.voidM2;
  shares.compressed += weight * cavity.compressedM2;
  if (cavity.cap !== 'I') shares.cappedII += weight * cavity.cavityM2;
  if (cavity.cap === 'III') shares.cappedIII += weight * cavity.cavityM2;
}

/** Least concentration that weights can be drawn with; a single unseen cavity is like one of those seen. */
const LEAST_CONCENTRATION = 0.01;

/**
 * By how much weights must spread beyond those of an endless wall, since the unseen cavities are a countable few: a
 * Dirichlet distribution with the variance of the Dirichlet–multinomial one of so many cavities.
 */
function unseenConcentration(seen: number, unseen: number): number {
  if (!(unseen > 0)) return 1;
  return Math.max(LEAST_CONCENTRATION, ((unseen * (seen + 1)) / (unseen + seen) - 1) / seen);
}

/**
 * What the whole area may be like, were each cavity seen `copies` times over. The unseen part is drawn by the Bayesian
 * bootstrap (D. B. Rubin, Ann. Statist. 9 (1981)): random weights on what was seen, and on one imagined cavity.
 */
function outlook(sample: Sample, copies: number): Outlook {
  const { cavities, observedM2, netM2, negligible } = sample;
  const random = seededRandom(sample.seed);
  const meanM2 = observedM2 / cavities.length;
  const concentration = unseenConcentration(
    cavities.length * copies + 1,
    (netM2 - observedM2 * copies) / meanM2,
  );
  const seenKinds = groupAlike(cavities).map(({ cavity, count }) => ({
    cavity,
    weight: randomGamma.source(random)(count * copies * concentration),
  }));
  const weightOfImagined = randomGamma.source(random)(concentration);
  const imagined: CavityAreas = {
    cavityM2: meanM2,
    voidM2: IMAGINED.voidFraction * meanM2,
    compressedM2: IMAGINED.compressedFraction * meanM2,
    fillM2: 0,
    cap: 'I',
  };
  const seen = noShares();
  cavities.forEach((cavity) => add(seen, 1 / observedM2, cavity));
  const seenShare = Math.min(1, (observedM2 * copies) / netM2);
  const counts: Record<GradeOfWork, number> = { I: 0, II: 0, III: 0, none: 0 };
  const [plain, cautious] = [new Float64Array(DRAWS), new Float64Array(DRAWS)];
  for (let draw = 0; draw < DRAWS; draw++) {
    const unseen = noShares();
    for (const { cavity, weight } of seenKinds) add(unseen, weight(), cavity);
    const mixed = (member: keyof Shares): number =>
      seenShare * seen[member] + ((1 - seenShare) * unseen[member]) / unseen.cavity;
    plain[draw] = mixed('void');
    add(unseen, weightOfImagined(), imagined);
    const voidFraction = mixed('void');
    const byShares = gradeByShares(voidFraction, mixed('compressed'), negligible);
    counts[cappedGrade(byShares, capOfShares(mixed('cappedII'), mixed('cappedIII')))] += 1 / DRAWS;
    cautious[draw] = Math.max(plain[draw] ?? 0, voidFraction);
  }
  return { plain, cautious, chances: counts };
}

const likeliest = (chances: Outlook['chances']): GradeOfWork =>
  GRADES.reduce((best, grade) => (chances[grade] > chances[best] ? grade : best), 'I');

/** How many more cavities settle one grade; the whole area is known once all of it was seen. */
function cavitiesToSettle(sample: Sample, confidence: number, progress: Progress): number {
  const { cavities, observedM2, netM2 } = sample;
  const meanM2 = observedM2 / cavities.length;
  const isSettledWith = (more: number): boolean => {
    const { chances } = outlook(sample, 1 + more / cavities.length);
    return chances[likeliest(chances)] >= confidence;
  };
  let [tooFew, enough] = [0, Math.max(1, Math.ceil(Math.max(0, netM2 - observedM2) / meanM2))];
  const rounds = Math.log2(enough) + 1;
  for (let round = 1; enough - tooFew > 1; round++) {
    progress(Math.min(1, round / rounds));
    const middle = Math.floor((tooFew + enough) / 2);
    if (isSettledWith(middle)) enough = middle;
    else tooFew = middle;
  }
  return enough;
}

function supported(chances: Outlook['chances'], confidence: number): Sampling['supportedGrade'] {
  for (const grade of ['I', 'II', 'III'] as const) {
    const chance = GRADES.filter((other) => isAsGoodAs(other, grade)).reduce(
      (sum, other) => sum + chances[other],
      0,
    );
    if (chance >= confidence) return grade;
  }
  return null;
}

/**
 * What the cavities seen say of the whole area: its void share with bounds, the chance of each grade, the grade that it
 * supports, and how many more cavities to look at before one grade is settled. Bayesian bootstrap; in the upper bound and
 * the chances with one imagined cavity at the edge of Grade III, so that a few clean cavities do not prove a wall. What was
 * seen counts as it is.
 * @throws {Refusal} `regions-exceed-cavity`
 */
export function sampling(input: SamplingInput, progress: Progress = () => undefined): Sampling {
  const { netInsulatedAreaM2, observations, settings, confidence = CONFIDENCE, seed = 1 } = input;
  const cavities = observations.map(cavityAreas);
  const observedM2 = cavities.reduce((sum, { cavityM2 }) => sum + cavityM2, 0);
  const sample: Sample = {
    cavities,
    observedM2,
    netM2: netInsulatedAreaM2,
    negligible: settings?.negligibleVoidFraction ?? NEGLIGIBLE_VOID_FRACTION,
    seed,
  };
  const { plain, cautious, chances } = outlook(sample, 1);
  const quantile = (draws: Float64Array, share: number): number =>
    Float64Array.from(draws).sort()[Math.floor(share * (draws.length - 1))] ?? 0;
  const likeliestGrade = likeliest(chances);
  const settled = chances[likeliestGrade] >= confidence;
  return {
    voidFraction: cavities.reduce((sum, { voidM2 }) => sum + voidM2, 0) / observedM2,
    voidLow90: quantile(plain, 0.05),
    voidHigh90: quantile(cautious, 0.95),
    shareObserved: observedM2 / netInsulatedAreaM2,
    chances,
    likeliestGrade,
    supportedGrade: supported(chances, confidence),
    settled,
    moreCavities: settled ? 0 : cavitiesToSettle(sample, confidence, progress),
  };
}

export const samplingOperation: Operation<SamplingInput, Sampling> = {
  schema: fields<SamplingInput>({
    ...gradeMembers,
    confidence: optional(number({ min: 0.5, max: 0.99 })),
    seed: optional(number({ whole: true })),
  }),
  run: sampling,
  takesLong: true,
};
