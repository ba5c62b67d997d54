import { filled, id, option } from '../kind/field';
import { ITEM_KEY_MAX } from '../limits';

/** When something is judged, in words. */
export const PHASE_WORDS = {
  beforeFill: 'Before fill',
  duringFill: 'During fill',
  vapourControl: 'Inner sheets and boards',
  beforeLining: 'Before lining',
  test: 'Around a test',
  finished: 'Finished house',
} as const;

/** Work that hides what was done before it, in words. */
export const COVER_WORDS = {
  slabPoured: 'Slab poured',
  backfill: 'Ground filled back',
  wallStood: 'Wall stood',
  sheathingOn: 'Sheathing on',
  trussesSet: 'Trusses or joists set',
  roofDeckOver: 'Roof or deck over it',
  outsideInsulation: 'Insulated outside',
  cladding: 'Clad',
  netting: 'Net put up',
  insulation: 'Insulated',
  tubSet: 'Tub or shower set',
  fireplaceSet: 'Fireplace set',
  stairSet: 'Stair set',
  partitionStood: 'Inner wall stood',
  partitionClosed: 'Inner wall closed',
  ceilingLining: 'Ceiling lined',
  lining: 'Walls lined',
  fixtureTrim: 'Fittings and trim on',
  none: 'Stays in sight',
} as const;

/** Who does a work, in words. */
export const TRADE_WORDS = {
  concrete: 'Concrete',
  carpenter: 'Carpenter',
  mason: 'Mason',
  plasterer: 'Plasterer or coater',
  airSealer: 'Air sealer',
  insulator: 'Insulator',
  windowFitter: 'Window fitter',
  electrician: 'Electrician',
  plumber: 'Plumber',
  ventilation: 'Ventilation',
  heating: 'Heating and cooling',
  roofer: 'Roofer',
  liner: 'Lining fixer',
  cladder: 'Cladder',
  siteLead: 'Site lead',
  inspector: 'Inspector or tester',
} as const;

export type Phase = keyof typeof PHASE_WORDS;
export type CoverEvent = keyof typeof COVER_WORDS;
export type Trade = keyof typeof TRADE_WORDS;

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
