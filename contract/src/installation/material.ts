import type { Pressing } from '@calvet/core/insulation/cavity-fill';
import type { VapourLayer } from '@calvet/core/moisture/vapour-layer';
import { figure, filled, flag, option, orNull, said } from '../kind/field';
import { kindOf } from '../kind/kind';
import { MATERIAL_ID_MAX, NAME_MAX, SAID_MAX } from '../limits';
import type { Stored } from '../record';
import { PRESSING_WORDS } from './layer';
import { matterFields, type Matter } from './matter';

/** What materials are sorted by, in words. */
export const MATERIAL_GROUP_WORDS = {
  fibre: 'Mineral fibre',
  plantFibre: 'Plant and animal fibre',
  foam: 'Foam',
  timber: 'Timber',
  board: 'Board',
  masonry: 'Masonry and plaster',
  metal: 'Metal',
  sheet: 'Sheet and coat',
  other: 'Other',
} as const;

export type MaterialGroup = keyof typeof MATERIAL_GROUP_WORDS;

export const VAPOUR_KIND_WORDS = {
  sheet: 'Sheet',
  board: 'Board',
  foam: 'Foam',
  other: 'Other',
} as const satisfies Readonly<Record<NonNullable<VapourLayer['kind']>, string>>;

/** A material of a practice: its own, or one of the library with other figures. */
export interface MaterialBody extends Omit<Matter, 'materialId' | 'sdDryM' | 'sdDampM'> {
  readonly name: string;
  readonly group: MaterialGroup;
  /** Of the library: which one it stands for with other figures; null: it is a practice's own. */
  readonly alters: string | null;
  /** Where its figures are from. */
  readonly basis: string;
  readonly conductivityWmK: number | null;
  /** R of one that comes in one thickness, in place of its conductivity. */
  readonly rsi: number | null;
  readonly thicknessM: number | null;
  readonly muDry: number | null;
  readonly muDamp: number | null;
  /** Of a sheet, whose sd does not follow from its thickness. */
  readonly sdDryM: number | null;
  readonly sdDampM: number | null;
  readonly pressing: Pressing;
  readonly vapourKind: NonNullable<VapourLayer['kind']>;
  readonly isAirtight: boolean;
  /** What it does in water, in fire, with pests. */
  readonly traits: string | null;
}

export type Material = Stored<MaterialBody>;

const { densityKgM3, carbonKgM3, storedKgM3, agent } = matterFields;
const mu = (label: string) => orNull(figure(label, 'plain', { above: 0, max: 1e6 }));
const sd = (label: string) => orNull(figure(label, 'vapourThickness', { min: 0, max: 1e5 }));

export const material = kindOf<MaterialBody>()({
  word: 'Material',
  ledger: 'practice',
  list: 'materials',
  title: ['name'],
  order: 'as made',
  page: 'materials',
  isShown: false,
  fields: {
    name: filled('Name', NAME_MAX),
    group: option('Group', MATERIAL_GROUP_WORDS),
    alters: said('Stands for', MATERIAL_ID_MAX),
    basis: filled('Basis', SAID_MAX),
    conductivityWmK: orNull(figure('Conductivity', 'conductivity', { above: 0, max: 500 })),
    rsi: orNull(figure('R', 'resistance', { min: 0, max: 100 })),
    thicknessM: orNull(figure('Thickness', 'thickness', { above: 0, max: 5 })),
    muDry: mu('µ dry'),
    muDamp: mu('µ damp'),
    sdDryM: sd('sd dry'),
    sdDampM: sd('sd damp'),
    densityKgM3,
    carbonKgM3,
    storedKgM3,
    agent,
    pressing: option('In a cavity', PRESSING_WORDS),
    vapourKind: option('Against vapour', VAPOUR_KIND_WORDS),
    isAirtight: flag('Airtight'),
    traits: said('Traits', SAID_MAX),
  },
});
