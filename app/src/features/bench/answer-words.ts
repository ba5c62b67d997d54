import { unitOf, type UnitSystem } from '@calvet/core/units/quantity';
import type { Operation } from '@calvet/core/operation';
import { isObject, type FieldsSchema, type Schema } from '@calvet/core/schema';
import { decimals, figure } from '../../ui/format';
import type { Mark } from '../../ui/line-mark';
import { MONTHS } from '../../ui/months';
import { labelOf, measureOf, within, wordOf } from './member-words';
import { siNumber } from './si-number';

const NOTHING = '–';
/** Objects whose name adds nothing to what is in them. */
const SILENT: ReadonlySet<string> = new Set(['result', 'price', 'paths', 'members']);

/** A figure or word as it is shown, and the unit that stands beside it. */
interface Shown {
  readonly text: string;
  readonly unit: string;
}

function shownValue(schema: Schema | undefined, value: unknown, units: UnitSystem, siblings: unknown): Shown {
  const words = (text: string): Shown => ({ text, unit: '' });
  if (value === null || value === undefined) return words(NOTHING);
  // Of things that stand in a table below it is told how many they are.
  if (Array.isArray(value) && value.some(isObject)) return words(String(value.length));
  if (Array.isArray(value)) return words(value.length === 0 ? 'None' : value.map(String).join(' · '));
  if (typeof value !== 'number') return words(wordOf(value as string | boolean));
  const measure = measureOf(schema?.kind === 'number' ? schema.quantity : undefined, siblings);
  if (measure === 'month') return words(MONTHS[value] ?? NOTHING);
  const isWhole = measure === 'count' || measure === 'position';
  const isTiny = measure === 'plain' && value !== 0 && Math.abs(value) < TINY;
  return {
    text: isTiny
      ? siNumber(value)
      : measure === 'plain'
        ? decimals(value, 3)
        : figure(value, measure, units, isWhole ? 0 : undefined),
    unit: unitOf(measure, units).symbol,
  };
}

/** Below this a figure without a unit needs powers of ten. */
const TINY = 0.001;

/** A figure with its unit, or a word, as it is shown. */
export function valueText(schema: Schema, value: unknown, units: UnitSystem, siblings?: unknown): string {
  return withUnit(shownValue(schema, value, units, siblings));
}

/** A figure and its unit in one piece that does not break over lines. */
export function withUnit({ text, unit }: Shown): string {
  return unit === '' ? text : `${text}${unit === '%' ? '' : '\u00A0'}${unit}`;
}

const HOLDS: ReadonlySet<unknown> = new Set(['pass', 'meets', true]);
const LEAKS: ReadonlySet<unknown> = new Set(['fail', 'fails', false]);

/** The mark that goes with a verdict; none for a figure. */
export function markOf(name: string, value: unknown): Mark | null {
  if (name === 'settled') return value === true ? 'solid' : 'half';
  if (value === 'pass-not-proven' || value === 'no-demonstrable-change') return 'half';
  if (HOLDS.has(value)) return 'solid';
  return LEAKS.has(value) ? 'broken' : null;
}

/** What an answer is called, with where in the output it stands. */
export function answerLabel(output: FieldsSchema, path: string): string {
  let at: Schema | undefined = output;
  const steps = path.split('.').map((name) => {
    at = within(at, name);
    return { name, label: at === undefined ? name : labelOf({ name, schema: at }) };
  });
  const last = steps.at(-1);
  const holder = steps.at(-2);
  if (last === undefined) return path;
  if (holder === undefined || SILENT.has(holder.name)) return last.label;
  const around = holder.label;
  if (last.name === 'value') return around;
  const isName = /^[a-z]+\d/.test(around) || /[A-Z]\d/.test(around);
  return `${last.label}, ${isName ? around : around.toLowerCase()}`;
}

/** One figure or word of an output, found by its path. */
export interface AnswerFigure extends Shown {
  readonly path: string;
  readonly label: string;
  readonly mark: Mark | null;
}

/** The figures that answer an operation, in the units of the person; what does not apply is left out after the first. */
export function answerFigures(
  { words, output: schema }: Pick<Operation<never, unknown>, 'words' | 'output'>,
  output: unknown,
  units: UnitSystem,
  paths: readonly string[] = words.mainFigures,
): readonly AnswerFigure[] {
  return paths.flatMap((path, i): readonly AnswerFigure[] => {
    let around: unknown = null;
    let value = output;
    let at: Schema | undefined = schema;
    for (const step of path.split('.')) {
      around = value;
      value = isObject(value) ? (value[step] ?? null) : null;
      at = within(at, step);
    }
    if (i > 0 && (value === null || value === '')) return [];
    const label = answerLabel(schema, path);
    const mark = markOf(path.split('.').at(-1) ?? path, value);
    return [{ path, label, ...shownValue(at, value, units, around), mark }];
  });
}
