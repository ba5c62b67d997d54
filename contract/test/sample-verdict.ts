import { notStored } from '../src/record';
import type { CheckpointHere } from '../src/walk/generate-walk';
import type { Verdict, VerdictValue } from '../src/walk/verdict';

/** What somebody found at a checkpoint of a walk. */
export const verdictAt = (
  { checkpoint, item, itemName, phase }: CheckpointHere,
  value: VerdictValue,
  more: Partial<Verdict> = {},
): Verdict => ({
  ...notStored(`${checkpoint}@${item} ${value}`, 'h'),
  value,
  checkpoint,
  item,
  catalogueVersion: 2,
  phase,
  looked: 'onSite',
  seenOn: '2027-03-08',
  photo: null,
  reasons: [],
  note: null,
  readings: [],
  placeName: itemName,
  follows: [],
  ...more,
});
