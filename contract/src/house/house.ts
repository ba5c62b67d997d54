import type { AssemblyMethod } from '@calvet/core/thermal/assembly';
import type { FilmConvention } from '@calvet/core/thermal/films';
import type { GradeSchool } from '@calvet/core/thermal/grade-adjustment';
import type { ReferenceMethod } from '@calvet/core/airtightness/reference-conditions';
import type { TargetQuantity } from '@calvet/core/airtightness/budget';
import { figure, filled, group, option, orNull, text } from '../kind/field';
import { kindOf } from '../kind/kind';
import { heatTermFields, type HeatTerms } from './heat-terms';
import { NAME_MAX } from '../limits';
import type { Stored } from '../record';

/** Quantities that a house's airtightness target may limit. */
export const HOUSE_TARGET_QUANTITIES = ['n50', 'qE50', 'qF50'] as const satisfies readonly TargetQuantity[];

/** A figure of airtightness and its greatest value, in the SI unit of its quantity. */
export interface HouseTarget {
  readonly quantity: (typeof HOUSE_TARGET_QUANTITIES)[number];
  readonly limit: number;
}

/** A house and what is asked of it. Sizes in SI. */
export interface HouseBody extends HeatTerms {
  readonly name: string;
  readonly place: string;
  readonly builder: string;
  /** Sizes that are null are as drawn. */
  readonly volumeM3: number | null;
  readonly floorAreaM2: number | null;
  readonly envelopeAreaM2: number | null;
  readonly heightM: number | null;
  readonly storeys: number | null;
  readonly bedrooms: number;
  readonly target: HouseTarget;
  /** Rule that brings test flows to reference conditions. */
  readonly referenceMethod: ReferenceMethod;
  readonly assemblyMethod: AssemblyMethod;
  readonly filmConvention: FilmConvention;
  readonly gradeSchool: GradeSchool;
}

export type House = Stored<HouseBody>;

export const house = kindOf<HouseBody>()({
  word: 'House',
  ledger: 'house',
  list: null,
  title: ['name'],
  order: 'as made',
  page: '',
  isShown: true,
  fields: {
    name: filled('Name', NAME_MAX),
    place: text('Location', NAME_MAX),
    builder: text('Builder', NAME_MAX),
    volumeM3: orNull(figure('Volume', 'volume', { above: 0, max: 1e6 })),
    floorAreaM2: orNull(figure('Floor area', 'area', { above: 0, max: 1e5 })),
    envelopeAreaM2: orNull(figure('Envelope area', 'area', { above: 0, max: 1e6 })),
    heightM: orNull(figure('Height', 'length', { above: 0, max: 200 })),
    storeys: orNull(figure('Storeys', 'count', { min: 1, max: 20, whole: true })),
    bedrooms: figure('Bedrooms', 'count', { min: 0, max: 50, whole: true }),
    target: group<HouseTarget>('Airtightness target', {
      quantity: option('', { n50: 'n50', qE50: 'qE50', qF50: 'qF50' }),
      limit: figure('at most', 'plain', { above: 0, max: 1000 }),
    }),
    referenceMethod: option('Reference conditions', { iso9972: 'ISO 9972', astmE779: 'ASTM E779' }),
    assemblyMethod: option('How build-ups are computed', {
      iso6946: 'Combined, ISO 6946',
      parallelPath: 'Parallel paths',
      isothermalPlanes: 'Isothermal planes',
    }),
    filmConvention: option('Surface films', { iso: 'ISO', na: 'North American' }),
    gradeSchool: option('What a grade means', {
      voidFraction: 'Share of void, ANSI 301',
      airVoid: 'Air-void level, ISO 6946',
    }),
    ...heatTermFields,
  },
});
