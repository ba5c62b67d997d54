import { createContext, use, useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Snackbar } from 'react-native-paper';

interface Note {
  readonly text: string;
  readonly undo?: () => void;
  /** The page says it itself, with a way back: here it can only be taken back by its keys. */
  readonly isSaid?: true;
}

interface NumberedNote {
  readonly number: number;
  readonly note: Note;
}

const NoteContext = createContext<(note: Note) => void>(() => {});

/** Says in a line what was done, with a way back where there is one. */
export function useNote(): (note: Note) => void {
  return use(NoteContext);
}

const SHOWN_MS = 8000;
/** So many stand on the page at once, each for its own time. */
const SHOWN_MAX = 3;
/** How many things can be taken back, one after the other. */
const TAKEN_BACK_MAX = 20;

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.matches('input, textarea') || target.isContentEditable);

interface NoteLineProps {
  /** What happened. */
  readonly note: Note;
  /** Called where it is undone. */
  readonly onTakeBack: (note: Note) => void;
  /** Called once its time is over. */
  readonly onGone: (note: Note) => void;
}

function NoteLine({ note, onTakeBack, onGone }: NoteLineProps) {
  const dismiss = useCallback(() => onGone(note), [onGone, note]);
  const action = useMemo(
    () => (note.undo === undefined ? undefined : { label: 'Undo', onPress: () => onTakeBack(note) }),
    [note, onTakeBack],
  );
  return (
    <Snackbar
      visible
      onDismiss={dismiss}
      duration={SHOWN_MS}
      action={action}
      wrapperStyle={styles.line}
      style={styles.bar}
    >
      {note.text}
    </Snackbar>
  );
}

export function NoteHost({ children }: { readonly children: ReactNode }) {
  const [notes, setNotes] = useState<readonly NumberedNote[]>([]);
  const undos = useRef<readonly Note[]>([]);
  const count = useRef(0);
  const dismiss = useCallback(
    (gone: Note) => setNotes((shown) => shown.filter(({ note }) => note !== gone)),
    [],
  );
  const show = useCallback((note: Note) => {
    if (note.undo !== undefined) undos.current = [...undos.current, note].slice(-TAKEN_BACK_MAX);
    if (note.isSaid === true) return;
    const number = ++count.current;
    setNotes((shown) => [...shown, { number, note }].slice(-SHOWN_MAX));
  }, []);
  const takeBack = useCallback(
    (of: Note) => {
      undos.current = undos.current.filter((each) => each !== of);
      of.undo?.();
      dismiss(of);
    },
    [dismiss],
  );
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
  return (
    <NoteContext value={show}>
      {children}
      <View style={styles.notes}>
        {notes.map(({ number, note }) => (
          <NoteLine key={number} note={note} onTakeBack={takeBack} onGone={dismiss} />
        ))}
      </View>
    </NoteContext>
  );
}

const styles = StyleSheet.create({
  notes: { position: 'absolute', left: 0, right: 0, bottom: 0, pointerEvents: 'box-none' },
  line: { position: 'relative' },
  bar: { maxWidth: 560, alignSelf: 'center', width: '96%' },
});
