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
const asking = (planned: Planned = nothing) =>
  lookAhead({ planned, verdicts: [], houseId: 'h', today: '2027-03-08' });
const last = (): MockWorker => mockStarted.at(-1) as MockWorker;
const numberOf = (worker: MockWorker, at: number): number => worker.asked[at]?.number ?? -1;

test('answers go to whoever asked, in whichever order they come, from one worker', async () => {
  const first = asking();
  const worker = last();
  const second = asking();
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
  const failed = asking();
  const worker = last();
  const number = numberOf(worker, worker.asked.length - 1);
  worker.onmessage?.({ data: { kind: 'failed', number, message: 'No such word.' } });
  await expect(failed).rejects.toThrow('No such word.');
});

test('a worker that breaks down is given up with all that it was asked, and another takes its place', async () => {
  const lost = [asking(), asking()];
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
