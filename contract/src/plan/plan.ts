import type { EnvelopeKind } from '@calvet/core/envelope-kind';
import type { Face as PlanFace } from '@calvet/core/plan/plan-input';
import { buildUpFields, type BuildUp } from '../installation/area';
import { AREA_WORDS } from '../installation/area-words';
import { day, group, id, list, option, unsaid } from '../kind/field';
import { kindOf } from '../kind/kind';
import {
  CHECKPOINTS_ADDED_MAX,
  CHECKPOINTS_OFF_MAX,
  CLOSED_DAYS_MAX,
  HOLE_RULES_MAX,
  PLANNED_BUILD_UPS_MAX,
  SCHOOLS_AT_MAX,
} from '../limits';
import type { Stored } from '../record';
import {
  holeRuleFields,
  leakFigureFields,
  LEAKING_CLASSES,
  type HoleRule,
  type LeakFigure,
} from './house-rules';
import {
  checkpointOffFields,
  ownCheckpointFields,
  type CheckpointOff,
  type OwnCheckpoint,
} from './own-checkpoint';
import {
  insulationField,
  NO_SCHOOLS,
  schoolFields,
  schoolsGroup,
  type Insulation,
  type Schools,
  type SchoolsAt,
} from './schools';
import { MONDAY_TO_FRIDAY, WEEKDAY_WORDS, type Weekday } from './weekdays';
import { USUAL_WALKING, walkingField, type Walking } from './walking';

/** A build-up that drawn parts of a house have, for one kind of area. */
export interface PlannedBuildUp extends BuildUp {
  readonly id: string;
  readonly use: EnvelopeKind;
}

/** How a house is drawn, once a house: its record's id follows from the house's. */
export interface PlanBody {
  /** Where figures are taken: inside (ISO 9972), or outside. */
  readonly face: PlanFace;
  /** Where lengths were typed. */
  readonly drawnAt: PlanFace;
  /** The first of a kind is that of every area of its kind which names no other. */
  readonly buildUps: readonly PlannedBuildUp[];
  /** How the house is built. */
  readonly schools: Schools;
  /** What insulates its ceilings and roofs, and its floors; null: what insulates its walls. */
  readonly insulationAbove: readonly Insulation[] | null;
  readonly insulationBelow: readonly Insulation[] | null;
  /** Storeys, walls and roofs that are built in their own way. */
  readonly schoolsAt: readonly SchoolsAt[];
  readonly walking: Walking;
  /** Days of the week on which there is work, and days on which there is none, YYYY-MM-DD. */
  readonly workdays: readonly Weekday[];
  readonly closedDays: readonly string[];
  readonly checkpointsAdded: readonly OwnCheckpoint[];
  readonly checkpointsOff: readonly CheckpointOff[];
  /** Rules on how holes are closed that say something else in this house. */
  readonly holeRules: readonly HoleRule[];
  /** What a failure lets through, by class, where this house has other figures. */
  readonly leakFigures: readonly LeakFigure[];
}

export type Plan = Stored<PlanBody>;

/** Sides of a wall at which it is measured, in words. */
export const FACE_WORDS = { inside: 'Inside', outside: 'Outside' } as const satisfies Readonly<
  Record<PlanFace, string>
>;

export const plan = kindOf<PlanBody>()({
  word: 'Drawing',
  ledger: 'house',
  list: 'plans',
  title: [],
  order: 'as made',
  page: 'drawing',
  isShown: false,
  fields: {
    face: option('Figures taken', FACE_WORDS),
    drawnAt: option('Lengths typed', FACE_WORDS),
    buildUps: list<PlannedBuildUp>(
      'Build-ups',
      'A build-up',
      {
        type: 'group',
        label: '',
        members: { id: id(''), use: option('', AREA_WORDS), ...buildUpFields },
      },
      { key: 'id', most: PLANNED_BUILD_UPS_MAX },
    ),
    schools: unsaid(schoolsGroup, NO_SCHOOLS),
    insulationAbove: unsaid(insulationField('Insulation above'), null),
    insulationBelow: unsaid(insulationField('Insulation below'), null),
    schoolsAt: unsaid(
      list<SchoolsAt>(
        'Built in their own way',
        'A part',
        group<SchoolsAt>('', { id: id(''), ...schoolFields }),
        {
          key: 'id',
          most: SCHOOLS_AT_MAX,
        },
      ),
      [],
    ),
    walking: unsaid(walkingField, USUAL_WALKING),
    workdays: unsaid(
      list<Weekday>('Workdays', 'A day of the week', option('', WEEKDAY_WORDS), { least: 1, most: 7 }),
      MONDAY_TO_FRIDAY,
    ),
    closedDays: unsaid(list<string>('Days without work', 'A day', day(''), { most: CLOSED_DAYS_MAX }), []),
    checkpointsAdded: unsaid(
      list<OwnCheckpoint>(
        'Checkpoints added',
        'A checkpoint',
        group<OwnCheckpoint>('', ownCheckpointFields),
        {
          key: 'id',
          most: CHECKPOINTS_ADDED_MAX,
        },
      ),
      [],
    ),
    checkpointsOff: unsaid(
      list<CheckpointOff>(
        'Checkpoints left out',
        'A checkpoint',
        group<CheckpointOff>('', checkpointOffFields),
        {
          key: 'name',
          most: CHECKPOINTS_OFF_MAX,
        },
      ),
      [],
    ),
    holeRules: unsaid(
      list<HoleRule>('Rules on holes', 'A rule', group<HoleRule>('', holeRuleFields), {
        key: 'name',
        most: HOLE_RULES_MAX,
      }),
      [],
    ),
    leakFigures: unsaid(
      list<LeakFigure>('Leaks by class', 'A class', group<LeakFigure>('', leakFigureFields), {
        key: 'name',
        most: LEAKING_CLASSES.length,
      }),
      [],
    ),
  },
});

/** A drawing that nobody has set anything of. */
export const NEW_PLAN: PlanBody = {
  face: 'inside',
  drawnAt: 'outside',
  buildUps: [],
  schools: NO_SCHOOLS,
  insulationAbove: null,
  insulationBelow: null,
  schoolsAt: [],
  walking: USUAL_WALKING,
  workdays: MONDAY_TO_FRIDAY,
  closedDays: [],
  checkpointsAdded: [],
  checkpointsOff: [],
  holeRules: [],
  leakFigures: [],
};
