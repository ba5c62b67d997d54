import { fieldAt } from '@calvet/contract/kind/field-at';
import { kindNamed, type KindedRecord } from '@calvet/contract/kinds';
import type { AnyField, AnyFields } from '@calvet/contract/kind/field';
import type { UnitSystem } from '@calvet/core/units/quantity';
import { day, figureWithUnit } from '../../ui/format';

type Entry = Readonly<Record<string, unknown>>;

const SHOWN_ENTRIES = 6;

/** Members of an entry, each behind what it is called. */
function membersWords(fields: AnyFields, entry: Entry, units: UnitSystem): string {
  const said = Object.entries(fields).flatMap(([name, field]): string[] => {
    const value = entry[name];
    if (field.type === 'id' || value === null || value === undefined || value === '') return [];
    if (Array.isArray(value) && value.length === 0) return [];
    const words = bareWords(field, value, units);
    return [field.label === '' ? words : `${field.label} ${words}`];
  });
  return said.length === 0 ? 'an empty one' : said.join(', ');
}

function entriesWords(item: AnyField, entries: readonly unknown[], units: UnitSystem): string {
  if (entries.length === 0) return 'none';
  const shown = entries.slice(0, SHOWN_ENTRIES).map((entry) => bareWords(item, entry, units));
  const more = entries.length - shown.length;
  return `${shown.join(' · ')}${more > 0 ? ` · and ${more} more` : ''}`;
}

/** A value that is there, as it stands among others. */
function bareWords(field: AnyField, value: unknown, units: UnitSystem): string {
  switch (field.type) {
    case 'figure':
      return figureWithUnit(Number(value), field.quantity, units);
    case 'option':
      return field.words[String(value)] ?? String(value);
    case 'flag':
      return value === true ? 'yes' : 'no';
    case 'day':
      return day(String(value));
    case 'group':
      return membersWords(field.members, value as Entry, units);
    case 'shape': {
      const entry = value as Entry;
      const [kind, fields] = [String(entry.kind), field.shapes[String(entry.kind)]];
      return fields === undefined ? kind : `${field.words[kind]}: ${membersWords(fields, entry, units)}`;
    }
    case 'list': {
      const entries = value as readonly unknown[];
      return field.key === null ? String(entries.length) : entriesWords(field.item, entries, units);
    }
    case 'subject':
      return String((value as Entry).kind);
    case 'text':
    case 'time':
    case 'id':
    case 'sha256':
      return String(value);
  }
}

/**
 * A value of a record, as a person can compare it with another.
 * @param key where it stands: a field, a part, an entry of a list, or the order of one
 */
export function valueWords(
  kind: KindedRecord['kind'],
  key: string,
  value: unknown,
  units: UnitSystem,
): string {
  const [path = key, id] = key.split('#');
  const field = fieldAt(kind, path);
  if (value === undefined && id !== undefined) return 'deleted';
  if (value === null || value === undefined || value === '') return 'nothing';
  if (field === null) return String(value);
  if (id === '') return (value as readonly unknown[]).join(', ');
  if (id !== undefined && field.type === 'list') return bareWords(field.item, value, units);
  const words = bareWords(field, value, units);
  return field.type === 'text' ? `“${words}”` : words;
}

/** What a record is called: its name, or what it has in place of one; empty where it has neither. */
export function nameWords({ kind, record }: KindedRecord): string {
  const { title, fields } = kindNamed(kind);
  const body = record as unknown as Entry;
  return title
    .flatMap((name): string[] => {
      const [field, value] = [fields[name], body[name]];
      return field === undefined || value == null || value === '' ? [] : [bareWords(field, value, 'metric')];
    })
    .join(', ');
}

/** What a record is told apart by: its kind, with its name or what it has in place of one. */
export function titleWords(item: KindedRecord): string {
  const { word, title, fields } = kindNamed(item.kind);
  const name = nameWords(item);
  if (name === '') return word;
  return title.every((each) => fields[each]?.type === 'text') ? `${word} “${name}”` : `${word}, ${name}`;
}
