import type { Answer, Report, Request } from './messages';
import { belongsInWorker } from './use-answer';
import { computeInWorker } from './worker-door';

/** A worker whose answers the test gives. */
class MockWorker {
  onmessage: ((event: { data: Report }) => void) | null = null;
  onerror: ((event: { message: string }) => void) | null = null;
  readonly asked: Request[] = [];
  isTerminated = false;
  postMessage(request: Request): void {
    this.asked.push(request);
  }
  terminate(): void {
    this.isTerminated = true;
  }
  say(report: Report): void {
    this.onmessage?.({ data: report });
  }
}

const mockStarted: MockWorker[] = [];
jest.mock('./spawn-worker', () => ({
  spawnWorker: () => {
    const worker = new MockWorker();
    mockStarted.push(worker);
    return worker;
  },
}));

const answer: Answer = {
  kind: 'refused',
  refusal: { code: 'required', field: 'q50M3h', message: 'Missing.' },
};
const last = (): MockWorker => mockStarted.at(-1) as MockWorker;

test('reports progress, answers, and keeps the worker for the next computation', async () => {
  const shares: number[] = [];
  const first = computeInWorker('pathToTarget.evaluate', { q50M3h: 1 }, (share) => shares.push(share));
  const worker = last();
  expect(worker.asked).toEqual([{ name: 'pathToTarget.evaluate', input: { q50M3h: 1 } }]);
  worker.say({ kind: 'progress', share: 0.4 });
  worker.say({ kind: 'answer', answer });
  await expect(first.answer).resolves.toEqual(answer);
  expect(shares).toEqual([0.4]);
  first.stop();
  expect(worker.isTerminated).toBe(false);

  const count = mockStarted.length;
  const second = computeInWorker('pathToTarget.evaluate', {});
  expect(mockStarted).toHaveLength(count);
  worker.say({ kind: 'answer', answer });
  await second.answer;
});

test('two computations at once have a worker each, and only one is kept', async () => {
  const first = computeInWorker('insulation.sampling', {});
  const a = last();
  const second = computeInWorker('insulation.sampling', {});
  const b = last();
  expect(a).not.toBe(b);
  a.say({ kind: 'answer', answer });
  b.say({ kind: 'answer', answer });
  await Promise.all([first.answer, second.answer]);
  expect([a.isTerminated, b.isTerminated]).toEqual([false, true]);
});

test('stopping ends the worker, and nothing is answered', async () => {
  const before = computeInWorker('insulation.sampling', {});
  const worker = last();
  before.stop();
  before.stop();
  expect(worker.isTerminated).toBe(true);
  const settled = await Promise.race([before.answer.then(() => true), Promise.resolve(false)]);
  expect(settled).toBe(false);
  const next = computeInWorker('insulation.sampling', {});
  expect(last()).not.toBe(worker);
  last().say({ kind: 'answer', answer });
  await next.answer;
});

test('a worker that fails or cannot start says so', async () => {
  const failing = computeInWorker('insulation.sampling', {});
  last().say({ kind: 'failed', message: 'out of memory' });
  await expect(failing.answer).rejects.toThrow('out of memory');
  const absent = computeInWorker('insulation.sampling', {});
  last().onerror?.({ message: '' });
  await expect(absent.answer).rejects.toThrow('could not be started');
  expect(last().isTerminated).toBe(true);
});

test('what takes long and what is large goes to a worker, the rest is computed at once', () => {
  expect(belongsInWorker('pathToTarget.evaluate', {})).toBe(true);
  expect(belongsInWorker('insulation.sampling', {})).toBe(true);
  expect(belongsInWorker('insulation.bags', { bags: 1 })).toBe(false);
  const areas = Array.from({ length: 1500 }, () => ({ areaM2: 1, uValue: 1 }));
  expect(belongsInWorker('thermal.house', { areas })).toBe(true);
});
