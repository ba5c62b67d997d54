import { WINGS_WRONG_M2 } from '@calvet/core';
import { areaWhere } from '@calvet/core/geometry/area-where';
import { v5 } from 'uuid';
import { laidAgain, type RoofedPart } from './fit-wings';
import { cornersOf, gapOf } from './lay-outline';
import { inLevels, type Drawing } from './plan-input';
import type { Roof, Wing, WingEnd } from './roof';
import { filledOver } from './undrawn';

type Roofed = Pick<Drawing, 'storeys' | 'roofs'>;

/**
 * What a roof is over: its own outline, or all of its storey that no storey and no other roof lies over. Null where an outline
 * that bounds it does not close.
 */
export function partUnder({ storeys, roofs }: Roofed, roof: Roof): RoofedPart | null {
  const levels = inLevels(storeys);
  const at = levels.findIndex(({ id }) => id === roof.storeyId);
  const [storey, upper] = [levels[at], levels[at + 1]];
  if (storey === undefined || [storey, upper].some((each) => each !== undefined && gapOf(each) !== null))
    return null;
  const others = roofs.flatMap(({ storeyId, outline }) =>
    roof.outline === null && storeyId === storey.id && outline !== null ? [outline] : [],
  );
  return {
    corners: roof.outline ?? cornersOf(storey),
    covers: [...(upper === undefined ? [] : [cornersOf(upper)]), ...others],
  };
}

/** True where each place of a part is under one wing, and no other place under any. */
function tile(wings: readonly Wing[], { corners, covers }: RoofedPart): boolean {
  const boxes = wings.map(({ x0M, x1M, y0M, y1M }) => [
    { xM: x0M, yM: y0M },
    { xM: x0M, yM: y1M },
    { xM: x1M, yM: y1M },
    { xM: x1M, yM: y0M },
  ]);
  const outlines = [...boxes, corners, ...covers].map((places) =>
    places.map(({ xM, yM }) => ({ x: xM, y: yM })),
  );
  const wrongM2 = areaWhere(outlines, (isInside) => {
    const over = isInside.slice(0, boxes.length).filter(Boolean).length;
    const [isPart, ...isCovered] = isInside.slice(boxes.length);
    return over !== (isPart === true && !isCovered.includes(true) ? 1 : 0);
  });
  return wrongM2 <= WINGS_WRONG_M2;
}

/** Wings that are more than the roof had get ids that follow from it: each time, and on every device, the same. */
function withSteadyIds({ id: roofId, wings: kept }: Roof, wings: readonly Wing[]): readonly Wing[] {
  const ids = new Map(
    wings.map(({ id }, i) => [id, kept[i] === undefined ? v5(`wing/${roofId}/${i}`, v5.URL) : id]),
  );
  const idOf = (id: string): string => ids.get(id) ?? id;
  const endOf = (end: WingEnd): WingEnd => (end.kind === 'joins' ? { ...end, wing: idOf(end.wing) } : end);
  return wings.map((wing) => ({
    ...wing,
    id: idOf(wing.id),
    lower: endOf(wing.lower),
    higher: endOf(wing.higher),
  }));
}

function asLaid(drawing: Roofed, roof: Roof): Roof {
  const { form, wings } = roof;
  if ((form !== 'slope' && form !== 'monoSlope') || wings.length === 0) return roof;
  const part = partUnder(drawing, roof);
  if (part === null || tile(wings, part)) return roof;
  const lay = { form, low: wings[0]?.low ?? 'y0' } as const;
  // The ridge stays the way it runs, where it can.
  const again = laidAgain(wings, part, { ...lay, run: wings[0]?.ridge }) ?? laidAgain(wings, part, lay);
  return again === null ? roof : filledOver(roof, { ...roof, wings: withSteadyIds(roof, again) });
}

/**
 * Roofs with their slopes where the walls are now: those of a storey whose outline has changed since are laid as they were
 * meant, by the same ridge, ends and ids. As they are kept where they still lie on all of it, or no slopes fit.
 */
export function roofsAsLaid(drawing: Roofed): readonly Roof[] {
  const laid = drawing.roofs.map((roof) => asLaid(drawing, roof));
  return laid.every((roof, i) => roof === drawing.roofs[i]) ? drawing.roofs : laid;
}
