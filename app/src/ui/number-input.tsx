import type { Quantity } from '@calvet/core';
import type { Schema } from 'joi';
import { useEffect, useMemo, useRef, useState } from 'react';
import { TextInput, type TextInputProps } from 'react-native';
import { usePreferences } from '../data/preferences';
import { readEntry } from './entry-message';
import { entry } from './format';
import { focusNextNumberField, focusSameColumn, useKeypad, type KeypadTarget } from './keypad/keypad';
import { fonts, TOUCH } from './tokens';
import { usePalette } from './theme';

export interface NumberInputProps {
  /** Name for who cannot see it. */
  readonly label: string;
  readonly quantity: Quantity;
  /** In SI. */
  readonly value: number | null;
  /** Called with what is typed as soon as it is a number that fits; null when the field is left empty. */
  readonly onCommit: (si: number | null) => void;
  /** Of the value in SI. */
  readonly schema?: Schema;
  /** Told whenever what stands in the field is wrong, or is so no more. */
  readonly onTrouble?: (trouble: EntryTrouble | null) => void;
  readonly hasError?: boolean;
  /** Called when the field is left with nothing in it. */
  readonly onLeaveEmpty?: () => void;
  /** Pasted text that holds several figures goes here instead. */
  readonly onPasteMany?: (text: string) => boolean;
  readonly testID?: string;
  readonly style?: TextInputProps['style'];
}

/** What is wrong with what stands in a field. */
export interface EntryTrouble {
  readonly message: string;
  /** Where it could be read in several ways: each, written so that it cannot. */
  readonly choices: readonly string[];
  /** Puts something else in its place. */
  readonly take: (text: string) => void;
}

/** The frame shows the focus; the browser's ring would double it. */
const NO_OUTLINE = { outlineStyle: 'none' } as unknown as { readonly outlineWidth: number };

/** Marks the element for the keypad, which moves from one to the next (`data-figure` on the web). */
const DATA_FIGURE = { dataSet: { figure: '' } };

/** Somebody who types adds a sign at a time; more at once was pasted. */
const isPasted = (text: string, before: string): boolean => text.length - before.length > 1;

/**
 * A bare field for one figure. What is typed stays as it was typed until the field is left. A value that fits is passed
 * on at once; while the field is wrong or empty, what it was before the typing is what counts.
 */
export function NumberInput(props: NumberInputProps) {
  const {
    label,
    quantity,
    value,
    onCommit,
    schema,
    onTrouble,
    hasError = false,
    onLeaveEmpty,
    onPasteMany,
    testID,
    style,
  } = props;
  const palette = usePalette();
  const { units } = usePreferences();
  const keypad = useKeypad();
  const input = useRef<TextInput>(null);
  const [draft, setDraft] = useState<string | null>(null);
  const [focused, setFocused] = useState(false);
  const shown = draft ?? entry(value, quantity, units);
  /** What the figure was before it was typed in; null while it is not. */
  const former = useRef<{ readonly si: number | null; committed: number | null } | null>(null);

  // Kept in step so that the keypad always writes to the newest text.
  const latest = useRef({ shown, change: (_text: string) => {}, take: (_text: string) => {} });
  const change = (text: string): void => {
    setDraft(text);
    former.current ??= { si: value, committed: value };
    const read = readEntry(text, { quantity, units, schema });
    const next = read.state === 'value' ? read.si : former.current.si;
    if (next !== former.current.committed) onCommit(next);
    former.current.committed = next;
    if (read.state !== 'wrong') onTrouble?.(null);
  };
  const take = (text: string): void => {
    change(text);
    setDraft(null);
    former.current = null;
  };
  useEffect(() => {
    latest.current = { shown, change, take };
  });
  const target = useMemo<KeypadTarget>(
    () => ({
      type: (text) => {
        const element = input.current as unknown as HTMLInputElement | null;
        const now = latest.current.shown;
        const allSelected =
          element !== null &&
          element.selectionStart === 0 &&
          element.selectionEnd === now.length &&
          now !== '';
        latest.current.change((allSelected ? '' : now) + text);
      },
      erase: () => latest.current.change(latest.current.shown.slice(0, -1)),
      toggleSign: () => {
        const now = latest.current.shown;
        latest.current.change(/^[-\u2212]/.test(now) ? now.slice(1) : `\u2212${now}`);
      },
    }),
    [],
  );
  const { detach } = keypad;
  useEffect(() => () => detach(target), [detach, target]);

  const leave = (): void => {
    setFocused(false);
    detach(target);
    if (draft === null) {
      if (shown === '') onLeaveEmpty?.();
      return;
    }
    const read = readEntry(draft, { quantity, units, schema });
    if (read.state === 'wrong') {
      const { message, choices = [] } = read;
      onTrouble?.({ message, choices, take: (text) => latest.current.take(text) });
      return;
    }
    setDraft(null);
    if (read.state === 'empty') {
      if (former.current?.committed !== null) onCommit(null);
      onLeaveEmpty?.();
    }
    former.current = null;
  };
  const border = hasError ? palette.ember : focused ? palette.lake : palette.line;
  return (
    <TextInput
      ref={input}
      aria-label={label}
      aria-invalid={hasError}
      testID={testID}
      value={shown}
      onChangeText={(text) => {
        if (isPasted(text, shown) && onPasteMany?.(text) === true) setDraft(null);
        else change(text);
      }}
      onFocus={() => {
        setFocused(true);
        keypad.attach(target);
      }}
      onBlur={leave}
      onKeyPress={(event) => {
        const element = input.current as unknown as Element | null;
        const { key } = event.nativeEvent;
        const isVertical = key === 'ArrowDown' || key === 'ArrowUp';
        if (key === 'Enter') {
          event.preventDefault();
          focusNextNumberField(element);
        } else if (isVertical && focusSameColumn(element, key === 'ArrowDown' ? 1 : -1)) {
          event.preventDefault();
        }
      }}
      inputMode={keypad.isTouch ? 'none' : 'text'}
      autoComplete="off"
      autoCorrect={false}
      selectTextOnFocus
      submitBehavior="submit"
      {...DATA_FIGURE}
      style={[
        {
          minHeight: TOUCH,
          minWidth: 0,
          paddingHorizontal: 10,
          borderWidth: focused || hasError ? 2 : 1,
          borderColor: border,
          borderRadius: 3,
          backgroundColor: palette.card,
          color: palette.ink,
          fontFamily: fonts.figure,
          fontSize: 17,
          ...NO_OUTLINE,
        },
        style,
      ]}
    />
  );
}
