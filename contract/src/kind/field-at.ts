import { kindNamed, type Kind } from '../kinds';
import type { AnyField } from './field';

/** The field of a kind that a path leads to, through its groups: `buildUp.layers`; null where there is none. */
export function fieldAt(kind: Kind, path: string): AnyField | null {
  const [first = '', ...inner] = path.split('.');
  return inner.reduce<AnyField | null>(
    (field, name) => (field?.type === 'group' ? (field.members[name] ?? null) : null),
    kindNamed(kind).fields[first] ?? null,
  );
}
