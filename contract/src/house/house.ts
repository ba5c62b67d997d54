import Joi from 'joi';
import type {
  AssemblyMethod,
  FilmConvention,
  GradeSchool,
  ReferenceMethod,
  Target,
  TargetQuantity,
} from '@calvet/core';
import { body, filled, number, positive, text, type Stored } from '../record';

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

export const houseBody = body<HouseBody>({
  name: filled(120).required(),
  place: text(120).allow('').required(),
  builder: text(120).allow('').required(),
  volumeM3: positive(1e6).required(),
  floorAreaM2: positive(1e5).required(),
  envelopeAreaM2: positive(1e6).required(),
  heightM: positive(200).required(),
  storeys: number().integer().min(1).max(20).required(),
  bedrooms: number().integer().min(0).max(50).required(),
  target: body<Target>({
    quantity: Joi.valid(...HOUSE_TARGET_QUANTITIES).required(),
    limit: positive(1000).required(),
  }).required(),
  referenceMethod: Joi.valid('iso9972', 'astmE779').required(),
  assemblyMethod: Joi.valid('parallelPath', 'isothermalPlanes', 'iso6946').required(),
  filmConvention: Joi.valid('iso', 'na').required(),
  gradeSchool: Joi.valid('voidFraction', 'airVoid').required(),
});
