import type { AnyField, AnyFields } from './field';

type Body = Readonly<Record<string, unknown>>;
type Complete = (value: unknown) => unknown;

const isBody = (value: unknown): value is Body =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The members of a group with what an older app says nothing of; null where nothing can be missing. */
function membersCompleter(fields: AnyFields): Complete | null {
  const unsaid = Object.entries(fields).filter(([, field]) => 'unsaid' in field);
  const inner = Object.entries(fields).flatMap(([name, field]) => {
    const complete = completerOf(field);
    return complete === null ? [] : [{ name, complete }];
  });
  if (unsaid.length === 0 && inner.length === 0) return null;
  return (value) => {
    if (!isBody(value)) return value;
    const added: Record<string, unknown> = {};
    for (const [name, field] of unsaid) if (!(name in value)) added[name] = field.unsaid;
    for (const { name, complete } of inner) {
      if (!(name in value)) continue;
      const before = value[name];
      const after = complete(before);
      if (after !== before) added[name] = after;
    }
    return Object.keys(added).length === 0 ? value : { ...value, ...added };
  };
}

function shapeCompleter(shapes: Readonly<Record<string, AnyFields>>): Complete | null {
  const byKind = Object.entries(shapes).flatMap(([kind, fields]): [string, Complete][] => {
    const complete = membersCompleter(fields);
    return complete === null ? [] : [[kind, complete]];
  });
  if (byKind.length === 0) return null;
  const completers = new Map(byKind);
  return (value) =>
    isBody(value) && typeof value.kind === 'string' ? (completers.get(value.kind)?.(value) ?? value) : value;
}

function listCompleter(item: AnyField): Complete | null {
  const complete = completerOf(item);
  if (complete === null) return null;
  return (value) => {
    if (!Array.isArray(value)) return value;
    const completed = value.map((entry: unknown) => complete(entry));
    return completed.every((entry, i) => entry === value[i]) ? value : completed;
  };
}

/**
 * What brings into a value of a field the members within it that an older app does not know; null where there are none. A
 * value that lacks nothing is given back as it is, and what has another form than the field is left to be refused.
 */
export function completerOf(field: AnyField): Complete | null {
  switch (field.type) {
    case 'group':
      return membersCompleter(field.members);
    case 'shape':
      return shapeCompleter(field.shapes);
    case 'list':
      return listCompleter(field.item);
    default:
      return null;
  }
}
