import type { Planned } from '@calvet/contract/plan/plan-input';
import { lookAhead } from './walk-door';
import type { WalkReport, WalkRequest } from './walk-messages';

/** A worker whose answers the test gives. */
class MockWorker {
  onmessage: ((event: { data: WalkReport }) => void) | null = null;
  onerror: ((event: { message: string }) => void) | null = null;
  readonly asked: WalkRequest[] = [];
  isTerminated = false;
  postMessage(request: WalkRequest): void {
    this.asked.push(request);
  }
  terminate(): void {
    this.isTerminated = true;
  }
}

const mockStarted: MockWorker[] = [];
jest.mock('./spawn-walk-worker', () => ({
  spawnWalkWorker: () => {
    const worker = new MockWorker();
    mockStarted.push(worker);
    return worker;
  },
}));

const nothing: Planned = {
  plans: [],
  storeys: [],
  zones: [],
  roofs: [],
  openings: [],
  features: [],
  works: [],
};
/** Asked with its own verdicts each time, so that it is another question. */
const asking = (planned: Planned = nothing, houseId = 'h') =>
  lookAhead({ planned, verdicts: [], houseId, today: '2027-03-08' });
/** Another plan each time. */
const replanned = (): Planned => ({ ...nothing, storeys: [] });
const last = (): MockWorker => mockStarted.at(-1) as MockWorker;
const numberOf = (worker: MockWorker, at: number): number => worker.asked[at]?.number ?? -1;

test('answers go to whoever asked, in whichever order they come, from one worker', async () => {
  const first = asking(replanned());
  const worker = last();
  const second = asking(replanned());
  expect(mockStarted).toHaveLength(1);
  const refusal = { code: 'out-of-range' as const, field: 'storeys[0]', message: 'Open.' };
  worker.onmessage?.({
    data: { kind: 'walk', number: numberOf(worker, 1), walk: { state: 'refused', refusal }, calendar: null },
  });
  worker.onmessage?.({
    data: { kind: 'walk', number: numberOf(worker, 0), walk: { state: 'none' }, calendar: null },
  });
  await expect(first).resolves.toEqual({ walk: { state: 'none' }, calendar: null });
  await expect(second).resolves.toMatchObject({ walk: { state: 'refused' } });
});

test('sends what was planned, and nothing else of a house', async () => {
  const asked = asking({ ...nothing, house: { name: 'not for it' } } as Planned);
  const worker = last();
  expect(Object.keys(worker.asked.at(-1)?.planned ?? {}).sort()).toEqual(Object.keys(nothing).sort());
  const number = numberOf(worker, worker.asked.length - 1);
  worker.onmessage?.({ data: { kind: 'walk', number, walk: { state: 'none' }, calendar: null } });
  await asked;
});

test('what fails in it is told to whoever asked that', async () => {
  const failed = asking(replanned());
  const worker = last();
  const number = numberOf(worker, worker.asked.length - 1);
  worker.onmessage?.({ data: { kind: 'failed', number, message: 'No such word.' } });
  await expect(failed).rejects.toThrow('No such word.');
});

test('a worker that breaks down is given up with all that it was asked, and another takes its place', async () => {
  const lost = [asking(replanned()), asking(replanned())];
  const worker = last();
  worker.onerror?.({ message: '' });
  for (const each of lost) await expect(each).rejects.toThrow('could not be worked out');
  expect(worker.isTerminated).toBe(true);
  const next = asking();
  expect(last()).not.toBe(worker);
  last().onmessage?.({
    data: { kind: 'walk', number: numberOf(last(), 0), walk: { state: 'none' }, calendar: null },
  });
  await expect(next).resolves.toEqual({ walk: { state: 'none' }, calendar: null });
});

test('a plan that did not change is not sent again, and its walk is the very same', async () => {
  const planned = replanned();
  const first = asking(planned);
  const worker = last();
  const at = worker.asked.length - 1;
  expect(worker.asked[at]?.planned).not.toBeNull();
  worker.onmessage?.({
    data: { kind: 'walk', number: numberOf(worker, at), walk: { state: 'none' }, calendar: null },
  });
  const second = asking({ ...planned });
  expect(worker.asked[at + 1]?.planned).toBeNull();
  worker.onmessage?.({
    data: { kind: 'walk', number: numberOf(worker, at + 1), walk: null, calendar: null },
  });
  expect((await second).walk).toBe((await first).walk);
  // After a failure the plan goes along again.
  const failed = asking(planned);
  worker.onmessage?.({ data: { kind: 'failed', number: numberOf(worker, at + 2), message: 'No.' } });
  await expect(failed).rejects.toThrow('No.');
  void asking(planned).catch(() => undefined);
  expect(worker.asked[at + 3]?.planned).not.toBeNull();
});

test('asked the very same again, nothing is asked of the worker', () => {
  const question = { planned: replanned(), verdicts: [], houseId: 'h', today: '2027-03-08' };
  const first = lookAhead(question);
  const { length } = last().asked;
  expect(lookAhead({ ...question })).toBe(first);
  expect(last().asked).toHaveLength(length);
  void lookAhead({ ...question, today: '2027-03-09' });
  expect(last().asked).toHaveLength(length + 1);
});

test('the worker is told whose plans are held, and of one that is not the plan goes along again', () => {
  const planned = replanned();
  void asking(planned, 'first');
  const others = Array.from({ length: 8 }, (_, i) => `house ${i}`);
  for (const houseId of others) void asking(replanned(), houseId);
  expect(last().asked.at(-1)?.held).toEqual(others);
  void asking(planned, 'first');
  expect(last().asked.at(-1)?.planned).not.toBeNull();
  expect(last().asked.at(-1)?.held).toEqual([...others.slice(1), 'first']);
});
