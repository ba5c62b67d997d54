import { day, figure, filled, flag, id, option, orNull, said } from '../kind/field';
import { kindOf } from '../kind/kind';
import { GAP_MAX_MM, ITEM_KEY_MAX, NAME_MAX, PERIMETER_MAX_MM, SAID_MAX } from '../limits';
import { TRADE_WORDS, type Trade } from '../plan/work-words';
import type { Stored } from '../record';

/** How far a mend has come, in words. */
export const MEND_WORDS = {
  open: 'Open',
  mended: 'Mended',
  notYet: 'Not yet',
  accepted: 'Accepted as is',
} as const;

export type MendState = keyof typeof MEND_WORDS;

/** How much a place leaks at 50 Pa, by order of magnitude, in words. */
export const LEAK_WORDS = {
  none: 'No leak',
  small: 'A few m³/h',
  medium: 'Some tens of m³/h',
  large: 'Often over 50 m³/h',
} as const;

export type Leak = keyof typeof LEAK_WORDS;

/**
 * Something to be mended. Of what a verdict or a penetration says it holds only what somebody added: null means as these and
 * the catalogue say. A leak that was found without a checkpoint stands for itself.
 */
export interface MendBody {
  /** Key of the item, where it is one. */
  readonly item: string | null;
  /** Key of the stop of the walk at which it was found; null: as its verdict says. */
  readonly stop: string | null;
  /** What that was called then. */
  readonly placeName: string;
  /** Id of the verdict that asks for it. */
  readonly verdict: string | null;
  /** Id of the penetration that asks for it. */
  readonly penetration: string | null;
  readonly what: string | null;
  readonly why: string | null;
  readonly how: string | null;
  readonly trade: Trade | null;
  readonly minutes: number | null;
  readonly leak: Leak | null;
  readonly gapMm: number | null;
  /** Length of what is open. */
  readonly lengthMm: number | null;
  /** Found while the fan ran. */
  readonly isUnderFan: boolean;
  readonly foundOn: string;
  readonly state: MendState;
  /** Why it is accepted as it is, or not mended yet. */
  readonly reason: string | null;
  readonly reviewer: string | null;
}

export type Mend = Stored<MendBody>;

const MINUTES_MAX = 10_000;

export const mend = kindOf<MendBody>()({
  word: 'Mend',
  ledger: 'house',
  list: 'mends',
  title: ['what', 'placeName'],
  order: 'as made',
  page: 'walk',
  isShown: true,
  fields: {
    item: said('Item', ITEM_KEY_MAX),
    stop: said('Stop', ITEM_KEY_MAX),
    placeName: filled('Place', NAME_MAX * 2),
    verdict: orNull(id('Verdict')),
    penetration: orNull(id('Penetration')),
    what: said('What', SAID_MAX),
    why: said('Why', SAID_MAX),
    how: said('How', SAID_MAX),
    trade: orNull(option('Whose work', TRADE_WORDS)),
    minutes: orNull(figure('Minutes', 'duration', { min: 0, max: MINUTES_MAX })),
    leak: orNull(option('How much it leaks', LEAK_WORDS)),
    gapMm: orNull(figure('Width of the gap', 'gap', { min: 0, max: GAP_MAX_MM })),
    lengthMm: orNull(figure('Length of the gap', 'gap', { min: 0, max: PERIMETER_MAX_MM })),
    isUnderFan: flag('Found under the fan'),
    foundOn: day('Found on'),
    state: option('State', MEND_WORDS),
    reason: said('Reason', SAID_MAX),
    reviewer: said('Reviewed by', NAME_MAX),
  },
});

/** A mend to which nothing was added: all of it is as what asks for it says. */
export const newMend = (placeName: string, foundOn: string): MendBody => ({
  item: null,
  stop: null,
  placeName,
  verdict: null,
  penetration: null,
  what: null,
  why: null,
  how: null,
  trade: null,
  minutes: null,
  leak: null,
  gapMm: null,
  lengthMm: null,
  isUnderFan: false,
  foundOn,
  state: 'open',
  reason: null,
  reviewer: null,
});

/** A mend that is still open. */
export const isOpenMend = ({ state }: Pick<Mend, 'state'>): boolean => state === 'open' || state === 'notYet';
