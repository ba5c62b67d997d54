import { v7 } from 'uuid';
import type { Bodies } from '../kinds';
import { ownFields, type Stored } from '../record';
import { itemKey, planId } from './item-key';
import { mirrored } from './outline-edits';
import type { Opening } from './opening';
import type { PlanBody } from './plan';
import type { Planned } from './plan-input';
import type { Roof, Wing, WingEnd } from './roof';
import { daysTo, shiftedDay } from './shifted-days';
import type { PlanPlace, Storey, Wall } from './storey';

/** Kinds of record that a drawing is made of, in the order in which they are made. */
type DrawnKind = 'plan' | 'storey' | 'zone' | 'roof' | 'opening' | 'feature' | 'work';

/** A record of a drawing that is to be made. */
export type DrawnRecord = {
  readonly [K in DrawnKind]: { readonly kind: K; readonly id: string; readonly body: Bodies[K] };
}[DrawnKind];

/** A drawing under ids of its own, and what each thing in it is called now. */
export interface CopiedDrawing {
  /** What others point to comes first. */
  readonly records: readonly DrawnRecord[];
  readonly idOf: ReadonlyMap<string, string>;
}

interface CopyOptions {
  /** Left and right change places. */
  readonly isMirrored?: boolean;
  /** The day on which its first work begins, YYYY-MM-DD: all days that were set move along. Null: none is set. */
  readonly startsOn?: string | null;
}

/** Every id in a drawing, with a new one for it. */
class NewIds {
  readonly all = new Map<string, string>();

  /** Of something that is copied. */
  take = (id: string): string => {
    const known = this.all.get(id) ?? v7();
    this.all.set(id, known);
    return known;
  };
}

const body = <K extends DrawnKind>(record: Stored<Bodies[K]>): Bodies[K] =>
  ownFields(record) as unknown as Bodies[K];

const placeIn =
  (isMirrored: boolean) =>
  (place: PlanPlace): PlanPlace =>
    isMirrored ? { ...place, xM: -place.xM } : place;

/** An outline that is no chain of walls: it runs the same way round in a mirror, from its other end. */
const cornersIn = (isMirrored: boolean, outline: readonly PlanPlace[]): readonly PlanPlace[] =>
  isMirrored ? outline.map(placeIn(true)).reverse() : outline;

function wingIn(isMirrored: boolean, wing: Wing): Wing {
  if (!isMirrored) return wing;
  const isAcross = wing.ridge === 'x';
  const low = { x0: 'x1', x1: 'x0', y0: 'y0', y1: 'y1' } as const;
  return {
    ...wing,
    x0M: -wing.x1M,
    x1M: -wing.x0M,
    lower: isAcross ? wing.higher : wing.lower,
    higher: isAcross ? wing.lower : wing.higher,
    low: low[wing.low],
  };
}

/**
 * Copies a drawing for another house: everything under new ids, pointing to each other as before; in a mirror, if that is
 * wished.
 * @param houseId of the house that it is for
 */
export function copiedDrawing(
  drawing: Planned,
  houseId: string,
  { isMirrored = false, startsOn = null }: CopyOptions = {},
): CopiedDrawing {
  const ids = new NewIds();
  const wallCopy = (wall: Wall): Wall => ({
    ...wall,
    id: ids.take(wall.id),
    corner: ids.take(wall.corner),
    stretches: wall.stretches.map((stretch) => ({ ...stretch, id: ids.take(stretch.id) })),
  });
  const endCopy = (end: WingEnd): WingEnd =>
    end.kind === 'joins' ? { ...end, wing: ids.take(end.wing) } : end;
  const storeyCopy = (storey: Storey): DrawnRecord => {
    const { start, outline } = isMirrored ? mirrored(storey) : storey;
    return {
      kind: 'storey',
      id: ids.take(storey.id),
      body: { ...body<'storey'>(storey), start, outline: outline.map(wallCopy) },
    };
  };
  const roofCopy = (roof: Roof): DrawnRecord => ({
    kind: 'roof',
    id: ids.take(roof.id),
    body: {
      ...body<'roof'>(roof),
      storeyId: ids.take(roof.storeyId),
      outline: roof.outline === null ? null : cornersIn(isMirrored, roof.outline),
      wings: roof.wings.map((each) => {
        const wing = wingIn(isMirrored, each);
        return { ...wing, id: ids.take(wing.id), lower: endCopy(wing.lower), higher: endCopy(wing.higher) };
      }),
    },
  });
  const isHere = ({ storeyId }: { readonly storeyId: string }) =>
    drawing.storeys.some(({ id }) => id === storeyId);
  const roofs = drawing.roofs.filter(isHere);
  // What is on the house itself is on the other one now.
  const onCopy = (on: string): string => ids.all.get(on) ?? houseId;
  const keyCopy = (key: string): string => copiedKey(key, { idOf: ids.all }) ?? key;
  const planCopy = (plan: PlanBody): PlanBody => ({
    ...plan,
    schoolsAt: plan.schoolsAt.map((each) => ({ ...each, id: ids.take(each.id) })),
    checkpointsAdded: plan.checkpointsAdded.map((each) => ({
      ...each,
      id: ids.take(each.id),
      at: keyCopy(each.at),
    })),
    checkpointsOff: plan.checkpointsOff.map(({ name }) => {
      const [checkpoint = name, key] = name.split('@');
      return {
        name:
          key === undefined
            ? checkpoint
            : itemKey.checkpoint(ids.all.get(checkpoint) ?? checkpoint, keyCopy(key)),
      };
    }),
  });
  const walls = new Map(
    drawing.storeys.flatMap(({ outline }) => outline.map((wall) => [wall.id, wall] as const)),
  );
  const alongCopy = ({ on, alongM }: Pick<Opening, 'on' | 'alongM'>): number | null => {
    const lengthM = walls.get(on)?.lengthM;
    return isMirrored && alongM !== null && lengthM !== undefined ? lengthM - alongM : alongM;
  };
  const bearers = new Set([...walls.keys(), ...roofs.map(({ id }) => id)]);
  const drawn: DrawnRecord[] = [
    ...drawing.storeys.map(storeyCopy),
    ...drawing.zones.filter(isHere).map((zone): DrawnRecord => ({
      kind: 'zone',
      id: ids.take(zone.id),
      body: {
        ...body<'zone'>(zone),
        storeyId: ids.take(zone.storeyId),
        outline: cornersIn(isMirrored, zone.outline),
      },
    })),
    ...roofs.map(roofCopy),
    ...drawing.openings
      .filter(({ on }) => bearers.has(on))
      .map((opening): DrawnRecord => {
        return {
          kind: 'opening',
          id: ids.take(opening.id),
          body: { ...body<'opening'>(opening), on: ids.take(opening.on), alongM: alongCopy(opening) },
        };
      }),
    ...drawing.features.map((feature): DrawnRecord => {
      return {
        kind: 'feature',
        id: ids.take(feature.id),
        body: { ...body<'feature'>(feature), on: onCopy(feature.on), alongM: alongCopy(feature) },
      };
    }),
  ];
  const works = drawing.works.map((work): DrawnRecord => ({
    kind: 'work',
    id: ids.take(work.id),
    body: {
      ...body<'work'>(work),
      on: work.on.map(({ id }) => ({ id: onCopy(id) })),
      after: work.after.map((each) => ({ ...each, id: ids.take(each.id) })),
      pinnedStart: shiftedDay(work.pinnedStart, daysTo(drawing.works, startsOn)),
      begunOn: null,
      doneOn: null,
    },
  }));
  // What is said of the whole names what was drawn, which has its new ids by now.
  const records: DrawnRecord[] = [
    ...drawing.plans.slice(0, 1).map((plan): DrawnRecord => ({
      kind: 'plan',
      id: planId(houseId),
      body: planCopy(body<'plan'>(plan)),
    })),
    ...drawn,
    ...works,
  ];
  return { records, idOf: ids.all };
}

/** The key of an item in a copy of its drawing; null where it is of nothing that was copied. */
export function copiedKey(key: string, { idOf }: Pick<CopiedDrawing, 'idOf'>): string | null {
  const [kind, of, ...rest] = key.split('/');
  const parts = (of ?? '').split('+').map((id) => idOf.get(id));
  return parts.some((id) => id === undefined) ? null : [kind, parts.join('+'), ...rest].join('/');
}
