import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { computing, TooBusy, TooMuch } from './computing';
import { PRACTICE_ID } from '@calvet/contract';
import { openThreads } from './threads';
import type { Principal } from './rights';

const FILE = join(__dirname, '../../test/busy-thread.mjs');
const never = new AbortController().signal;
const open: ReturnType<typeof openThreads>[] = [];
const threads = (longestMs?: number) => {
  const made = openThreads(FILE, () => undefined, longestMs);
  open.push(made);
  return made;
};
afterEach(async () => {
  await Promise.all(open.splice(0).map((each) => each.close()));
});

const descriptors = () => readdirSync('/proc/self/fd').length;

test('what takes too long is ended, and the next is computed', async () => {
  const { run } = threads(400);
  await expect(run({ name: 'busy', input: { forMs: 60_000 } }, never)).rejects.toThrow(TooMuch);
  expect(await run({ name: 'busy', input: {} }, never)).toEqual({ output: 0 });
});

test('what takes up too much memory is ended, and the process goes on', async () => {
  const { run } = threads();
  await expect(run({ name: 'busy', input: { holdsMb: 5000 } }, never)).rejects.toThrow(TooMuch);
  expect(await run({ name: 'busy', input: {} }, never)).toEqual({ output: 0 });
});

test('what fails of itself is told as it is', async () => {
  const { run } = threads();
  await expect(run({ name: 'fail', input: {} }, never)).rejects.toThrow('as asked');
});

test('a queue that is full takes nothing more', async () => {
  const { run } = threads();
  const given = new AbortController();
  const all = Array.from({ length: 60 }, () => run({ name: 'busy', input: { forMs: 60_000 } }, given.signal));
  const told = Promise.allSettled(all);
  await expect(run({ name: 'busy', input: {} }, never)).rejects.toThrow(TooBusy);
  given.abort();
  const refusals = (await told).map((each) => (each.status === 'rejected' ? (each.reason as Error) : null));
  expect(refusals.filter((each) => each instanceof TooBusy).length).toBeGreaterThan(20);
  expect(refusals).not.toContain(null);
});

test('two hundred computations, half of them given up, leave no descriptor behind', async () => {
  const { run } = threads();
  const some = async (count: number) => {
    for (let i = 0; i < count; i++) {
      const given = new AbortController();
      const asked = run({ name: 'busy', input: { forMs: i % 2 === 0 ? 0 : 60_000 } }, given.signal);
      if (i % 2 === 1) setTimeout(() => given.abort(), 2);
      await asked.catch(() => undefined);
    }
    // What was ended lets go of what it had a moment later.
    await pause(300);
    return descriptors();
  };
  const before = await some(20);
  expect(await some(180)).toBeLessThanOrEqual(before + 4);
});

test('threads give way to everything else that the process does', async () => {
  const script = process.env.CALVET_SERVER;
  if (script === undefined) throw new Error('Run this through "npm test", which builds the server.');
  const made = openThreads(join(dirname(script), 'service', 'long-computation.cjs'), () => undefined);
  open.push(made);
  const input = { temperatureC: 21, relativeHumidity: 0.45 };
  expect(await made.run({ name: 'air.dewPoint', input }, never)).toHaveProperty('output.dewPointC');
  // The eighteenth figure after the name, which may hold anything (proc(5)).
  const niceOf = (task: string) =>
    Number(
      readFileSync(`/proc/self/task/${task}/stat`, 'utf8')
        .replace(/^.*\) /, '')
        .split(' ')[16],
    );
  const nice = readdirSync('/proc/self/task').map(niceOf);
  expect(nice.filter((each) => each === 10)).toHaveLength(1);
  expect(niceOf(String(process.pid))).toBe(0);
});

test('a large input is computed by a thread, however short its operation is', async () => {
  const asked: string[] = [];
  const compute = computing({
    run: ({ name }) => {
      asked.push(name);
      return Promise.resolve({ output: null });
    },
  });
  const anybody: Principal = {
    who: { name: 'Ada', device: '', now: new Date(), clock: null },
    practice: PRACTICE_ID,
    role: 'all',
  };
  const input = { temperatureC: 21, relativeHumidity: 0.45 };
  expect(await compute(anybody, 'air.dewPoint', input, 60_000, never)).toMatchObject({
    dewPointC: expect.closeTo(8.62, 2) as number,
  });
  await compute(anybody, 'air.dewPoint', input, 70_000, never);
  expect(asked).toEqual(['air.dewPoint']);
});
