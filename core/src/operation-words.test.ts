import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { filesOfVectors } from '../test/vectors';
import { examples } from './examples';
import { computeByName, operationNames, operations, type OperationName } from './operations';
import { isObject, misfit, type FieldsSchema, type Schema } from './schema';

const cases = filesOfVectors<{ readonly input: unknown }>();

/** What an operation answers to each vector and to its example; what it refuses is left out. */
function answersOf(name: OperationName): readonly object[] {
  const inputs = cases.flatMap((file) =>
    file.operation === name ? file.cases.map(({ input }) => input) : [],
  );
  return [examples[name], ...inputs].flatMap((input) => {
    try {
      return [computeByName(name, input)];
    } catch {
      return [];
    }
  });
}

/** Members of an answer that its schema says nothing of. */
function undescribed(schema: Schema, value: unknown, path = ''): readonly string[] {
  if (value === null || value === undefined) return [];
  if (schema.kind === 'list' && Array.isArray(value))
    return value.flatMap((each) => undescribed(schema.item, each, `${path}[]`));
  if (schema.kind !== 'fields' || !isObject(value)) return [];
  return Object.entries(value).flatMap(([name, inner]) => {
    const member = schema.members.find((each) => each.name === name);
    if (name === 'findings') return [];
    return member === undefined ? [`${path}.${name}`] : undescribed(member.schema, inner, `${path}.${name}`);
  });
}

/** Numbers of a schema that do not say in what they are measured. */
function unmeasured(schema: Schema, path: string): readonly string[] {
  switch (schema.kind) {
    case 'number':
      return schema.quantity === undefined ? [path] : [];
    case 'list':
    case 'named':
      return unmeasured(schema.item, `${path}[]`);
    case 'fields':
      return schema.members.flatMap(({ name, schema: member }) => unmeasured(member, `${path}.${name}`));
    case 'boolean':
    case 'option':
    case 'text':
      return [];
  }
}

/** Members of one object that are called alike. */
function calledAlike(schema: Schema): readonly string[] {
  if (schema.kind === 'list' || schema.kind === 'named') return calledAlike(schema.item);
  if (schema.kind !== 'fields') return [];
  const labels = schema.members.flatMap(({ schema: { label } }) => label ?? []);
  return [
    ...labels.filter((label, i) => labels.indexOf(label) !== i),
    ...schema.members.flatMap(({ schema: member }) => calledAlike(member)),
  ];
}

const leadsTo = (schema: FieldsSchema, path: string): boolean =>
  path
    .split('.')
    .reduce<Schema | undefined>(
      (at, step) =>
        at?.kind === 'fields' ? at.members.find(({ name }) => name === step)?.schema : undefined,
      schema,
    ) !== undefined;

describe.each(operationNames)('%s', (name) => {
  const { schema, output, words } = operations[name];

  test('says in what each figure is measured that it takes and that it gives', () => {
    expect([...unmeasured(schema, 'input'), ...unmeasured(output, 'output')]).toEqual([]);
  });

  test('calls no two members of one thing alike', () => {
    expect([...calledAlike(schema), ...calledAlike(output)]).toEqual([]);
  });

  test('answers what it says, of every vector, and nothing beside', () => {
    const answers = answersOf(name);
    expect(answers.length).toBeGreaterThan(0);
    expect(answers.map((answer) => misfit(output, answer)?.message).filter(Boolean)).toEqual([]);
    expect(new Set(answers.flatMap((answer) => undescribed(output, answer)))).toEqual(new Set());
  });

  test('has its main figures among them', () => {
    expect(words.mainFigures.filter((path) => !leadsTo(output, path))).toEqual([]);
  });
});

/** Sources of what runs, by path from the root. */
function sources(): ReadonlyMap<string, string> {
  const root = join(__dirname, '../..');
  const folders = ['core/src', 'contract/src', 'server/src', 'app/src'];
  return new Map(
    folders.flatMap((folder) =>
      readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
        .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file))
        .map((file): [string, string] => [
          `${folder}/${file}`,
          readFileSync(join(root, folder, file), 'utf8'),
        ]),
    ),
  );
}

/** Where a line about an operation must stand: the tables, whose compiler asks for it. */
const TABLES = ['core/src/examples.ts', 'core/src/operations.ts', 'core/src/steps/explanations.ts'];
/** Where one may stand: what a house knows of its input, and what is most likely a slip of the unit. */
const IF_WANTED = ['contract/src/house-inputs.ts', 'core/src/implausible.ts'];

test('a new operation touches its own file, three tables and its steps, and nothing else that runs', () => {
  const all = sources();
  for (const name of operationNames) {
    const naming = [...all].filter(([, text]) => text.includes(`'${name}': `)).map(([file]) => file);
    expect(naming.filter((file) => !IF_WANTED.includes(file)).sort()).toEqual(TABLES);
    const telling = [...all]
      .filter(([, text]) => text.includes(`title: '${operations[name].words.title}'`))
      .map(([file]) => file);
    expect(telling).toHaveLength(1);
  }
});
