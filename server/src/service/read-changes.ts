import {
  asKindedRecord,
  CHANGES_TOGETHER_MAX,
  kindNamed,
  KINDS,
  PAGE_MAX,
  RESTORABLE_MS,
  type ChangesOfLedgers,
  type ChangesPage,
  type DeletedHousesAnswer,
  type House,
  type HousesAnswer,
  type PagesByLedger,
  type LedgerKey,
  type LedgerRecord,
} from '@calvet/contract';
import type { Database } from '../store/database';
import {
  allLedgers,
  allHouses,
  housesDeletedSince,
  ledgerOf,
  recordsChanged,
  type ChangeRange,
  type LedgerState,
} from '../store/records';
import { UnknownLedger } from './accept-changes';
import type { HouseSummaries } from './house-summaries';
import { may, mayOpen, type Principal } from './rights';

/** What of a ledger changed after one number and up to another. */
interface Wanted extends ChangeRange, LedgerKey {}

const wantedOf = ({ id, kind, lastChange }: LedgerState, since: number): Wanted => ({
  id,
  kind,
  ledgerId: id,
  since,
  upTo: lastChange,
});

/** Records of every kind that somebody may see, whose last change lies in these ranges, the earliest change of each ledger first. */
async function changedIn(
  db: Database,
  principal: Principal,
  wanted: readonly Wanted[],
  limit: number,
): Promise<readonly LedgerRecord[]> {
  const kinds = KINDS.filter((kind) => may(principal, 'see', kind));
  const found = await Promise.all(
    kinds.map((kind) => {
      const ranges = wanted.filter((each) => each.kind === kindNamed(kind).ledger);
      return ranges.length === 0 ? [] : recordsChanged(db, kind, ranges, limit);
    }),
  );
  return found.flat().sort((a, b) => a.changeNumber - b.changeNumber);
}

/**
 * What is new in a ledger since a change number, the earliest first, at most a page of it.
 *
 * The counter is read before the records, and records are taken up to it only: one that changes meanwhile gets
 * a higher number and comes with the next page, so that none is ever passed over.
 * @throws {UnknownLedger}
 */
export async function readChanges(
  db: Database,
  principal: Principal,
  ledgerId: string,
  since: number,
): Promise<ChangesPage> {
  const state = await ledgerOf(db, ledgerId);
  if (state === null || !mayOpen(principal, state)) throw new UnknownLedger();
  const { lastChange } = state;
  if (lastChange <= since) return { records: [], upTo: lastChange, more: false };
  const inOrder = await changedIn(db, principal, [wantedOf(state, since)], PAGE_MAX + 1);
  const page = inOrder.slice(0, PAGE_MAX);
  const more = inOrder.length > page.length;
  return {
    records: page.map(asKindedRecord),
    upTo: more ? (page.at(-1)?.changeNumber ?? since) : lastChange,
    more,
  };
}

const asHouse = (house: LedgerRecord) => asKindedRecord(house).record as House;

/** The first of these that go into one answer together. No ledger has more records than changes. */
function together(ranges: readonly Wanted[]): readonly Wanted[] {
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
  wanted: readonly Wanted[],
): Promise<PagesByLedger> {
  const ranges = together(wanted);
  const records = await changedIn(db, principal, ranges, CHANGES_TOGETHER_MAX);
  return Object.fromEntries(
    ranges.map(({ ledgerId, upTo }) => {
      const ofLedger = records.filter((record) => record.ledgerId === ledgerId);
      return [ledgerId, { records: ofLedger.map(asKindedRecord), upTo, more: false }];
    }),
  );
}

/** Every ledger that is there for somebody. */
async function openLedgers(db: Database, principal: Principal): Promise<readonly LedgerState[]> {
  return [...(await allLedgers(db)).values()].filter((ledger) => mayOpen(principal, ledger));
}

/** Every house that is not deleted, by name, with what a list says of it, and how far each ledger has come. */
export async function readHouses(
  db: Database,
  principal: Principal,
  summaries: HouseSummaries,
): Promise<HousesAnswer> {
  // The counters first: what comes between is fetched once more, and nothing is passed over.
  const ledgers = await openLedgers(db, principal);
  const counters = new Map(ledgers.map(({ id, lastChange }) => [id, lastChange]));
  const houses = may(principal, 'see', 'house') ? (await allHouses(db)).map(asHouse) : [];
  return {
    houses,
    counters: Object.fromEntries(counters),
    summaries: await summaries.of(principal, houses, counters),
  };
}

/** What is new in several ledgers, each since a change number, of as many as go into one answer. */
export async function readChangesOf(
  db: Database,
  principal: Principal,
  since: ReadonlyMap<string, number>,
): Promise<ChangesOfLedgers> {
  const ledgers = await openLedgers(db, principal);
  const wanted = ledgers.flatMap((ledger) => {
    const number = since.get(ledger.id);
    return number === undefined ? [] : [wantedOf(ledger, number)];
  });
  return { pages: await pagesOf(db, principal, wanted) };
}

/** Houses that were deleted within the last 30 days, the latest first. */
export async function readDeletedHouses(db: Database, principal: Principal): Promise<DeletedHousesAnswer> {
  if (!may(principal, 'see', 'house')) return { houses: [] };
  const houses = await housesDeletedSince(db, new Date(principal.who.now.getTime() - RESTORABLE_MS));
  return { houses: houses.map(asHouse) };
}
