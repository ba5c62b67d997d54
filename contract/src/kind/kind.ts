import type { LedgerKind } from '../ledger';
import type { AnyFields, FieldsOf } from './field';

/**
 * All that the app, the server and the device know of a kind of record. A new kind is one of these, its line in `kinds.ts`
 * and a migration that is generated.
 */
export interface KindOf<
  Body,
  List extends string | null = string | null,
  Ledger extends LedgerKind = LedgerKind,
> {
  /** What one of them is called. */
  readonly word: string;
  /** What the ledger is of that they are written into. */
  readonly ledger: Ledger;
  /** What they are called together in what a screen sees of a ledger; null for its first record: the house, the practice. */
  readonly list: List;
  /** In the order in which they are told. */
  readonly fields: FieldsOf<Body>;
  /** Fields that say which one it is, where one is spoken of. */
  readonly title: readonly (keyof Body & string)[];
  /** How they stand in a list: as they were made, or the latest first by a day. */
  readonly order: 'as made' | { readonly latestBy: keyof Body & string };
  /** The part of its address behind its house's: `areas` in `/houses/…/areas/…`; empty for the house itself. */
  readonly page: string;
  /** Photos may show it. */
  readonly isShown: boolean;
}

/** Any kind of record, whatever it holds. */
export interface AnyKind extends Omit<KindOf<never>, 'fields' | 'title' | 'order'> {
  readonly fields: AnyFields;
  readonly title: readonly string[];
  readonly order: 'as made' | { readonly latestBy: string };
}

/** Carries the type of the body along. */
export interface Described<Body, List extends string | null, Ledger extends LedgerKind> extends KindOf<
  Body,
  List,
  Ledger
> {
  readonly holds?: Body;
}

export function kindOf<Body>() {
  return <const List extends string | null, const Ledger extends LedgerKind>(
    described: KindOf<Body, List, Ledger>,
  ): Described<Body, List, Ledger> => described;
}
