import type { PenetrationFlag, PenetrationThrough, PenetrationWhat, Seal } from './penetration-words';

/** How a hole is closed: as it should be, not for sure, or not at all. */
export type SealVerdict = 'fits' | 'doubtful' | 'wrong';

/** When a rule holds: all that is named has to be so. A rule by width holds for no hole whose width is not known. */
export interface RuleConditions {
  readonly what?: readonly PenetrationWhat[];
  readonly whatNot?: readonly PenetrationWhat[];
  readonly through?: readonly PenetrationThrough[];
  /** One of the seals that are tried is among them. */
  readonly seal?: readonly Seal[];
  /** None of the seals that are tried is. */
  readonly sealNot?: readonly Seal[];
  /** All seals at the plane are among them. */
  readonly sealOnly?: readonly Seal[];
  /** All of these are at the plane. */
  readonly sealAll?: readonly Seal[];
  /** Not all of these are. */
  readonly notSealAll?: readonly Seal[];
  /** None of these is. */
  readonly sealNone?: readonly Seal[];
  /** All of these are known. */
  readonly flags?: readonly PenetrationFlag[];
  readonly flagsNot?: readonly PenetrationFlag[];
  /** Either one of these goes through, or one of the flags beside is known. */
  readonly whatOr?: readonly PenetrationWhat[];
  readonly flagsOr?: readonly PenetrationFlag[];
  readonly gapAboveMm?: number;
  readonly gapUpToMm?: number;
}

/** A rule on how holes are closed: its id is for ever, its texts may be improved. */
export interface PenetrationRule {
  readonly id: string;
  readonly when: RuleConditions;
  readonly verdict: SealVerdict;
  /** Why; empty where it fits. */
  readonly reason: string;
  /** What to do; empty where it fits. */
  readonly instead: string;
}

/** What is said beside a judgement, where somebody can get hurt. */
export interface PenetrationCaution {
  readonly what?: readonly PenetrationWhat[];
  readonly flags?: readonly PenetrationFlag[];
  readonly text: string;
}

/**
 * A rule by which a hole is closed as it should be.
 * @example fits('rigid-patch', { seal: ['rigidPatch'] }).verdict // 'fits'
 */
export const fits = (id: string, when: RuleConditions): PenetrationRule => ({
  id,
  when,
  verdict: 'fits',
  reason: '',
  instead: '',
});

const unfit =
  (verdict: SealVerdict) =>
  (id: string, when: RuleConditions, reason: string, instead: string): PenetrationRule => ({
    id,
    when,
    verdict,
    reason,
    instead,
  });
/**
 * A rule by which a hole is not closed for sure: why, and what instead.
 * @example doubtful('tape', { seal: ['tape'] }, 'Lets go', 'Sealant').verdict // 'doubtful'
 */
export const doubtful = unfit('doubtful');
/**
 * A rule by which a hole is not closed: why, and what instead.
 * @example wrong('open', { seal: ['none'] }, 'Open', 'Seal it').verdict // 'wrong'
 */
export const wrong = unfit('wrong');
