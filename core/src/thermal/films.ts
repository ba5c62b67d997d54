import { as, fields, nonNegative, option, optional } from '../schema';
import { Refusal } from '../refusal';

/** Surface resistances, m²·K/W. */
export interface Films {
  readonly insideRsi: number;
  readonly outsideRsi: number;
}

export type FilmConvention = 'iso' | 'na';
/** Which way heat flows in winter: walls, ceilings and roofs, floors. */
export type HeatFlow = 'horizontal' | 'up' | 'down';

/** Films as given, or by convention and direction of the heat flow. */
export interface FilmChoice {
  readonly films?: Films;
  readonly filmConvention?: FilmConvention;
  readonly heatFlow?: HeatFlow;
}

const INSIDE: Readonly<Record<FilmConvention, Readonly<Record<HeatFlow, number>>>> = {
  iso: { horizontal: 0.13, up: 0.1, down: 0.17 },
  na: { horizontal: 0.12, up: 0.11, down: 0.16 },
};
const OUTSIDE: Readonly<Record<FilmConvention, number>> = { iso: 0.04, na: 0.03 };

/**
 * The films that a choice stands for. ISO 6946, 6.8 (`iso`); North American practice (`na`).
 * @example filmsOf({ filmConvention: 'iso', heatFlow: 'horizontal' }) // { insideRsi: 0.13, outsideRsi: 0.04 }
 * @throws {Refusal} `required`, `conflict`
 */
export function filmsOf({ films, filmConvention, heatFlow }: FilmChoice): Films {
  if (films !== undefined) {
    if (filmConvention !== undefined) {
      throw new Refusal(
        'conflict',
        'filmConvention',
        'Give the films themselves or their convention, not both.',
      );
    }
    return films;
  }
  if (filmConvention === undefined) {
    throw new Refusal(
      'required',
      'filmConvention',
      'Give the film resistances, or the convention they follow.',
    );
  }
  if (heatFlow === undefined) {
    throw new Refusal('required', 'heatFlow', 'Say which way heat flows: horizontal, up or down.');
  }
  return { insideRsi: INSIDE[filmConvention][heatFlow], outsideRsi: OUTSIDE[filmConvention] };
}

export const filmMembers = {
  films: optional(
    fields<Films>({
      insideRsi: as('R on the inside', nonNegative('resistance')),
      outsideRsi: as('R on the outside', nonNegative('resistance')),
    }),
  ),
  filmConvention: optional(option('iso', 'na')),
  heatFlow: optional(option('horizontal', 'up', 'down')),
};
