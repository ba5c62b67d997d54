import { createContext, use, useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { StyleSheet } from 'react-native';
import { Snackbar } from 'react-native-paper';

interface Note {
  readonly text: string;
  readonly undo?: () => void;
}

const NoteContext = createContext<(note: Note) => void>(() => {});

/** Says in a line what was done, with a way back where there is one. */
export function useNote(): (note: Note) => void {
  return use(NoteContext);
}

const SHOWN_MS = 8000;

/** How many things can be taken back, one after the other. */
const TAKEN_BACK_MAX = 20;

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.matches('input, textarea') || target.isContentEditable);

export function NoteHost({ children }: { readonly children: ReactNode }) {
  const [note, setNote] = useState<Note | null>(null);
  const undos = useRef<readonly Note[]>([]);
  const dismiss = useCallback(() => setNote(null), []);
  const show = useCallback((next: Note) => {
    if (next.undo !== undefined) undos.current = [...undos.current, next].slice(-TAKEN_BACK_MAX);
    setNote(next);
  }, []);
  const takeBack = useCallback((of: Note) => {
    undos.current = undos.current.filter((each) => each !== of);
    of.undo?.();
    setNote(null);
  }, []);
  useEffect(() => {
    const takeLastBack = (event: KeyboardEvent): void => {
      const isUndo = event.key.toLowerCase() === 'z' && (event.ctrlKey || event.metaKey) && !event.shiftKey;
      const last = undos.current.at(-1);
      // Within a field it is the field's own.
      if (!isUndo || last === undefined || isTyping(event.target)) return;
      event.preventDefault();
      takeBack(last);
    };
    window.addEventListener('keydown', takeLastBack);
    return () => window.removeEventListener('keydown', takeLastBack);
  }, [takeBack]);
  const action = useMemo(
    () => (note?.undo === undefined ? undefined : { label: 'Undo', onPress: () => takeBack(note) }),
    [note, takeBack],
  );
  return (
    <NoteContext value={show}>
      {children}
      <Snackbar
        visible={note !== null}
        onDismiss={dismiss}
        duration={SHOWN_MS}
        action={action}
        style={styles.bar}
      >
        {note?.text ?? ''}
      </Snackbar>
    </NoteContext>
  );
}

const styles = StyleSheet.create({ bar: { maxWidth: 560, alignSelf: 'center', width: '96%' } });
