import type { Change } from './changes/change';
import { PARTS, type PartChange } from './changes/parts';
import { completerOf } from './kind/completed';
import type { AnyField } from './kind/field';
import { byKind, kindNamed, type Kind } from './kinds';

type Body = Readonly<Record<string, unknown>>;

const entriesOf = (kind: Kind) => Object.entries(kindNamed(kind).fields);

/** Fields that came later, and what they are where an older version of the app says nothing of them. */
const UNSAID = byKind((kind): Body =>
  Object.fromEntries(
    entriesOf(kind).flatMap(([name, field]): [string, unknown][] =>
      'unsaid' in field ? [[name, field.unsaid]] : [],
    ),
  ),
);

/** Fields that once had another form, or hold what an older app does not know, with what brings them into the present one. */
const UPGRADES = byKind((kind) =>
  entriesOf(kind).flatMap(([name, field]) => {
    const complete = completerOf(field);
    const { formerly } = field;
    if (complete === null && formerly === undefined) return [];
    const upgrade = (recordId: string, value: unknown): unknown => {
      const whole = formerly === undefined ? value : formerly(recordId, value);
      return complete === null ? whole : complete(whole);
    };
    return [{ name, upgrade }];
  }),
);

/** A whole body in the form that records have now: what an older version of the app does not know is as it was meant. */
export function wholeInPresentForm<T extends object>(kind: Kind, recordId: string, body: T): T {
  return { ...UNSAID[kind], ...inPresentForm(kind, recordId, body) };
}

/** A body, or part of one, in the form that records have now. What has that form is given back as it is. */
function inPresentForm<T extends object>(kind: Kind, recordId: string, body: T): T {
  const upgraded = UPGRADES[kind].flatMap(({ name, upgrade }): [string, unknown][] => {
    if (!(name in body)) return [];
    const before = (body as Body)[name];
    const after = upgrade(recordId, before);
    return after === before ? [] : [[name, after]];
  });
  return upgraded.length === 0 ? body : { ...body, ...(Object.fromEntries(upgraded) as Body) };
}

/** What a path leads to: a field, or a member of one. */
function fieldAtPart(kind: Kind, path: string): AnyField | undefined {
  const [name = '', member] = path.split('.');
  const field = kindNamed(kind).fields[name];
  if (member === undefined) return field;
  return field?.type === 'group' ? field.members[member] : undefined;
}

const PART_COMPLETERS = byKind(
  (kind) =>
    new Map(
      Object.keys(PARTS[kind]).flatMap((path) => {
        const field = fieldAtPart(kind, path);
        const value = field === undefined ? null : completerOf(field);
        const entry = field?.type === 'list' ? completerOf(field.item) : null;
        return value === null && entry === null ? [] : [[path, { value, entry }] as const];
      }),
    ),
);

function partInPresentForm(kind: Kind, part: PartChange): PartChange {
  const complete = PART_COMPLETERS[kind].get(part.path);
  if (complete === undefined) return part;
  if ('value' in part) return { ...part, value: complete.value?.(part.value) ?? part.value };
  if ('entry' in part) return { ...part, entry: complete.entry?.(part.entry) ?? part.entry };
  return part;
}

/** What a change brings, in the form that records have now: a creation brings a whole body, an update a part of one. */
export function broughtInPresentForm<
  C extends Pick<Change, 'op' | 'kind' | 'id' | 'body'> & { readonly parts?: readonly PartChange[] },
>(change: C): C {
  const { op, kind, id, body, parts } = change;
  return {
    ...change,
    body: op === 'create' ? wholeInPresentForm(kind, id, body) : inPresentForm(kind, id, body),
    ...(parts === undefined ? {} : { parts: parts.map((part) => partInPresentForm(kind, part)) }),
  };
}
