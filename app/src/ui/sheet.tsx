import { useEffect, useId, useLayoutEffect, useRef, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { KeypadHost } from './keypad/keypad';
import { Text } from './text';
import { usePalette } from './theme';
import { CORNER, space } from './tokens';
import { NO_OUTLINE } from './web-styles';

interface SheetProps {
  /** Its heading, and its name. */
  readonly title: string;
  /** Called by Escape and by a press beside it. */
  readonly onClose: () => void;
  /** What is to be settled. */
  readonly children: ReactNode;
}

/**
 * Something that is settled before the page goes on. It is the browser's own dialog: the page behind is out of reach,
 * Escape closes it, and the focus goes back to where it was.
 */
export function Sheet({ title, onClose, children }: SheetProps) {
  const palette = usePalette();
  const dialog = useRef<HTMLDialogElement>(null);
  const titleId = useId();
  useLayoutEffect(() => {
    const opened = dialog.current;
    opened?.showModal();
    // While it is still on the page: only then the focus goes back.
    return () => opened?.close();
  }, []);
  useEffect(() => {
    // Nothing to press has the focus: a key that was meant for the page presses nothing here.
    document.getElementById(titleId)?.focus();
  }, [titleId]);
  return (
    <dialog
      ref={dialog}
      aria-labelledby={titleId}
      onCancel={(event) => {
        event.preventDefault();
        onClose();
      }}
      onClick={(event) => {
        if (event.target === dialog.current) onClose();
      }}
      style={{
        width: '92%',
        maxWidth: 560,
        maxHeight: '88%',
        display: 'flex',
        flexDirection: 'column',
        padding: 0,
        border: `1px solid ${palette.line}`,
        borderRadius: CORNER,
        background: palette.card,
        overflow: 'hidden',
      }}
    >
      <KeypadHost isInSheet>
        <View style={styles.content}>
          <View id={titleId} tabIndex={-1} role="heading" aria-level={2} style={NO_OUTLINE}>
            <Text look="section">{title}</Text>
          </View>
          {children}
        </View>
      </KeypadHost>
    </dialog>
  );
}

const styles = StyleSheet.create({ content: { padding: space.l, gap: space.m } });
