import { fieldAt } from '@calvet/contract/kind/field-at';
import { keysOf } from '@calvet/contract/changes/parts';
import { kindNamed, type Kind } from '@calvet/contract/kinds';
import type { Change } from '@calvet/contract/changes/change';

/** What a field of a record, a part of one, or an entry of its lists is called, by what a change touches. */
export function labelOf(kind: Kind, key: string): string {
  const [path = key, id] = key.split('#');
  const field = fieldAt(kind, path);
  if (field === null) return path;
  if (id === '') return `Order: ${fieldAt(kind, path.split('.')[0] ?? path)?.label ?? path}`;
  return id !== undefined && field.type === 'list' ? field.one : field.label;
}

/** What a change is about: the kind of record, with its name where one is known. */
export function subjectOf({ kind, body }: Change, known?: string): string {
  const { word } = kindNamed(kind);
  const name = 'name' in body && typeof body.name === 'string' ? body.name : known;
  return name === undefined || name === '' ? word : `${word} “${name}”`;
}

/** What a change does, in a few words. */
export function deedOf(change: Change): string {
  const { op, kind } = change;
  switch (op) {
    case 'create':
      return 'new';
    case 'delete':
      return 'deleted';
    case 'restore':
      return 'put back';
    case 'update':
      return [...new Set(keysOf(change).map((key) => labelOf(kind, key)))]
        .map((label, i) => {
          return i === 0 ? label.charAt(0).toLowerCase() + label.slice(1) : label.toLowerCase();
        })
        .join(', ');
  }
}
