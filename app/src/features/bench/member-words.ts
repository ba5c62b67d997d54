import { MONTHS } from '../../ui/months';
import type { Quantity } from '@calvet/core/units/quantity';
import { isObject, type ListSchema, type Measure, type NamedSchema, type Schema } from '@calvet/core/schema';

/** A member of an object, or the entries of a list, with what its schema says of it. */
export interface Described<S extends Schema = Schema> {
  readonly name: string;
  readonly schema: S;
}

/** The unit at the end of a name; the unit of the figure says it. */
const UNIT_ENDING = /(?:M3hM2|M3h|KgM3|KgM2|WmK|WK|Kd|Kg|M2|M3|Ms|Pa|M|C|W)$/;

/** What a member is called on the screen: by its label, or in the words of its name. */
export function labelOf({ name, schema }: Described): string {
  if (schema.label !== undefined) return schema.label;
  const words = name
    .replace(UNIT_ENDING, '')
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** In what a figure is measured, beside what stands beside it. */
export function measureOf(measure: Measure | undefined, siblings: unknown): Quantity | 'month' {
  if (measure === undefined) return 'plain';
  if (typeof measure === 'string') return measure;
  return measure.of[String(isObject(siblings) ? siblings[measure.by] : '')] ?? 'plain';
}

/** The quantity that a field for a figure is in. */
export function quantityOf(schema: Schema, siblings: unknown): Quantity {
  const measure = schema.kind === 'number' ? measureOf(schema.quantity, siblings) : 'plain';
  return measure === 'month' ? 'count' : measure;
}

/** What a step of a path leads to within a schema; undefined where it leads nowhere. */
export function within(schema: Schema | undefined, step: string | number): Schema | undefined {
  switch (schema?.kind) {
    case 'list':
    case 'named':
      return schema.item;
    case 'fields':
      return schema.members.find(({ name }) => name === step)?.schema;
    default:
      return undefined;
  }
}

type Many = Described<ListSchema | NamedSchema>;

/** One of a list, in words without a capital: `layers` → "layer". */
export function itemOf({ name, schema }: Many): string {
  if (schema.one !== undefined) return schema.one;
  const plural = labelOf({ name, schema }).toLowerCase().split(' ').slice(0, 2).join(' ');
  return plural.replace(/ies$/, 'y').replace(/s$/, '');
}

/** The same with its article: `observations` → "an observation". */
export function oneOf(list: Many): string {
  const item = itemOf(list);
  return `${/^[aeiou]/.test(item) ? 'an' : 'a'} ${item}`;
}

/** Heading of one item of a list; months go by their names. */
export function itemTitle(list: Many, index: number): string {
  const item = itemOf(list);
  if (item === 'month') return MONTHS[index] ?? String(index + 1);
  return `${item.charAt(0).toUpperCase()}${item.slice(1)} ${index + 1}`;
}

const OPTIONS: Readonly<Record<string, string>> = {
  iso9972: 'ISO 9972',
  astmE779: 'ASTM E779',
  iso6946: 'Combined, ISO 6946',
  parallelPath: 'Parallel paths',
  isothermalPlanes: 'Isothermal planes',
  n50: 'n50, per volume',
  qE50: 'qE50, per envelope area',
  qF50: 'qF50, per floor area',
  q50: 'q50, flow',
  iso: 'ISO',
  na: 'North American',
  horizontal: 'Sideways (wall)',
  up: 'Upwards',
  down: 'Downwards',
  voidFraction: 'Share of void, ANSI 301',
  airVoid: 'Air-void level, ISO 6946',
  underfilled: 'Filled too thin',
  compressed: 'Pressed together',
  none: 'No grade',
  looseFill: 'Loose fill',
  sprayedFoam: 'Sprayed foam',
  notSeen: 'Not seen',
  notNeeded: 'Not needed',
  'pass-not-proven': 'Pass, not proven',
  fail: 'Fails',
  'no-demonstrable-change': 'No change shown',
  'not-asked': 'Not asked for',
  'not-known': 'Not known',
};

/** The word for an option, a verdict or a state. */
export function wordOf(value: string | number | boolean): string {
  if (typeof value === 'boolean') return value ? 'Yes' : 'No';
  const text = String(value);
  // A sentence says itself.
  if (text.includes(' ')) return text;
  const known = OPTIONS[text];
  if (known !== undefined) return known;
  const words = text.replace(/([a-z])([A-Z])/g, '$1 $2').replaceAll('-', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}
