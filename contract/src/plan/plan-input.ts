import type { PlanInput } from '@calvet/core/plan/plan-input';
import type { Feature } from './feature';
import type { Opening } from './opening';
import { NEW_PLAN, type Plan, type PlanBody } from './plan';
import { isSloping, type Roof, type Wing, type WingEnd } from './roof';
import type { PlanPlace, Storey, Wall } from './storey';
import type { Work } from './work';
import type { Zone } from './zone';

/** What of a house was drawn. */
export interface Drawing {
  readonly plans: readonly Plan[];
  readonly storeys: readonly Storey[];
  readonly zones: readonly Zone[];
  readonly roofs: readonly Roof[];
  readonly openings: readonly Opening[];
}

/** What of a house was drawn, and what was put into it. */
export interface Planned extends Drawing {
  readonly features: readonly Feature[];
  readonly works: readonly Work[];
}

/** Storeys as they stand on each other, the lowest first. */
export const inLevels = (storeys: readonly Storey[]): readonly Storey[] =>
  [...storeys].sort((a, b) => a.level - b.level || (a.id < b.id ? -1 : 1));

/** How a house is drawn, where that was set. */
export const planOf = ({ plans }: Pick<Drawing, 'plans'>): PlanBody => plans[0] ?? NEW_PLAN;

/** What there is none of is left out of what core is given. */
export const orLeftOut = <T>(value: T | null): T | undefined => value ?? undefined;
const place = ({ xM, yM }: PlanPlace): readonly [number, number] => [xM, yM];

const wallInput = (wall: Wall): PlanInput['storeys'][number]['walls'][number] => ({
  id: wall.id,
  lengthM: wall.lengthM,
  turnDeg: wall.turnDeg,
  thicknessM: wall.thicknessM,
  boundary: wall.boundary,
  concreteM: orLeftOut(wall.concreteM),
  groundStartM: orLeftOut(wall.groundStartM),
  groundEndM: orLeftOut(wall.groundEndM),
  throughFloor: wall.throughFloor,
});

const endInput = (end: WingEnd): string => (end.kind === 'joins' ? `joins:${end.wing}` : end.kind);

function wingInput(
  { id, x0M, x1M, y0M, y1M, ridge, lower, higher, low }: Wing,
  form: Roof['form'],
): NonNullable<PlanInput['roofs'][number]['wings']>[number] {
  const rectM = [x0M, x1M, y0M, y1M] as const;
  return form === 'monoSlope'
    ? { id, rectM, low }
    : { id, rectM, ridge, ends: [endInput(lower), endInput(higher)] };
}

function roofInput({ id, storeyId, form, outline, pitch, collarM, wings }: Roof): PlanInput['roofs'][number] {
  const hasWings = isSloping(form);
  return {
    id,
    storeyId,
    kind: form,
    outlineM: outline?.map(place),
    pitch: hasWings ? orLeftOut(pitch) : undefined,
    collarM: form === 'slope' ? orLeftOut(collarM) : undefined,
    wings: hasWings && wings.length > 0 ? wings.map((wing) => wingInput(wing, form)) : undefined,
  };
}

const openingInput = ({
  id,
  on,
  widthM,
  heightM,
  totalM2,
  count,
}: Opening): NonNullable<PlanInput['openings']>[number] => ({
  id,
  on,
  widthM: orLeftOut(widthM),
  heightM: orLeftOut(heightM),
  totalM2: orLeftOut(totalM2),
  count,
});

/**
 * A drawing as the computation of its sizes takes it; null where no storey was drawn. What belongs to a storey, a wall or a roof
 * that was deleted is not in it.
 */
export function planInputOf(drawing: Drawing): PlanInput | null {
  const { face, drawnAt } = planOf(drawing);
  const storeys = inLevels(drawing.storeys);
  if (storeys.length === 0) return null;
  const isHere = ({ storeyId }: { readonly storeyId: string }) => storeys.some(({ id }) => id === storeyId);
  const roofs = drawing.roofs.filter(isHere);
  const bearers = new Set([
    ...storeys.flatMap(({ outline }) => outline.map(({ id }) => id)),
    ...roofs.map(({ id }) => id),
  ]);
  return {
    face,
    drawnAt,
    storeys: storeys.map(
      ({ id, heightM, floorDepthM, under, start, outline, floorVoidM2, countsAsFloor }) => ({
        id,
        heightM,
        floorDepthM,
        under,
        startM: place(start),
        walls: outline.map(wallInput),
        zones: drawing.zones
          .filter(({ storeyId }) => storeyId === id)
          .map((zone) => ({ id: zone.id, kind: zone.use, outlineM: zone.outline.map(place) })),
        floorVoidM2,
        countsAsFloor,
      }),
    ),
    roofs: roofs.map(roofInput),
    openings: drawing.openings.filter(({ on }) => bearers.has(on)).map(openingInput),
  };
}
