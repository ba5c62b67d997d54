import {
  asKindedRecord,
  KINDS,
  PAGE_MAX,
  type ChangesPage,
  type House,
  type HousesAnswer,
} from '@calvet/contract';
import type { Database } from '../store/database';
import { allHouses, lastChangeOf, recordsChanged } from '../store/records';
import { UnknownHouse } from './accept-changes';

/**
 * What is new in a house since a change number, the earliest first, at most a page of it.
 *
 * The counter is read before the records, and records are taken up to it only: one that changes meanwhile gets
 * a higher number and comes with the next page, so that none is ever passed over.
 * @throws {UnknownHouse}
 */
export async function readChanges(db: Database, houseId: string, since: number): Promise<ChangesPage> {
  const lastChange = await lastChangeOf(db, houseId);
  if (lastChange === null) throw new UnknownHouse();
  if (lastChange <= since) return { records: [], upTo: lastChange, more: false };
  const range = { since, upTo: lastChange, limit: PAGE_MAX + 1 };
  const found = await Promise.all(
    KINDS.map(async (kind) => {
      return recordsChanged(db, kind, houseId, range);
    }),
  );
  const inOrder = found.flat().sort((a, b) => a.changeNumber - b.changeNumber);
  const page = inOrder.slice(0, PAGE_MAX);
  const more = inOrder.length > page.length;
  return {
    records: page.map(asKindedRecord),
    upTo: more ? (page.at(-1)?.changeNumber ?? since) : lastChange,
    more,
  };
}

/** Every house that is not deleted, by name. */
export async function readHouses(db: Database): Promise<HousesAnswer> {
  const houses = await allHouses(db);
  return { houses: houses.map((house) => asKindedRecord(house).record as House) };
}
