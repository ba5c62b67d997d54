import type { News } from '@calvet/contract';
import type * as Following from './following';

/** A line to the server whose other end is the test. */
class Line {
  static readonly CLOSED = 2;
  static readonly open: Line[] = [];
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
  onmessage: ((event: { data: string }) => void) | null = null;
  readyState = 1;
  constructor(readonly url: string) {
    Line.open.push(this);
  }
  close(): void {
    this.readyState = Line.CLOSED;
  }
}

let sight: 'visible' | 'hidden' = 'visible';
const look = (next: typeof sight) => {
  sight = next;
  document.dispatchEvent(new Event('visibilitychange'));
};
const last = (): Line => Line.open.at(-1) as Line;

let heard: News[] = [];
let opened = 0;

/** Each test has the module, and what it listens with, for itself. */
function follow() {
  let following = {} as typeof Following;
  jest.isolateModules(() => {
    following = jest.requireActual('./following');
  });
  following.followServer({ onNews: (news) => heard.push(news), onOpen: () => opened++ });
  return following;
}

const listening = jest.spyOn(document, 'addEventListener');

beforeEach(() => {
  jest.useFakeTimers();
  listening.mockClear();
  sight = 'visible';
  heard = [];
  opened = 0;
  Line.open.length = 0;
  Object.defineProperty(document, 'visibilityState', { configurable: true, get: () => sight });
  Object.assign(globalThis, { EventSource: Line });
});
afterEach(() => {
  // The page of the next test is another one.
  for (const [kind, listener] of listening.mock.calls) document.removeEventListener(kind, listener);
  jest.useRealTimers();
});

test('the line is opened after the first screen, and news come through it', () => {
  const { isServerHeard } = follow();
  expect(Line.open).toHaveLength(0);
  jest.advanceTimersByTime(600);
  expect(last().url).toBe('/api/v1/events');
  expect(isServerHeard()).toBe(false);
  last().onopen?.();
  expect([isServerHeard(), opened]).toEqual([true, 1]);
  last().onmessage?.({ data: '{"houseId":"h","upTo":7}' });
  expect(heard).toEqual([{ houseId: 'h', upTo: 7 }]);
});

test('whoever asks is told when the server falls silent and when it is back', () => {
  const { isServerHeard, subscribeToHearing } = follow();
  jest.advanceTimersByTime(600);
  const states: boolean[] = [];
  const leave = subscribeToHearing(() => states.push(isServerHeard()));
  last().onopen?.();
  last().readyState = 0;
  last().onerror?.();
  last().onerror?.();
  last().readyState = 1;
  last().onopen?.();
  expect(states).toEqual([true, false, true]);
  expect([opened, Line.open.length]).toEqual([2, 1]);
  leave();
  last().onerror?.();
  expect(states).toHaveLength(3);
});

test('after an answer that was no stream a new line is tried in a while', () => {
  follow();
  jest.advanceTimersByTime(600);
  last().readyState = Line.CLOSED;
  last().onerror?.();
  jest.advanceTimersByTime(1000);
  expect(Line.open).toHaveLength(1);
  jest.advanceTimersByTime(5000);
  expect(Line.open).toHaveLength(2);
});

test('a page out of sight leaves the line to others', () => {
  const { isServerHeard } = follow();
  jest.advanceTimersByTime(600);
  last().onopen?.();
  const first = last();
  look('hidden');
  expect([first.readyState, isServerHeard()]).toEqual([Line.CLOSED, false]);
  look('visible');
  expect(Line.open).toHaveLength(2);
  look('visible');
  expect(Line.open).toHaveLength(2);
});
