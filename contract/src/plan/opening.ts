import { figure, id, option, orNull, said } from '../kind/field';
import { kindOf } from '../kind/kind';
import { NAME_MAX, OPENINGS_MAX, WALL_LENGTH_MAX_M } from '../limits';
import type { Stored } from '../record';

/** What an opening in the envelope is. */
export type OpeningUse = 'window' | 'door' | 'entrance' | 'roofWindow' | 'hatch';

/** An opening in a wall or a roof, or several alike: each by its width and height, or all by what they come to. */
export interface OpeningBody {
  /** Null: told by its use and where it is. */
  readonly name: string | null;
  readonly use: OpeningUse;
  /** Id of the wall or of the roof that it is in. */
  readonly on: string;
  readonly widthM: number | null;
  readonly heightM: number | null;
  readonly totalM2: number | null;
  readonly count: number;
  /** From the start of its wall to its middle; null: somewhere. */
  readonly alongM: number | null;
  /** Id of a planned build-up; null: as openings of the house have it. */
  readonly buildUp: string | null;
}

export type Opening = Stored<OpeningBody>;

/** Uses of openings, in words. */
export const OPENING_WORDS = {
  window: 'Window',
  door: 'Door',
  entrance: 'Entrance door',
  roofWindow: 'Roof window',
  hatch: 'Hatch',
} as const satisfies Readonly<Record<OpeningUse, string>>;

export const opening = kindOf<OpeningBody>()({
  word: 'Opening',
  ledger: 'house',
  list: 'openings',
  title: ['name', 'use'],
  order: 'as made',
  page: 'drawing',
  isShown: false,
  fields: {
    name: said('Name', NAME_MAX),
    use: option('Use', OPENING_WORDS),
    on: id('In'),
    widthM: orNull(figure('Width', 'length', { above: 0, max: 100 })),
    heightM: orNull(figure('Height', 'length', { above: 0, max: 30 })),
    totalM2: orNull(figure('Area of all', 'area', { above: 0, max: 1e4 })),
    count: figure('Count', 'count', { min: 1, max: OPENINGS_MAX, whole: true }),
    alongM: orNull(figure('Along its wall', 'length', { min: 0, max: WALL_LENGTH_MAX_M })),
    buildUp: orNull(id('Build-up')),
  },
});
