import { filled, id, list, option } from '../kind/field';
import { kindOf } from '../kind/kind';
import { CORNERS_MAX, NAME_MAX } from '../limits';
import type { Stored } from '../record';
import { planPlace, type PlanPlace } from './storey';

/** What an unheated room beside a storey is. */
export type ZoneUse = 'garage' | 'unheated';

/** An unheated room beside a storey. */
export interface ZoneBody {
  readonly name: string;
  readonly storeyId: string;
  readonly use: ZoneUse;
  readonly outline: readonly PlanPlace[];
}

export type Zone = Stored<ZoneBody>;

export const ZONE_WORDS = { garage: 'Garage', unheated: 'Unheated room' } as const satisfies Readonly<
  Record<ZoneUse, string>
>;

export const zone = kindOf<ZoneBody>()({
  word: 'Unheated room',
  ledger: 'house',
  list: 'zones',
  title: ['name'],
  order: 'as made',
  page: 'drawing',
  isShown: false,
  fields: {
    name: filled('Name', NAME_MAX),
    storeyId: id('Storey', 'storey'),
    use: option('Use', ZONE_WORDS),
    outline: list<PlanPlace>('Outline', 'A corner', planPlace(''), { least: 3, most: CORNERS_MAX }),
  },
});
