import { filled, id, option } from '../kind/field';
import { ITEM_KEY_MAX } from '../limits';
import { COVER_WORDS, TRADE_WORDS, type CoverEvent, type Trade } from './work-words';

/** When something is judged, in words. */
export const PHASE_WORDS = {
  beforeFill: 'Before fill',
  duringFill: 'During fill',
  vapourControl: 'Inner sheets and boards',
  beforeLining: 'Before lining',
  test: 'Around a test',
  finished: 'Finished house',
} as const;

export type Phase = keyof typeof PHASE_WORDS;

/** A checkpoint that somebody added to one house. */
export interface OwnCheckpoint {
  readonly id: string;
  readonly title: string;
  /** Key of the item that it is at. */
  readonly at: string;
  readonly phase: Phase;
  readonly trade: Trade;
  readonly coverEvent: CoverEvent;
}

const TITLE_MAX = 60;

export const ownCheckpointFields = {
  id: id(''),
  title: filled('', TITLE_MAX),
  at: filled('At', ITEM_KEY_MAX),
  phase: option('When', PHASE_WORDS),
  trade: option('Whose work', TRADE_WORDS),
  coverEvent: option('Hidden by', COVER_WORDS),
} as const;

/** A checkpoint that is not asked for: by its id everywhere, with `@` and the key of an item there alone. */
export interface CheckpointOff {
  readonly name: string;
}

/** The id of a checkpoint, the mark between them, and a key. */
const NAME_MAX = 60 + 1 + ITEM_KEY_MAX;

export const checkpointOffFields = { name: filled('', NAME_MAX) } as const;
