import {
  asKindedRecord,
  CHANGES_TOGETHER_MAX,
  KINDS,
  PAGE_MAX,
  RESTORABLE_MS,
  type ChangesOfHouses,
  type ChangesPage,
  type DeletedHousesAnswer,
  type House,
  type HousesAnswer,
  type PagesByHouse,
  type LedgerRecord,
} from '@calvet/contract';
import type { Database } from '../store/database';
import {
  allCounters,
  allHouses,
  housesDeletedSince,
  lastChangeOf,
  recordsChanged,
  type ChangeRange,
} from '../store/records';
import { UnknownHouse } from './accept-changes';
import type { HouseSummaries } from './house-summaries';
import { may, type Principal } from './rights';

/** Records of every kind that somebody may see, whose last change lies in these ranges, the earliest change of each house first. */
async function changedIn(
  db: Database,
  principal: Principal,
  ranges: readonly ChangeRange[],
  limit: number,
): Promise<readonly LedgerRecord[]> {
  if (ranges.length === 0) return [];
  const kinds = KINDS.filter((kind) => may(principal, 'see', kind));
  const found = await Promise.all(kinds.map((kind) => recordsChanged(db, kind, ranges, limit)));
  return found.flat().sort((a, b) => a.changeNumber - b.changeNumber);
}

/**
 * What is new in a house since a change number, the earliest first, at most a page of it.
 *
 * The counter is read before the records, and records are taken up to it only: one that changes meanwhile gets
 * a higher number and comes with the next page, so that none is ever passed over.
 * @throws {UnknownHouse}
 */
export async function readChanges(
  db: Database,
  principal: Principal,
  houseId: string,
  since: number,
): Promise<ChangesPage> {
  const lastChange = may(principal, 'see', 'house') ? await lastChangeOf(db, houseId) : null;
  if (lastChange === null) throw new UnknownHouse();
  if (lastChange <= since) return { records: [], upTo: lastChange, more: false };
  const inOrder = await changedIn(db, principal, [{ houseId, since, upTo: lastChange }], PAGE_MAX + 1);
  const page = inOrder.slice(0, PAGE_MAX);
  const more = inOrder.length > page.length;
  return {
    records: page.map(asKindedRecord),
    upTo: more ? (page.at(-1)?.changeNumber ?? since) : lastChange,
    more,
  };
}

const asHouse = (house: LedgerRecord) => asKindedRecord(house).record as House;

/** The first of these ranges that go into one answer together. No house has more records than changes. */
function together(ranges: readonly ChangeRange[]): readonly ChangeRange[] {
  let room = CHANGES_TOGETHER_MAX;
  return ranges.filter(({ since, upTo }) => {
    const fits = upTo - since <= room;
    if (fits) room -= Math.max(0, upTo - since);
    return fits;
  });
}

async function pagesOf(
  db: Database,
  principal: Principal,
  wanted: readonly ChangeRange[],
): Promise<PagesByHouse> {
  const ranges = together(wanted);
  const records = await changedIn(db, principal, ranges, CHANGES_TOGETHER_MAX);
  return Object.fromEntries(
    ranges.map(({ houseId, upTo }) => {
      const ofHouse = records.filter((record) => record.houseId === houseId);
      return [houseId, { records: ofHouse.map(asKindedRecord), upTo, more: false }];
    }),
  );
}

/** Every house that is not deleted, by name, with how far it has come and what a list says of it. */
export async function readHouses(
  db: Database,
  principal: Principal,
  summaries: HouseSummaries,
): Promise<HousesAnswer> {
  if (!may(principal, 'see', 'house')) return { houses: [], counters: {}, summaries: {} };
  // The counters first: what comes between is fetched once more, and nothing is passed over.
  const counters = await allCounters(db);
  const houses = (await allHouses(db)).map(asHouse);
  return {
    houses,
    counters: Object.fromEntries(counters),
    summaries: await summaries.of(principal, houses, counters),
  };
}

/** What is new in several houses, each since a change number, of as many as go into one answer. */
export async function readChangesOf(
  db: Database,
  principal: Principal,
  since: ReadonlyMap<string, number>,
): Promise<ChangesOfHouses> {
  if (!may(principal, 'see', 'house')) return { pages: {} };
  const counters = await allCounters(db);
  const wanted = [...since].flatMap(([houseId, number]) => {
    const upTo = counters.get(houseId);
    return upTo === undefined ? [] : [{ houseId, since: number, upTo }];
  });
  return { pages: await pagesOf(db, principal, wanted) };
}

/** Houses that were deleted within the last 30 days, the latest first. */
export async function readDeletedHouses(db: Database, principal: Principal): Promise<DeletedHousesAnswer> {
  if (!may(principal, 'see', 'house')) return { houses: [] };
  const houses = await housesDeletedSince(db, new Date(principal.who.now.getTime() - RESTORABLE_MS));
  return { houses: houses.map(asHouse) };
}
