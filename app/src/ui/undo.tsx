import { createContext, use, useCallback, useMemo, useState, type ReactNode } from 'react';
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

export function NoteHost({ children }: { readonly children: ReactNode }) {
  const [note, setNote] = useState<Note | null>(null);
  const dismiss = useCallback(() => setNote(null), []);
  const undo = note?.undo;
  const action = useMemo(() => (undo === undefined ? undefined : { label: 'Undo', onPress: undo }), [undo]);
  return (
    <NoteContext value={setNote}>
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
