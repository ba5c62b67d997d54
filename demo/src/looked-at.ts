import type { VerdictBody, VerdictValue } from '@calvet/contract/walk/verdict';
import type { PenetrationBody } from '@calvet/contract/walk/penetration';
import { newMend, type MendBody } from '@calvet/contract/walk/mend';
import { itemKey } from '@calvet/contract/plan/item-key';
import type { Phase } from '@calvet/contract/plan/own-checkpoint';
import type { Storey, Wall } from '@calvet/contract';
import { idOf } from './ids';

/** What somebody found on a first walk through a house of the scenario. */
export interface LookedAt {
  readonly verdicts: readonly VerdictBody[];
  readonly penetrations: readonly PenetrationBody[];
  readonly leaks: readonly MendBody[];
}

export const NOTHING_LOOKED_AT: LookedAt = { verdicts: [], penetrations: [], leaks: [] };

/** Version of the catalogue that the scenario was looked at by. */
const CATALOGUE_VERSION = 2;

const wallName = ({ name: storey }: Storey, { name }: Wall): string => `${storey}, ${name ?? 'wall'}`;

/** The stop of the walk before a wall: its first stretch, where it has rooms. */
const stopAt = ({ id, stretches }: Wall): string =>
  stretches[0] === undefined ? itemKey.wall(id) : `stretch/${stretches[0].id}`;

/** The ground floor looked at before fill, its sills and seams, with two mends; its floor and its last wall are left. */
export function groundFloorLookedAt(
  [ground, upper]: readonly Storey[],
  { day, name }: { readonly day: string; readonly name: string },
): LookedAt {
  if (ground === undefined || upper === undefined) return NOTHING_LOOKED_AT;
  const found = (
    checkpoint: string,
    item: string,
    placeName: string,
    value: VerdictValue = 'good',
    reason?: string,
    phase: Phase = 'beforeFill',
  ): VerdictBody => ({
    value,
    checkpoint,
    item,
    catalogueVersion: CATALOGUE_VERSION,
    phase,
    looked: 'onSite',
    seenOn: day,
    photo: null,
    reasons: reason === undefined ? [] : [{ name: reason }],
    note: null,
    readings: [],
    placeName,
    follows: [],
  });
  const walked = ground.outline.slice(0, -1);
  const ofWalls = walked.flatMap((wall, i): readonly VerdictBody[] => {
    const place = wallName(ground, wall);
    const area = wall.boundary === 'neighbour' ? `${place} to neighbour` : place;
    const [foot, face] = [itemKey.junction('foot', [wall.id]), itemKey.wall(wall.id)];
    return [
      found('concrete-top-flat', foot, `${place}: foot`),
      i === 1
        ? found('sill-gasket-and-lines', foot, `${place}: foot`, 'mend', 'A sealant line missing')
        : found('sill-gasket-and-lines', foot, `${place}: foot`),
      found('sill-bolts-tight', foot, `${place}: foot`),
      found('concrete-to-sheathing-seal', foot, `${place}: foot`),
      found('stud-and-header-seams', face, place),
      found('plate-seams-sealed', face, place),
      found('corner-open-for-fill', face, place),
      found('barrier-can-be-shown', face, area),
    ];
  });
  const ofRims = upper.outline.flatMap((wall, i): readonly VerdictBody[] => {
    const place = wallName(upper, wall);
    const [head, rim] = [itemKey.junction('rimHead', [wall.id]), itemKey.rim(wall.id)];
    return [
      i === 2
        ? found('rim-joints-sealed', head, `${place}: head of the rim`, 'mend', 'Splice not sealed')
        : found('rim-joints-sealed', head, `${place}: head of the rim`),
      found('barrier-can-be-shown', rim, `${upper.name}, rim under ${wall.name ?? 'wall'}`),
    ];
  });
  const [first, second] = walked;
  const hole = (more: Pick<PenetrationBody, 'what' | 'count' | 'gapMm'> & Partial<PenetrationBody>) =>
    first === undefined
      ? []
      : [
          {
            through: 'board',
            item: itemKey.wall(first.id),
            stop: stopAt(first),
            placeName: wallName(ground, first),
            planned: null,
            perimeterMm: null,
            seals: [],
            flags: [],
            made: 'made',
            seenOn: day,
            decided: null,
            leakM3H: null,
            note: null,
            ...more,
          } satisfies PenetrationBody,
        ];
  const seal = (of: PenetrationBody['seals'][number]['seal']): PenetrationBody['seals'] => [
    { id: idOf(`${name} seal ${of}`, day), plane: 'barrier', phase: 'beforeFill', seal: of },
  ];
  return {
    verdicts: [...ofWalls, ...ofRims],
    penetrations: [
      ...hole({ what: 'cable', count: 4, gapMm: 3, seals: seal('softSealant') }),
      ...hole({ what: 'box', count: 3, gapMm: null, seals: seal('boxFilled') }),
      ...hole({ what: 'duct', count: 1, gapMm: 50, seals: seal('fibre') }),
    ],
    leaks:
      second === undefined
        ? []
        : [
            {
              ...newMend(wallName(ground, second), day),
              item: itemKey.wall(second.id),
              stop: stopAt(second),
              what: 'Open joint',
              why: 'Cold air at the foot of the stair while the fan ran.',
              trade: 'carpenter',
              gapMm: 6,
              lengthMm: 1200,
              isUnderFan: true,
            },
          ],
  };
}
