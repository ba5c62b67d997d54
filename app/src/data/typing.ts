import { changeBetween, isEmptyChange, type BodyChange } from '@calvet/contract/changes/parts';
import { changedBody } from '@calvet/contract/changes/ledger';
import { ownFields, type RecordBase, type Stored } from '@calvet/contract/record';
import { withoutDrawn } from '@calvet/contract/plan/undrawn';
import type { Bodies, Kind } from '@calvet/contract/kinds';
import { Listeners } from './listeners';

/** How far a figure is: still being typed, so that it is shown and nothing more, or entered, so that it is kept. */
export type EntryStage = 'typed' | 'entered';

interface Typed {
  readonly kind: Kind;
  readonly change: BodyChange;
}

export type AllTyped = ReadonlyMap<string, Typed>;

/** The record that lies under one over which something typed was laid. */
const under = new WeakMap<RecordBase, RecordBase>();

/** A record as it is without what is being typed into it. */
export const withoutTyped = <R extends RecordBase>(record: R): R =>
  (under.get(record) as R | undefined) ?? record;

/** A record as it is kept: without what a drawing says, and what is being typed. */
export const asKept = <R extends RecordBase>(seen: R): R => withoutTyped(withoutDrawn(seen));

/** A record with what is being typed into it; itself where nothing is. */
export function withTyped<R extends RecordBase>(record: R, all: AllTyped): R {
  const typed = all.get(record.id);
  if (typed === undefined) return record;
  const body = changedBody(typed.kind, record as unknown as Record<string, unknown>, {
    body: typed.change.body as Partial<Bodies[Kind]>,
    parts: typed.change.parts,
  });
  const laid = body as unknown as R;
  under.set(laid, record);
  return laid;
}

/** A ledger with what is being typed into its records. */
export function viewWithTyped<View extends object>(view: View, all: AllTyped): View {
  if (all.size === 0) return view;
  const over = <R extends RecordBase>(list: readonly R[]): readonly R[] =>
    list.some(({ id }) => all.has(id)) ? list.map((record) => withTyped(record, all)) : list;
  const members = Object.entries(view) as [string, RecordBase | readonly RecordBase[]][];
  return Object.fromEntries(
    members.map(([name, held]) => [name, 'id' in held ? withTyped(held, all) : over(held)]),
  ) as View;
}

/** What is being typed on this page and was not entered yet: figures follow it, nothing keeps or sends it. */
export class Typing {
  private current: AllTyped = new Map();
  private readonly listeners = new Listeners();

  readonly subscribe = this.listeners.subscribe;
  readonly all = (): AllTyped => this.current;

  /** @param seen the record as the person sees it, with or without what they typed before */
  type<K extends Kind>(kind: K, seen: Stored<Bodies[K]>, body: Partial<Bodies[K]>): void {
    const change = changeBetween(kind, ownFields(asKept(seen)), body as BodyChange['body']);
    if (isEmptyChange(change)) this.end(seen.id);
    else this.set(new Map([...this.current, [seen.id, { kind, change }]]));
  }

  /** It was entered, or is wished no more. */
  end(id: string): void {
    if (!this.current.has(id)) return;
    this.set(new Map([...this.current].filter(([each]) => each !== id)));
  }

  private set(next: AllTyped): void {
    this.current = next;
    this.listeners.tell();
  }
}
