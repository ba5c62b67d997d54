import type { Defect as PricedDefect } from '@calvet/core/insulation/defect-prices';
import { figure, filled, id, option, orNull, said } from '../kind/field';
import { kindOf } from '../kind/kind';
import { NAME_MAX, SAID_MAX } from '../limits';
import type { Stored } from '../record';

export const DEFECT_WORDS = {
  void: 'Empty',
  pressed: 'Pressed or thin',
  bare: 'Bare spot',
} as const satisfies Readonly<Record<PricedDefect['kind'], string>>;

/** What was found wrong with the insulation at one spot of an area. */
export interface DefectBody {
  readonly name: string;
  readonly area: string;
  readonly sort: PricedDefect['kind'];
  readonly areaM2: number;
  /** Share of its thickness that pressed fill has left. */
  readonly fill: number | null;
  /** Of a bare spot. */
  readonly uValue: number | null;
  readonly minutes: number | null;
  /** Where it is, in somebody's words. */
  readonly place: string | null;
}

export type Defect = Stored<DefectBody>;

export const defect = kindOf<DefectBody>()({
  word: 'Defect',
  ledger: 'house',
  list: 'defects',
  title: ['name'],
  order: 'as made',
  page: 'worth',
  isShown: true,
  fields: {
    name: filled('Name', NAME_MAX),
    area: id('Area', 'area'),
    sort: option('What it is', DEFECT_WORDS),
    areaM2: figure('Size', 'area', { above: 0, max: 1e4 }),
    fill: orNull(figure('Thickness left', 'share', { above: 0, below: 1 })),
    uValue: orNull(figure('U of the spot', 'transmittance', { min: 0, max: 20 })),
    minutes: orNull(figure('Minutes to mend', 'duration', { above: 0, max: 1e5 })),
    place: said('Where', SAID_MAX),
  },
});
