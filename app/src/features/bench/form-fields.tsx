import { parseDecimal } from '@calvet/core/units/decimal';
import { toSi, type Quantity } from '@calvet/core/units/quantity';
import { createContext, use, type ReactNode } from 'react';
import { usePreferences } from '../../data/preferences';
import { Choice } from '../../ui/choice';
import { Labelled, NumberField } from '../../ui/field';
import type { Draft, Path } from './draft';
import { wordOf } from './member-words';

/** What the pieces of a form share. */
export interface FormAccess {
  /** `undefined` takes a member or an item out. */
  readonly change: (path: Path, value: Draft | undefined) => void;
  /** What is wrong at a place, in words. */
  readonly messageAt: (path: Path) => string | null;
  /** Told when a field holds something that is no figure, and when it does no more. */
  readonly setUnreadable: (path: Path, isUnreadable: boolean) => void;
}

const FormContext = createContext<FormAccess | null>(null);

/** The form that a piece stands in. */
export function useForm(): FormAccess {
  const form = use(FormContext);
  if (form === null) throw new Error('This field stands outside a form.');
  return form;
}

/** Figures of a pasted column, or null where it is not one. */
function pastedFigures(text: string): readonly number[] | null {
  const cells = text.trim().split(/[\s;]+/);
  const figures = cells.flatMap((cell) => {
    const parsed = parseDecimal(cell);
    return parsed.ok ? [parsed.value] : [];
  });
  return figures.length > 1 && figures.length === cells.length ? figures : null;
}

interface FigureProps {
  readonly label: string;
  readonly quantity: Quantity;
  readonly path: Path;
  readonly value: number | null;
  readonly onPasteColumn?: (si: readonly number[]) => void;
  readonly onLeaveEmpty?: () => void;
}

/** A figure at a place of the form. */
export function Figure({ label, quantity, path, value, onPasteColumn, onLeaveEmpty }: FigureProps) {
  const form = useForm();
  const { units } = usePreferences();
  return (
    <NumberField
      label={label}
      quantity={quantity}
      value={value}
      message={form.messageAt(path)}
      onCommit={(si) => form.change(path, si)}
      onTroubleChange={(message) => form.setUnreadable(path, message !== null)}
      onLeaveEmpty={onLeaveEmpty}
      onPasteMany={(text) => {
        const figures = onPasteColumn === undefined ? null : pastedFigures(text);
        if (figures === null) return false;
        onPasteColumn?.(figures.map((figure) => toSi(figure, quantity, units)));
        return true;
      }}
    />
  );
}

const LEFT_OUT = 'left out';

interface OneOfProps {
  readonly label: string;
  readonly path: Path;
  readonly values: readonly (string | number | boolean)[];
  /** What people say for each, where the schema says it. */
  readonly words?: Readonly<Record<string, string>>;
  readonly value: Draft;
  readonly optional: boolean;
}

/** One of a few at a place of the form. */
export function OneOf({ label, path, values, words, value, optional }: OneOfProps) {
  const form = useForm();
  const options = values.map((each) => ({
    value: String(each),
    label: words?.[String(each)] ?? wordOf(each),
  }));
  return (
    <Labelled label={label} message={form.messageAt(path)}>
      <Choice
        label={label}
        options={optional ? [...options, { value: LEFT_OUT, label: 'Left out' }] : options}
        value={value === null ? (optional ? LEFT_OUT : null) : String(value)}
        onChange={(chosen) => form.change(path, values.find((each) => String(each) === chosen) ?? null)}
      />
    </Labelled>
  );
}

/** Gives the pieces of a form their access to what is entered. */
export function FormProvider({
  access,
  children,
}: {
  readonly access: FormAccess;
  readonly children: ReactNode;
}) {
  return <FormContext value={access}>{children}</FormContext>;
}
