import type { House } from '../house/house';
import type { HouseSummary } from '../house/house-summary';
import type { Bodies, Kind, KindedRecord } from '../kinds';
import type { FieldRefusal } from '../refusal-of';
import type { PartChange } from './parts';

export const CHANGE_OPS = ['create', 'update', 'delete', 'restore'] as const;
/** `create` brings the whole body, `update` only the fields that changed. */
export type ChangeOp = (typeof CHANGE_OPS)[number];

/** One thing done to one record. Sent again with the same `changeId` it counts once. */
export interface Change<K extends Kind = Kind> {
  readonly changeId: string;
  readonly kind: K;
  /** Id of the record. */
  readonly id: string;
  /** Revision that the change was made upon; 0 for a record that is created. */
  readonly baseRevision: number;
  readonly op: ChangeOp;
  readonly body: Partial<Bodies[K]>;
  /** Of an update: what of the record's lists and members changed, part by part. */
  readonly parts?: readonly PartChange[];
  /** When it was entered, by the device's clock, ISO 8601, UTC. */
  readonly enteredAt?: string;
  /**
   * Ids of changes of this record that its maker had before them, beside what the revision holds: those of their own that were
   * on their way. Nobody else knows these ids, so that nobody else can claim to have seen what they did not.
   */
  readonly seen?: readonly string[];
}

export type OutcomeCode =
  | FieldRefusal['code']
  | 'unknown-kind'
  | 'unknown-record'
  | 'malformed-id'
  | 'unknown-ledger'
  | 'not-allowed'
  /** The `changeId` was taken before, with another content. */
  | 'other-content';

/** What somebody else gave another value meanwhile. */
export interface FieldCollision {
  /** A field, the path of a part, `path#id` of an entry, or `path#` for the order of a list. */
  readonly field: string;
  readonly by: string;
  /** When they entered it; ISO 8601, UTC. */
  readonly at: string;
}

export type ChangeOutcome =
  | {
      readonly changeId: string;
      readonly outcome: 'applied' | 'already-applied';
      readonly revision: number;
      readonly changeNumber: number;
      /** The record as it stands now, where more than this change brought it there. */
      readonly current?: KindedRecord;
    }
  | {
      readonly changeId: string;
      readonly outcome: 'conflict';
      /** The record as it stands; the house where somebody deleted the whole house. */
      readonly current: KindedRecord;
      /**
       * What is in dispute, or, for a deletion, what others did to the record meanwhile. None where the record as a whole
       * is in dispute, as when the other deleted it.
       */
      readonly fields: readonly FieldCollision[];
    }
  | {
      readonly changeId: string | null;
      readonly outcome: 'refused';
      readonly code: OutcomeCode;
      readonly field: string;
      readonly message: string;
    };

/** Answer to `POST …/changes`, and the `results` of its problem where a change was not accepted. */
export interface ChangesAnswer {
  readonly results: readonly ChangeOutcome[];
}

/** Answer to `GET …/changes?since=N`: records changed after N, each in its newest state. */
export interface ChangesPage {
  readonly records: readonly KindedRecord[];
  /** Give this as `since` next time. */
  readonly upTo: number;
  readonly more: boolean;
}

/** What the server tells by itself: a ledger has changes up to a number. Whoever holds fewer may fetch them. */
export interface News {
  readonly ledgerId: string;
  readonly upTo: number;
}

/** Pages of changes by ledger. */
export type PagesByLedger = Readonly<Record<string, ChangesPage>>;

/** Answer to `GET …/houses`: every house that is not deleted, by name. */
export interface HousesAnswer {
  readonly houses: readonly House[];
  /** Number of the last change of each ledger, deleted houses too: whoever holds fewer may fetch what is new. */
  readonly counters: Readonly<Record<string, number>>;
  /** What the list says of each house; nothing of one whose records do not add up. */
  readonly summaries?: Readonly<Record<string, HouseSummary>>;
}

/**
 * Answer to `GET …/changes?since=LEDGER:N,LEDGER:N`: what is new in each of these ledgers, of as many as go into one answer.
 * One that is not in it is unknown, or is to be asked for again or alone.
 */
export interface ChangesOfLedgers {
  readonly pages: PagesByLedger;
}

/** How many ledgers may be asked about at once, and how many changes of theirs go into one answer. */
export const LEDGERS_ASKED_MAX = 50;
export const CHANGES_TOGETHER_MAX = 500;

/** Answer to `GET …/houses/deleted`: houses that were deleted of late and can be restored, the latest first. */
export interface DeletedHousesAnswer {
  readonly houses: readonly House[];
}

/** Answer to `POST …/pictures/confirm`: those that are there, whole and under their own hash. */
export interface ConfirmedPictures {
  readonly held: readonly string[];
}

/** How many pictures may be asked about at once. */
export const CONFIRM_MAX = 50;
/** A change names at most so many that were seen. */
export const SEEN_MAX = 100;
export const BATCH_MAX = 200;
/** A batch is not made larger than this, in bytes of JSON; a single change may be. */
export const BATCH_BYTES_MAX = 400_000;
export const PAGE_MAX = 1000;
