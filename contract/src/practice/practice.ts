import type { AssemblyMethod } from '@calvet/core/thermal/assembly';
import type { FilmConvention } from '@calvet/core/thermal/films';
import type { GradeSchool } from '@calvet/core/thermal/grade-adjustment';
import type { ReferenceMethod } from '@calvet/core/airtightness/reference-conditions';
import type { UnitSystem } from '@calvet/core/units/quantity';
import { house, type HouseTarget } from '../house/house';
import { option, orNull, text } from '../kind/field';
import { kindOf } from '../kind/kind';
import { NAME_MAX } from '../limits';
import type { Stored } from '../record';

/** How a practice works: what its devices show, and what new houses start with. Sizes in SI. */
export interface PracticeBody {
  readonly name: string;
  /** Of every device that was not set otherwise. */
  readonly units: UnitSystem;
  /** Limit that is asked of new houses; null where each has its own. */
  readonly target: HouseTarget | null;
  readonly referenceMethod: ReferenceMethod;
  readonly assemblyMethod: AssemblyMethod;
  readonly filmConvention: FilmConvention;
  readonly gradeSchool: GradeSchool;
}

export type Practice = Stored<PracticeBody>;

const { target, referenceMethod, assemblyMethod, filmConvention, gradeSchool } = house.fields;

export const practice = kindOf<PracticeBody>()({
  word: 'Practice',
  ledger: 'practice',
  list: null,
  title: ['name'],
  order: 'as made',
  page: '',
  isShown: false,
  fields: {
    name: text('Name', NAME_MAX),
    units: option('Units', { metric: 'Metric', imperial: 'Imperial' }),
    target: orNull(target),
    referenceMethod,
    assemblyMethod,
    filmConvention,
    gradeSchool,
  },
});

/** A practice that has set nothing yet. */
export const NEW_PRACTICE: PracticeBody = {
  name: '',
  units: 'metric',
  target: null,
  referenceMethod: 'iso9972',
  assemblyMethod: 'iso6946',
  filmConvention: 'iso',
  gradeSchool: 'voidFraction',
};
