import { unitOf, type UnitSystem } from '@calvet/core';
import { decimals, figure } from '../../ui/format';
import type { Mark } from '../../ui/line-mark';
import { labelOf, MONTHS, wordOf } from './labels';
import { quantityOf, type Surroundings } from './quantities';
import { siNumber } from './si-number';

const NOTHING = '–';
/** Objects whose name adds nothing to what is in them. */
const SILENT: ReadonlySet<string> = new Set(['result', 'price', 'paths', 'members']);

/** A figure or word as it is shown, and the unit that stands beside it. */
interface Shown {
  readonly text: string;
  readonly unit: string;
}

function shownValue(name: string, value: unknown, units: UnitSystem, surroundings: Surroundings): Shown {
  const words = (text: string): Shown => ({ text, unit: '' });
  if (value === null || value === undefined) return words(NOTHING);
  if (Array.isArray(value)) return words(value.length === 0 ? 'None' : value.map(String).join(' · '));
  if (typeof value !== 'number') return words(wordOf(value as string | boolean));
  if (name === 'startMonth' || name === 'peakMonth') return words(MONTHS[value] ?? NOTHING);
  const quantity = quantityOf(name, surroundings) ?? 'plain';
  const isWhole = quantity === 'count' || quantity === 'position';
  const isTiny = quantity === 'plain' && value !== 0 && Math.abs(value) < TINY;
  return {
    text: isTiny
      ? siNumber(value)
      : quantity === 'plain'
        ? decimals(value, 3)
        : figure(value, quantity, units, isWhole ? 0 : undefined),
    unit: unitOf(quantity, units).symbol,
  };
}

/** Below this a figure without a unit needs powers of ten. */
const TINY = 0.001;

/** A figure with its unit, or a word, as it is shown. */
export function valueText(
  name: string,
  value: unknown,
  units: UnitSystem,
  surroundings: Surroundings = {},
): string {
  return withUnit(shownValue(name, value, units, surroundings));
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
export function answerLabel(path: string): string {
  const steps = path.split('.');
  const last = steps.at(-1) ?? path;
  const holder = steps.at(-2);
  if (holder === undefined || SILENT.has(holder)) return labelOf(last);
  const around = labelOf(holder);
  if (last === 'value') return around;
  const isName = /^[a-z]+\d/.test(around) || /[A-Z]\d/.test(around);
  return `${labelOf(last)}, ${isName ? around : around.toLowerCase()}`;
}

/** One figure or word of an output, found by its path. */
export interface AnswerFigure extends Shown {
  readonly path: string;
  readonly label: string;
  readonly mark: Mark | null;
}

/** The figures at given paths of an output, in the units of the person; what does not apply is left out after the first. */
export function answerFigures(
  output: unknown,
  paths: readonly string[],
  units: UnitSystem,
): readonly AnswerFigure[] {
  return paths.flatMap((path, i): readonly AnswerFigure[] => {
    const steps = path.split('.');
    const name = steps.at(-1) ?? path;
    const holders = steps.slice(0, -1);
    const around = holders.reduce<unknown>(
      (inner, step) => (inner as Readonly<Record<string, unknown>> | null)?.[step] ?? null,
      output,
    ) as Readonly<Record<string, unknown>> | null;
    const value = around?.[name] ?? null;
    if (i > 0 && value === null) return [];
    const found = {
      path,
      label: answerLabel(path),
      ...shownValue(name, value, units, { siblings: around ?? {}, holder: holders.at(-1) }),
      mark: markOf(name, value),
    };
    return [found];
  });
}
