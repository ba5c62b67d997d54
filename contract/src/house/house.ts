import type {
  AssemblyMethod,
  FilmConvention,
  GradeSchool,
  ReferenceMethod,
  Target,
  TargetQuantity,
} from '@calvet/core';
import { number, type NumberSchema } from '@calvet/core/schema';
import type { Stored } from '../record';
import type { Described } from '../schema-pieces';

/** Quantities that a house's airtightness target may limit. */
export const HOUSE_TARGET_QUANTITIES = ['n50', 'qE50', 'qF50'] as const satisfies readonly TargetQuantity[];

/** A house and what is asked of it. Sizes in SI; a target's limit in the SI unit of its quantity. */
export interface HouseBody {
  readonly name: string;
  readonly place: string;
  readonly builder: string;
  readonly volumeM3: number;
  readonly floorAreaM2: number;
  readonly envelopeAreaM2: number;
  readonly heightM: number;
  readonly storeys: number;
  readonly bedrooms: number;
  readonly target: Target;
  /** Rule that brings test flows to reference conditions. */
  readonly referenceMethod: ReferenceMethod;
  readonly assemblyMethod: AssemblyMethod;
  readonly filmConvention: FilmConvention;
  readonly gradeSchool: GradeSchool;
}

export type House = Stored<HouseBody>;

/** Bounds of the figures of a house. */
export const HOUSE_BOUNDS = {
  volumeM3: number({ above: 0, max: 1e6 }),
  floorAreaM2: number({ above: 0, max: 1e5 }),
  envelopeAreaM2: number({ above: 0, max: 1e6 }),
  heightM: number({ above: 0, max: 200 }),
  storeys: number({ min: 1, max: 20, whole: true }),
  bedrooms: number({ min: 0, max: 50, whole: true }),
} as const satisfies Partial<Record<keyof HouseBody, NumberSchema>>;

export const TARGET_LIMIT_BOUNDS = number({ above: 0, max: 1000 });

export const houseBody: Described<HouseBody> = ({ Joi, body, filled, number: within, text }) =>
  body<HouseBody>({
    name: filled(120).required(),
    place: text(120).allow('').required(),
    builder: text(120).allow('').required(),
    volumeM3: within(HOUSE_BOUNDS.volumeM3).required(),
    floorAreaM2: within(HOUSE_BOUNDS.floorAreaM2).required(),
    envelopeAreaM2: within(HOUSE_BOUNDS.envelopeAreaM2).required(),
    heightM: within(HOUSE_BOUNDS.heightM).required(),
    storeys: within(HOUSE_BOUNDS.storeys).required(),
    bedrooms: within(HOUSE_BOUNDS.bedrooms).required(),
    target: body<Target>({
      quantity: Joi.valid(...HOUSE_TARGET_QUANTITIES).required(),
      limit: within(TARGET_LIMIT_BOUNDS).required(),
    }).required(),
    referenceMethod: Joi.valid('iso9972', 'astmE779').required(),
    assemblyMethod: Joi.valid('parallelPath', 'isothermalPlanes', 'iso6946').required(),
    filmConvention: Joi.valid('iso', 'na').required(),
    gradeSchool: Joi.valid('voidFraction', 'airVoid').required(),
  });
