import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { examples } from './examples';
import { compute, operationNames, operations, type OperationName } from './operations';
import type { Schema } from './schema';

const book = readFileSync(join(__dirname, '..', '..', 'docs', 'methods.md'), 'utf8');

/** The sections of the book by the name of their computation. */
const sections = new Map(
  book
    .split(/^### /m)
    .slice(1)
    .map((text): [string, string] => [
      /^[^\n`]*`([^`]+)`/.exec(text)?.[1] ?? '',
      text.split(/^# /m)[0] ?? '',
    ]),
);

function memberNames(schema: Schema): readonly string[] {
  if (schema.kind === 'list' || schema.kind === 'named') return memberNames(schema.item);
  if (schema.kind !== 'fields') return [];
  return schema.members.flatMap(({ name, schema: member }) => [name, ...memberNames(member)]);
}

function outputNames(value: unknown): readonly string[] {
  if (Array.isArray(value)) return value.flatMap(outputNames);
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([name, inner]) =>
    name === 'findings' ? [name] : [name, ...outputNames(inner)],
  );
}

const FIGURE = /`([\w.[\]]+)` (−?[\w.-]+)/g;

/** The figures that are shown under an example: path and what is written. */
function figuresOf(section: string): readonly (readonly [path: string, shown: string])[] {
  const after = section.slice(section.lastIndexOf('```') + 3);
  return [...after.matchAll(FIGURE)].map(([, path = '', shown = '']) => [path, shown]);
}

const valueAt = (output: unknown, path: string): unknown =>
  path
    .split(/[.[\]]+/)
    .filter((step) => step !== '')
    .reduce<unknown>((inner, step) => (inner as Readonly<Record<string, unknown>>)[step], output);

test('the book has a section for every computation and for no other', () => {
  expect([...sections.keys()].sort()).toEqual([...operationNames].sort());
});

describe.each(operationNames)('%s in the book', (name: OperationName) => {
  const section = sections.get(name) ?? '';
  const output = compute(name, examples[name]);

  test('names everything that goes in and comes out', () => {
    const takes = /_Takes_\s+`([^`]+)`/.exec(section)?.[1] ?? '';
    const gives = /_Gives_\s+`([^`]+)`/.exec(section)?.[1] ?? '';
    const missing = [
      ...memberNames(operations[name].schema).filter((member) => !new RegExp(`\\b${member}\\b`).test(takes)),
      ...outputNames(output).filter((member) => !new RegExp(`\\b${member}\\b`).test(gives)),
    ];
    expect(missing).toEqual([]);
  });

  test('has the example that the app fills in, with its figures', () => {
    const input: unknown = JSON.parse(/```json\n([\s\S]+?)```/.exec(section)?.[1] ?? 'null');
    expect(input).toEqual(examples[name]);
    const figures = figuresOf(section);
    expect(figures.length).toBeGreaterThan(1);
    for (const [path, shown] of figures) {
      const value = valueAt(output, path);
      const digits = shown.split('.')[1]?.length ?? 0;
      expect([
        path,
        typeof value === 'number' ? value.toFixed(digits).replace('-', '−') : String(value),
      ]).toEqual([path, shown]);
    }
  });
});

test('every code of a refusal is explained', () => {
  const codes = readFileSync(join(__dirname, 'refusal.ts'), 'utf8')
    .split('export interface')[0]
    ?.matchAll(/'([a-z-]+)'/g);
  const table = book.slice(book.indexOf('# Refusals'));
  const missing = [...(codes ?? [])].map(([, code]) => code).filter((code) => !table.includes(`\`${code}\``));
  expect(missing).toEqual([]);
});
