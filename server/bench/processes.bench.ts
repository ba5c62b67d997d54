import { cpus } from 'node:os';
import { v7 } from 'uuid';
import { change, createHouse } from '../test/records';

/** Writers at once, each to a house of its own: what binds is then the processes, not one house's row. */
const WRITERS = 16;
const BATCH = 50;
const ROUND_MS = 4000;
const ROUNDS = 3;

const [one, other] = process.argv.slice(2);
if (one === undefined || other === undefined) throw new Error('Give the addresses of two servers.');

const post = async (url: string, changes: readonly unknown[]): Promise<void> => {
  const response = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ changes }),
  });
  await response.arrayBuffer();
  if (!response.ok) throw new Error(`It answered ${response.status}.`);
};

/** Changes taken in a second, with the writers spread over servers. */
async function rate(servers: readonly string[]): Promise<number> {
  const houses = await Promise.all(
    Array.from({ length: WRITERS }, async (_, i) => {
      const houseId = v7();
      const url = `${servers[i % servers.length]}/api/v1/ledgers/${houseId}/changes`;
      await post(url, [createHouse(houseId)]);
      return url;
    }),
  );
  let taken = 0;
  const end = performance.now() + ROUND_MS;
  await Promise.all(
    houses.map(async (url) => {
      while (performance.now() < end) {
        await post(
          url,
          Array.from({ length: BATCH }, () => change({})),
        );
        taken += BATCH;
      }
    }),
  );
  return taken / (ROUND_MS / 1000);
}

/** How much of the machine's time was in use since the last look, 0…1. */
function busyShare(): () => number {
  const look = () =>
    cpus().reduce(
      (sum, { times }) => {
        const all = times.user + times.nice + times.sys + times.irq + times.idle;
        return { idle: sum.idle + times.idle, all: sum.all + all };
      },
      { idle: 0, all: 0 },
    );
  const before = look();
  return () => {
    const now = look();
    return 1 - (now.idle - before.idle) / (now.all - before.all);
  };
}

const busy: number[] = [];
const rates: { readonly single: number[]; readonly both: number[] } = { single: [], both: [] };
await rate([one, other]);
// Turn by turn, so that whatever disturbs the machine disturbs both.
for (let round = 0; round < ROUNDS; round++) {
  const sinceThen = busyShare();
  rates.single.push(await rate([one]));
  busy.push(sinceThen());
  rates.both.push(await rate([one, other]));
}
const middle = (list: readonly number[]) =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? NaN;
const [single, both] = [middle(rates.single), middle(rates.both)];
console.log(
  `Two processes against one, ${WRITERS} writers of ${BATCH} changes: ${(both / single).toFixed(2)} × ` +
    `(${both.toFixed(0)} against ${single.toFixed(0)} changes a second; with one of them the machine's ${cpus().length} cores, ` +
    `which the database and the writers share, are ${(100 * middle(busy)).toFixed(0)} % busy)`,
);
