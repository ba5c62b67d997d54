import type { AnyFields, FieldsOf } from './field';

/**
 * All that the app, the server and the device know of a kind of record. A new kind is one of these, its line in `kinds.ts`
 * and a migration that is generated.
 */
export interface KindOf<Body, List extends string | null = string | null> {
  /** What one of them is called. */
  readonly word: string;
  /** What they are called together in what a screen sees of a house; null for the house itself. */
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
export interface Described<Body, List extends string | null> extends KindOf<Body, List> {
  readonly holds?: Body;
}

export function kindOf<Body>() {
  return <const List extends string | null>(described: KindOf<Body, List>): Described<Body, List> =>
    described;
}
