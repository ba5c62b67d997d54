import {
  FLAG_WORDS,
  PENETRATION_WORDS,
  SEAL_WORDS,
  THROUGH_WORDS,
  type PenetrationFlag,
  type PenetrationThrough,
  type PenetrationWhat,
  type Seal,
} from '@calvet/core/penetrations/penetration-words';
import { day, figure, filled, group, id, list, option, orNull, said } from '../kind/field';
import { kindOf } from '../kind/kind';
import {
  GAP_MAX_MM,
  HOLES_MAX,
  ITEM_KEY_MAX,
  NAME_MAX,
  PENETRATION_FLAGS_MAX,
  PENETRATION_SEALS_MAX,
  PERIMETER_MAX_MM,
  SAID_MAX,
} from '../limits';
import { PHASE_WORDS, type Phase } from '../plan/own-checkpoint';
import type { Stored } from '../record';

/** In which layer of a build-up a hole is closed, in words, outside → inside. */
export const PLANE_WORDS = { outer: 'Outer layer', barrier: 'Air barrier', lining: 'Lining' } as const;

export type Plane = keyof typeof PLANE_WORDS;

/** Whether a hole is there, in words. */
export const MADE_WORDS = { toCome: 'To come', made: 'Made' } as const;

/** What somebody holds of a hole, whatever its rules say, in words. */
export const JUDGED_WORDS = { fits: 'Fits', doubtful: 'Doubtful', wrong: 'Wrong' } as const;

export type Judged = keyof typeof JUDGED_WORDS;

/** One way in which a hole is closed: in which layer, and when. */
export interface PenetrationSeal {
  readonly id: string;
  readonly plane: Plane;
  readonly phase: Phase;
  readonly seal: Seal;
}

/** Something else that is known of a hole. */
export interface PenetrationFlagHere {
  readonly name: PenetrationFlag;
}

/** Holes of one kind at one place, each closed alike. */
export interface PenetrationBody {
  readonly what: PenetrationWhat;
  readonly through: PenetrationThrough;
  /** Key of the area that they go through. */
  readonly item: string;
  /** Key of the stop of the walk at which they are. */
  readonly stop: string;
  /** What that stop was called then. */
  readonly placeName: string;
  /** Key of the planned service that they are of; null: of none. */
  readonly planned: string | null;
  readonly count: number;
  /** Of the gap round what goes through; null: not measured. */
  readonly gapMm: number | null;
  /** Round one of them; null: as such a thing usually has. */
  readonly perimeterMm: number | null;
  readonly seals: readonly PenetrationSeal[];
  readonly flags: readonly PenetrationFlagHere[];
  readonly made: keyof typeof MADE_WORDS;
  /** The day on which somebody looked at them, YYYY-MM-DD. */
  readonly seenOn: string;
  /** What the inspector holds of them; null: what the rules say. */
  readonly decided: Judged | null;
  /** Of one of them at 50 Pa; null: as it follows from its width. */
  readonly leakM3H: number | null;
  /** Where exactly, or what else there is to say. */
  readonly note: string | null;
}

export type Penetration = Stored<PenetrationBody>;

const LEAK_MAX_M3H = 1e4;

export const penetration = kindOf<PenetrationBody>()({
  word: 'Penetration',
  ledger: 'house',
  list: 'penetrations',
  title: ['what', 'placeName'],
  order: 'as made',
  page: 'walk',
  isShown: true,
  fields: {
    what: option('What goes through', PENETRATION_WORDS),
    through: option('Through what', THROUGH_WORDS),
    item: filled('Area', ITEM_KEY_MAX),
    stop: filled('Stop', ITEM_KEY_MAX),
    placeName: filled('Place', NAME_MAX * 2),
    planned: said('Planned as', ITEM_KEY_MAX),
    count: figure('How many', 'count', { min: 1, max: HOLES_MAX, whole: true }),
    gapMm: orNull(figure('Width of the gap', 'gap', { min: 0, max: GAP_MAX_MM })),
    perimeterMm: orNull(figure('Round one of them', 'gap', { above: 0, max: PERIMETER_MAX_MM })),
    seals: list<PenetrationSeal>(
      'Closed by',
      'A seal',
      group<PenetrationSeal>('', {
        id: id(''),
        plane: option('', PLANE_WORDS),
        phase: option('', PHASE_WORDS),
        seal: option('', SEAL_WORDS),
      }),
      { key: 'id', most: PENETRATION_SEALS_MAX },
    ),
    flags: list<PenetrationFlagHere>(
      'What else is known',
      'A point',
      group<PenetrationFlagHere>('', { name: option('', FLAG_WORDS) }),
      { key: 'name', most: PENETRATION_FLAGS_MAX },
    ),
    made: option('There', MADE_WORDS),
    seenOn: day('Looked on'),
    decided: orNull(option('Held to be', JUDGED_WORDS)),
    leakM3H: orNull(figure('Leak of one of them at 50 Pa', 'flow', { min: 0, max: LEAK_MAX_M3H })),
    note: said('Note', SAID_MAX),
  },
});
