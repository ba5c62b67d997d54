import { NEW_PLAN, type StoreyBody, type Wall } from '@calvet/contract';
import { planId } from '@calvet/contract/plan/item-key';
import { newWall } from '@calvet/contract/plan/outline-shapes';
import { v7 } from 'uuid';
import { create, post, sampleHouse } from './measured';

export const STOREYS = 3;
/** Teeth of the comb that each storey is from above: four walls each. */
const TEETH = 5;
/** Walls of all storeys. */
export const WALLS = STOREYS * (4 * TEETH + 1);

/** An outline of many walls at right angles, with rooms along each. */
function comb(): readonly Wall[] {
  const widthM = 2 * TEETH - 1;
  const wall = (lengthM: number, turnDeg: number): Wall => ({
    ...newWall(lengthM, turnDeg, { thicknessM: 0.2, boundary: 'outdoors' }),
    stretches: Array.from({ length: 3 }, (_, i) => ({ id: v7(), room: `Room ${i + 1}`, lengthM: null })),
  });
  const teeth = Array.from({ length: TEETH }, (_, i) => [
    wall(4, 90),
    wall(1, 90),
    ...(i === TEETH - 1 ? [] : [wall(4, -90), wall(1, -90)]),
  ]).flat();
  return [wall(widthM, 90), wall(4, 0), ...teeth, wall(8, 90)];
}

/** A house of many walls that was drawn and sent. */
export interface CombHouse {
  readonly houseId: string;
  /** Ids of the stretches of its lowest storey: each is a stop of the walk. */
  readonly stretches: readonly string[];
}

/** Draws a house of many walls and sends it to a server. */
export async function combHouse(server: string): Promise<CombHouse> {
  const houseId = v7();
  const outlines = Array.from({ length: STOREYS }, comb);
  const storeys = outlines.flatMap((outline, level) => {
    const id = v7();
    const body: StoreyBody = {
      name: `Storey ${level}`,
      level,
      heightM: 2.5,
      floorDepthM: level === 0 ? 0 : 0.3,
      under: level === 0 ? 'ground' : 'outdoors',
      start: { xM: 0, yM: 0 },
      outline,
      floorVoidM2: 0,
      countsAsFloor: true,
    };
    const roof = {
      name: `Roof ${level}`,
      storeyId: id,
      form: 'flatCeiling' as const,
      outline: null,
      pitch: null,
      collarM: null,
      wings: [],
      buildUp: null,
    };
    return [create('storey', body, id), create('roof', roof)];
  });
  const asDrawn = {
    volumeM3: null,
    floorAreaM2: null,
    envelopeAreaM2: null,
    heightM: null,
    storeys: null,
  };
  await post(server, houseId, [
    create('house', { ...sampleHouse, ...asDrawn, name: 'Comb' }, houseId),
    create('plan', NEW_PLAN, planId(houseId)),
    ...storeys,
  ]);
  const stretches = (outlines[0] ?? []).flatMap((wall) => wall.stretches.map(({ id }) => id));
  return { houseId, stretches };
}
