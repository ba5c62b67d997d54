import type { Change } from '@calvet/contract/changes/change';
import type { KindedRecord } from '@calvet/contract/kinds';
import { EMPTY_COPY, viewOf, withPending, withRecords } from './ledger-copy';

const item = (kind: KindedRecord['kind'], id: string, more: object = {}): KindedRecord =>
  ({
    kind,
    record: { id, ledgerId: 'h', revision: 1, deletedAt: null, name: id, performedOn: '2026-01-01', ...more },
  }) as unknown as KindedRecord;
const change = (part: Partial<Change>): Change =>
  ({ changeId: 'c', kind: 'area', id: 'a1', baseRevision: 1, op: 'update', body: {}, ...part }) as Change;

const copy = withRecords(EMPTY_COPY, [item('house', 'h'), item('area', 'a2'), item('area', 'a1')], 3);

test('areas stand in the order of their making, tests newest first', () => {
  const tests = [
    item('airtightnessTest', 't1'),
    item('airtightnessTest', 't2', { performedOn: '2026-03-01' }),
    item('airtightnessTest', 't3'),
  ];
  const view = viewOf('house', withRecords(copy, tests, 6));
  expect(view?.areas.map(({ id }) => id)).toEqual(['a1', 'a2']);
  expect(view?.tests.map(({ id }) => id)).toEqual(['t2', 't3', 't1']);
});

test('an older state never takes the place of a newer one', () => {
  const newer = withRecords(copy, [item('area', 'a1', { revision: 5, name: 'new' })], 4);
  const late = withRecords(newer, [item('area', 'a1', { revision: 2, name: 'old' })], 2);
  expect(late.records.get('a1')?.record).toMatchObject({ name: 'new' });
  expect(late.upTo).toBe(4);
});

test('what waits lies over the copy and leaves the copy as it was', () => {
  const waiting = withPending(copy, 'h', [
    change({ body: { name: 'Changed' } }),
    change({ id: 'a2', op: 'delete' }),
    change({ id: 'a3', op: 'create', baseRevision: 0, body: { name: 'Added' } }),
  ]);
  expect(viewOf('house', waiting)?.areas.map(({ id, name }) => [id, name])).toEqual([
    ['a1', 'Changed'],
    ['a3', 'Added'],
  ]);
  expect(viewOf('house', copy)?.areas.map(({ id }) => id)).toEqual(['a1', 'a2']);
});

test('a deletion that waits can be taken back', () => {
  const back = withPending(copy, 'h', [change({ op: 'delete' }), change({ op: 'restore' })]);
  expect(viewOf('house', back)?.areas.map(({ id }) => id)).toEqual(['a1', 'a2']);
});

test('a change to a record that is not here is passed over', () => {
  expect(withPending(copy, 'h', [change({ id: 'nobody' })]).records.size).toBe(3);
});

test('a deleted house has no view', () => {
  expect(
    viewOf('house', withPending(copy, 'h', [change({ kind: 'house', id: 'h', op: 'delete' })])),
  ).toBeNull();
  expect(viewOf('house', EMPTY_COPY)).toBeNull();
});
