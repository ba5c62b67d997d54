import { act, fireEvent, screen } from '@testing-library/react';
import { renderInTheme } from '../../../test/in-theme';
import type { ReactNode } from 'react';
import { testStore } from '../../../test/test-store';
import type { Copies } from '../../data/copies';
import type { LedgerCopy } from '../../data/ledger-copy';
import type { Keeping } from '../../data/keeping';
import type { Outbox, OutboxState } from '../../data/outbox';
import type { Pending, Troubled } from '../../data/outbox-rules';
import { deedOf, subjectOf } from './field-words';
import type { UploadsState } from '../../data/upload-queue';
import { markOf, SyncAnnouncer, SyncMark } from './sync-mark';
import { TroubleBanner } from './trouble-banner';

let mockState: OutboxState = { pending: [], troubled: [], phase: 'idle' };
let mockIsKept = true;
let mockHasRoom = true;
const mockListeners = new Set<() => void>();
const mockDone: string[] = [];
const copies = new Map([
  [
    'h',
    {
      upTo: 1,
      records: new Map([
        ['h', { kind: 'house', record: { id: 'h', name: 'Byre' } }],
        ['a', { kind: 'area', record: { id: 'a', name: 'Wall' } }],
      ]),
    },
  ],
]) as unknown as ReadonlyMap<string, LedgerCopy>;
const subscribe = (listener: () => void) => {
  mockListeners.add(listener);
  return () => mockListeners.delete(listener);
};
const store = testStore();
const render = (piece: ReactNode) =>
  renderInTheme(piece, {
    ...store,
    outbox: Object.assign(Object.create(store.outbox) as Outbox, { subscribe, getState: () => mockState }),
    copies: Object.assign(Object.create(store.copies) as Copies, { all: () => copies }),
    keeping: Object.assign(Object.create(store.keeping) as Keeping, {
      where: () => (mockIsKept ? 'device' : 'page'),
      hasRoom: () => mockHasRoom,
    }),
    tryNow: () => mockDone.push('try now'),
    decide: (group, choice) =>
      mockDone.push(`${choice} ${group.map(({ change }) => change.changeId).join(' ')}`),
  });

jest.mock('expo-router', () => ({
  useRouter: () => ({
    navigate: (address: string) => mockDone.push(address),
  }),
}));

const set = (next: Partial<OutboxState>) =>
  act(() => {
    mockState = { ...mockState, ...next };
    mockListeners.forEach((listener) => listener());
  });
const pending = (id: string, more: Partial<Pending['change']> = {}): Pending => ({
  ledgerId: 'h',
  isSealed: false,
  change: {
    changeId: `c-${id}`,
    kind: 'area',
    id,
    baseRevision: 1,
    op: 'update',
    body: { grade: 'II' },
    ...more,
  },
});
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

beforeEach(() => {
  mockState = { pending: [], troubled: [], phase: 'idle' };
  mockIsKept = true;
  mockHasRoom = true;
  mockDone.length = 0;
});

test('nothing is said while nothing waits, and for a moment that all was sent', () => {
  jest.useFakeTimers();
  render(<SyncMark />);
  expect(screen.queryByText('sent')).toBeNull();
  set({ pending: [pending('a')] });
  expect(screen.getByRole('button', { name: '1 to send' })).toBeTruthy();
  set({ phase: 'sending' });
  expect(screen.getByRole('button', { name: 'sending' })).toBeTruthy();
  set({ pending: [], phase: 'idle' });
  expect(screen.getByText('sent')).toBeTruthy();
  act(() => jest.advanceTimersByTime(3000));
  expect(screen.queryByText('sent')).toBeNull();
  jest.useRealTimers();
});

test('what waits is listed by its record and its fields, and can be tried at once', async () => {
  mockState = {
    pending: [
      pending('a', { body: { grade: 'II', areaM2: 12 } }),
      pending('new', { op: 'create', body: { name: 'Roof' } }),
      pending('h', { kind: 'house', op: 'delete', body: {} }),
    ],
    troubled: [],
    phase: 'unreachable',
  };
  render(<SyncMark />);
  press(/^3 unsent/);
  await act(async () => undefined);
  for (const text of [
    '3 entries wait to be sent',
    'Area “Wall”',
    'Byre · grade, area',
    'Area “Roof”',
    'Byre · new',
    'House “Byre”',
    'deleted',
  ]) {
    expect(screen.getByText(text)).toBeTruthy();
  }
  expect(
    screen.getByText(/The server cannot be reached\. What you entered is kept on this device/),
  ).toBeTruthy();
  press('Try now');
  expect(mockDone).toEqual(['try now', 'try now']);
  press('Close');
});

test('a browser that keeps nothing is said so', async () => {
  mockIsKept = false;
  mockState = { pending: [pending('a')], troubled: [], phase: 'unreachable' };
  render(<SyncMark />);
  press(/^1 unsent/);
  await act(async () => undefined);
  expect(screen.getByText(/leave this page open until everything is sent/)).toBeTruthy();
});

test('what is in dispute is shown with both values, and a person decides', () => {
  const troubled: Troubled = {
    ...pending('a', { body: { name: 'West' } }),
    trouble: {
      kind: 'conflict',
      current: { kind: 'area', record: { name: 'North', revision: 2, deletedAt: null } } as never,
      fields: [{ field: 'name', by: 'Ada', at: '2026-11-03T10:20:00.000Z' }],
    },
  };
  mockState = { pending: [], troubled: [troubled], phase: 'idle' };
  render(<TroubleBanner />);
  expect(screen.getByText('Yours: “West”')).toBeTruthy();
  expect(screen.getByText(/^Theirs: “North” \(Ada, /)).toBeTruthy();
  press('Keep mine');
  press('Take theirs');
  expect(mockDone).toEqual(['mine c-a', 'theirs c-a']);
});

test('what was refused says why and where, leads there, and can be sent again or let go', () => {
  const troubled: Troubled = {
    ...pending('a'),
    trouble: { kind: 'refused', message: 'This must be above 0.', field: 'changes[0].body.areaM2' },
  };
  mockState = { pending: [], troubled: [troubled], phase: 'idle' };
  render(<TroubleBanner />);
  expect(screen.getByText(/^Area: This must be above 0\./)).toBeTruthy();
  press('Open it');
  press('Send again');
  press('Let go of it');
  expect(mockDone).toEqual(['/houses/h/areas/a', 'again c-a', 'let go c-a']);
});

describe('the mark', () => {
  const quiet: UploadsState = { waiting: [], refused: [], phase: 'idle', share: 0 };
  const entries = (more: Partial<OutboxState> = {}): OutboxState => ({
    pending: [],
    troubled: [],
    phase: 'idle',
    ...more,
  });
  const upload = { sha256: 'f00d', houseId: 'h', url: null };
  const troubled: Troubled = { ...pending('a'), trouble: { kind: 'refused', message: 'No.', field: '' } };

  test.each<[string, OutboxState, UploadsState, boolean, string | null]>([
    ['nothing', entries(), quiet, true, null],
    ['an entry', entries({ pending: [pending('a')] }), quiet, true, '1 to send'],
    [
      'an entry and a picture',
      entries({ pending: [pending('a')] }),
      { ...quiet, waiting: [upload] },
      true,
      '2 to send',
    ],
    ['a picture on its way', entries(), { ...quiet, waiting: [upload], phase: 'sending' }, true, 'sending'],
    ['no signal', entries(), { ...quiet, waiting: [upload], phase: 'unreachable' }, true, '1 unsent'],
    ['a full server', entries(), { ...quiet, waiting: [upload], phase: 'full' }, true, 'needs you'],
    ['a refused entry', entries({ troubled: [troubled] }), quiet, true, 'needs you'],
    ['a full device', entries({ pending: [pending('a')], phase: 'unreachable' }), quiet, false, 'needs you'],
  ])('says it all: %s', (_name, outboxState, uploadsState, isRoom, text) => {
    expect(markOf(outboxState, uploadsState, isRoom, false).text).toBe(text);
  });
});

test('being offline is said even where nothing waits, and what waits is counted', () => {
  const quiet: UploadsState = { waiting: [], refused: [], phase: 'idle', share: 0 };
  const entries: OutboxState = { pending: [], troubled: [], phase: 'idle' };
  expect(markOf(entries, quiet, true, true).text).toBe('offline');
  expect(markOf({ ...entries, phase: 'sending' }, quiet, true, true).text).toBe('offline');
  expect(markOf({ ...entries, pending: [pending('a')] }, quiet, true, true).text).toBe('1 unsent');
});

test('who listens to the page is told when things take a turn, not at every entry', () => {
  store.reachability.missed();
  render(<SyncAnnouncer />);
  const told = () => screen.getByRole('status').textContent;
  expect(told()).toBe('Offline: what you enter is kept on this device.');
  set({ pending: [pending('a')] });
  const unsent = told();
  expect(unsent).toBe('Offline: what you entered is kept on this device, not sent yet.');
  set({ pending: [pending('a'), pending('b')], phase: 'sending' });
  expect(told()).toBe(unsent);
  act(() => store.reachability.worked());
  expect(told()).toBe('');
  set({ pending: [], phase: 'idle' });
  expect(told()).toBe('All is sent.');
});

test('a dialog is named by its heading, which has the focus: no key that was meant for the page presses anything', () => {
  mockState = { pending: [pending('a')], troubled: [], phase: 'unreachable' };
  render(<SyncMark />);
  press(/^1 unsent/);
  const dialog = screen.getByRole('dialog', { name: '1 entry waits to be sent' });
  expect(document.activeElement?.textContent).toBe('1 entry waits to be sent');
  fireEvent(dialog, new Event('cancel', { cancelable: true }));
  expect(screen.queryByRole('dialog')).toBeNull();
});

test('changes in words', () => {
  const { change } = pending('a', { body: { buildUp: {} as never, areaM2: 3 } });
  expect([subjectOf(change), subjectOf(change, 'Wall'), deedOf(change)]).toEqual([
    'Area',
    'Area “Wall”',
    'build-up, area',
  ]);
  expect(deedOf({ ...change, op: 'restore' })).toBe('put back');
});
