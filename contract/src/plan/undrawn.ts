import type { House } from '../house/house';
import type { Area, KeptArea } from '../installation/area';
import { buildUpOf, libraryFor } from '../installation/build-up-library';
import type { RecordBase } from '../record';

/** The record that lies under one that was filled in. */
const under = new WeakMap<RecordBase, RecordBase>();

/** Remembers what a record is without what was filled in. */
export function filledOver<R extends RecordBase>(kept: RecordBase, filled: R): R {
  under.set(filled, kept);
  return filled;
}

/** A record without what was filled in by a drawing; itself where nothing was. */
export const withoutDrawn = <R extends RecordBase>(record: R): R =>
  (under.get(record) as R | undefined) ?? record;

/** An area that no drawing says anything of: what its record leaves open is as little as can be worked with. */
function areaByHand(kept: KeptArea): Area {
  const { name, kind, buildUp } = kept;
  // One that says all of it is one already.
  if (name !== null && kind !== null && buildUp !== null) return kept as Area;
  const [first] = libraryFor(kind ?? 'wall');
  if (first === undefined) throw new Error('The library of build-ups is empty.');
  return filledOver(kept, {
    ...kept,
    name: name ?? kept.itemName ?? 'Area',
    kind: kind ?? 'wall',
    buildUp: buildUp ?? buildUpOf(first),
  });
}

const byHand = new WeakMap<KeptArea, Area>();

/** The same for each record, so that what is derived from it can be kept. */
function areaOf(kept: KeptArea): Area {
  const known = byHand.get(kept);
  if (known !== undefined) return known;
  const area = areaByHand(kept);
  byHand.set(kept, area);
  return area;
}

/** A house and its areas where nothing is drawn: as their records say it. */
export const whereNothingIsDrawn = ({
  house,
  areas,
}: {
  readonly house: House;
  readonly areas: readonly KeptArea[];
}): { readonly house: House; readonly areas: readonly Area[] } => ({ house, areas: areas.map(areaOf) });
