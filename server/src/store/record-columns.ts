import type { AnyField, AnyFields } from '@calvet/contract';
import { boolean, char, customType, double, int, json, smallint, varchar } from 'drizzle-orm/mysql-core';

const SMALLINT_MAX = 32_767;
/** Of a word of a choice; of one with longer words the other. */
const OPTION_LENGTHS = [20, 40] as const;
const TIME_LENGTH = 30;

/**
 * A UUID or a hash, in small letters: compared as bytes. By the rules of a language the database takes three times as long to
 * find fifty of them.
 */
export const codeColumn = customType<{
  data: string;
  config: { readonly length: number };
  configRequired: true;
}>({
  dataType: ({ length }) => `char(${length}) character set ascii collate ascii_bin`,
});

/** As the database calls it: `volumeM3` is `volume_m3`. */
export const nameInDatabase = (name: string): string =>
  name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

function figureColumn(
  name: string,
  { max = Infinity, whole }: { readonly max?: number; readonly whole?: true },
) {
  if (whole !== true) return double(name);
  return max <= SMALLINT_MAX ? smallint(name) : int(name);
}

function columnOf(name: string, field: AnyField) {
  switch (field.type) {
    case 'figure':
      return figureColumn(name, field.bounds);
    case 'text':
      return varchar(name, { length: field.max });
    case 'day':
      return char(name, { length: 10 });
    case 'time':
      return varchar(name, { length: TIME_LENGTH });
    case 'id':
      return codeColumn(name, { length: 36 });
    case 'sha256':
      return codeColumn(name, { length: 64 });
    case 'flag':
      return boolean(name);
    case 'option':
      return optionColumn(name, Object.keys(field.words));
    case 'subject':
    case 'group':
    case 'shape':
    case 'list':
      return json(name);
  }
}

function optionColumn(name: string, words: readonly string[]) {
  const longest = Math.max(...words.map(({ length: letters }) => letters));
  const length = OPTION_LENGTHS.find((most) => longest <= most);
  if (length === undefined) throw new Error(`A word of ${name} has ${longest} letters: no column holds it.`);
  return varchar(name, { length });
}

/** A column for each field of a kind of record; what has parts of its own is kept as JSON. */
export function columnsFor(fields: AnyFields) {
  return Object.fromEntries(
    Object.entries(fields).map(([field, description]) => {
      const column = columnOf(nameInDatabase(field), description);
      if (description.nullable === true) return [field, column];
      // Records of before have what an older app means that says nothing of it.
      const { unsaid } = description;
      return [field, unsaid === undefined ? column.notNull() : column.default(unsaid as never).notNull()];
    }),
  );
}
