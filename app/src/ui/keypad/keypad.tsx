import { createContext, use, useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { StyleSheet, View } from 'react-native';
import Icon from '../icon-font/icon-set';
import { Text } from '../text';
import { usePalette, usePageSize } from '../theme';
import { CORNER, rem, space, TOUCH } from '../tokens';
import { SCROLLS } from '../web-styles';

/** A field that the keypad writes to. */
export interface KeypadTarget {
  readonly type: (text: string) => void;
  readonly erase: () => void;
  readonly toggleSign: () => void;
  /** What more than figures may be written: units, signs of fractions. */
  readonly more: readonly string[];
}

interface Keypad {
  /** True on devices that are touched: fields then keep the system's keyboard away. */
  readonly isTouch: boolean;
  /** True while the keys are shown. */
  readonly isOpen: boolean;
  readonly attach: (target: KeypadTarget) => void;
  readonly detach: (target: KeypadTarget) => void;
}

const KeypadContext = createContext<Keypad>({
  isTouch: false,
  isOpen: false,
  attach: () => {},
  detach: () => {},
});

export function useKeypad(): Keypad {
  return use(KeypadContext);
}

/** Moves on to the next field for figures on the page; the last one is left. */
export function focusNextNumberField(from: Element | null, step: 1 | -1 = 1): void {
  const all = [...document.querySelectorAll<HTMLInputElement>('input[data-figure]')].filter(
    (field) => field.offsetParent !== null && !field.disabled,
  );
  const at = from instanceof HTMLInputElement ? all.indexOf(from) : -1;
  const next = all[at + step];
  if (next === undefined) (document.activeElement as HTMLElement | null)?.blur();
  else {
    next.focus();
    next.scrollIntoView({ block: 'nearest' });
  }
}

/** Moves up or down a table in the same column; says whether there was a table to move in. */
export function focusSameColumn(from: Element | null, step: 1 | -1): boolean {
  const row = from?.closest('[role="row"]');
  const rows = [...(row?.closest('[role="table"]')?.querySelectorAll('[role="row"]') ?? [])];
  const fieldsOf = (each: Element | null | undefined) => [
    ...(each?.querySelectorAll<HTMLInputElement>('input[data-figure]') ?? []),
  ];
  const column = fieldsOf(row).findIndex((field) => field === from);
  const next = row == null ? undefined : fieldsOf(rows[rows.indexOf(row) + step])[column];
  next?.focus();
  return rows.length > 0;
}

interface KeyProps {
  /** What it writes or does. */
  readonly label: string;
  /** Called with each press. */
  readonly onPress: () => void;
  /** It goes on. */
  readonly isMain?: boolean;
  /** Low and narrow, in the row above the figures. */
  readonly isLow?: boolean;
  /** What stands on it. */
  readonly children: ReactNode;
}

/** A key that does not take the focus away from the field. */
function Key({ label, onPress, isMain = false, isLow = false, children }: KeyProps) {
  const palette = usePalette();
  const [pressed, setPressed] = useState(false);
  const ground = isMain ? palette.lake : pressed ? palette.lakeTint : palette.card;
  return (
    <button
      type="button"
      aria-label={label}
      tabIndex={-1}
      onMouseDown={(event) => event.preventDefault()}
      onPointerDown={() => setPressed(true)}
      onPointerUp={() => setPressed(false)}
      onPointerLeave={() => setPressed(false)}
      onClick={onPress}
      style={{
        flex: 1,
        minHeight: isLow ? TOUCH : 56,
        minWidth: isLow ? 40 : 0,
        display: 'flex',
        alignItems: 'center',
        justifyContent: 'center',
        border: `1px solid ${isMain ? palette.lake : palette.line}`,
        borderRadius: CORNER,
        background: ground,
        touchAction: 'manipulation',
        cursor: 'pointer',
        padding: 0,
      }}
    >
      {children}
    </button>
  );
}

/** Names and signs of keys that would not tell by themselves. */
const KEY_NAMES: Readonly<Record<string, string>> = {
  ' ': 'Space',
  '/': 'Fraction bar',
  "'": 'Feet',
  '"': 'Inches',
};
const KEY_SIGNS: Readonly<Record<string, string>> = { ' ': 'space', "'": 'ft ′', '"': 'in ″' };

const ROWS = [
  ['7', '8', '9'],
  ['4', '5', '6'],
  ['1', '2', '3'],
] as const;

function Keys({ target }: { readonly target: KeypadTarget }) {
  const palette = usePalette();
  const { isSmall, isSideways } = usePageSize();
  const digit = (key: string) => (
    <Key key={key} label={key} onPress={() => target.type(key)}>
      <Text look="figureStrong" style={styles.key}>
        {key}
      </Text>
    </Key>
  );
  const side = [
    <Key key="erase" label="Erase" onPress={target.erase}>
      <Icon name="backspace-outline" size={24} color={palette.ink} />
    </Key>,
    <Key key="sign" label="Change sign" onPress={target.toggleSign}>
      <Text look="figureStrong" style={styles.key}>
        ±
      </Text>
    </Key>,
    <Key key="back" label="Previous field" onPress={() => focusNextNumberField(document.activeElement, -1)}>
      <Icon name="arrow-up" size={24} color={palette.ink} />
    </Key>,
  ];
  return (
    <View
      style={[
        styles.pad,
        { backgroundColor: palette.paper, borderColor: palette.line },
        isSmall && [isSideways ? styles.beside : styles.half, SCROLLS],
      ]}
      role="group"
      aria-label="Number keys"
    >
      {target.more.length > 0 && (
        <View style={[styles.row, isSmall && styles.wrapped]}>
          {target.more.map((text) => (
            <Key key={text} label={KEY_NAMES[text] ?? text.trim()} isLow onPress={() => target.type(text)}>
              <Text look="small" numberOfLines={1}>
                {KEY_SIGNS[text] ?? text.trim()}
              </Text>
            </Key>
          ))}
        </View>
      )}
      {ROWS.map((row, i) => (
        <View key={row[0]} style={styles.row}>
          {row.map(digit)}
          {side[i]}
        </View>
      ))}
      <View style={styles.row}>
        <Key label="Decimal mark" onPress={() => target.type('.')}>
          <Text look="figureStrong" style={styles.key}>
            .
          </Text>
        </Key>
        {digit('0')}
        <Key label="Done" onPress={() => (document.activeElement as HTMLElement | null)?.blur()}>
          <Text look="strong">Done</Text>
        </Key>
        <Key label="Next field" isMain onPress={() => focusNextNumberField(document.activeElement)}>
          <Text look="strong" tone="onFill">
            Next
          </Text>
        </Key>
      </View>
    </View>
  );
}

const isTouchDevice = (): boolean =>
  typeof window !== 'undefined' && window.matchMedia('(pointer: coarse)').matches;

/** Whether a finger or a button is down on the page. */
function useIsPressed(): { readonly current: boolean } {
  const isPressed = useRef(false);
  useEffect(() => {
    const press = () => {
      isPressed.current = true;
    };
    const release = () => {
      isPressed.current = false;
    };
    window.addEventListener('pointerdown', press, true);
    window.addEventListener('pointerup', release, true);
    window.addEventListener('pointercancel', release, true);
    return () => {
      window.removeEventListener('pointerdown', press, true);
      window.removeEventListener('pointerup', release, true);
      window.removeEventListener('pointercancel', release, true);
    };
  }, []);
  return isPressed;
}

/** So long the keys stay after a field was left. */
const LEAVE_MS = 80;

interface KeypadHostProps {
  /** It is no taller than what is in it; what does not fit scrolls above the keys. */
  readonly isInSheet?: boolean;
  /** What has the fields. */
  readonly children: ReactNode;
}

/**
 * Puts the keypad under the page while a field for figures has the focus on a touched device. A dialog has one of its own: the
 * page behind it, and what stands there, is out of reach.
 */
export function KeypadHost({ isInSheet = false, children }: KeypadHostProps) {
  const around = useKeypad();
  const [isTouch] = useState(() => (isInSheet ? around.isTouch : isTouchDevice()));
  const [target, setTarget] = useState<KeypadTarget | null>(null);
  /** The field that was left, until its keys are gone or it is taken up again. */
  const left = useRef<KeypadTarget | null>(null);
  /** The field that has the keys: one that goes away without having them puts none away. */
  const current = useRef<KeypadTarget | null>(null);
  const isPressed = useIsPressed();
  const { isSideways } = usePageSize();
  const attach = useCallback((next: KeypadTarget) => {
    left.current = null;
    current.current = next;
    setTarget(next);
    // Once the keys have taken their room, the field must still be in sight.
    requestAnimationFrame(() =>
      requestAnimationFrame(() => document.activeElement?.scrollIntoView({ block: 'nearest' })),
    );
  }, []);
  const detach = useCallback(
    (leaving: KeypadTarget) => {
      if (current.current !== leaving) return;
      left.current = leaving;
      const putAway = () => {
        if (left.current !== leaving) return;
        // What is being pressed must not move away from under the finger.
        if (isPressed.current) window.addEventListener('pointerup', wait, { once: true });
        else {
          current.current = null;
          // At once: a press that begins before the keys are gone would end on something else.
          flushSync(() => setTarget((now) => (now === leaving ? null : now)));
        }
      };
      // Between two fields the keypad stays, so that the page does not jump.
      const wait = () => void setTimeout(putAway, LEAVE_MS);
      wait();
    },
    [isPressed],
  );
  const keypad = useMemo(
    () => ({ isTouch, isOpen: isTouch && target !== null, attach, detach }),
    [isTouch, target, attach, detach],
  );
  return (
    <KeypadContext value={keypad}>
      <View
        style={[isInSheet ? styles.sheetHost : styles.host, isSideways && !isInSheet && styles.hostSideways]}
      >
        <View style={isInSheet ? [styles.sheet, SCROLLS] : styles.page}>{children}</View>
        {isTouch && target !== null && <Keys target={target} />}
      </View>
    </KeypadContext>
  );
}

const styles = StyleSheet.create({
  host: { flex: 1, minHeight: 0 },
  hostSideways: { flexDirection: 'row' },
  page: { flex: 1, minWidth: 0, minHeight: 0 },
  sheetHost: { flexShrink: 1, minHeight: 0 },
  sheet: { flexShrink: 1, minHeight: 0 },
  pad: { padding: space.s, gap: space.s, borderTopWidth: 1 },
  // Where there is little room, the keys give way to the field: they scroll, or stand beside it.
  half: { maxHeight: '58%', flexShrink: 0 },
  beside: { width: 280, borderTopWidth: 0, borderLeftWidth: 1 },
  wrapped: { flexWrap: 'wrap' },
  row: { flexDirection: 'row', gap: space.s },
  key: { fontSize: rem(22), lineHeight: rem(26) },
});
