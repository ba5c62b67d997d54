import { RULES_TABLE } from './rules-table';

const { lists, rules, cautions } = RULES_TABLE;

/** What goes through, or is left open. */
export type PenetrationWhat = keyof typeof lists.what;
/** What it goes through. */
export type PenetrationThrough = keyof typeof lists.through;
/** What closes a hole in one plane. */
export type Seal = keyof typeof lists.seal;
/** What else is known of a hole. */
export type PenetrationFlag = keyof typeof lists.flags;

/** How a hole is closed: as it should be, not for sure, or not at all. */
export type SealVerdict = 'fits' | 'doubtful' | 'wrong';

/** All words of the rules, as people say them. */
export const PENETRATION_WORDS: Readonly<Record<PenetrationWhat, string>> = lists.what;
export const THROUGH_WORDS: Readonly<Record<PenetrationThrough, string>> = lists.through;
export const SEAL_WORDS: Readonly<Record<Seal, string>> = lists.seal;
export const FLAG_WORDS: Readonly<Record<PenetrationFlag, string>> = lists.flags;

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

/** A rule on how holes are closed: of a seal, or of a thing however it is sealed. Its id is for ever. */
export interface PenetrationRule {
  readonly id: string;
  readonly kind: 'seal' | 'thing';
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

/** Our own rules of order of magnitude; among equals the first counts. Local code and licensed trades decide before them. */
export const PENETRATION_RULES = rules as readonly PenetrationRule[];
export const PENETRATION_CAUTIONS = cautions as readonly PenetrationCaution[];
