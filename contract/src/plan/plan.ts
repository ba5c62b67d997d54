import type { EnvelopeKind, PlanFace } from '@calvet/core';
import { AREA_WORDS, buildUpFields, type BuildUp } from '../installation/area';
import { id, list, option } from '../kind/field';
import { kindOf } from '../kind/kind';
import { PLANNED_BUILD_UPS_MAX } from '../limits';
import type { Stored } from '../record';

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
  },
});

/** A drawing that nobody has set anything of. */
export const NEW_PLAN: PlanBody = { face: 'inside', drawnAt: 'outside', buildUps: [] };
