import type { CheckpointHere, Walk } from '@calvet/contract/walk/generate-walk';
import { followsOf, standingVerdicts, type Standing } from '@calvet/contract/walk/standing-verdicts';
import { VERDICT_WORDS, type Looked, type VerdictValue } from '@calvet/contract/walk/verdict';
import { useMemo } from 'react';
import type { HouseView } from '../../data/as-drawn';
import { asLastTime } from '../../data/last-time';
import { useStore } from '../../data/store-context';
import { useNote } from '../../ui/undo';
import { useToday } from '../../ui/use-today';

export interface HowToGive {
  /** How somebody looked; on site where it is not said. */
  readonly looked?: Looked;
  /** The day on which it was seen, of a photo that on which it was taken; today where it is not said. */
  readonly seenOn?: string;
  /** Id of the photo that it is judged by. */
  readonly photo?: string | null;
  /** The page says it itself, with a way back. */
  readonly isSaid?: true;
  /** It says something new though it is of the same value: somebody looked again. */
  readonly isAnew?: boolean;
}

interface Verdicts {
  /** What counts at each checkpoint of which somebody said something, by its key. */
  readonly standing: ReadonlyMap<string, Standing>;
  /**
   * Says what was found at a checkpoint, knowing of all that was said there before. Gives back the way to take it back; null:
   * it was said already.
   */
  readonly give: (here: CheckpointHere, value: VerdictValue, how?: HowToGive) => (() => void) | null;
}

/** A page asks for it in several places. */
const standingOf = asLastTime(standingVerdicts);

/** What was found at the checkpoints of a house, and the way to say it. */
export function useVerdicts(
  { house, verdicts }: HouseView,
  { catalogueVersion }: Pick<Walk, 'catalogueVersion'>,
): Verdicts {
  const { createRecord, deleteRecord } = useStore();
  const note = useNote();
  const today = useToday();
  const standing = useMemo(() => standingOf(verdicts), [verdicts]);
  return {
    standing,
    give: (
      { key, checkpoint, item, itemName, phase },
      value,
      { looked = 'onSite', seenOn = today, photo = null, isSaid, isAnew = false } = {},
    ) => {
      const before = standing.get(key);
      // Pressed twice it is one verdict; where two differ, saying it again settles them.
      if (!isAnew && before?.counts.value === value && before.beside.length === 0) return null;
      const id = createRecord(house.id, 'verdict', {
        value,
        checkpoint,
        item,
        catalogueVersion,
        phase,
        looked,
        seenOn,
        photo,
        reasons: [],
        note: null,
        readings: [],
        placeName: itemName,
        follows: followsOf(before),
      });
      let isTakenBack = false;
      const undo = (): void => {
        if (!isTakenBack) deleteRecord(house.id, 'verdict', id);
        isTakenBack = true;
      };
      note({ text: `${VERDICT_WORDS[value]}: ${itemName}`, undo, isSaid });
      return undo;
    },
  };
}
