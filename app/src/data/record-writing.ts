import { changeBetween, isEmptyChange, type BodyChange } from '@calvet/contract/changes/parts';
import { ownFields, type Stored } from '@calvet/contract/record';
import type { Bodies, Kind } from '@calvet/contract/kinds';
import { v7 } from 'uuid';
import type { Copies } from './copies';
import type { Outbox } from './outbox';
import type { Wish } from './store-options';
import { asKept, type Typing } from './typing';

interface RecordWritingOptions {
  readonly copies: Pick<Copies, 'recordOf'>;
  readonly outbox: Pick<Outbox, 'getState'>;
  readonly typing: Typing;
  readonly writeAll: (wishes: readonly Wish[]) => void;
}

/** How screens make, change, delete and restore records. */
export function recordWriting({ copies, outbox, typing, writeAll }: RecordWritingOptions) {
  function createRecord<K extends Kind>(
    ledgerId: string,
    kind: K,
    body: Bodies[K],
    id: string = v7(),
  ): string {
    writeAll([{ ledgerId, kind, id, op: 'create', body }]);
    return id;
  }

  /** True where something of a record is here, or waits to be sent. */
  function isKnown(ledgerId: string, id: string): boolean {
    const { pending, troubled } = outbox.getState();
    const waits = [...pending, ...troubled].some(({ change }) => change.id === id);
    return waits || copies.recordOf(ledgerId, id) !== undefined;
  }

  /** True where a record was deleted, here or elsewhere. */
  function isDeleted(ledgerId: string, id: string): boolean {
    const deeds = outbox
      .getState()
      .pending.filter(({ change }) => change.id === id && change.op !== 'update');
    const last = deeds.at(-1)?.change.op;
    return last === undefined ? copies.recordOf(ledgerId, id)?.record.deletedAt != null : last === 'delete';
  }

  /**
   * Makes a record that so far stood on the screen alone, if it does; one that was deleted under an id that follows from a
   * drawing is put back.
   */
  function makeIfNew<K extends Kind>(kind: K, seen: Stored<Bodies[K]>): void {
    if (seen.revision !== 0) return;
    if (isDeleted(seen.ledgerId, seen.id))
      writeAll([{ ledgerId: seen.ledgerId, kind, id: seen.id, op: 'restore' }]);
    if (!isKnown(seen.ledgerId, seen.id))
      createRecord(seen.ledgerId, kind, ownFields(asKept(seen)) as unknown as Bodies[K], seen.id);
  }

  return {
    /** Makes a record and gives back its id. */
    createRecord,

    /** Makes a house and gives back its id. */
    createHouse: (body: Bodies['house']): string => {
      const id = v7();
      return createRecord(id, 'house', body, id);
    },

    makeIfNew,

    /**
     * Changes some fields of a record; one that stood on the screen alone is made.
     * @param seen the record as the person saw it: what they left alone takes nothing back that somebody else did
     */
    updateRecord: <K extends Kind>(kind: K, seen: Stored<Bodies[K]>, body: Partial<Bodies[K]>): void => {
      const change = changeBetween(kind, ownFields(asKept(seen)), body as BodyChange['body']);
      if (!isEmptyChange(change)) {
        makeIfNew(kind, seen);
        writeAll([{ ledgerId: seen.ledgerId, kind, id: seen.id, op: 'update', change }]);
      }
      typing.end(seen.id);
    },

    /** Shows fields of a record as they are being typed, and does nothing else with them. */
    typeInto: <K extends Kind>(kind: K, seen: Stored<Bodies[K]>, body: Partial<Bodies[K]>): void =>
      typing.type(kind, seen, body),

    deleteRecord: (ledgerId: string, kind: Kind, id: string): void =>
      writeAll([{ ledgerId, kind, id, op: 'delete' }]),

    restoreRecord: (ledgerId: string, kind: Kind, id: string): void =>
      writeAll([{ ledgerId, kind, id, op: 'restore' }]),
  };
}
