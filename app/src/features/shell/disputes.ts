import type { Quantity, UnitSystem } from '@calvet/core';
import { format, parseISO } from 'date-fns';
import type { Troubled } from '../../data/outbox';
import { figureWithUnit } from '../../ui/format';
import { fieldWords } from './field-words';

/** One field that two devices gave different values. */
export interface Dispute {
  readonly label: string;
  readonly mine: string;
  readonly theirs: string;
  readonly by: string;
  /** On this device's clock. */
  readonly at: string;
}

function valueText(value: unknown, quantity: Quantity | undefined, units: UnitSystem): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  if (typeof value === 'number') return figureWithUnit(value, quantity ?? 'plain', units);
  if (typeof value === 'string') return `“${value}”`;
  return 'other entries';
}

/** What mine and theirs are, field by field; none where the record as a whole is in dispute. */
export function disputesIn({ change, trouble }: Troubled, units: UnitSystem): readonly Dispute[] {
  if (trouble.kind !== 'conflict') return [];
  const mine = change.body as Readonly<Record<string, unknown>>;
  const theirs = trouble.current.record as unknown as Readonly<Record<string, unknown>>;
  return trouble.fields.map(({ field, by, at }) => {
    const { label, quantity } = fieldWords(field);
    return {
      label,
      mine: valueText(mine[field], quantity, units),
      theirs: valueText(theirs[field], quantity, units),
      by,
      at: format(parseISO(at), 'd MMM, HH:mm'),
    };
  });
}
