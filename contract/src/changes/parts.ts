import { dequal } from 'dequal';
import type { AnyField, AnyFields } from '../kind/field';
import { byKind, kindNamed, type Kind } from '../kinds';

/**
 * What of a record is merged for itself, although it lies within a field: a member (the name of a build-up), or the
 * entries of a list, each known by a key of its own (readings, layers, marks).
 */
interface PartForm {
  /** Member that tells entries apart; null where the path leads to a single member. */
  readonly key: 'id' | 'name' | null;
  /** How many entries there may be. */
  readonly min: number;
  readonly max: number;
}

const MEMBER: PartForm = { key: null, min: 0, max: 0 };

function partForm(field: AnyField): PartForm {
  if (field.type !== 'list' || field.key === null) return MEMBER;
  return { key: field.key, min: field.least, max: field.most };
}

function partsOf(fields: AnyFields): Readonly<Record<string, PartForm>> {
  const parts: Record<string, PartForm> = {};
  for (const [name, field] of Object.entries(fields)) {
    if (field.type === 'list' && field.key !== null) parts[name] = partForm(field);
    if (field.type !== 'group' || field.isMerged !== true) continue;
    for (const [member, inner] of Object.entries(field.members)) parts[`${name}.${member}`] = partForm(inner);
  }
  return parts;
}

/** Parts of each kind of record, by their path in its body. */
export const PARTS = byKind((kind) => partsOf(kindNamed(kind).fields));

/** What a group begins with that is not there yet: no entries in its lists, nothing else. */
function emptyGroup(kind: Kind, name: string): Body {
  const field = kindNamed(kind).fields[name];
  if (field?.type !== 'group') return {};
  return Object.fromEntries(
    Object.entries(field.members).map(([member, { type }]) => [member, type === 'list' ? [] : null]),
  );
}

/** One part of a record given another value: a member, an entry put in or taken out, or a list's order. */
export type PartChange =
  | { readonly path: string; readonly value: unknown }
  /** `entry` null: the entry is taken out. */
  | { readonly path: string; readonly id: string; readonly entry: unknown }
  /** Keys of all entries, as they are to stand. */
  | { readonly path: string; readonly order: readonly string[] };

type Body = Readonly<Record<string, unknown>>;
type Entry = Readonly<Record<string, unknown>>;

/** Fields of a kind that are merged part by part. */
function fieldsInParts(kind: Kind): ReadonlySet<string> {
  return new Set(Object.keys(PARTS[kind]).map((path) => path.split('.')[0] ?? path));
}

/** What is touched where this part changes: two changes are in dispute over what both touch. */
export function keyOfPart(part: PartChange): string {
  if ('value' in part) return part.path;
  return 'order' in part ? `${part.path}#` : `${part.path}#${part.id}`;
}

/** True where a change of one touches the other: the same, or one within the other. */
export function touches(one: string, other: string): boolean {
  if (one === other) return true;
  const within = (inner: string, outer: string) =>
    inner.startsWith(outer) &&
    !outer.includes('#') &&
    (inner[outer.length] === '.' || inner[outer.length] === '#');
  return within(one, other) || within(other, one);
}

function at(body: Body, path: string): unknown {
  const [field = '', inner] = path.split('.');
  const value = body[field];
  if (inner === undefined) return value;
  return typeof value === 'object' && value !== null ? (value as Body)[inner] : undefined;
}

function put(kind: Kind, body: Body, path: string, value: unknown): Body {
  const [field = '', inner] = path.split('.');
  if (inner === undefined) return { ...body, [field]: value };
  const outer = (body[field] ?? emptyGroup(kind, field)) as Body;
  return { ...body, [field]: { ...outer, [inner]: value } };
}

function entriesAt(body: Body, path: string): readonly Entry[] {
  const value = at(body, path);
  return Array.isArray(value) ? (value as readonly Entry[]) : [];
}

const keyOf = (entry: Entry, key: 'id' | 'name'): string => String(entry[key]);

function withEntry(list: readonly Entry[], key: 'id' | 'name', id: string, entry: unknown): readonly Entry[] {
  if (entry === null) return list.filter((each) => keyOf(each, key) !== id);
  const isThere = list.some((each) => keyOf(each, key) === id);
  if (!isThere) return [...list, entry as Entry];
  return list.map((each) => (keyOf(each, key) === id ? (entry as Entry) : each));
}

/** Entries that the order does not know stay behind the one that they follow. */
function inOrder(list: readonly Entry[], key: 'id' | 'name', order: readonly string[]): readonly Entry[] {
  const known = new Set(order);
  const followers = new Map<string | null, Entry[]>();
  let last: string | null = null;
  for (const entry of list) {
    const id = keyOf(entry, key);
    if (known.has(id)) last = id;
    else followers.set(last, [...(followers.get(last) ?? []), entry]);
  }
  const byKey = new Map(list.map((entry) => [keyOf(entry, key), entry]));
  return [
    ...(followers.get(null) ?? []),
    ...order.flatMap((id) => {
      const entry = byKey.get(id);
      return entry === undefined ? [] : [entry, ...(followers.get(id) ?? [])];
    }),
  ];
}

function withPart(kind: Kind, body: Body, part: PartChange): Body {
  const key = PARTS[kind][part.path]?.key;
  if (key === undefined) return body;
  if ('value' in part) return put(kind, body, part.path, part.value);
  if (key === null) return body;
  const list = entriesAt(body, part.path);
  const next = 'order' in part ? inOrder(list, key, part.order) : withEntry(list, key, part.id, part.entry);
  return put(kind, body, part.path, next);
}

/** A body with parts of it changed; what others did to other parts stays. */
export function withParts(kind: Kind, body: Body, parts: readonly PartChange[] = []): Body {
  return parts.reduce((changed, part) => withPart(kind, changed, part), body);
}

/** What stands in a body where a key leads: the value of a field or part, an entry, the order of a list. */
export function valueAt(kind: Kind, body: Body, touched: string): unknown {
  const [path = '', id] = touched.split('#');
  if (id === undefined) return at(body, path);
  const key = PARTS[kind][path]?.key;
  if (key == null) return undefined;
  const list = entriesAt(body, path);
  return id === '' ? list.map((entry) => keyOf(entry, key)) : list.find((entry) => keyOf(entry, key) === id);
}

function entryChanges(
  path: string,
  key: 'id' | 'name',
  before: readonly Entry[],
  after: readonly Entry[],
): readonly PartChange[] {
  const was = new Map(before.map((entry) => [keyOf(entry, key), entry]));
  const is = new Map(after.map((entry) => [keyOf(entry, key), entry]));
  const gone = [...was.keys()]
    .filter((id) => !is.has(id))
    .map((id): PartChange => ({ path, id, entry: null }));
  const set = [...is]
    .filter(([id, entry]) => !dequal(was.get(id), entry))
    .map(([id, entry]): PartChange => ({ path, id, entry }));
  const changes = [...gone, ...set];
  const left = [...was.keys()].filter((id) => is.has(id));
  const byItself = [...left, ...[...is.keys()].filter((id) => !was.has(id))];
  const order = [...is.keys()];
  return dequal(order, byItself) ? changes : [...changes, { path, order }];
}

/** What a person changed: whole fields, and parts of those that are merged part by part. */
export interface BodyChange {
  readonly body: Body;
  readonly parts: readonly PartChange[];
}

/**
 * What was changed of a record, from what its maker saw of it and what they made of that. What they left alone is no part
 * of the change, so that it takes nothing back that somebody else did.
 */
export function changeBetween(kind: Kind, seen: Body, wished: Body): BodyChange {
  const inParts = fieldsInParts(kind);
  const body: Record<string, unknown> = {};
  const parts: PartChange[] = [];
  for (const [field, value] of Object.entries(wished)) {
    // A group that is given up goes as a whole: without its parts nothing would be left to put them into.
    if ((!inParts.has(field) || value === null) && !dequal(seen[field], value)) body[field] = value;
  }
  for (const [path, { key }] of Object.entries(PARTS[kind])) {
    const [field = ''] = path.split('.');
    if (!(field in wished) || wished[field] === null) continue;
    if (key !== null) parts.push(...entryChanges(path, key, entriesAt(seen, path), entriesAt(wished, path)));
    else if (!dequal(at(seen, path), at(wished, path))) parts.push({ path, value: at(wished, path) });
  }
  return { body, parts };
}

/** Two changes of one record as one; the later one counts. */
export function joinedChanges(first: BodyChange, second: BodyChange): BodyChange {
  // What a later change gives as a whole stands for all that was changed within.
  const { rest } = cutAt(first, Object.keys(second.body));
  return {
    body: { ...first.body, ...second.body },
    parts: second.parts.reduce(joinedPart, rest.parts),
  };
}

const isRemoval = (part: PartChange): boolean => 'entry' in part && part.entry === null;

/** A later value stands where the earlier one stood, so that entries keep their places. */
function joinedPart(parts: readonly PartChange[], later: PartChange): readonly PartChange[] {
  const key = keyOfPart(later);
  const found = parts.findLast((part) => keyOfPart(part) === key);
  // What was taken out and put in again comes last; an order speaks of the list as it stands by then.
  if (found === undefined || 'order' in later || isRemoval(found)) return [...parts, later];
  return parts.map((part) => (part === found ? later : part));
}

/** Everything that a change touches. */
export function keysOf({
  body,
  parts = [],
}: {
  readonly body: object;
  readonly parts?: readonly PartChange[];
}): readonly string[] {
  return [...Object.keys(body), ...parts.map(keyOfPart)];
}

/** A change cut in two: what touches one of these keys, and what does not. */
export function cutAt(
  { body, parts = [] }: { readonly body: object; readonly parts?: readonly PartChange[] },
  keys: readonly string[],
): { readonly touching: BodyChange; readonly rest: BodyChange } {
  const isTouching = (key: string) => keys.some((each) => touches(each, key));
  const pick = (wanted: boolean): BodyChange => ({
    body: Object.fromEntries(Object.entries(body).filter(([field]) => isTouching(field) === wanted)),
    parts: parts.filter((part) => isTouching(keyOfPart(part)) === wanted),
  });
  return { touching: pick(true), rest: pick(false) };
}

/** True where a change changes nothing. */
export function isEmptyChange({ body, parts }: BodyChange): boolean {
  return Object.keys(body).length === 0 && parts.length === 0;
}

/** The first list of a changed body that holds too many entries or too few; null where all fit. */
export function overfullPart(
  kind: Kind,
  body: Body,
  parts: readonly PartChange[] = [],
): { readonly path: string; readonly bound: string } | null {
  for (const path of new Set(parts.map((part) => part.path))) {
    const form = PARTS[kind][path];
    if (form?.key == null) continue;
    const { length } = entriesAt(body, path);
    if (length > form.max) return { path, bound: `at most ${form.max}` };
    if (length < form.min) return { path, bound: `at least ${form.min}` };
  }
  return null;
}
