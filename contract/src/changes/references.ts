import { isKind, kindNamed, type Kind } from '../kinds';
import type { Change } from './change';

/** A record that another one points to. */
export interface Reference {
  /** The field that points to it. */
  readonly field: string;
  readonly kind: Kind;
  readonly id: string;
}

/** The key by which a record is known over all kinds. */
export const referenceKey = ({ kind, id }: Pick<Reference, 'kind' | 'id'>): string => `${kind} ${id}`;

/** What a change makes its record point to: records that must be in the same house. */
export function referencesOf({ kind, body }: Pick<Change, 'kind' | 'body'>): readonly Reference[] {
  return Object.entries(kindNamed(kind).fields).flatMap(([field, { type, ...description }]): Reference[] => {
    const value: unknown = (body as Readonly<Record<string, unknown>>)[field];
    if (value === null || value === undefined) return [];
    if (type === 'subject') {
      const { kind: of, id } = value as { readonly kind: unknown; readonly id: string };
      return isKind(of) ? [{ field, kind: of, id }] : [];
    }
    const of = type === 'id' && 'of' in description ? description.of : undefined;
    return isKind(of) ? [{ field, kind: of, id: String(value) }] : [];
  });
}
