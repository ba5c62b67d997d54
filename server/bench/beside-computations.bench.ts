import { examples } from '@calvet/core/examples';

/** How quickly a list is told while long computations are asked for, against when none is. */
const [url] = process.argv.slice(2);
if (url === undefined) throw new Error('Run this through "npm run bench".');

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

const ASKED = 60;
const LOOKS = 500;
const input = JSON.stringify(examples['insulation.sampling']);

async function houses(): Promise<number> {
  const begun = performance.now();
  const response = await fetch(`${url}/api/v1/houses`);
  await response.arrayBuffer();
  if (!response.ok) throw new Error(`It answered ${response.status}.`);
  return performance.now() - begun;
}

/** Of 100 looks all but one take no longer. */
async function p99(): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < LOOKS; i++) times.push(await houses());
  return times.sort((a, b) => a - b)[Math.floor(0.99 * LOOKS)] ?? NaN;
}

let isOver = false;
let computed = 0;
async function askOverAndOver(): Promise<void> {
  while (!isOver) {
    const response = await fetch(`${url}/api/v1/compute/insulation.sampling`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: input,
    });
    await response.arrayBuffer();
    if (response.ok) computed++;
    // Refused for there being too many: whoever asked comes again when they were told to.
    else await pause(Number(response.headers.get('retry-after')) * 1000);
  }
}

for (let i = 0; i < 100; i++) await houses();
const quiet = await p99();
const asking = Array.from({ length: ASKED }, askOverAndOver);
await pause(1000);
const busy = await p99();
isOver = true;
await Promise.all(asking);
console.log(
  `/houses while ${ASKED} long computations are asked for, p99 against when none is: ` +
    `${(busy / quiet).toFixed(2)} × (${busy.toFixed(1)} ms against ${quiet.toFixed(1)} ms; ${computed} were computed)`,
);
