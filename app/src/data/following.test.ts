import type { News } from '@calvet/contract/changes/change';
import { deviceClock } from './clock';
import { Following, type Stream } from './following';

jest.useFakeTimers();

class FakeStream implements Stream {
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
  onmessage: ((event: { readonly data: string }) => void) | null = null;
  isClosed = false;
  close(): void {
    this.isClosed = true;
  }
}

function followingWith(onOpened?: (stream: FakeStream) => void) {
  const streams: FakeStream[] = [];
  const news: News[] = [];
  let opened = 0;
  const following = new Following({
    clock: deviceClock,
    open: () => {
      const stream = new FakeStream();
      streams.push(stream);
      setTimeout(() => onOpened?.(stream), 1);
      return stream;
    },
    onNews: (each) => news.push(each),
    onOpen: () => opened++,
  });
  return { following, streams, news, opened: () => opened };
}
const minute = () => jest.advanceTimersByTime(60_000);

test('news comes as it is told; what is no news is passed over', () => {
  const { following, streams, news } = followingWith((stream) => stream.onopen?.());
  following.start();
  jest.advanceTimersByTime(10);
  expect(following.hears()).toBe(true);
  for (const data of ['{"ledgerId":"h","upTo":4}', '<html>', '{}', 'null', '{"ledgerId":"h","upTo":"4"}']) {
    streams[0]?.onmessage?.({ data });
  }
  expect(news).toEqual([{ ledgerId: 'h', upTo: 4 }]);
});

test('a proxy that ends every line at once is asked a few times a minute', () => {
  const { following, streams } = followingWith((stream) => {
    stream.onopen?.();
    stream.onerror?.();
  });
  // Whatever else is answered meanwhile says that the server can be reached.
  setInterval(() => following.start(), 3000);
  following.start();
  minute();
  const first = streams.length;
  expect(first).toBeLessThanOrEqual(5);
  for (let i = 0; i < 10; i++) minute();
  expect(streams.length - first).toBeLessThanOrEqual(14);
  expect(following.hears()).toBe(false);
});

test('a line that held is asked for again soon, whatever went before', () => {
  const { following, streams } = followingWith();
  following.start();
  for (let i = 0; i < 6; i++) {
    streams.at(-1)?.onerror?.();
    minute();
    minute();
  }
  streams.at(-1)?.onopen?.();
  minute();
  minute();
  const before = streams.length;
  streams.at(-1)?.onerror?.();
  jest.advanceTimersByTime(7000);
  expect(streams.length).toBe(before + 1);
});

test('out of sight nothing is listened to, and a cut line is not asked for', () => {
  const { following, streams } = followingWith((stream) => stream.onopen?.());
  following.start();
  jest.advanceTimersByTime(10);
  following.stop();
  expect(streams[0]?.isClosed).toBe(true);
  expect(following.hears()).toBe(false);
  streams[0]?.onerror?.();
  minute();
  expect(streams).toHaveLength(1);
  following.start();
  following.start();
  expect(streams).toHaveLength(2);
});
