import { computeWith } from '@calvet/core/operation';
import { Refusal } from '@calvet/core/refusal';
import type { PlanInput } from '@calvet/core/plan/plan-input';
import { envelopeParts, type EnvelopePart } from '@calvet/core/plan/envelope-parts';
import { junctionParts, type JunctionPart } from '@calvet/core/plan/junction-parts';
import { measurePlan } from '@calvet/core/plan/measure-plan';
import { planSchema } from '@calvet/core/plan/plan-input';
import { envelopeSizesOf, type EnvelopeSizes } from '@calvet/core/plan/sizes';
import { refusalFromCore, type FieldRefusal } from '../refusal-of';
import { planInputOf, type Drawing } from './plan-input';

/** What of a drawing is meant: a storey, one of its walls, a roof or an opening, by id. */
export interface DrawnThing {
  readonly kind: 'storey' | 'wall' | 'roof' | 'opening';
  readonly id: string;
}

/** Sizes of a house that follow from its drawing. */
export type HouseSizes = Pick<EnvelopeSizes, 'volumeM3' | 'envelopeAreaM2' | 'floorAreaM2' | 'heightM'> & {
  /** Those whose floor counts. */
  readonly storeys: number;
};

/** What a drawing comes to, as far as it can be measured. */
export type MeasuredDrawing =
  | { readonly state: 'none' }
  | {
      readonly state: 'measured';
      /** Those that a house may leave to its drawing. */
      readonly house: HouseSizes;
      readonly parts: readonly EnvelopePart[];
      readonly junctions: readonly JunctionPart[];
    }
  | {
      readonly state: 'refused';
      readonly refusal: FieldRefusal;
      /** Where it is at fault; null where that is no one thing. */
      readonly at: DrawnThing | null;
    };

const IN_STOREY = /^storeys\[(\d+)\](?:\.walls\[(\d+)\])?/;
const IN_LIST = /^(roofs|openings)\[(\d+)\]/;

function thingAt(field: string, { storeys, roofs, openings = [] }: PlanInput): DrawnThing | null {
  const [, storey, wall] = IN_STOREY.exec(field) ?? [];
  if (storey !== undefined) {
    const inStorey = storeys[Number(storey)];
    const inWall = wall === undefined ? undefined : inStorey?.walls[Number(wall)];
    if (inWall !== undefined) return { kind: 'wall', id: inWall.id };
    return inStorey === undefined ? null : { kind: 'storey', id: inStorey.id };
  }
  const [, list, at] = IN_LIST.exec(field) ?? [];
  const found = (list === 'roofs' ? roofs : openings)[Number(at ?? NaN)];
  return found === undefined ? null : { kind: list === 'roofs' ? 'roof' : 'opening', id: found.id };
}

const measured = {
  schema: planSchema,
  run: (input: PlanInput) => {
    const plan = measurePlan(input);
    const { volumeM3, envelopeAreaM2, floorAreaM2, heightM } = envelopeSizesOf(plan, input.face);
    const storeys = input.storeys.filter(({ countsAsFloor }) => countsAsFloor !== false).length;
    const house: HouseSizes = { volumeM3, envelopeAreaM2, floorAreaM2, heightM, storeys };
    return { house, parts: envelopeParts(plan), junctions: junctionParts(plan) };
  },
};

function measure(drawing: Drawing): MeasuredDrawing {
  const input = planInputOf(drawing);
  if (input === null) return { state: 'none' };
  try {
    return { state: 'measured', ...computeWith(measured, input) };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { state: 'refused', refusal: refusalFromCore(error), at: thingAt(error.field, input) };
  }
}

const LISTS = [
  'plans',
  'storeys',
  'zones',
  'roofs',
  'openings',
] as const satisfies readonly (keyof Drawing)[];

const isSame = (one: Drawing, other: Drawing): boolean =>
  LISTS.every(
    (list) =>
      one[list].length === other[list].length && one[list].every((record, i) => record === other[list][i]),
  );

let last: { readonly drawing: Drawing; readonly measured: MeasuredDrawing } | null = null;

/** Measures a drawing; one that is asked for again, with no record of it changed, once. */
export function measureDrawing(drawing: Drawing): MeasuredDrawing {
  if (last === null || !isSame(last.drawing, drawing)) last = { drawing, measured: measure(drawing) };
  return last.measured;
}
