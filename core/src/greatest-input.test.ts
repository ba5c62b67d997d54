import '../test/patience';
import { greatestInput } from '../test/greatest-input';
import { compute, operationNames, operations } from './operations';
import { Refusal } from './refusal';
import { misfit, type Schema } from './schema';

/** Lists and named members of an input that know no end. */
function endless(schema: Schema, path: string): readonly string[] {
  switch (schema.kind) {
    case 'list':
    case 'named':
      return [...(Number.isFinite(schema.most) ? [] : [path]), ...endless(schema.item, `${path}[]`)];
    case 'fields':
      return schema.members.flatMap(({ name, schema: member }) => endless(member, `${path}.${name}`));
    case 'boolean':
    case 'number':
    case 'option':
    case 'text':
      return [];
  }
}

interface Long {
  readonly path: string;
  readonly most: number;
}

/** Every list of an input, by the path at which its first one stands. */
function listsIn(schema: Schema, path: string): readonly Long[] {
  if (schema.kind === 'list') return [{ path, most: schema.most }, ...listsIn(schema.item, `${path}[0]`)];
  if (schema.kind !== 'fields') return [];
  return schema.members.flatMap(({ name, schema: member }) =>
    listsIn(member, path === '' ? name : `${path}.${name}`),
  );
}

/** The same with one entry too many at a path; null where nothing stands there. */
function overfull(input: unknown, path: string): unknown {
  const copy = structuredClone(input);
  let at: unknown = copy;
  for (const [, index, name] of path.matchAll(/\[(\d+)\]|([^.[\]]+)/g))
    at = (at as Record<string, unknown> | undefined)?.[index ?? name ?? ''];
  if (!Array.isArray(at) || at.length === 0) return null;
  at.push(at[0]);
  return copy;
}

describe.each(operationNames)('%s', (name) => {
  const { schema } = operations[name];

  test('takes no list without an end', () => {
    expect(endless(schema, 'input')).toEqual([]);
  });

  test('answers the greatest input that it takes, and refuses one entry more before it computes', () => {
    const input = greatestInput(name);
    expect(misfit(schema, input)).toBeNull();
    expect(() => compute(name, input)).not.toThrow();
    for (const { path, most } of listsIn(schema, '')) {
      const tooMany = overfull(input, path);
      if (tooMany === null) continue;
      expect(() => compute(name, tooMany)).toThrow(Refusal);
      const found = misfit(schema, tooMany);
      // Some lists are shortened so that the rest of the input can be answered.
      if (found !== null) expect(found).toMatchObject({ code: 'list-length', field: path, bound: most });
    }
  });
});
