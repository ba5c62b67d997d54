import type { Storey, Wall } from '@calvet/contract/plan/storey';
import { useStore } from '../../data/store-context';
import { withoutTyped } from '../../data/typing';
import type { EntryStage } from '../../data/typing';
import { useKeep } from '../../data/use-keep';
import { useNote } from '../../ui/undo';

/** What an outline becomes of what it is; null where it cannot. */
type Edit = (drawn: Pick<Storey, 'start' | 'outline'>) => Partial<Pick<Storey, 'start' | 'outline'>> | null;

/** The ways to change what is drawn of a storey. */
export function useOutlineKeep(storey: Storey) {
  const { updateRecord } = useStore();
  const keep = useKeep('storey', storey);
  const note = useNote();
  /** As it was entered last: what is being typed is laid over that, whatever was typed before. */
  const drawn = withoutTyped(storey);
  return {
    keep,
    /** Changes the outline as a figure in it is typed or entered. */
    type: (edit: Edit, stage: EntryStage = 'entered'): void => {
      const change = edit(drawn);
      if (change !== null) keep(change, stage);
    },
    /** Changes the outline at once, with a way back. */
    change: (what: string, edit: Edit): void => {
      const next = edit(drawn);
      if (next === null) return;
      const { start, outline } = drawn;
      keep(next);
      note({ text: what, undo: () => updateRecord('storey', { ...drawn, ...next }, { start, outline }) });
    },
  };
}

/** The wall that is chosen, with its place in the outline; the first where none is. */
export function chosenWall(
  { outline }: Pick<Storey, 'outline'>,
  wallId: string | null,
): { readonly wall: Wall; readonly at: number } | null {
  const at = Math.max(
    0,
    outline.findIndex(({ id }) => id === wallId),
  );
  const wall = outline[at];
  return wall === undefined ? null : { wall, at };
}
