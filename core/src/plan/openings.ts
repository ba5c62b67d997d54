import { exceeds } from '../finding';
import { Refusal } from '../refusal';
import type { PlanInput, PlanOpening } from './plan-input';
import type { LaidStorey } from './storeys';

/** An opening, or several alike. */
export interface MeasuredOpening {
  readonly id: string;
  /** The wall or the roof that it lies in. */
  readonly on: string;
  readonly areaM2: number;
  readonly frameM: number;
}

/** Openings given one by one, or by what several come to. */
function sizeOf(opening: PlanOpening, field: string): { readonly areaM2: number; readonly frameM: number } {
  const { widthM, heightM, totalM2, count } = opening;
  if (totalM2 !== undefined) {
    if (widthM !== undefined || heightM !== undefined) {
      throw new Refusal(
        'conflict',
        `${field}.totalM2`,
        'Give the size of one, or the area of all, not both.',
      );
    }
    if (count === undefined) throw new Refusal('required', `${field}.count`, 'Say how many they are.');
    return { areaM2: totalM2, frameM: 4 * Math.sqrt(totalM2 / count) * count };
  }
  if (widthM === undefined) throw new Refusal('required', `${field}.widthM`, 'Give its width.');
  if (heightM === undefined) throw new Refusal('required', `${field}.heightM`, 'Give its height.');
  const many = count ?? 1;
  return { areaM2: widthM * heightM * many, frameM: 2 * (widthM + heightM) * many };
}

/**
 * Measures the openings of a plan.
 * @example measureOpenings(examples['plan.sizes'], layStoreys(examples['plan.sizes'], new PlanIds()))[0].areaM2 // 3.36
 * @throws {Refusal} `opening-exceeds-wall`, and what is missing
 */
export function measureOpenings(
  { openings = [] }: PlanInput,
  storeys: readonly LaidStorey[],
): readonly MeasuredOpening[] {
  const walls = new Map(
    storeys.flatMap(({ storey, walls: laid }) =>
      laid.map(({ wall, lengthM }) => [wall.id, { lengthM, heightM: storey.heightM }] as const),
    ),
  );
  const taken = new Map<string, number>();
  return openings.map((opening, i): MeasuredOpening => {
    const size = sizeOf(opening, `openings[${i}]`);
    const measured = { id: opening.id, on: opening.on, ...size };
    const wall = walls.get(opening.on);
    if (wall === undefined) return measured;
    const together = (taken.get(opening.on) ?? 0) + size.areaM2;
    taken.set(opening.on, together);
    const exceeding =
      exceeds(opening.widthM ?? 0, wall.lengthM) ||
      exceeds(opening.heightM ?? 0, wall.heightM) ||
      exceeds(together, wall.lengthM * wall.heightM);
    if (exceeding) {
      throw new Refusal(
        'opening-exceeds-wall',
        `openings[${i}]`,
        `This does not fit: its wall is ${wall.lengthM.toFixed(2)} m by ${wall.heightM.toFixed(2)} m.`,
      );
    }
    return measured;
  });
}
