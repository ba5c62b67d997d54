import type { FeatureUse } from '../plan/feature';
import { AIR_BARRIER_WORDS, type Schools } from '../plan/schools';
import { placeWords } from './features-here';
import type { Anchor, HouseMap } from './house-map';
import { anchorOn } from './junction-items';
import type { SchoolsHere } from './schools-here';

/** What of a plan cannot all be so, and what to do about it. */
export interface Contradiction {
  /** The part or the feature that it is found at; null: the house. */
  readonly id: string | null;
  readonly text: string;
}

interface Rule {
  readonly holds: (schools: Schools) => boolean;
  readonly text: string;
}

const has = (
  { insulation }: Schools,
  ...words: readonly NonNullable<Schools['insulation']>[number][]
): boolean => insulation?.some((word) => words.includes(word)) === true;

/** What of one way to build does not go with another. */
const OF_SCHOOLS: readonly Rule[] = [
  {
    holds: ({ airBarrier, framing }) =>
      airBarrier === 'barrierMasonryCoat' && framing !== null && framing !== 'frameMasonry',
    text: 'A coat is the air barrier, and nothing is masonry: choose masonry, or another air barrier.',
  },
  {
    holds: ({ airBarrier, framing }) => airBarrier === 'barrierOuterSheathing' && framing === 'frameMasonry',
    text: 'Outer sheathing is the air barrier, and the walls are masonry: choose a coat, or another frame.',
  },
  {
    holds: ({ vapour, airBarrier }) =>
      vapour === 'vapourInnerSheathing' && airBarrier !== null && airBarrier !== 'barrierInnerSheathing',
    text: `Inner sheathing holds vapour back, and ${AIR_BARRIER_WORDS.barrierInnerSheathing.toLowerCase()} is not the air barrier: say which board it is.`,
  },
  {
    holds: (schools) =>
      schools.vapour === 'vapourFoamFirst' &&
      schools.insulation !== null &&
      !has(schools, 'fillFoam', 'fillHybrid'),
    text: 'Foam first is to hold vapour back, and nothing is foamed: add foam, or choose another way.',
  },
  {
    holds: (schools) => schools.framing === 'frameMasonry' && schools.sealsSeams === true,
    text: 'Framing seams are to be sealed, and the walls are masonry: leave the seams out.',
  },
  {
    holds: (schools) => has(schools, 'fillLoose'),
    text: 'Loose fill does not stay in a wall: choose how it is held, or batts.',
  },
];

/** What two features may not be at once, on one roof. */
const TOGETHER: readonly (readonly [FeatureUse, FeatureUse, string])[] = [
  [
    'roofLineInsulated',
    'ventedEaves',
    'The roof deck is insulated with the attic indoors, and its eaves are vented: outdoor air would be let into the house. Keep one.',
  ],
];

const hasFloorFrame = ({ storeyOf }: HouseMap, { storeyId }: Anchor): boolean => {
  const place = storeyOf.get(storeyId ?? '');
  return place === undefined || place.storey.floorDepthM > 0;
};

/** Finds what contradicts itself in how a house is built and what it has. */
export function contradictions(map: HouseMap, schools: SchoolsHere): readonly Contradiction[] {
  const found: Contradiction[] = [];
  const said = new Set<string>();
  for (const { wall, name } of map.storeys.flatMap(({ walls }) => walls)) {
    const here = schools.ofWall(wall.id);
    for (const { holds, text } of OF_SCHOOLS) {
      if (!holds(here) || said.has(text)) continue;
      said.add(text);
      found.push({ id: wall.id, text: `${name}: ${text}` });
    }
  }
  const { features } = map.planned;
  for (const { id, use, on, alongM } of features) {
    const at = anchorOn(on, alongM, map);
    const where = placeWords(at, map);
    const add = (text: string) => found.push({ id, text: where === '' ? text : `${where}: ${text}` });
    const built = at.wall === null ? null : schools.ofWall(at.wall);
    const isMasonry = (built ?? schools.ofFloor(at.storeyId ?? '')).framing === 'frameMasonry';
    const isConcrete = at.wall !== null && map.wallOf.get(at.wall)?.key.endsWith('/low') === true;
    if ((use === 'joistHangersInMasonry' || use === 'ledgerOnMasonry') && !isMasonry && !isConcrete)
      add('Joists are fixed to masonry, and the walls are none: choose masonry there, or leave it out.');
    if (use === 'bathOnFramedFloor' && !hasFloorFrame(map, at))
      add('A bathroom on a framed floor, and this floor is a slab: move it, or give the floor its depth.');
    if (use === 'parapet' && at.roof !== null && map.roofOf.get(at.roof)?.form !== 'flatRoof')
      add('A parapet, and this roof is not flat: move it to the flat roof.');
    if (
      use === 'basementStair' &&
      !map.storeys.some(({ isInGround, storey }) => isInGround || storey.under === 'unheated')
    )
      add('A stair down, and there is nothing below to go to: draw the cellar, or leave the stair out.');
    for (const [one, other, text] of TOGETHER)
      if (use === one && features.some((each) => each.use === other && each.on === on)) add(text);
  }
  return found;
}
