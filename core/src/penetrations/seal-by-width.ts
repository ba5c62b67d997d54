import type { PenetrationThrough } from './penetration-words';

/** What rules say where the width decides. */
export const BY_WIDTH = 'Seal by the width of the gap';

/** By the widest gap that it is for, in mm. */
const SEALS: readonly (readonly [upToMm: number, seal: string])[] = [
  [6, 'Sealant that stays soft'],
  [25, 'Low-expansion foam, or backer and sealant'],
  [75, 'Fill or backer, then an airtight layer over it'],
  [Infinity, 'Rigid patch with sealed edges'],
];

/** What closes a hole: a sheet asks for its own, else it goes by the width; without a width nothing can be said. */
function sealByWidth(through: PenetrationThrough, gapMm: number | undefined): string | null {
  if (through === 'sheet') return 'Collar, or patch with all edges taped';
  if (gapMm === undefined) return null;
  return SEALS.find(([upToMm]) => gapMm <= upToMm)?.[1] ?? null;
}

const small = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/**
 * What is to be done, with the seal named wherever the width decides it and is known.
 * @example withSealByWidth('Take it out; seal by the width of the gap', 'board', 4) // 'Take it out; sealant that stays soft'
 */
export function withSealByWidth(
  instead: string,
  through: PenetrationThrough,
  gapMm: number | undefined,
): string {
  const seal = sealByWidth(through, gapMm);
  if (seal === null) return instead;
  return instead.replace(BY_WIDTH, seal).replace(small(BY_WIDTH), small(seal));
}
