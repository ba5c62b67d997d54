import { v5 } from 'uuid';
import { laidAgain, type RoofedPart } from './fit-wings';
import { cornersOf, gapOf } from './lay-outline';
import { measureDrawing } from './measured-drawing';
import { inLevels, type Drawing } from './plan-input';
import { isSloping, type Roof } from './roof';
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

/** A roof whose slopes lie where the walls are now; null where none fit. */
function laidAnew(drawing: Roofed, roof: Roof): Roof | null {
  const { form, wings } = roof;
  const part = partUnder(drawing, roof);
  if (part === null || !isSloping(form)) return null;
  const lay = { form, low: wings[0]?.low ?? 'y0' } as const;
  // Each time, and on every device, the same.
  const idOfNew = (at: number): string => v5(`wing/${roof.id}/${at}`, v5.URL);
  // The ridge stays the way it runs, where it can.
  const again =
    laidAgain(wings, part, { ...lay, run: wings[0]?.ridge }, idOfNew) ?? laidAgain(wings, part, lay, idOfNew);
  return again && filledOver(roof, { ...roof, wings: again });
}

/**
 * Roofs with their slopes where the walls are now: of those whose slopes core refuses, since the outline has changed, they are
 * laid as they were meant, by the same ridge, ends and ids. As they are kept where it takes them, or none fit.
 */
export function roofsAsLaid(drawing: Drawing): readonly Roof[] {
  let { roofs } = drawing;
  const tried = new Set<string>();
  for (;;) {
    const measured = measureDrawing({ ...drawing, roofs });
    const isOff = measured.state === 'refused' && measured.refusal.code === 'wings-do-not-tile';
    const off = isOff ? roofs.find(({ id }) => id === measured.at?.id) : undefined;
    const laid = off === undefined || tried.has(off.id) ? null : laidAnew({ ...drawing, roofs }, off);
    if (off === undefined || laid === null) return roofs;
    tried.add(off.id);
    roofs = roofs.map((roof) => (roof === off ? laid : roof));
  }
}
