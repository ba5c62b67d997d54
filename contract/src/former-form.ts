import type { Change } from './changes/change';
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

/** Fields that once had another form, with what brings it into the present one. */
const UPGRADES = byKind((kind) =>
  entriesOf(kind).flatMap(([name, { formerly }]) => (formerly === undefined ? [] : [{ name, formerly }])),
);

/** A whole body in the form that records have now: what an older version of the app does not know is as it was meant. */
export function wholeInPresentForm<T extends object>(kind: Kind, recordId: string, body: T): T {
  return { ...UNSAID[kind], ...inPresentForm(kind, recordId, body) };
}

/** A body, or part of one, in the form that records have now. What has that form is given back as it is. */
function inPresentForm<T extends object>(kind: Kind, recordId: string, body: T): T {
  const fields = UPGRADES[kind].filter(({ name }) => name in body);
  if (fields.length === 0) return body;
  const upgraded = fields.map(({ name, formerly }) => [name, formerly(recordId, (body as Body)[name])]);
  return { ...body, ...(Object.fromEntries(upgraded) as Body) };
}

/** What a change brings, in the form that records have now: a creation brings a whole body, an update a part of one. */
export function broughtInPresentForm({
  op,
  kind,
  id,
  body,
}: Pick<Change, 'op' | 'kind' | 'id' | 'body'>): Change['body'] {
  return op === 'create' ? wholeInPresentForm(kind, id, body) : inPresentForm(kind, id, body);
}
