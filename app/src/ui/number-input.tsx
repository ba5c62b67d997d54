import { unitsTyped } from '@calvet/core/units/spellings';
import type { Quantity } from '@calvet/core/units/quantity';
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { StyleSheet, TextInput, View, type TextInputProps } from 'react-native';
import { usePreferences } from '../data/preferences';
import { withSignTurned } from './entry-message';
import { useFigureEntry, type FigureEntryOptions } from './figure-entry';
import { MINUS } from './format';
import { focusNextNumberField, focusSameColumn, useKeypad, type KeypadTarget } from './keypad/keypad';
import { Text } from './text';
import { fonts, rem, TOUCH } from './tokens';
import { NO_OUTLINE, WITH_ROOM_BELOW } from './web-styles';
import { usePalette } from './theme';

export interface NumberInputProps extends FigureEntryOptions {
  /** Its frame says that something is wrong. */
  readonly hasError?: boolean;
  /** Id of the message about it. */
  readonly describedBy?: string;
  /** The keys are digits alone, to leave room. */
  readonly hasPlainKeys?: boolean;
  /** Pasted text that holds several figures goes here instead. */
  readonly onPasteMany?: (text: string) => boolean;
  /** By which tests find it. */
  readonly testID?: string;
  /** Of the text. */
  readonly style?: TextInputProps['style'];
}

/** Marks the element for the keypad, which moves from one to the next (`data-figure` on the web). */
const DATA_FIGURE = { dataSet: { figure: '' } };

/** Somebody who types adds a sign at a time; more at once was pasted. */
const isPasted = (text: string, before: string): boolean => text.length - before.length > 1;

/** Ties a message to its field, which the web target does and React Native's types do not know. */
export const describedBy = (id: string | undefined): object => ({ 'aria-describedby': id });

const UNIT_KEYS_MAX = 5;

/** What the keys of a field write beside digits: units, and what fractions of an inch need. */
function moreKeys(quantity: Quantity, isImperial: boolean): readonly string[] {
  if (isImperial && (quantity === 'length' || quantity === 'thickness'))
    return ["'", '"', ' ', '/', ' mm', ' m'];
  const units = unitsTyped(quantity).map(({ spellings: [first = ''] }) => ` ${first}`);
  return units.length > 1 ? units.slice(0, UNIT_KEYS_MAX) : [];
}

/** A bare field for one figure. */
export function NumberInput(props: NumberInputProps) {
  const {
    label,
    quantity,
    assumed,
    hasError = false,
    hasPlainKeys = false,
    onPasteMany,
    testID,
    style,
  } = props;
  const palette = usePalette();
  const { units } = usePreferences();
  const keypad = useKeypad();
  const input = useRef<TextInput>(null);
  const [focused, setFocused] = useState(false);
  const { text, hasStandingSign, change, leave, forget } = useFigureEntry(props);
  /** Where the caret is to stand once the text is drawn. */
  const caret = useRef<number | null>(null);
  // Kept in step so that the keypad always writes to the newest text.
  const latest = useRef({ text, change });
  useLayoutEffect(() => {
    latest.current = { text, change };
    const element = input.current as unknown as HTMLInputElement | null;
    if (caret.current !== null) element?.setSelectionRange(caret.current, caret.current);
    caret.current = null;
  });
  const target = useMemo<KeypadTarget>(() => {
    const selection = (): readonly [number, number] => {
      const element = input.current as unknown as HTMLInputElement | null;
      const end = element?.selectionEnd ?? latest.current.text.length;
      return [element?.selectionStart ?? end, end];
    };
    /** Writes in place of what is selected; where nothing is, of so many signs before the caret. */
    const write = (typed: string, erases: number): void => {
      const [start, end] = selection();
      const from = start === end ? Math.max(0, start - erases) : start;
      const before = latest.current.text;
      caret.current = from + typed.length;
      latest.current.change(before.slice(0, from) + typed + before.slice(end));
    };
    return {
      type: (typed) => write(typed, 0),
      erase: () => write('', 1),
      toggleSign: () => {
        const before = latest.current.text;
        const turned = withSignTurned(before, assumed?.sign);
        caret.current = Math.max(0, selection()[1] + turned.length - before.length);
        latest.current.change(turned);
      },
      more: hasPlainKeys ? [] : moreKeys(quantity, units === 'imperial'),
    };
  }, [assumed?.sign, hasPlainKeys, quantity, units]);
  const { detach } = keypad;
  useEffect(() => () => detach(target), [detach, target]);

  const border = hasError ? palette.ember : focused ? palette.lake : palette.line;
  const field = (
    <TextInput
      ref={input}
      aria-label={label}
      aria-invalid={hasError}
      {...describedBy(props.describedBy)}
      testID={testID}
      value={text}
      onChangeText={(next) => {
        if (isPasted(next, text) && onPasteMany?.(next) === true) forget();
        else change(next);
      }}
      onFocus={() => {
        setFocused(true);
        keypad.attach(target);
      }}
      onBlur={() => {
        setFocused(false);
        detach(target);
        leave();
      }}
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
          fontSize: rem(17),
          // The frame shows the focus; the browser's ring would double it.
          ...NO_OUTLINE,
          ...WITH_ROOM_BELOW,
        },
        style,
      ]}
    />
  );
  if (assumed === undefined) return field;
  return (
    <View style={styles.signed}>
      {field}
      {hasStandingSign && (
        <Text look="figure" tone="soft" style={styles.sign}>
          {MINUS}
        </Text>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  signed: { flex: 1, minWidth: 0, justifyContent: 'center' },
  sign: { position: 'absolute', left: 8, pointerEvents: 'none' },
});
