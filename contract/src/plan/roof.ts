import type { RoofKind as PlanRoofKind } from '@calvet/core/plan/plan-input';
import { figure, filled, group, id, list, option, orNull, shape } from '../kind/field';
import { kindOf } from '../kind/kind';
import { CORNERS_MAX, NAME_MAX, WINGS_MAX } from '../limits';
import type { Stored } from '../record';
import { planCoordinate, planPlace, type PlanPlace } from './storey';

/** How a wing ends. */
export type WingEnd =
  | { readonly kind: 'gable' }
  | { readonly kind: 'hip' }
  /** It runs into the side of another wing. */
  | { readonly kind: 'joins'; readonly wing: string };

/** A side of a wing, by the coordinate that all of it has. */
export type WingSide = 'x0' | 'x1' | 'y0' | 'y1';

/** A rectangle of a sloping roof, in m. */
export interface Wing {
  readonly id: string;
  readonly x0M: number;
  readonly x1M: number;
  readonly y0M: number;
  readonly y1M: number;
  /** The axis along which its ridge runs. */
  readonly ridge: 'x' | 'y';
  /** Its ends at the lower and the higher coordinate of the ridge. */
  readonly lower: WingEnd;
  readonly higher: WingEnd;
  /** The low side where there is one slope. */
  readonly low: WingSide;
}

/** What closes a storey above, where no other storey does. */
export interface RoofBody {
  readonly name: string;
  readonly storeyId: string;
  readonly form: PlanRoofKind;
  /** Null: all that is uncovered and not under another roof. */
  readonly outline: readonly PlanPlace[] | null;
  /** Rise over run, of slopes. */
  readonly pitch: number | null;
  /** Of a flat ceiling between slopes, above the heads of the walls; null: open to the ridge. */
  readonly collarM: number | null;
  readonly wings: readonly Wing[];
  /** Id of a planned build-up; null: as roofs or ceilings of the house have it. */
  readonly buildUp: string | null;
}

export type Roof = Stored<RoofBody>;

/** Forms that have wings. */
export type SlopingForm = Extract<PlanRoofKind, 'slope' | 'monoSlope'>;

/** True of a roof that has wings. */
export const isSloping = (form: PlanRoofKind): form is SlopingForm =>
  form === 'slope' || form === 'monoSlope';

/** Forms of a roof, in words. */
export const ROOF_WORDS = {
  flatCeiling: 'Flat ceiling',
  flatRoof: 'Flat roof',
  slope: 'Slopes',
  monoSlope: 'One slope',
} as const satisfies Readonly<Record<PlanRoofKind, string>>;

const coordinate = planCoordinate('');
const end = shape<WingEnd>(
  { gable: 'Gable', hip: 'Hip', joins: 'Joins another' },
  { gable: {}, hip: {}, joins: { wing: id('') } },
);

export const roof = kindOf<RoofBody>()({
  word: 'Roof',
  ledger: 'house',
  list: 'roofs',
  title: ['name'],
  order: 'as made',
  page: 'drawing',
  isShown: false,
  fields: {
    name: filled('Name', NAME_MAX),
    storeyId: id('Storey', 'storey'),
    form: option('Form', ROOF_WORDS),
    outline: orNull(list<PlanPlace>('Outline', 'A corner', planPlace(''), { least: 3, most: CORNERS_MAX })),
    pitch: orNull(figure('Rise over run', 'plain', { above: 0, max: 20 })),
    collarM: orNull(figure('Height of its collar', 'length', { above: 0, max: 30 })),
    wings: list<Wing>(
      'Wings',
      'A wing',
      group<Wing>('', {
        id: id(''),
        x0M: coordinate,
        x1M: coordinate,
        y0M: coordinate,
        y1M: coordinate,
        ridge: option('', { x: 'Across', y: 'Upwards' }),
        lower: end,
        higher: end,
        low: option('', { x0: 'Left', x1: 'Right', y0: 'Bottom', y1: 'Top' }),
      }),
      { most: WINGS_MAX },
    ),
    buildUp: orNull(id('Build-up')),
  },
});
