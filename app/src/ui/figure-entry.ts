import type { Quantity } from '@calvet/core/units/quantity';
import type { NumberSchema } from '@calvet/core/schema';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { usePreferences } from '../data/preferences';
import type { EntryStage } from '../data/typing';
import { readEntry, signTyped, type AssumedSign, type Entry } from './entry-message';
import { entry, entryWithUnit } from './format';
import { useNote } from './undo';

/** What is wrong with what stands in a field. */
export interface EntryTrouble {
  readonly message: string;
  /** Where it could be read in several ways: each, written so that it cannot. */
  readonly choices: readonly string[];
  /** Puts something else in its place. */
  readonly take: (text: string) => void;
  /** True where nothing is wrong any more, and something is only told. */
  readonly isTold: boolean;
}

export interface FigureEntryOptions {
  /** Name for who cannot see it. */
  readonly label: string;
  readonly quantity: Quantity;
  /** In SI. */
  readonly value: number | null;
  /**
   * Called while somebody types, with what counts meanwhile: the figure where it is right, else the one from before. Called
   * as entered once a figure that is right is left; null where the field is left empty.
   */
  readonly onCommit: (si: number | null, stage: EntryStage) => void;
  /** Of the value in SI. */
  readonly bounds?: NumberSchema;
  /** Told whenever what stands in the field is wrong, or is so no more. */
  readonly onTrouble?: (trouble: EntryTrouble | null) => void;
  /** There is always a figure: a field that is left empty goes back to the one before, and says so. */
  readonly isRequired?: boolean;
  /** The side of zero that figures are on without a sign. */
  readonly assumed?: AssumedSign;
  /** Called when somebody has said that the other sign is meant. */
  readonly onOtherSign?: () => void;
  /** Called when the field is left with nothing in it. */
  readonly onLeaveEmpty?: () => void;
}

/** What is typed in a field, from the first key until it is entered. */
interface Draft {
  readonly text: string;
  /** What counted before, and counts again where this does not become right. */
  readonly formerSi: number | null;
}

/** A figure as it stands in its field; the sign that is assumed stands before the field. */
function textOf(text: string, value: number | null, assumed: AssumedSign | undefined): string {
  if (assumed?.sign !== -1 || value === null || value === 0) return text;
  return value < 0 ? text.slice(1) : `+${text}`;
}

/**
 * A figure while it is entered. What is typed stays as it was typed until the field is left, and is entered then, if it is
 * right; so it is when the page goes out of sight. Until then it is only shown; while it is wrong or empty, what it was
 * before the typing is what counts.
 */
export function useFigureEntry(options: FigureEntryOptions) {
  const { label, quantity, value, onCommit, bounds, onTrouble, isRequired = false, assumed } = options;
  const { units } = usePreferences();
  const note = useNote();
  const [draft, showDraft] = useState<Draft | null>(null);
  /** What is typed and not entered: a field may go away before it is drawn again. */
  const unentered = useRef<Draft | null>(null);
  const setDraft = (next: Draft | null): void => {
    unentered.current = next;
    showDraft(next);
  };
  const text = draft?.text ?? textOf(entry(value, quantity, units), value, assumed);
  /** What was last told of the typing. */
  const told = useRef<number | null>(null);
  const rules = { quantity, units, bounds };
  const isOtherSign = (typed: string): boolean =>
    assumed !== undefined && (signTyped(typed) ?? assumed.sign) !== assumed.sign;

  const change = (next: string): void => {
    const formerSi = draft === null ? value : draft.formerSi;
    if (draft === null) told.current = value;
    setDraft({ text: next, formerSi });
    const read = readEntry(next, { ...rules, assumed });
    const counts = read.state === 'value' ? read.si : formerSi;
    if (counts !== told.current) onCommit(counts, 'typed');
    told.current = counts;
    if (read.state !== 'wrong') onTrouble?.(null);
  };

  /** Somebody chose one of several ways to read it. */
  const take = (chosen: string): void => {
    const isOther = isOtherSign(chosen);
    if (isOther) options.onOtherSign?.();
    const read = readEntry(chosen, { ...rules, assumed: isOther ? undefined : assumed });
    if (read.state !== 'value') {
      change(chosen);
      return;
    }
    onCommit(read.si, 'entered');
    onTrouble?.(null);
    setDraft(null);
  };

  /** Enters what was typed where it is right; says what was made of it. */
  const enter = ({ text: typed }: Draft): Entry => {
    const read = readEntry(typed, { ...rules, assumed });
    if (read.state === 'value') onCommit(read.si, 'entered');
    if (read.state === 'empty' && !isRequired) onCommit(null, 'entered');
    return read;
  };

  const leave = (): void => {
    if (draft === null) {
      if (text === '') options.onLeaveEmpty?.();
      return;
    }
    const read = enter(draft);
    const tell = (message: string, choices: readonly string[], isTold: boolean): void =>
      onTrouble?.({ message, choices, take: (chosen) => latest.current.take(chosen), isTold });
    if (read.state === 'wrong') {
      tell(read.message, read.choices ?? [], false);
      return;
    }
    setDraft(null);
    if (read.state !== 'empty') return;
    if (isRequired && draft.formerSi !== null) {
      const former = entryWithUnit(draft.formerSi, quantity, units);
      tell(`This cannot be empty: it is ${former} again.`, [], true);
    }
    options.onLeaveEmpty?.();
  };

  /** The field goes away with the page: what is right in it is entered, what is not is told of. */
  const goAway = (): void => {
    const typed = unentered.current;
    if (typed === null || enter(typed).state !== 'wrong') return;
    const stays = typed.formerSi === null ? 'empty' : entryWithUnit(typed.formerSi, quantity, units);
    note({ text: `${label} stays ${stays}: “${typed.text}” was not right.` });
  };
  const enterIfHidden = (): void => {
    if (document.visibilityState === 'hidden' && unentered.current !== null) enter(unentered.current);
  };

  const latest = useRef({ take, goAway, enterIfHidden });
  useLayoutEffect(() => {
    latest.current = { take, goAway, enterIfHidden };
  });
  useEffect(() => {
    const last = latest;
    const onVisibility = (): void => last.current.enterIfHidden();
    document.addEventListener('visibilitychange', onVisibility);
    return () => {
      document.removeEventListener('visibilitychange', onVisibility);
      last.current.goAway();
    };
  }, []);

  return {
    /** What stands in the field. */
    text,
    /** True where the sign that is assumed counts, and is to be shown before the field. */
    hasStandingSign:
      assumed?.sign === -1 && signTyped(text) === null && (draft !== null || (value ?? -1) < 0),
    change,
    leave,
    /** What was typed is gone: something else was put in. */
    forget: () => setDraft(null),
  };
}
