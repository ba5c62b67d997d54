import { byKind, kindNamed, type Kind } from '@calvet/contract';
import { bigint, datetime, index, int, json, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import { codeColumn, columnsFor, nameInDatabase } from './record-columns';

/** Columns that every kind of record has. */
const recordColumns = {
  id: codeColumn('id', { length: 36 }).primaryKey(),
  ledgerId: codeColumn('ledger_id', { length: 36 }).notNull(),
  revision: int('revision').notNull(),
  /** Number of the change, within its ledger, that brought the record to this state. */
  changeNumber: bigint('change_number', { mode: 'number' }).notNull(),
  updatedAt: datetime('updated_at', { mode: 'date', fsp: 3 }).notNull(),
  updatedBy: varchar('updated_by', { length: 120 }).notNull(),
  deletedAt: datetime('deleted_at', { mode: 'date', fsp: 3 }),
};

function tableFor(kind: Kind) {
  const name = nameInDatabase(kind);
  return mysqlTable(name, { ...columnsFor(kindNamed(kind).fields), ...recordColumns }, (table) => [
    index(`${name}_changes`).on(table.ledgerId, table.changeNumber),
  ]);
}

export type RecordTable = ReturnType<typeof tableFor>;

/** Table of each kind of record. */
export const recordTables = byKind(tableFor);

/** One row a house or a practice: the number of its last change. Whoever writes into it locks this row. */
export const ledgerTable = mysqlTable('ledger', {
  id: codeColumn('id', { length: 36 }).primaryKey(),
  kind: varchar('kind', { length: 20 }).notNull(),
  lastChange: bigint('last_change', { mode: 'number' }).notNull(),
});

/** Every accepted change, in order: what makes sending twice harmless, and each record's history. */
export const changeTable = mysqlTable(
  'ledger_change',
  {
    ledgerId: codeColumn('ledger_id', { length: 36 }).notNull(),
    changeId: codeColumn('change_id', { length: 36 }).notNull(),
    changeNumber: bigint('change_number', { mode: 'number' }).notNull(),
    kind: varchar('kind', { length: 40 }).notNull(),
    recordId: codeColumn('record_id', { length: 36 }).notNull(),
    op: varchar('op', { length: 10 }).notNull(),
    revision: int('revision').notNull(),
    body: json('body').notNull(),
    parts: json('parts'),
    /** By the person, as far as the device said; null in changes of the first versions. */
    enteredAt: datetime('entered_at', { mode: 'date', fsp: 3 }),
    /** Arrived at the server. */
    changedAt: datetime('changed_at', { mode: 'date', fsp: 3 }).notNull(),
    changedBy: varchar('changed_by', { length: 120 }).notNull(),
    /** Which device sent it; empty where it does not say. */
    device: varchar('device', { length: 36 }).notNull().default(''),
  },
  (table) => [
    primaryKey({ columns: [table.ledgerId, table.changeId] }),
    index('ledger_change_number').on(table.ledgerId, table.changeNumber),
    index('ledger_change_record').on(table.recordId),
  ],
);
