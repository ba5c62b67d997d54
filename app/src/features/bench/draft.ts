import { isObject, type ListSchema, type Schema } from '@calvet/core/schema';

/** What stands in a form: the shape of an input, where null is what was not entered yet. */
export type Draft = string | number | boolean | null | readonly Draft[] | { readonly [name: string]: Draft };
export type DraftFields = { readonly [name: string]: Draft };
export type Path = readonly (string | number)[];

export function isFields(draft: Draft | undefined): draft is DraftFields {
  return typeof draft === 'object' && draft !== null && !Array.isArray(draft);
}

function isList(draft: Draft | undefined): draft is readonly Draft[] {
  return Array.isArray(draft);
}

/** A path as refusals write it: `runs[0].readings[2].pressurePa`. */
export function pathText(path: Path): string {
  return path
    .map((step, i) => (typeof step === 'number' ? `[${step}]` : i === 0 ? step : `.${step}`))
    .join('');
}

/** The path that a refusal writes: {@link pathText} back again. */
export function pathOf(text: string): Path {
  return [...text.matchAll(/\[(\d+)\]|([^.[\]]+)/g)].map(([, index, name]) =>
    index === undefined ? (name ?? '') : Number(index),
  );
}

/** What stands at a place; undefined where nothing does. */
export function valueAt(draft: Draft, path: Path): Draft | undefined {
  return path.reduce<Draft | undefined>(
    (inner, step) =>
      isList(inner) ? inner[Number(step)] : isFields(inner) ? inner[String(step)] : undefined,
    draft,
  );
}

/** A copy with one place changed; `undefined` takes the place out. */
export function withChange(draft: Draft, [step, ...rest]: Path, value: Draft | undefined): Draft {
  if (step === undefined) return value ?? null;
  if (isList(draft) && typeof step === 'number') {
    if (rest.length === 0 && value === undefined) return draft.filter((_, i) => i !== step);
    const next = [...draft];
    next[step] = withChange(draft[step] ?? null, rest, value);
    return next;
  }
  const fields = isFields(draft) ? draft : {};
  if (rest.length > 0 || value !== undefined) {
    return { ...fields, [step]: withChange(fields[step] ?? null, rest, value) };
  }
  return Object.fromEntries(Object.entries(fields).filter(([name]) => name !== String(step)));
}

const FIRST_FIGURES = 3;

/** Nothing entered, as far as a schema asks for it. */
export function emptyOf(schema: Schema): Draft {
  switch (schema.kind) {
    case 'number':
    case 'boolean':
      return null;
    case 'text':
      return '';
    case 'option':
      return schema.values[0] ?? null;
    case 'named':
      return {};
    case 'list': {
      const count = Math.max(schema.least, schema.item.kind === 'number' ? FIRST_FIGURES : 1);
      return Array.from({ length: count }, () => emptyItem(schema.item));
    }
    case 'fields': {
      const asked = schema.members.filter(({ optional }) => !optional);
      // Where everything may be left out, the first is shown, so that there is something to enter.
      const shown = asked.length > 0 ? asked : schema.members.slice(0, 1);
      return Object.fromEntries(shown.map(({ name, schema: member }) => [name, emptyOf(member)]));
    }
  }
}

/** An entry of a list with nothing entered: of several words to choose from none is chosen. */
const emptyItem = (item: Schema): Draft => (item.kind === 'option' ? null : emptyOf(item));

/** The same form with nothing entered; what is chosen, and how something is entered, stays. */
export function cleared(schema: Schema, draft: Draft): Draft {
  switch (schema.kind) {
    case 'number':
    case 'boolean':
      return null;
    case 'text':
      return '';
    case 'option':
      return draft;
    case 'named':
      return {};
    case 'list':
      return isList(draft) ? draft.map((item) => clearedItem(schema.item, item)) : emptyOf(schema);
    case 'fields':
      return isFields(draft)
        ? Object.fromEntries(
            schema.members.flatMap(({ name, schema: member }): [string, Draft][] => {
              const inner = draft[name];
              return inner === undefined ? [] : [[name, cleared(member, inner)]];
            }),
          )
        : emptyOf(schema);
  }
}

const clearedItem = (schema: Schema, item: Draft): Draft =>
  schema.kind === 'option' ? null : cleared(schema, item);

/** One more item of a list: like the last one, with nothing entered. */
export function nextItem({ item }: ListSchema, items: readonly Draft[]): Draft {
  const last = items.at(-1);
  return last === undefined ? emptyItem(item) : clearedItem(item, last);
}

/** A list with a column of figures put in from one item downwards, made longer where it must be. */
export function filledDown(
  schema: ListSchema,
  items: readonly Draft[],
  start: number,
  member: string | null,
  figures: readonly number[],
): readonly Draft[] {
  const next = [...items];
  figures.forEach((figure, i) => {
    const at = start + i;
    if (at >= schema.most) return;
    const item = next[at] ?? nextItem(schema, next);
    next[at] = member === null ? figure : withChange(item, [member], figure);
  });
  return next;
}

const shapeOf = (draft: Draft | undefined): string =>
  isFields(draft) ? Object.keys(draft).join() : typeof draft;

function shortened(schema: Schema, draft: Draft): Draft {
  if (schema.kind === 'fields' && isFields(draft)) {
    return Object.fromEntries(
      schema.members.flatMap(({ name, schema: member }): [string, Draft][] => {
        const inner = draft[name];
        return inner === undefined ? [] : [[name, shortened(member, inner)]];
      }),
    );
  }
  if (schema.kind !== 'list' || !isList(draft)) return draft;
  const items = draft.map((item) => shortened(schema.item, item));
  const isOneShape =
    schema.item.kind === 'fields' && items.every((item) => shapeOf(item) === shapeOf(items[0]));
  const isShort = items.length <= MOST_LINES && items.every((item) => isFields(item) && isPlain(item));
  return isOneShape && !isShort ? items.slice(0, Math.max(1, schema.least)) : items;
}

/** So many short lines, such as readings, stand ready in an empty form. */
const MOST_LINES = 6;
const isPlain = (fields: DraftFields): boolean =>
  Object.keys(fields).length <= 2 &&
  Object.values(fields).every((inner) => typeof inner !== 'object' || inner === null);

/** The form that a person begins with, after the pattern of a worked example. */
export function blankOf(schema: Schema, example: Draft): Draft {
  return cleared(schema, shortened(schema, example));
}

/** True where a draft, perhaps kept since an older version, still has the shape that a schema asks for. */
export function hasShape(schema: Schema, draft: Draft | undefined): draft is Draft {
  if (draft === undefined) return false;
  switch (schema.kind) {
    case 'number':
      return draft === null || typeof draft === 'number';
    case 'boolean':
      return draft === null || typeof draft === 'boolean';
    case 'text':
      return typeof draft === 'string';
    case 'option':
      return draft === null || schema.values.includes(draft as string | number);
    case 'list':
      return isList(draft) && draft.every((item) => hasShape(schema.item, item));
    case 'named':
      return isFields(draft) && Object.values(draft).every((inner) => hasShape(schema.item, inner));
    case 'fields': {
      const { members } = schema;
      return (
        isFields(draft) &&
        Object.keys(draft).every((name) => members.some((member) => member.name === name)) &&
        members.every(({ name, schema: member, optional }) =>
          draft[name] === undefined ? optional : hasShape(member, draft[name]),
        )
      );
    }
  }
}

/**
 * A draft with what is given of an input laid over it. Lists are as they are given, with an empty place for what is not in
 * them; a member that is given as null is taken out where it may be, and emptied where not.
 */
export function withGiven(schema: Schema, draft: Draft, given: unknown): Draft {
  if (schema.kind === 'list' && Array.isArray(given)) {
    return given.map((item) => withGiven(schema.item, emptyOf(schema.item), item));
  }
  if (schema.kind !== 'fields' || !isObject(given)) return given as Draft;
  return schema.members.reduce<DraftFields>(
    (fields, { name, schema: member, optional }) => {
      const value = given[name];
      if (value === undefined) return fields;
      if (value === null)
        return withChange(fields, [name], optional ? undefined : emptyOf(member)) as DraftFields;
      return { ...fields, [name]: withGiven(member, fields[name] ?? emptyOf(member), value) };
    },
    isFields(draft) ? draft : {},
  );
}

/** The input that a draft stands for: empty words are not there, and empty places at the end of a list of figures. */
export function inputOf(schema: Schema, draft: Draft): Draft {
  if (schema.kind === 'text') return draft === '' ? null : draft;
  if (schema.kind === 'fields' && isFields(draft)) {
    return Object.fromEntries(
      Object.entries(draft).map(([name, inner]) => {
        const member = schema.members.find((each) => each.name === name);
        return [name, member === undefined ? inner : inputOf(member.schema, inner)];
      }),
    );
  }
  if (schema.kind !== 'list' || !isList(draft)) return draft;
  const items = draft.map((item) => inputOf(schema.item, item));
  if (schema.item.kind !== 'number') return items;
  const filled = items.findLastIndex((item) => item !== null) + 1;
  return items.slice(0, Math.max(filled, schema.least));
}

/** Places that must be filled before anything can be computed. */
export function missingIn(schema: Schema, input: Draft, path: Path = []): readonly Path[] {
  if (input === null) return [path];
  if (schema.kind === 'list' && isList(input)) {
    return input.flatMap((item, i) => missingIn(schema.item, item, [...path, i]));
  }
  if (schema.kind !== 'fields' || !isFields(input)) return [];
  return schema.members.flatMap(({ name, schema: member, optional }) => {
    const inner = input[name] ?? null;
    return optional && inner === null ? [] : missingIn(member, inner, [...path, name]);
  });
}

/** Every figure that stands in an input, with its place and its schema. */
export function valuesIn(
  schema: Schema,
  input: Draft,
  path: Path = [],
): readonly { readonly path: Path; readonly schema: Schema; readonly value: Draft }[] {
  if (input === null) return [];
  if (schema.kind === 'list' && isList(input)) {
    return input.flatMap((item, i) => valuesIn(schema.item, item, [...path, i]));
  }
  if (schema.kind === 'named' && isFields(input)) {
    return Object.entries(input).flatMap(([name, inner]) => valuesIn(schema.item, inner, [...path, name]));
  }
  if (schema.kind === 'fields' && isFields(input)) {
    return schema.members.flatMap(({ name, schema: member }) =>
      valuesIn(member, input[name] ?? null, [...path, name]),
    );
  }
  return [{ path, schema, value: input }];
}
