import type { SchoolWord } from '../catalogue/catalogue';
import { planOf } from '../plan/plan-input';
import { schoolsOver, type Insulation, type Schools } from '../plan/schools';
import { isConcrete } from '../plan/storey';
import type { Anchor, HouseMap, MappedArea } from './house-map';

/** How each part of a house is built, in words of the catalogue. */
export interface SchoolsHere {
  readonly ofArea: (area: MappedArea) => Schools;
  readonly ofWall: (wall: string) => Schools;
  readonly ofRoof: (roof: string) => Schools;
  readonly ofFloor: (storey: string) => Schools;
}

/** The words of the catalogue that a way to build answers to. */
export function wordsOf(schools: Schools): ReadonlySet<SchoolWord> {
  const { airBarrier, vapour, framing, insulation, sealsSeams, hasServiceSpace } = schools;
  const words = new Set<SchoolWord>(insulation ?? []);
  for (const word of [airBarrier, vapour, framing]) if (word !== null) words.add(word);
  if (sealsSeams === true) words.add('frameSealSeams');
  if (hasServiceSpace === true) words.add('frameServiceSpace');
  return words;
}

export const togetherOf = (all: readonly ReadonlySet<SchoolWord>[]): ReadonlySet<SchoolWord> =>
  new Set(all.flatMap((words) => [...words]));

/** How each part of a house is built: the wall or roof by itself, else its storey, else the house. */
export function schoolsHere({
  planned,
  wallOf,
  roofOf,
}: Pick<HouseMap, 'planned' | 'wallOf' | 'roofOf'>): SchoolsHere {
  const { schools: house, insulationAbove, insulationBelow, schoolsAt } = planOf(planned);
  const own = new Map(schoolsAt.map((each) => [each.id, each]));
  const onStorey = (storeyId: string | null) => schoolsOver(own.get(storeyId ?? ''), house);

  /** What insulates above or below is said for the house by itself, and is there whatever its walls have. */
  const filledWith = (schools: Schools, insulation: readonly Insulation[] | null): Schools =>
    insulation === null ? schools : { ...schools, insulation };

  const ofWall = (id: string): Schools => {
    const found = wallOf.get(id);
    if (found === undefined) return house;
    const schools = onStorey(found.storey.id);
    // Nothing is framed, and nothing sheathed, where all of a wall is concrete, unless somebody says so of this very wall.
    const asBuilt: Schools = isConcrete(found.wall, found.storey)
      ? {
          ...schools,
          framing: null,
          sealsSeams: false,
          airBarrier: schools.airBarrier === 'barrierOuterSheathing' ? null : schools.airBarrier,
        }
      : schools;
    return schoolsOver(own.get(id), asBuilt);
  };
  const ofRoof = (id: string): Schools => {
    const found = roofOf.get(id);
    const schools = filledWith(onStorey(found?.storeyId ?? null), insulationAbove);
    // Roofs of houses with walls of masonry are timber, unless somebody says otherwise.
    const asBuilt = schools.framing === 'frameMasonry' ? { ...schools, framing: null } : schools;
    return schoolsOver(own.get(id), asBuilt);
  };
  const ofFloor = (storeyId: string): Schools => filledWith(onStorey(storeyId), insulationBelow);
  return {
    ofWall,
    ofRoof,
    ofFloor,
    ofArea: ({ kind, at }: { readonly kind: MappedArea['kind']; readonly at: Anchor }) => {
      if (at.wall !== null) return ofWall(at.wall);
      // A gable is a wall: it has what insulates the walls.
      if (at.roof !== null && kind === 'wall') return schoolsOver(own.get(at.roof), onStorey(at.storeyId));
      if (at.roof !== null) return ofRoof(at.roof);
      return at.storeyId === null ? house : ofFloor(at.storeyId);
    },
  };
}
