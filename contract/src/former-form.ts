import type { Change } from './changes/change';
import { kindNamed, type Kind } from './kinds';

type Body = Readonly<Record<string, unknown>>;

/** Fields that came later, and what they are where an older version of the app says nothing of them. */
function unsaidOf(kind: Kind): Body {
  return Object.fromEntries(
    Object.entries(kindNamed(kind).fields).flatMap(([name, field]): [string, unknown][] =>
      'unsaid' in field ? [[name, field.unsaid]] : [],
    ),
  );
}

/** A whole body in the form that records have now: what an older version of the app does not know is as it was meant. */
export function wholeInPresentForm<T extends object>(kind: Kind, recordId: string, body: T): T {
  return { ...unsaidOf(kind), ...inPresentForm(kind, recordId, body) };
}

/** A body, or part of one, in the form that records have now. What has that form is given back as it is. */
function inPresentForm<T extends object>(kind: Kind, recordId: string, body: T): T {
  const upgraded: Record<string, unknown> = {};
  for (const [name, { formerly }] of Object.entries(kindNamed(kind).fields)) {
    if (formerly !== undefined && name in body) upgraded[name] = formerly(recordId, (body as Body)[name]);
  }
  return Object.keys(upgraded).length === 0 ? body : { ...body, ...upgraded };
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
