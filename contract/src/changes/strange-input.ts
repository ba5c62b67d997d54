import type { FieldRefusal } from '../refusal-of';

/** Nothing that is entered lies deeper within a change than this. */
const DEPTH_MAX = 24;

/** Half of a character of two: by itself it is none. */
const HALF = /\p{Surrogate}/u;

const stepTo = (path: string, name: string | number): string =>
  typeof name === 'number' ? `${path}[${name}]` : path === '' ? name : `${path}.${name}`;

/**
 * What no app sends and no schema looks for: half a character, which no database takes; a member that would be the prototype
 * of what it lies in; and nesting without an end.
 * @param input as it was read from JSON
 */
export function strangeIn(input: unknown): FieldRefusal | null {
  const left: { readonly value: unknown; readonly path: string; readonly depth: number }[] = [
    { value: input, path: '', depth: 0 },
  ];
  for (let next = left.pop(); next !== undefined; next = left.pop()) {
    const { value, path, depth } = next;
    if (typeof value === 'string' && HALF.test(value))
      return { code: 'wrong-form', field: path, message: 'This holds half a character: write it anew.' };
    if (typeof value !== 'object' || value === null) continue;
    if (depth === DEPTH_MAX)
      return { code: 'wrong-form', field: path, message: 'This lies too deep within the change.' };
    if (Object.hasOwn(value, '__proto__'))
      return { code: 'unknown-field', field: stepTo(path, '__proto__'), message: 'No such field is known.' };
    const members: [string | number, unknown][] = Array.isArray(value)
      ? value.map((entry: unknown, i): [number, unknown] => [i, entry])
      : Object.entries(value);
    for (const [name, inner] of members)
      left.push({ value: inner, path: stepTo(path, name), depth: depth + 1 });
  }
  return null;
}
