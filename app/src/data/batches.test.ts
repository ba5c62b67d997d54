/** @jest-environment node */
import { BATCH_BYTES_MAX, BATCH_MAX } from '@calvet/contract/changes/change';
import { FREE, nextBatch, nextRelease } from './batches';
import type { Pending, Waiting } from './outbox-rules';

let count = 0;
const pending = (ledgerId: string, body: object = {}, id = `r${count}`): Pending => ({
  ledgerId,
  isSealed: false,
  change: { changeId: `c${count++}`, kind: 'area', id, baseRevision: 1, op: 'update', body },
});
const stateOf = (...list: Pending[]): Waiting => ({ pending: list, troubled: [] });
const NONE = new Map();

test('a batch is of one house, in order, and no longer than a request may be', () => {
  const many = Array.from({ length: BATCH_MAX + 5 }, () => pending('h'));
  expect(nextBatch(stateOf(pending('g'), ...many), NONE, 0)).toHaveLength(1);
  expect(nextBatch(stateOf(...many), NONE, 0)).toEqual(many.slice(0, BATCH_MAX));
});

test('a batch is cut by bytes too, counted as they are sent; one change always goes', () => {
  const large = () => pending('h', { name: 'ä'.repeat(BATCH_BYTES_MAX / 5) });
  expect(nextBatch(stateOf(large(), large(), large()), NONE, 0)).toHaveLength(2);
  const huge = pending('h', { name: 'x'.repeat(BATCH_BYTES_MAX * 2) });
  expect(nextBatch(stateOf(huge, large()), NONE, 0)).toEqual([huge]);
});

test('a house that is held up lets others go, and says when it may', () => {
  const state = stateOf(pending('h'), pending('i'));
  const limits = new Map([['h', { ...FREE, notBefore: 500 }]]);
  expect(nextBatch(state, limits, 100).map(({ ledgerId }) => ledgerId)).toEqual(['i']);
  expect(nextRelease(state, limits, 100)).toBe(500);
  expect(nextBatch(state, limits, 500).map(({ ledgerId }) => ledgerId)).toEqual(['h']);
  expect(nextRelease(state, limits, 500)).toBeNull();
});

test('what is in a house that was refused waits for it to be mended', () => {
  const refused = { ...pending('h', {}, 'h'), trouble: { kind: 'refused', message: '', field: '' } as const };
  const creation = { ...refused, change: { ...refused.change, op: 'create' as const } };
  const state: Waiting = { pending: [pending('h'), pending('i')], troubled: [creation] };
  expect(nextBatch(state, NONE, 0).map(({ ledgerId }) => ledgerId)).toEqual(['i']);
});

test('what points to a record that was refused waits until that is mended, and holds up nothing else', () => {
  const refused = {
    ...pending('h', {}, 'wall'),
    trouble: { kind: 'refused', message: '', field: '' } as const,
  };
  const creation = { ...refused, change: { ...refused.change, op: 'create' as const } };
  const photo = pending('h', { subject: { kind: 'area', id: 'wall' } }, 'photo');
  const ofWall: Pending = { ...photo, change: { ...photo.change, kind: 'photo', op: 'create' } };
  const other = pending('h', { name: 'Roof' }, 'roof');
  const state: Waiting = { pending: [ofWall, other], troubled: [creation] };
  expect(nextBatch(state, NONE, 0)).toEqual([other]);
  expect(nextBatch({ ...state, troubled: [] }, NONE, 0)).toEqual([ofWall, other]);
});
