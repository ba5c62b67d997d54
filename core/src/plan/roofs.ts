import { areaWhere } from '../geometry/area-where';
import type { Point } from '../geometry/point';
import { Refusal } from '../refusal';
import type { PlanIds } from './check-ids';
import type { PlanInput, PlanRoof } from './plan-input';
import type { LaidStorey } from './storeys';
import {
  cornersOf,
  measureWings,
  refuseUntiled,
  wingsAt,
  wingsOf,
  type SlopeFigures,
  type Strip,
} from './wings';

/** What is uncovered, or covered twice, and no more than that is nothing. */
const NOTHING_M2 = 0.01;

/** A wing of a sloping roof with what it comes to. */
export interface MeasuredWing {
  readonly id: string;
  readonly figures: SlopeFigures;
}

/** A roof, measured at the face at which figures are taken. */
export interface MeasuredRoof {
  readonly roof: PlanRoof;
  readonly storey: LaidStorey;
  /** Of what is uncovered of its storey, the part that it roofs. */
  readonly areaM2: number;
  /** Of a sloping one, wing by wing; empty for a flat one. */
  readonly wings: readonly MeasuredWing[];
  readonly strips: readonly Strip[];
}

interface Placed {
  readonly roof: PlanRoof;
  readonly i: number;
  readonly outline: readonly Point[] | null;
}

function refuseIncomplete({ kind, pitch, wings }: PlanRoof, field: string): void {
  if (kind !== 'slope' && kind !== 'monoSlope') return;
  if (pitch === undefined) throw new Refusal('required', `${field}.pitch`, 'Give its rise over run.');
  if (wings === undefined)
    throw new Refusal('required', `${field}.wings`, 'Give the rectangles that it is made of.');
}

/** Refuses two roofs over one part of a storey. */
function refuseBoth(placed: readonly Placed[]): void {
  placed.forEach(({ i, outline }, at) => {
    const others = placed.slice(0, at);
    const isTwice = others.some((other) =>
      outline === null || other.outline === null
        ? outline === other.outline
        : areaWhere([outline, other.outline], ([a, b]) => a === true && b === true) > NOTHING_M2,
    );
    if (isTwice) {
      throw new Refusal(
        'conflict',
        `roofs[${i}].outlineM`,
        'Another roof is over this part of the storey: give each its outline, one at most without.',
      );
    }
  });
}

/** The drawn outline of a storey, that of the one above, and of roofs: a place of the first alone is uncovered. */
function uncovered(laid: LaidStorey, upper: LaidStorey | undefined): readonly (readonly Point[])[] {
  return [laid.outline.drawn, upper?.outline.drawn ?? []];
}
const isUncovered = ([inStorey, inUpper]: readonly boolean[]): boolean =>
  inStorey === true && inUpper !== true;

/** Measures the roofs of one storey. */
function roofsOver(
  laid: LaidStorey,
  upper: LaidStorey | undefined,
  placed: readonly Placed[],
  { face, drawnAt }: PlanInput,
  index: number,
): readonly MeasuredRoof[] {
  const outlines = uncovered(laid, upper);
  const drawnM2 = areaWhere(outlines, isUncovered);
  const atFaceM2 = laid.areaM2 - laid.underAboveM2;
  const own = placed.flatMap(({ outline }) => (outline === null ? [] : [outline]));
  const shareOf = (outline: readonly Point[]) =>
    drawnM2 === 0
      ? 0
      : areaWhere([...outlines, outline], (isInside) => isUncovered(isInside) && isInside[2] === true) /
        drawnM2;
  const shared = own.reduce((sum, outline) => sum + shareOf(outline), 0);
  const isRest = placed.some(({ outline }) => outline === null);
  if (!isRest && (1 - shared) * drawnM2 > NOTHING_M2) {
    throw new Refusal(
      'roof-missing',
      `storeys[${index}]`,
      `${((1 - shared) * drawnM2).toFixed(2)} m² of this storey have neither a storey nor a roof above.`,
    );
  }
  return placed.map(({ roof, i, outline }): MeasuredRoof => {
    const field = `roofs[${i}]`;
    const areaM2 = atFaceM2 * (outline === null ? 1 - shared : shareOf(outline));
    const wings = wingsOf(roof, field);
    if (wings.length === 0) return { roof, storey: laid, areaM2, wings: [], strips: [] };
    // One with an outline roofs what lies in it; one without, what lies in none of the others'.
    const taken = outline === null ? own : [outline];
    const isOwn = (isInside: readonly boolean[]) =>
      isInside.slice(2, 2 + taken.length).includes(true) === (outline !== null);
    refuseUntiled(
      wings,
      [...outlines, ...taken],
      (isInside) => isUncovered(isInside) && isOwn(isInside),
      field,
    );
    const above = upper?.outline.walls ?? [];
    const atFace = wingsAt(wings, [...laid.outline.walls, ...above], face, drawnAt);
    const { figures, strips } = measureWings(roof, wings, atFace, above, field);
    const measuredWings = wings.flatMap(({ wing }, at) => {
      const found = figures[at];
      return found === undefined ? [] : [{ id: wing.id, figures: found }];
    });
    return { roof, storey: laid, areaM2, wings: measuredWings, strips };
  });
}

/**
 * Measures the roofs of a plan.
 * @example ((ids) => measureRoofs(examples['plan.sizes'], layStoreys(examples['plan.sizes'], ids), ids)[0].areaM2)(new PlanIds()) // 51.998…
 * @throws {Refusal} of ids and of what is missing, then storey by storey `conflict`, `roof-missing`, `wings-do-not-tile`
 */
export function measureRoofs(
  input: PlanInput,
  laid: readonly LaidStorey[],
  ids: PlanIds,
): readonly MeasuredRoof[] {
  input.roofs.forEach((roof, i) => {
    ids.takeRoof(roof, `roofs[${i}]`);
    refuseIncomplete(roof, `roofs[${i}]`);
  });
  return laid.flatMap((storey, index) => {
    const placed = input.roofs.flatMap((roof, i): Placed[] =>
      roof.storeyId === storey.storey.id
        ? [{ roof, i, outline: roof.outlineM === undefined ? null : cornersOf(roof.outlineM) }]
        : [],
    );
    refuseBoth(placed);
    return roofsOver(storey, laid[index + 1], placed, input, index);
  });
}
