import {
  newFeature,
  notStored,
  type FeatureBody,
  type FeatureUse,
  type Opening,
  type OpeningBody,
  type Plan,
  type PlanBody,
  type PlannedBuildUp,
  type Roof,
  type RoofBody,
  type Storey,
  type StoreyBody,
  type Wall,
  type Zone,
  type ZoneBody,
} from '@calvet/contract';
import { outlineBeside, type BesideWall } from '@calvet/contract/plan/beside-wall';
import { laidAgain, type RoofLay } from '@calvet/contract/plan/fit-wings';
import { planToBe } from '@calvet/contract/plan/item-key';
import { cornersOf, layOutline } from '@calvet/contract/plan/lay-outline';
import { newWall } from '@calvet/contract/plan/outline-shapes';
import type { Planned } from '@calvet/contract/plan/plan-input';
import { startingWorks } from '@calvet/contract/calendar/starting-works';
import { NEW_PLAN } from '@calvet/contract/plan/plan';
import type { Work } from '@calvet/contract/plan/work';
import type { WorkKind } from '@calvet/core';
import { idOf } from './ids';

/** A wall of the scenario: its length and turn, what is special about it, and the openings in it. */
export interface WallPlan extends Partial<Omit<Wall, 'id' | 'corner' | 'stretches'>> {
  readonly lengthM: number;
  readonly turnDeg: number;
  /** Rooms along it from its left end, each but the last with its length. */
  readonly rooms?: readonly (readonly [name: string, lengthM: number | null])[];
  readonly openings?: readonly (Partial<OpeningBody> & Pick<OpeningBody, 'use' | 'widthM' | 'heightM'>)[];
  /** A room beyond it. */
  readonly beyond?: BesideWall & Pick<ZoneBody, 'name' | 'use'>;
}

/** A storey of the scenario, and what closes it above. */
export interface StoreyPlan extends Partial<Omit<StoreyBody, 'outline' | 'level'>> {
  readonly name: string;
  readonly walls: readonly WallPlan[];
  readonly thicknessM: number;
  readonly roof: Pick<RoofBody, 'name'> & Partial<RoofBody> & { readonly lay?: RoofLay };
}

/** Something of the scenario that a house has: on a storey, a wall of it by its place in the outline, its roof, or the house. */
export type FeaturePlan = Partial<Omit<FeatureBody, 'on'>> & {
  readonly use: FeatureUse;
  readonly on: 'house' | readonly [storey: number, part: 'storey' | 'roof' | number];
};

/** A drawing of the scenario: its build-ups, how it is built, its storeys, the lowest first, and what it has. */
export interface HousePlan {
  readonly built: Partial<PlanBody>;
  readonly features: readonly FeaturePlan[];
  /** The works that are still to come: from which on, and when that begins. */
  readonly calendar?: { readonly start: string; readonly from: WorkKind };
  readonly buildUps: readonly Omit<PlannedBuildUp, 'id'>[];
  readonly storeys: readonly StoreyPlan[];
}

/** The works of a house as it is built that are still to come. */
function worksOf(
  { calendar, built }: HousePlan,
  houseId: string,
  idAt: (i: number) => string,
): readonly Work[] {
  if (calendar === undefined) return [];
  const { start, from } = calendar;
  const works = startingWorks({ ...NEW_PLAN, ...built }, () => false, houseId, start, idAt);
  const coming = works.slice(works.findIndex(({ body }) => body.what === from));
  return coming.map(({ id, body }, i) => ({
    ...body,
    ...(i === 0 ? { after: [], pinnedStart: start } : {}),
    ...notStored(id, houseId),
  }));
}

/** Draws a house of the scenario: the records that a device would have made, each with an id that stays. */
export function drawHouse(key: string, begun: string, plan: HousePlan): Planned {
  const houseId = idOf(key, begun);
  const id = (what: string): string => idOf(`${key} ${what}`, begun);
  const record = <Body>(what: string, body: Body) => ({ ...body, ...notStored(id(what), houseId) });
  const zones: Zone[] = [];
  const openings: Opening[] = [];

  const wallOf = (storey: string, thicknessM: number, wall: WallPlan, i: number): Wall => {
    const { rooms = [], openings: inIt = [], beyond: _, ...own } = wall;
    const what = `${storey} wall ${i}`;
    inIt.forEach((opening, n) => {
      openings.push(
        record(`${what} opening ${n}`, {
          name: null,
          on: id(what),
          totalM2: null,
          count: 1,
          alongM: null,
          buildUp: null,
          ...opening,
        }),
      );
    });
    return {
      ...newWall(wall.lengthM, wall.turnDeg, { thicknessM, boundary: 'outdoors' }),
      ...own,
      id: id(what),
      corner: id(`${what} corner`),
      stretches: rooms.map(([room, lengthM], n) => ({ id: id(`${what} room ${n}`), room, lengthM })),
    };
  };

  const storeys = plan.storeys.map(({ walls, thicknessM, roof: _, ...own }, level): Storey => {
    const storey = record(own.name, {
      level,
      heightM: 2.5,
      floorDepthM: 0,
      under: 'ground' as const,
      start: { xM: 0, yM: 0 },
      floorVoidM2: 0,
      countsAsFloor: true,
      ...own,
      outline: walls.map((wall, i) => wallOf(own.name, thicknessM, wall, i)),
    });
    layOutline(storey).forEach((laid, i) => {
      const beyond = walls[i]?.beyond;
      if (beyond === undefined) return;
      const { name, use, ...beside } = beyond;
      const outline = outlineBeside(laid, beside);
      zones.push(record(`${own.name} ${name}`, { name, use, storeyId: storey.id, outline }));
    });
    return storey;
  });

  const roofs = storeys.map((storey, level): Roof => {
    const { lay, ...own } = plan.storeys[level]?.roof ?? { name: '' };
    const part = {
      corners: cornersOf(storey),
      covers: storeys.slice(level + 1, level + 2).map(cornersOf),
    };
    const wings = lay === undefined ? [] : laidAgain([], part, lay, (at) => id(`roof ${level} wing ${at}`));
    if (wings === null) throw new Error(`No slopes fit over ${storey.name} of ${key}.`);
    return record(`roof ${level}`, {
      storeyId: storey.id,
      form: lay?.form ?? 'flatCeiling',
      outline: null,
      pitch: null,
      collarM: null,
      buildUp: null,
      ...own,
      wings,
    });
  });
  const drawn: Plan = {
    ...planToBe(houseId),
    ...plan.built,
    buildUps: plan.buildUps.map((buildUp) => ({ ...buildUp, id: id(`build-up ${buildUp.use}`) })),
  };
  const partOf = (on: FeaturePlan['on']): string => {
    if (on === 'house') return houseId;
    const [level, part] = on;
    const name = plan.storeys[level]?.name ?? '';
    if (part === 'roof') return id(`roof ${level}`);
    return part === 'storey' ? id(name) : id(`${name} wall ${part}`);
  };
  const features = plan.features.map(({ on, ...more }, i) =>
    record(`feature ${i}`, { ...newFeature(more.use, partOf(on)), ...more }),
  );
  const works = worksOf(plan, houseId, (i) => id(`work ${i}`));
  return { plans: [drawn], storeys, zones, roofs, openings, features, works };
}
