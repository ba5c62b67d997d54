import { readdirSync, readFileSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';
import { examples } from '@calvet/core/examples';
import { askAs, postText, type Target, type Told } from './asking';

/** What a process holds. */
export interface Held {
  readonly descriptors: number;
  readonly megabytes: number;
}

/** What a process holds, as the system tells. */
export function heldBy({ pid }: Target): Held {
  const kilobytes = Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]);
  return { descriptors: readdirSync(`/proc/${pid}/fd`).length, megabytes: Math.round(kilobytes / 1000) };
}

/** Computations that go to a thread, each given up a moment after it was asked for. */
export async function giveUpComputations(to: Target, count: number): Promise<readonly Told[]> {
  const input = JSON.stringify(examples['insulation.sampling']);
  const told: Told[] = [];
  for (let i = 0; i < count; i += 10) {
    const some = Array.from({ length: 10 }, (_, j) =>
      askAs(to, '/api/v1/compute/insulation.sampling', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: input,
        hangsUpAfterMs: 5 + 3 * j,
      }),
    );
    told.push(...(await Promise.all(some)));
  }
  return told;
}

/** Long enough that a busy machine answers those who are too many before they leave. */
const LISTENS_MS = 6000;

/** So many listeners at once, which then let go. */
export async function listenAndLeave(to: Target, count: number): Promise<readonly Told[]> {
  return Promise.all(
    Array.from({ length: count }, () => askAs(to, '/api/v1/events', { hangsUpAfterMs: LISTENS_MS })),
  );
}

/** Long computations all at once; what everybody else is answered meanwhile, and how long it takes. */
export async function askBesideComputations(
  to: Target,
  count: number,
): Promise<{ readonly told: readonly Told[]; readonly slowestMs: number }> {
  const input = JSON.stringify(examples['insulation.sampling']);
  const computed = Promise.all(
    Array.from({ length: count }, () => postText(to, '/api/v1/compute/insulation.sampling', input)),
  );
  let slowestMs = 0;
  let isOver = false;
  void computed.then(() => (isOver = true));
  const told: Told[] = [];
  while (!isOver) {
    const begun = performance.now();
    told.push(await askAs(to, '/api/v1/houses'));
    slowestMs = Math.max(slowestMs, performance.now() - begun);
    await pause(20);
  }
  return { told: [...told, ...(await computed)], slowestMs };
}

/** More requests than one address may send. */
export async function flood(to: Target, count: number): Promise<readonly Told[]> {
  const told: Told[] = [];
  for (let i = 0; i < count; i += 50)
    told.push(...(await Promise.all(Array.from({ length: 50 }, () => askAs(to, '/api/v1/nothing')))));
  return told;
}
