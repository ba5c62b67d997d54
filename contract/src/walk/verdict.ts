import { day, figure, filled, group, id, list, option, orNull, said } from '../kind/field';
import { kindOf } from '../kind/kind';
import { FOLLOWS_MAX, ITEM_KEY_MAX, NAME_MAX, VERDICT_READINGS_MAX, VERDICT_REASONS_MAX } from '../limits';
import { PHASE_WORDS, type Phase } from '../plan/own-checkpoint';
import type { Stored } from '../record';

/** What somebody found who looked, in words. */
export const VERDICT_WORDS = {
  good: 'Good',
  mend: 'Mend',
  notSeen: 'Not seen',
  notHere: 'Not here',
} as const;

export type VerdictValue = keyof typeof VERDICT_WORDS;

/** How somebody looked, in words. What was covered unseen is opened up, or known from a picture of before. */
export const LOOKED_WORDS = { onSite: 'On site', byPhoto: 'By photo', openedUp: 'Opened up' } as const;

export type Looked = keyof typeof LOOKED_WORDS;

/** What was read off, in words: each in the SI unit of its quantity, widths of gaps in mm. */
export const READING_WORDS = {
  gap: 'Width of a gap, mm',
  length: 'Length, m',
  thickness: 'Depth or thickness, m',
  share: 'Share or moisture',
  density: 'Density, kg/m³',
  temperature: 'Temperature, °C',
  count: 'Count',
} as const;

export type ReadingOf = keyof typeof READING_WORDS;

export interface VerdictReading {
  readonly id: string;
  readonly of: ReadingOf;
  readonly value: number;
}

/** In what somebody found a checkpoint to fail: a text of the catalogue, or of their own. */
export interface VerdictReason {
  readonly name: string;
}

/** A verdict that was known when this one was given. */
export interface FollowedVerdict {
  readonly id: string;
}

/** What somebody found at one checkpoint of one item. It is never changed by a later look: that one follows it. */
export interface VerdictBody {
  readonly value: VerdictValue;
  /** Id in the catalogue, or of one that was added to the house. */
  readonly checkpoint: string;
  /** Key of the item. */
  readonly item: string;
  /** Which catalogue its texts stood in then. */
  readonly catalogueVersion: number;
  readonly phase: Phase;
  readonly looked: Looked;
  /** The day on which somebody looked, of a photo that on which it was taken, YYYY-MM-DD. */
  readonly seenOn: string;
  /** Id of the photo that it was judged by; null: of none. */
  readonly photo: string | null;
  readonly reasons: readonly VerdictReason[];
  readonly note: string | null;
  readonly readings: readonly VerdictReading[];
  /** What the place was called then: it tells of the item also where that is gone. */
  readonly placeName: string;
  readonly follows: readonly FollowedVerdict[];
}

export type Verdict = Stored<VerdictBody>;

export const VERDICT_NOTE_MAX = 960;
const CHECKPOINT_MAX = 60;
export const READING_MAX = 1e6;

export const verdict = kindOf<VerdictBody>()({
  word: 'Verdict',
  ledger: 'house',
  list: 'verdicts',
  title: ['value', 'placeName'],
  order: 'as made',
  page: 'walk',
  isShown: true,
  fields: {
    value: option('Verdict', VERDICT_WORDS),
    checkpoint: filled('Checkpoint', CHECKPOINT_MAX),
    item: filled('Item', ITEM_KEY_MAX),
    catalogueVersion: figure('Version of the catalogue', 'count', { min: 1, max: 1e4, whole: true }),
    phase: option('When', PHASE_WORDS),
    looked: option('Looked', LOOKED_WORDS),
    seenOn: day('Looked on'),
    photo: { ...orNull(id('Photo')), unsaid: null },
    reasons: list<VerdictReason>(
      'How it fails',
      'A reason',
      group<VerdictReason>('', { name: filled('', NAME_MAX * 2) }),
      { key: 'name', most: VERDICT_REASONS_MAX },
    ),
    note: said('Note', VERDICT_NOTE_MAX),
    readings: list<VerdictReading>(
      'Readings',
      'A reading',
      group<VerdictReading>('', {
        id: id(''),
        of: option('', READING_WORDS),
        value: figure('', 'plain', { min: -READING_MAX, max: READING_MAX }),
      }),
      { key: 'id', most: VERDICT_READINGS_MAX },
    ),
    placeName: filled('Place', NAME_MAX * 2),
    follows: list<FollowedVerdict>('Follows', 'A verdict', group<FollowedVerdict>('', { id: id('') }), {
      key: 'id',
      most: FOLLOWS_MAX,
    }),
  },
});
