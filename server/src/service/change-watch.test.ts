import { PRACTICE_ID } from '@calvet/contract';
import type { LedgerState } from '../store/records';
import { ChangeWatch } from './change-watch';
import type { Principal } from './rights';

jest.useFakeTimers();

const who = { name: 'Ada', device: '', now: new Date(), clock: null };
const anybody: Principal = { who, practice: PRACTICE_ID, role: 'all' };
const nobody: Principal = { who, practice: PRACTICE_ID, role: 'none' };

const at = (id: string, lastChange: number, kind: LedgerState['kind'] = 'house'): LedgerState => ({
  id,
  kind,
  lastChange,
});
const ledgers = (counters: Iterable<readonly [string, number]>) =>
  new Map([...counters].map(([id, lastChange]) => [id, at(id, lastChange)]));

function watchOver(counters: Map<string, number>) {
  let looks = 0;
  const heard: LedgerState[] = [];
  const watch = new ChangeWatch(() => {
    looks++;
    return Promise.resolve(ledgers(counters));
  }, 1000);
  return { watch, heard, hear: (news: LedgerState) => void heard.push(news), looks: () => looks };
}
const pass = (milliseconds: number) => jest.advanceTimersByTimeAsync(milliseconds);

test('what this process took is told at once, and once', async () => {
  const counters = new Map([['h', 3]]);
  const { watch, heard, hear } = watchOver(counters);
  watch.subscribe(anybody, hear);
  await pass(10);
  counters.set('h', 4);
  watch.tell(at('h', 4));
  await pass(3000);
  expect(heard).toEqual([at('h', 4)]);
});

test('what another process took is told at the next look; what was there before is no news', async () => {
  const counters = new Map([['h', 3]]);
  const { watch, heard, hear } = watchOver(counters);
  watch.subscribe(anybody, hear);
  await pass(10);
  expect(heard).toEqual([]);
  counters.set('h', 5).set('new', 1);
  await pass(1000);
  expect(heard).toEqual([at('h', 5), at('new', 1)]);
});

test('nobody listens, nobody looks', async () => {
  const { watch, hear, looks } = watchOver(new Map());
  await pass(5000);
  expect(looks()).toBe(0);
  const leave = watch.subscribe(anybody, hear);
  await pass(2500);
  leave();
  const before = looks();
  await pass(10_000);
  expect(looks()).toBe(before);
});

test('a database that is away for a while stops nothing', async () => {
  let isAway = false;
  const heard: LedgerState[] = [];
  const watch = new ChangeWatch(
    () => (isAway ? Promise.reject(new Error('away')) : Promise.resolve(ledgers([['h', heard.length + 1]]))),
    1000,
  );
  watch.subscribe(anybody, (news) => void heard.push(news));
  await pass(10);
  isAway = true;
  await pass(3000);
  isAway = false;
  watch.tell(at('h', 9));
  await pass(3000);
  expect(heard).toEqual([at('h', 9)]);
  watch.close();
});

test('after a first look that failed nobody is told of houses in which nothing happened', async () => {
  let isAway = true;
  const heard: LedgerState[] = [];
  const watch = new ChangeWatch(
    () => (isAway ? Promise.reject(new Error('away')) : Promise.resolve(ledgers([['h', 3]]))),
    1000,
  );
  watch.subscribe(anybody, (news) => void heard.push(news));
  await pass(1500);
  isAway = false;
  await pass(5000);
  expect(heard).toEqual([]);
  watch.close();
});

test('whoever leaves and comes back while a look is under way leads to no second round of looks', async () => {
  const answers: (() => void)[] = [];
  const watch = new ChangeWatch(
    () => new Promise((resolve) => answers.push(() => resolve(ledgers([['h', 3]])))),
    1000,
  );
  const leave = watch.subscribe(anybody, () => undefined);
  await pass(10);
  leave();
  watch.subscribe(anybody, () => undefined);
  await pass(10);
  expect(answers).toHaveLength(1);
  answers[0]?.();
  for (let second = 0; second < 5; second++) {
    await pass(1000);
    answers.at(-1)?.();
  }
  expect(answers.length).toBeLessThanOrEqual(6);
  watch.close();
});

test('news goes to those who may see what it is about, and to nobody else', async () => {
  const { watch, heard, hear } = watchOver(new Map([['h', 3]]));
  const overheard: LedgerState[] = [];
  watch.subscribe(nobody, (news) => void overheard.push(news));
  watch.subscribe(anybody, hear);
  await pass(10);
  watch.tell(at('h', 4));
  watch.tell(at(PRACTICE_ID, 2, 'practice'));
  watch.tell(at('another practice', 2, 'practice'));
  expect([heard, overheard]).toEqual([[at('h', 4), at(PRACTICE_ID, 2, 'practice')], []]);
  watch.close();
});
