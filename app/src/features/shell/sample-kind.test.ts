import { notStored } from '@calvet/contract/record';
import type { Kind, KindedRecord } from '@calvet/contract/kinds';
import type * as SampleKind from '../../../../contract/test/sample-kind';
import { sampleBody } from '../../../../contract/test/sample-kind';
import { viewWith } from '../../../test/records';
import { EMPTY_COPY, viewOf, withPending, withRecords } from '../../data/ledger-copy';
import { NOTHING_WAITS, withEntries, type Troubled } from '../../data/outbox-rules';
import { subjectsIn } from '../record/photo-words';
import { disputesIn } from './disputes';
import { deedOf, subjectOf } from './field-words';
import { titleWords } from './value-words';

jest.mock('@calvet/contract/kinds', () => {
  const { kindsWithSample } = jest.requireActual<typeof SampleKind>('../../../../contract/test/sample-kind');
  return kindsWithSample(jest.requireActual('@calvet/contract/kinds'));
});

const KIND = 'sample' as Kind;
const stored = (id: string, body: object) => ({ ...body, ...notStored(id, 'h'), revision: 1 });
const house = { kind: 'house', record: stored('h', { name: 'Byre' }) } as unknown as KindedRecord;
const item = (id: string, more: object = {}) =>
  ({ kind: KIND, record: stored(id, { ...sampleBody, ...more }) }) as unknown as KindedRecord;

test('a copy holds it, a screen sees it in a list of its own, photos may show it', () => {
  const view = viewOf('house', withRecords(EMPTY_COPY, [house, item('b'), item('a', { name: 'Core 2' })], 3));
  expect(view).toMatchObject({ samples: [{ id: 'a' }, { id: 'b' }], areas: [], photos: [] });
  if (view === null) throw new Error('no house');
  expect(subjectsIn(viewWith(view as object))).toContainEqual({
    subject: { kind: 'sample', id: 'a' },
    name: 'Core 2, Open',
  });
});

test('what is entered of it waits, is shown at once, and is spoken of in its own words', () => {
  const entered = withEntries(NOTHING_WAITS, [
    {
      entryId: 'e',
      ledgerId: 'h',
      kind: KIND,
      id: 'a',
      op: 'update',
      change: {
        body: { depthM: 0.3 },
        parts: [{ path: 'entries', id: 'x', entry: { id: 'x', note: 'wet' } }],
      },
      seenRevision: 1,
      enteredAt: '2031-03-01T08:00:00.000Z',
    },
  ]);
  const [change] = entered.pending.map((pending) => pending.change);
  if (change === undefined) throw new Error('nothing waits');
  expect([subjectOf(change, 'Core 1'), deedOf(change)]).toEqual(['Sample “Core 1”', 'depth, an entry']);
  const copy = withPending(withRecords(EMPTY_COPY, [house, item('a')], 2), 'h', [change]);
  expect(viewOf('house', copy)).toMatchObject({
    samples: [{ depthM: 0.3, entries: [{ id: 'x', note: 'wet' }] }],
  });
});

test('a dispute over it shows both values, and what was deleted has a title', () => {
  const dispute: Troubled = {
    ledgerId: 'h',
    isSealed: true,
    change: {
      changeId: 'c',
      kind: KIND,
      id: 'a',
      baseRevision: 1,
      op: 'update',
      body: { state: 'shut' } as never,
    },
    trouble: {
      kind: 'conflict',
      current: item('a', { depthM: 0.4 }),
      fields: [{ field: 'state', by: 'Ada', at: '2031-03-01T08:00:00.000Z' }],
    },
  };
  expect(disputesIn(dispute, 'metric')).toMatchObject([{ label: 'State', mine: 'Shut', theirs: 'Open' }]);
  expect(titleWords(item('a'))).toBe('Sample, Core 1, Open');
});
