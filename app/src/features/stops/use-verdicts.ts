import type { CheckpointHere, Walk } from '@calvet/contract/walk/generate-walk';
import { followsOf, standingVerdicts, type Standing } from '@calvet/contract/walk/standing-verdicts';
import { VERDICT_WORDS, type VerdictValue } from '@calvet/contract/walk/verdict';
import { useMemo } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { useNote } from '../../ui/undo';
import { useToday } from '../../ui/use-today';

interface Verdicts {
  /** What counts at a checkpoint; undefined while nobody said anything. */
  readonly standingOf: (checkpointKey: string) => Standing | undefined;
  /** Says what was found at a checkpoint, knowing of all that was said there before. */
  readonly give: (here: CheckpointHere, value: VerdictValue) => void;
}

/** What was found at the checkpoints of a house, and the way to say it. */
export function useVerdicts(
  { house, verdicts }: HouseView,
  { catalogueVersion }: Pick<Walk, 'catalogueVersion'>,
): Verdicts {
  const { createRecord, deleteRecord } = useStore();
  const note = useNote();
  const today = useToday();
  const standing = useMemo(() => standingVerdicts(verdicts), [verdicts]);
  const standingOf = (key: string) => standing.get(key);
  return {
    standingOf,
    give: ({ key, checkpoint, item, itemName, phase }, value) => {
      const before = standingOf(key);
      // Pressed twice it is one verdict; where two differ, saying it again settles them.
      if (before?.counts.value === value && before.beside.length === 0) return;
      const id = createRecord(house.id, 'verdict', {
        value,
        checkpoint,
        item,
        catalogueVersion,
        phase,
        looked: 'onSite',
        seenOn: today,
        reasons: [],
        note: null,
        readings: [],
        placeName: itemName,
        follows: followsOf(before),
      });
      note({
        text: `${VERDICT_WORDS[value]}: ${itemName}`,
        undo: () => deleteRecord(house.id, 'verdict', id),
      });
    },
  };
}
