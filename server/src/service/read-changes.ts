import {
  asKindedRecord,
  KINDS,
  PAGE_MAX,
  RESTORABLE_MS,
  type ChangesPage,
  type DeletedHousesAnswer,
  type House,
  type HousesAnswer,
  type LedgerRecord,
} from '@calvet/contract';
import type { Database } from '../store/database';
import { allCounters, allHouses, housesDeletedSince, lastChangeOf, recordsChanged } from '../store/records';
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

const asHouse = (house: LedgerRecord) => asKindedRecord(house).record as House;

/** Every house that is not deleted, by name, and how far each house has come. */
export async function readHouses(db: Database): Promise<HousesAnswer> {
  // The counters first: what comes between is fetched once more, and nothing is passed over.
  const counters = await allCounters(db);
  const houses = await allHouses(db);
  return { houses: houses.map(asHouse), counters: Object.fromEntries(counters) };
}

/** Houses that were deleted within the last 30 days, the latest first. */
export async function readDeletedHouses(db: Database, now: Date): Promise<DeletedHousesAnswer> {
  const houses = await housesDeletedSince(db, new Date(now.getTime() - RESTORABLE_MS));
  return { houses: houses.map(asHouse) };
}
