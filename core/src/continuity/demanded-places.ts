import type { EnvelopeKind } from '../envelope-kind';

/** What of an area decides the places at which it must be joined. */
export interface AreaEdges {
  readonly kind: EnvelopeKind;
  /** Of a floor, ceiling or roof; four where left out. */
  readonly sides?: number;
  readonly openings?: readonly string[];
  /** Walls and floors that run into the area. */
  readonly abutments?: readonly string[];
}

const FOUR_SIDES = 4;

/**
 * The places at which an area must be joined, in the order in which one meets them.
 * @example demandedPlaces({ kind: 'wall', openings: ['door'] }) // ['bottom', 'left', 'opening:door', 'right', 'top']
 */
export function demandedPlaces({
  kind,
  sides = FOUR_SIDES,
  openings = [],
  abutments = [],
}: AreaEdges): readonly string[] {
  const inner = [
    ...openings.map((name) => `opening:${name}`),
    ...abutments.map((name) => `abutment:${name}`),
  ];
  switch (kind) {
    case 'wall':
    case 'atticWall':
    case 'foundationWall':
    case 'rim':
      return ['bottom', 'left', ...inner, 'right', 'top'];
    case 'opening':
      return ['frame', ...inner];
    case 'floor':
    case 'slab':
    case 'ceiling':
    case 'roof':
      return [...Array.from({ length: sides }, (_, i) => `side:${i + 1}`), ...inner];
  }
}
