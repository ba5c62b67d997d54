import { act, renderHook } from '@testing-library/react';
import type { Answer } from './messages';
import { useAnswer } from './use-answer';

interface Begun {
  readonly name: string;
  readonly input: unknown;
  readonly progress: (share: number) => void;
  readonly stop: jest.Mock;
  readonly resolve: (answer: Answer) => void;
  readonly reject: (error: Error) => void;
}

const mockBegun: Begun[] = [];
jest.mock('./worker-door', () => ({
  computeInWorker: (name: string, input: unknown, progress: (share: number) => void) => {
    const stop = jest.fn();
    const answer = new Promise((resolve, reject) => {
      mockBegun.push({ name, input, progress, stop, resolve, reject });
    });
    return { answer, stop };
  },
}));

const last = (): Begun => mockBegun.at(-1) as Begun;
const answer: Answer = { kind: 'refused', refusal: { code: 'required', field: '', message: 'Missing.' } };
const pause = () => act(() => jest.advanceTimersByTimeAsync(300));

beforeEach(() => {
  jest.useFakeTimers();
  mockBegun.length = 0;
});
afterEach(() => jest.useRealTimers());

const path = (q50M3h: number) => ({ q50M3h });
const render = (first: object | null) =>
  renderHook(({ input }) => useAnswer('pathToTarget.evaluate', input), { initialProps: { input: first } });

test('without an input there is no answer; a short computation is answered at once', () => {
  expect(render(null).result.current).toBeNull();
  const dewPoint = { temperatureC: 21, relativeHumidity: 0.45 };
  const { result } = renderHook(() => useAnswer('air.dewPoint', dewPoint));
  expect(result.current).toMatchObject({
    state: 'here',
    answer: { kind: 'figures', output: { dewPointC: expect.closeTo(8.62, 2) } },
  });
  expect(mockBegun).toHaveLength(0);
});

test('a refusal is an answer too', () => {
  const { result } = renderHook(() => useAnswer('air.dewPoint', { temperatureC: 99, relativeHumidity: 0.5 }));
  expect(result.current).toMatchObject({
    state: 'here',
    answer: { kind: 'refused', refusal: { code: 'out-of-range', field: 'temperatureC', bound: 60 } },
  });
});

test('a long computation starts after the last key, tells how far it is, and answers', async () => {
  const { result, rerender } = render(path(1));
  expect(result.current).toMatchObject({ state: 'under way', share: 0 });
  rerender({ input: path(12) });
  rerender({ input: path(120) });
  await pause();
  expect(mockBegun.map(({ input }) => input)).toEqual([path(120)]);
  act(() => last().progress(0.4));
  expect(result.current).toMatchObject({ state: 'under way', share: 0.4 });
  await act(async () => last().resolve(answer));
  expect(result.current).toEqual({ state: 'here', answer });
});

test('another input stops the computation under way, and its late answer does not count', async () => {
  const { result, rerender } = render(path(1));
  await pause();
  const first = last();
  rerender({ input: path(2) });
  expect(first.stop).toHaveBeenCalled();
  expect(result.current).toMatchObject({ state: 'under way', share: 0 });
  await act(async () => first.resolve(answer));
  expect(result.current).toMatchObject({ state: 'under way' });
  await pause();
  expect(last().input).toEqual(path(2));
});

test('it can be stopped, and started again', async () => {
  const { result } = render(path(1));
  await pause();
  const stoppedOne = last();
  act(() => {
    if (result.current?.state === 'under way') result.current.stop();
  });
  expect(stoppedOne.stop).toHaveBeenCalled();
  expect(result.current?.state).toBe('stopped');
  act(() => {
    if (result.current?.state === 'stopped') result.current.again();
  });
  await pause();
  expect(mockBegun).toHaveLength(2);
  await act(async () => last().resolve(answer));
  expect(result.current?.state).toBe('here');
});

test('a computation that fails says why, and can be tried again', async () => {
  const { result } = render(path(1));
  await pause();
  await act(async () => last().reject(new Error('out of memory')));
  expect(result.current).toMatchObject({ state: 'failed', message: 'out of memory' });
  act(() => {
    if (result.current?.state === 'failed') result.current.again();
  });
  await pause();
  expect(mockBegun).toHaveLength(2);
});

test('leaving the page stops what is under way', async () => {
  const { unmount } = render(path(1));
  await pause();
  unmount();
  expect(last().stop).toHaveBeenCalled();
});
