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
  /** Called with what is typed as soon as it is a number that fits; null when the field was emptied. */
  readonly onCommit: (si: number | null) => void;
  /** Of the value in SI. */
  readonly schema?: Schema;
  /** Told whenever what stands in the field is wrong, or is so no more. */
  readonly onTrouble?: (message: string | null) => void;
  readonly hasError?: boolean;
  /** Called when the field is left with nothing in it. */
  readonly onLeaveEmpty?: () => void;
  /** Pasted text that holds several figures goes here instead. */
  readonly onPasteMany?: (text: string) => boolean;
  readonly testID?: string;
  readonly style?: TextInputProps['style'];
}

/** The frame shows the focus; the browser's ring would double it. */
const NO_OUTLINE = { outlineStyle: 'none' } as unknown as { readonly outlineWidth: number };

/** Marks the element for the keypad, which moves from one to the next (`data-figure` on the web). */
const DATA_FIGURE = { dataSet: { figure: '' } };

/**
 * A bare field for one figure. What is typed stays as it was typed until the field is left, a value that fits is
 * passed on at once, and one that does not is kept with its message.
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

  // Kept in step so that the keypad always writes to the newest text.
  const latest = useRef({ shown, change: (_text: string) => {} });
  const change = (text: string): void => {
    setDraft(text);
    const read = readEntry(text, { quantity, units, schema });
    if (read.state === 'value') onCommit(read.si);
    if (read.state === 'empty') onCommit(null);
    if (read.state !== 'wrong') onTrouble?.(null);
  };
  useEffect(() => {
    latest.current = { shown, change };
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
    const read = readEntry(shown, { quantity, units, schema });
    if (read.state === 'wrong') onTrouble?.(read.message);
    else setDraft(null);
    if (read.state === 'empty') onLeaveEmpty?.();
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
        if (onPasteMany?.(text) === true) setDraft(null);
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
