import { CAVITIES_MAX, REGIONS_MAX } from '../limits';
import { exceeds, type Finding } from '../finding';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import {
  REQUIREMENTS,
  requirements,
  type GradeCap,
  type RequirementRule,
  type Requirements,
} from './requirements';
import {
  as,
  fields,
  figure,
  list,
  nonNegative,
  number,
  optional,
  outcome,
  part,
  positive,
  share,
  text,
} from '../schema';

/** The grade of the work; `none`: too bad for any, to be corrected before it is covered. ANSI 301, appendix A. */
export type GradeOfWork = 'I' | 'II' | 'III' | 'none';

/** A patch of the cavity with what is left of the intended thickness, 0…1. */
export interface Region {
  readonly areaM2: number;
  readonly fill: number;
}

export interface Observation {
  readonly cavity: { readonly widthM: number; readonly heightM: number };
  /** What no region covers is sound. */
  readonly regions?: readonly Region[];
  readonly requirements?: Requirements;
}

export interface GradeSettings {
  /** The share of void that still counts as none. */
  readonly negligibleVoidFraction?: number;
}

export interface GradeInput {
  readonly netInsulatedAreaM2: number;
  readonly observations: readonly Observation[];
  readonly settings?: GradeSettings;
}

/** Void and compressed shares of a cavity or an area, and the grade that follows. */
export interface GradedShares {
  readonly voidFraction: number;
  readonly compressedFraction: number;
  /** Mean fill of what is compressed, by area; null where nothing is. */
  readonly meanFill: number | null;
  readonly gradeByVoids: GradeOfWork;
  readonly cap: GradeCap;
  /** The worse of the two. */
  readonly grade: GradeOfWork;
}

export interface GradedObservation extends GradedShares {
  readonly cavityAreaM2: number;
}

export type GradeRule =
  RequirementRule | 'pipe-freeze' | 'void-over-limit' | 'area-void-over-limit' | 'observed-exceeds-area';

export interface Grade extends GradedShares {
  readonly observations: readonly GradedObservation[];
  readonly shareObserved: number;
  readonly findings: readonly Finding<GradeRule>[];
}

/** Under this fill a patch is void; from it on it is compressed. */
export const VOID_BELOW_FILL = 0.7;
export const NEGLIGIBLE_VOID_FRACTION = 0.005;
const COMPRESSED_LIMIT = { I: 0.02, II: 0.1 } as const;
const VOID_LIMIT = { II: 0.02, III: 0.05 } as const;
/** A cap holds for the area where it applies to more than this share of what was seen. */
const CAP_SHARE = 0.1;

const RANK: Readonly<Record<GradeOfWork, number>> = { I: 0, II: 1, III: 2, none: 3 };
const worse = <G extends GradeOfWork>(one: G, other: G): G => (RANK[one] >= RANK[other] ? one : other);

/**
 * The grade that shares of void and compression earn, without requirements. ANSI 301, appendix A.
 * @example gradeByShares(0.015, 0.03) // 'II'
 */
export function gradeByShares(
  voidFraction: number,
  compressedFraction: number,
  negligible = NEGLIGIBLE_VOID_FRACTION,
): GradeOfWork {
  if (!exceeds(voidFraction, negligible) && !exceeds(compressedFraction, COMPRESSED_LIMIT.I)) return 'I';
  if (!exceeds(voidFraction, VOID_LIMIT.II) && !exceeds(compressedFraction, COMPRESSED_LIMIT.II)) return 'II';
  return exceeds(voidFraction, VOID_LIMIT.III) ? 'none' : 'III';
}

/**
 * The cap that holds for an area, from the shares of what was seen that are capped at II or worse, and at III.
 * @example capOfShares(0.5, 0.1) // 'II'
 */
export function capOfShares(shareCappedII: number, shareCappedIII: number): GradeCap {
  if (exceeds(shareCappedIII, CAP_SHARE)) return 'III';
  return exceeds(shareCappedII, CAP_SHARE) ? 'II' : 'I';
}

/**
 * The worse of the grade by shares and the cap.
 * @example cappedGrade('I', 'II') // 'II'
 */
export function cappedGrade(byShares: GradeOfWork, cap: GradeCap): GradeOfWork {
  return worse<GradeOfWork>(byShares, cap);
}

/**
 * True when one grade is as good as another, or better.
 * @example isAsGoodAs('I', 'II') // true
 */
export function isAsGoodAs(grade: GradeOfWork, other: GradeOfWork): boolean {
  return RANK[grade] <= RANK[other];
}

/** Areas (m²) found in one cavity. */
export interface CavityAreas {
  readonly cavityM2: number;
  readonly voidM2: number;
  readonly compressedM2: number;
  /** Σ fill·area over what is compressed. */
  readonly fillM2: number;
  readonly cap: GradeCap;
}

/**
 * Void and compressed areas of one cavity, and its cap.
 * @example cavityAreas({ cavity: { widthM: 0.4, heightM: 2.5 }, regions: [{ areaM2: 0.02, fill: 0 }] }, 0) // { cavityM2: 1, voidM2: 0.02, compressedM2: 0, fillM2: 0, cap: 'I' }
 * @throws {Refusal} `regions-exceed-cavity`
 */
export function cavityAreas({ cavity, regions = [], requirements }: Observation, index: number): CavityAreas {
  const cavityM2 = cavity.widthM * cavity.heightM;
  let [voidM2, compressedM2, fillM2, allM2] = [0, 0, 0, 0];
  for (const { areaM2, fill } of regions) {
    allM2 += areaM2;
    if (fill < VOID_BELOW_FILL) voidM2 += areaM2;
    else if (fill < 1) {
      compressedM2 += areaM2;
      fillM2 += fill * areaM2;
    }
  }
  if (exceeds(allM2, cavityM2)) {
    throw new Refusal(
      'regions-exceed-cavity',
      `observations[${index}].regions`,
      'The patches are larger than the cavity that they lie in.',
      { value: allM2, bound: cavityM2 },
    );
  }
  return { cavityM2, voidM2, compressedM2, fillM2, cap: capOf(requirements) };
}

function capOf(requirements: Requirements | undefined): GradeCap {
  let cap: GradeCap = 'I';
  if (requirements === undefined) return cap;
  for (const each of REQUIREMENTS) if (requirements[each.name] === false) cap = worse(cap, each.cap);
  return cap;
}

/** Written out member by member: thousands of cavities are graded whenever a house is looked at. */
function gradedShares(areas: Omit<CavityAreas, 'cap'>, cap: GradeCap, negligible: number): GradedObservation {
  const voidFraction = areas.voidM2 / areas.cavityM2;
  const compressedFraction = areas.compressedM2 / areas.cavityM2;
  const gradeByVoids = gradeByShares(voidFraction, compressedFraction, negligible);
  return {
    cavityAreaM2: areas.cavityM2,
    voidFraction,
    compressedFraction,
    meanFill: areas.compressedM2 > 0 ? areas.fillM2 / areas.compressedM2 : null,
    gradeByVoids,
    cap,
    grade: cappedGrade(gradeByVoids, cap),
  };
}

function findInObservation(
  { requirements }: Observation,
  voidFraction: number,
  observation: number,
  findings: Finding<GradeRule>[],
): void {
  if (requirements !== undefined) {
    for (const { name, rule, message } of REQUIREMENTS) {
      if (requirements[name] === false) findings.push({ rule, severity: 'warn', message, observation });
    }
  }
  if (requirements?.pipesOnWarmSide === false) {
    findings.push({
      rule: 'pipe-freeze',
      severity: 'fail',
      message: 'The pipe can freeze: bring it to the warm side, with the insulation outside of it.',
      observation,
    });
  }
  if (exceeds(voidFraction, VOID_LIMIT.III)) {
    findings.push({
      rule: 'void-over-limit',
      severity: 'fail',
      message: 'More than 5 % of the cavity is void: correct it before it is covered.',
      value: voidFraction,
      limit: VOID_LIMIT.III,
      observation,
    });
  }
}

function areaFindings(voidFraction: number, shareObserved: number): readonly Finding<GradeRule>[] {
  const findings: Finding<GradeRule>[] = [];
  if (exceeds(voidFraction, VOID_LIMIT.III)) {
    findings.push({
      rule: 'area-void-over-limit',
      severity: 'fail',
      message: 'More than 5 % of what was seen of the area is void: no grade until it is corrected.',
      value: voidFraction,
      limit: VOID_LIMIT.III,
    });
  }
  if (exceeds(shareObserved, 1)) {
    findings.push({
      rule: 'observed-exceeds-area',
      severity: 'warn',
      message: 'The cavities seen are larger than the insulated area: check both.',
      value: shareObserved,
      limit: 1,
    });
  }
  return findings;
}

/**
 * Installation grade of an area of envelope from the cavities that were looked at; shares are weighted by cavity area.
 * ANSI 301, appendix A; "negligible" void is a setting (0.5 %).
 * @example gradeOfArea({ netInsulatedAreaM2: 40, observations: [{ cavity: { widthM: 0.37, heightM: 2.4 } }] }).grade // 'I'
 * @throws {Refusal} `regions-exceed-cavity`
 */
export function gradeOfArea({ netInsulatedAreaM2, observations, settings }: GradeInput): Grade {
  const { negligibleVoidFraction = NEGLIGIBLE_VOID_FRACTION } = settings ?? {};
  const graded: GradedObservation[] = [];
  const findings: Finding<GradeRule>[] = [];
  const sum = { cavityM2: 0, voidM2: 0, compressedM2: 0, fillM2: 0 };
  let [cappedM2, cappedIIIM2] = [0, 0];
  observations.forEach((observation, i) => {
    const areas = cavityAreas(observation, i);
    const shares = gradedShares(areas, areas.cap, negligibleVoidFraction);
    graded.push(shares);
    findInObservation(observation, shares.voidFraction, i, findings);
    sum.cavityM2 += areas.cavityM2;
    sum.voidM2 += areas.voidM2;
    sum.compressedM2 += areas.compressedM2;
    sum.fillM2 += areas.fillM2;
    if (areas.cap !== 'I') cappedM2 += areas.cavityM2;
    if (areas.cap === 'III') cappedIIIM2 += areas.cavityM2;
  });
  const cap = capOfShares(cappedM2 / sum.cavityM2, cappedIIIM2 / sum.cavityM2);
  const { voidFraction, compressedFraction, meanFill, gradeByVoids, grade } = gradedShares(
    sum,
    cap,
    negligibleVoidFraction,
  );
  const shareObserved = sum.cavityM2 / netInsulatedAreaM2;
  return {
    observations: graded,
    voidFraction,
    compressedFraction,
    meanFill,
    gradeByVoids,
    cap,
    grade,
    shareObserved,
    findings: [...findings, ...areaFindings(voidFraction, shareObserved)],
  };
}

export const observationMembers = {
  cavity: fields<Observation['cavity']>({ widthM: positive('length'), heightM: positive('length') }),
  regions: optional(
    list(
      fields<Region>({ areaM2: nonNegative('smallArea'), fill: as('Filled to', share()) }),
      0,
      REGIONS_MAX,
    ),
  ),
  requirements: optional(requirements),
};

export const gradeMembers = {
  netInsulatedAreaM2: positive('area'),
  observations: list(fields<Observation>(observationMembers), 1, CAVITIES_MAX),
  settings: optional(
    fields<GradeSettings>({
      negligibleVoidFraction: as(
        'Void share that counts as none',
        optional(number({ quantity: 'share', min: 0, max: 0.02 })),
      ),
    }),
  ),
};

/** What a cavity, and all of them together, are graded by. */
const gradedFigures = {
  voidFraction: as('Void share', figure('share')),
  compressedFraction: as('Compressed share', figure('share')),
  meanFill: as('Mean fill of compressed parts', optional(figure('share'))),
  gradeByVoids: text(),
  cap: as('Best grade by workmanship', text()),
  grade: text(),
};

export const gradeOperation: Operation<GradeInput, Grade> = {
  words: {
    shelf: 'insulation',
    title: 'Grade of the work',
    tells: 'Grade I, II or III from the voids and the workmanship seen in cavities.',
    alsoCalled: 'installation quality, workmanship, gaps, voids, compression, grade 1, grade 2, grade 3',
    mainFigures: ['grade', 'voidFraction', 'compressedFraction', 'shareObserved'],
    caution:
      'A pipe on the cold side of its insulation can freeze and burst: have it moved before it is closed in.',
  },
  schema: fields<GradeInput>(gradeMembers),
  run: gradeOfArea,
  output: outcome<Grade>({
    observations: list(
      part({
        cavityAreaM2: figure('smallArea'),
        ...gradedFigures,
      }),
    ),
    ...gradedFigures,
    shareObserved: as('Share of the area seen', figure('share')),
  }),
};
