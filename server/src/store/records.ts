import {
  fieldsOf,
  referenceKey,
  wholeInPresentForm,
  type AcceptedChange,
  type IdOwner,
  type Kind,
  type LedgerKey,
  type LedgerRecord,
  type Reference,
} from '@calvet/contract';
import { and, asc, desc, eq, getTableColumns, getTableName, gt, isNull, lte, or, sql } from 'drizzle-orm';
import type { MySqlColumn, MySqlTable } from 'drizzle-orm/mysql-core';
import { format } from 'mysql2';
import type { Database, Transaction } from './database';
import { changeTable, ledgerTable, recordTables as tables, type RecordTable } from './tables';

const { house: houseTable } = tables;

type FlatRow = Omit<LedgerRecord, 'body' | 'kind'> & Readonly<Record<string, unknown>>;

function fromTable(kind: Kind, row: FlatRow): LedgerRecord {
  const { id, ledgerId, revision, changeNumber, updatedAt, updatedBy, deletedAt } = row;
  const body = Object.fromEntries(fieldsOf(kind).map((field) => [field, row[field]]));
  return {
    kind,
    id,
    ledgerId,
    revision,
    changeNumber,
    updatedAt,
    updatedBy,
    deletedAt,
    body: wholeInPresentForm(kind, id, body),
  };
}

function toTable(row: LedgerRecord): RecordTable['$inferInsert'] {
  const { body, kind: _kind, ...carried } = row;
  // The body passed the schema of its kind, whose fields are the table's columns.
  return { ...body, ...carried };
}

/**
 * True for rows whose column holds one of some values. The list is put together by the driver, in one go: the query builder
 * takes each value for itself, and for fifty of them longer than the database does.
 */
const among = (column: MySqlColumn, values: Iterable<string>) =>
  sql`${column} in ${sql.raw(format('(?)', [[...values]]))}`;

/** A ledger, and the number of its last change. */
export interface LedgerState extends LedgerKey {
  readonly lastChange: number;
}

// What is kept was of a known kind on the way in.
const asState = (row: typeof ledgerTable.$inferSelect) => row as LedgerState;

/** How far a ledger has come; null where it is not known. */
export async function ledgerOf(db: Database, ledgerId: string): Promise<LedgerState | null> {
  const [row] = await db.select().from(ledgerTable).where(eq(ledgerTable.id, ledgerId));
  return row === undefined ? null : asState(row);
}

/** How far every ledger has come, by id. */
export async function allLedgers(db: Database): Promise<ReadonlyMap<string, LedgerState>> {
  const rows = await db.select().from(ledgerTable);
  return new Map(rows.map((row) => [row.id, asState(row)]));
}

/** Begins a ledger; harmless where it is there. */
export async function startLedger(tx: Transaction, { id, kind }: LedgerKey): Promise<void> {
  await tx
    .insert(ledgerTable)
    .values({ id, kind, lastChange: 0 })
    .onDuplicateKeyUpdate({ set: { id: sql`values(${ledgerTable.id})` } });
}

interface LockedLedger extends LedgerState {
  /** It is that of a house which somebody deleted. */
  readonly isDeleted: boolean;
}

/** A ledger, held against other writers until the transaction ends; null where unknown. */
export async function lockLedger(tx: Transaction, ledgerId: string): Promise<LockedLedger | null> {
  const [row] = await tx
    .select({ state: ledgerTable, deletedAt: houseTable.deletedAt })
    .from(ledgerTable)
    .leftJoin(houseTable, eq(houseTable.id, ledgerTable.id))
    .where(eq(ledgerTable.id, ledgerId))
    .for('update');
  return row === undefined ? null : { ...asState(row.state), isDeleted: row.deletedAt !== null };
}

export async function setLastChange(tx: Transaction, ledgerId: string, lastChange: number): Promise<void> {
  await tx.update(ledgerTable).set({ lastChange }).where(eq(ledgerTable.id, ledgerId));
}

/** Of these changes, those that the ledger has accepted before. */
export async function acceptedBefore(
  tx: Transaction,
  ledgerId: string,
  changeIds: readonly string[],
): Promise<ReadonlyMap<string, AcceptedChange>> {
  if (changeIds.length === 0) return new Map();
  const rows = await tx
    .select()
    .from(changeTable)
    .where(and(eq(changeTable.ledgerId, ledgerId), among(changeTable.changeId, changeIds)));
  // What is kept was an accepted change on the way in.
  const accepted = rows as unknown as readonly AcceptedChange[];
  return new Map(accepted.map((change) => [change.changeId, change]));
}

/** What was accepted for some records after a revision, the earliest first. */
export async function acceptedSince(
  tx: Transaction,
  ledgerId: string,
  recordIds: readonly string[],
  revision: number,
): Promise<readonly AcceptedChange[]> {
  if (recordIds.length === 0) return [];
  const rows = await tx
    .select()
    .from(changeTable)
    .where(
      and(
        among(changeTable.recordId, recordIds),
        eq(changeTable.ledgerId, ledgerId),
        gt(changeTable.revision, revision),
      ),
    )
    .orderBy(asc(changeTable.changeNumber));
  // What is kept was an accepted change on the way in.
  return rows as unknown as readonly AcceptedChange[];
}

/** Records by id, of whatever ledger. */
export async function recordsById(
  tx: Transaction,
  kind: Kind,
  ids: readonly string[],
): Promise<ReadonlyMap<string, LedgerRecord>> {
  if (ids.length === 0) return new Map();
  const table = tables[kind];
  const rows: FlatRow[] = await tx.select().from(table).where(among(table.id, ids));
  return new Map(rows.map((row) => [row.id, fromTable(kind, row)]));
}

/** Of these records, those that a ledger has, deleted ones too, by their keys. */
export async function recordsThere(
  tx: Transaction,
  ledgerId: string,
  references: readonly Reference[],
): Promise<ReadonlySet<string>> {
  const there = new Set<string>();
  for (const kind of new Set(references.map((reference) => reference.kind))) {
    const ids = new Set(references.filter((each) => each.kind === kind).map(({ id }) => id));
    const { [kind]: table } = tables;
    const rows = await tx
      .select({ id: table.id })
      .from(table)
      .where(and(among(table.id, ids), eq(table.ledgerId, ledgerId)));
    rows.forEach(({ id }) => there.add(referenceKey({ kind, id })));
  }
  return there;
}

/** Whose these ids are, as far as they are anybody's. */
export async function ownersOf(
  tx: Transaction,
  ids: readonly string[],
): Promise<ReadonlyMap<string, IdOwner>> {
  if (ids.length === 0) return new Map();
  const { recordId, kind, ledgerId } = changeTable;
  const rows = await tx
    .selectDistinct({ recordId, kind, ledgerId })
    .from(changeTable)
    .where(among(recordId, ids));
  // What is kept was of a known kind on the way in.
  return new Map(rows.map((row) => [row.recordId, row as typeof row & IdOwner]));
}

/**
 * Inserts many rows with one statement. The statement is put together by the driver, in one go: the query builder takes each
 * value for itself, and for hundreds of them longer than the database does.
 */
async function insertRows<Table extends MySqlTable>(
  tx: Transaction,
  table: Table,
  rows: readonly Table['$inferInsert'][],
): Promise<void> {
  if (rows.length === 0) return;
  const columns = Object.entries(getTableColumns(table));
  const values = rows.map((row) =>
    columns.map(([field, column]) => {
      const value: unknown = row[field as keyof typeof row];
      return value == null ? null : column.mapToDriverValue(value);
    }),
  );
  const names = columns.map(([, column]) => column.name);
  const parts = [getTableName(table), names, values] as Parameters<typeof format>[1];
  await tx.execute(sql.raw(format('insert into ?? (??) values ?', parts)));
}

export async function insertRecords(
  tx: Transaction,
  kind: Kind,
  rows: readonly LedgerRecord[],
): Promise<void> {
  await insertRows(
    tx,
    tables[kind],
    rows.map((row) => toTable(row)),
  );
}

export async function updateRecord(tx: Transaction, kind: Kind, row: LedgerRecord): Promise<void> {
  const table = tables[kind];
  await tx.update(table).set(toTable(row)).where(eq(table.id, row.id));
}

export async function insertChanges(
  tx: Transaction,
  ledgerId: string,
  changes: readonly AcceptedChange[],
): Promise<void> {
  await insertRows(
    tx,
    changeTable,
    changes.map((change) => ({ ...change, ledgerId })),
  );
}

/** Changes of a ledger after one number and up to another. */
export interface ChangeRange {
  readonly ledgerId: string;
  readonly since: number;
  readonly upTo: number;
}

/** Records of a kind whose last change lies in one of these ranges, the earliest change first, at most `limit`. */
export async function recordsChanged(
  db: Database,
  kind: Kind,
  ranges: readonly ChangeRange[],
  limit: number,
): Promise<readonly LedgerRecord[]> {
  const table = tables[kind];
  const rows: FlatRow[] = await db
    .select()
    .from(table)
    .where(
      or(
        ...ranges.map(({ ledgerId, since, upTo }) =>
          and(eq(table.ledgerId, ledgerId), gt(table.changeNumber, since), lte(table.changeNumber, upTo)),
        ),
      ),
    )
    .orderBy(asc(table.changeNumber))
    .limit(limit);
  return rows.map((row) => fromTable(kind, row));
}

/** Houses with a photo, deleted or not, that shows a picture. */
export async function housesShowing(db: Database, sha256: string): Promise<readonly string[]> {
  const { photo } = tables;
  const rows = await db
    .selectDistinct({ houseId: photo.ledgerId })
    .from(photo)
    .where(sql`${sql.identifier('sha256')} = ${sha256}`);
  return rows.map(({ houseId }) => houseId);
}

/** Houses that were deleted after a time, the latest first. */
export async function housesDeletedSince(db: Database, time: Date): Promise<readonly LedgerRecord[]> {
  const rows: FlatRow[] = await db
    .select()
    .from(houseTable)
    .where(gt(houseTable.deletedAt, time))
    .orderBy(desc(houseTable.deletedAt));
  return rows.map((row) => fromTable('house', row));
}

/** Every house that is not deleted, by name. */
export async function allHouses(db: Database): Promise<readonly LedgerRecord[]> {
  const rows: FlatRow[] = await db
    .select()
    .from(houseTable)
    .where(isNull(houseTable.deletedAt))
    .orderBy(asc(sql.identifier('name')), asc(houseTable.id));
  return rows.map((row) => fromTable('house', row));
}
