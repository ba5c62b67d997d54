import { setTimeout as pause } from 'node:timers/promises';
import { askAs, type Target, type Told } from './asking';
import { ATTACKS } from './attacks';
import {
  askBesideComputations,
  flood,
  giveUpComputations,
  heldBy,
  listenAndLeave,
  type Held,
} from './floods';

/** What became of an attack. */
export interface Line {
  readonly name: string;
  readonly answer: string;
  readonly ms: number;
  readonly isWithstood: boolean;
}

const SLOW_MS = 2000;

const isFailure = ({ status }: Told): boolean => status >= 500;
const isRefusal = ({ status }: Told): boolean => status >= 400 && status < 500;

/** All that was answered, each once, with how often. */
function asText(told: readonly Told[]): string {
  const counts = new Map<string, number>();
  for (const { status, code, field } of told) {
    const text = [status === 0 ? '' : status, code, field].filter((part) => part !== '').join(' ');
    counts.set(text, (counts.get(text) ?? 0) + 1);
  }
  return [...counts].map(([text, count]) => (count === 1 ? text : `${count} × ${text}`)).join(', ');
}

async function timed<T>(work: () => Promise<T>): Promise<readonly [T, number]> {
  const begun = performance.now();
  const done = await work();
  return [done, performance.now() - begun];
}

async function single(to: Target): Promise<readonly Line[]> {
  const lines: Line[] = [];
  for (const { name, isRefused, send } of ATTACKS) {
    const [told, ms] = await timed(() => send(to));
    const isWithstood =
      told.every((each) => !isFailure(each) && (!isRefused || isRefusal(each))) && ms < SLOW_MS;
    lines.push({ name, answer: asText(told), ms, isWithstood });
  }
  return lines;
}

/** How many of each a flood has. */
export interface Size {
  readonly computations: number;
  readonly listeners: number;
  readonly besides: number;
  readonly requests: number;
}

async function floods(to: Target, size: Size): Promise<readonly Line[]> {
  const lines: Line[] = [];
  const add = (name: string, told: readonly Told[], ms: number, isWithstood: boolean) =>
    lines.push({ name, answer: asText(told), ms, isWithstood: isWithstood && !told.some(isFailure) });

  // What a process needs once is not lost.
  await giveUpComputations(to, 20);
  await listenAndLeave(to, 20);
  const before = heldBy(to);
  const [givenUp, givenUpMs] = await timed(() => giveUpComputations(to, size.computations));
  add(`${size.computations} computations that are given up`, givenUp, givenUpMs, true);
  const [listened, listenedMs] = await timed(() => listenAndLeave(to, size.listeners));
  add(`${size.listeners} listeners that leave`, listened, listenedMs, true);
  const after = await settled(to, before);
  lines.push({
    name: 'descriptors and memory after both',
    answer: `${before.descriptors} and ${before.megabytes} MB before, ${after.descriptors} and ${after.megabytes} MB after`,
    ms: 0,
    isWithstood: hasReturned(after, before),
  });

  const { told, slowestMs } = await askBesideComputations(to, size.besides);
  add(`/houses beside ${size.besides} long computations, the slowest`, told, slowestMs, slowestMs < SLOW_MS);
  const [flooded, floodedMs] = await timed(() => flood(to, size.requests));
  add(`${size.requests} requests in a row`, flooded, floodedMs, true);
  return lines;
}

/** Threads and buffers that a process keeps are not lost either. */
const hasReturned = (after: Held, before: Held): boolean =>
  after.descriptors <= before.descriptors + 4 && after.megabytes <= before.megabytes + 100;

/** What a process holds once what has ended let go of it, which takes a moment. */
async function settled(to: Target, before: Held): Promise<Held> {
  for (let look = 0; look < 50 && !hasReturned(heldBy(to), before); look++) await pause(200);
  return heldBy(to);
}

/**
 * Attacks a server in every way that is known here, and tells what became of each: none may end in a failure of the server,
 * or take long.
 */
export async function attack(to: Target, size: Size): Promise<readonly Line[]> {
  const lines = [...(await single(to)), ...(await floods(to, size))];
  const { status } = await askAs(to, '/api/v1/health');
  const last = { name: 'the process at the end', answer: `${status}, ${heldBy(to).megabytes} MB`, ms: 0 };
  return [...lines, { ...last, isWithstood: status === 200 }];
}

/** One line of the report. */
export const asLine = ({ name, answer, ms, isWithstood }: Line): string =>
  `${isWithstood ? 'withstood' : 'HARMED   '}  ${String(Math.round(ms)).padStart(6)} ms  ${name}: ${answer}`;
