import { chromium, devices } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { chromiumLaunch } from '../chromium';
import { middle } from './measured';
import { Waves } from './waves';

const CPU_SLOWDOWN = 4;
/** A phone at the edge of a village: bytes a second each way, and milliseconds there and back. */
const BYTES_PER_SECOND = 1_600_000 / 8;
const LATENCY_MS = 150;
const ROUNDS = 5;
const SETTLED_MS = 1500;

const [appUrl, bareUrl, formerUrl] = process.argv.slice(2);
if (appUrl === undefined || bareUrl === undefined)
  throw new Error('Give the addresses of the app and of the bare app.');

interface Visit {
  /** Script, packed by gzip, whatever came over the line. */
  readonly gzipBytes: number;
  /** All that came over the line until the first screen stood. */
  readonly lineBytes: number;
  readonly firstContentMs: number;
  readonly usableMs: number;
  /** Requests that had to wait for one another, one after the other, until the first screen stood. */
  readonly waves: number;
  readonly dataRequests: number;
}

const browser = await chromium.launch(chromiumLaunch);

/** Opens a page on a slowed phone with a slow line that was never there before. */
async function visit(url: string, ready: string): Promise<Visit> {
  const context = await browser.newContext({ ...devices['Pixel 7'], viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Network.enable');
  await session.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: LATENCY_MS,
    downloadThroughput: BYTES_PER_SECOND,
    uploadThroughput: BYTES_PER_SECOND,
  });
  await session.send('Emulation.setCPUThrottlingRate', { rate: CPU_SLOWDOWN });
  const waves = new Waves(session);
  const bodies: Promise<Buffer>[] = [];
  page.on('response', (response) => {
    if (/\.js$/.test(new URL(response.url()).pathname)) bodies.push(response.body());
  });
  const start = performance.now();
  await page.goto(url, { waitUntil: 'commit' });
  await page.locator(ready).first().waitFor();
  const usableMs = performance.now() - start;
  const { deepest, bytes, dataRequests } = waves.sofar();
  const firstContentMs = await page.evaluate(
    () => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN,
  );
  // What is fetched after the first screen is part of it too; the line to the server stays open by itself.
  await page.waitForTimeout(SETTLED_MS);
  const scripts = await Promise.all(bodies);
  await context.close();
  return {
    gzipBytes: scripts.reduce((sum, script) => sum + gzipSync(script).length, 0),
    lineBytes: bytes,
    firstContentMs,
    usableMs,
    waves: deepest,
    dataRequests,
  };
}

const kilobytes = (bytes: number) => `${(bytes / 1000).toFixed(0)} kB`;
const middleOf = (visits: readonly Visit[], figure: keyof Visit): number =>
  middle(visits.map((each) => each[figure]));

interface Place {
  readonly name: string;
  readonly url: string;
  readonly ready: string;
}

// The list with its figures is the first screen: a verdict stands in it once everything is there.
const places: readonly Place[] = [
  { name: 'App', url: appUrl, ready: 'text=Nettle Cabin' },
  { name: 'Bare Router + Paper app', url: bareUrl, ready: 'text=Press' },
  ...(formerUrl === undefined ? [] : [{ name: 'App before', url: formerUrl, ready: 'text=Nettle Cabin' }]),
];
const visits = new Map(places.map(({ name }) => [name, [] as Visit[]]));
// One after the other, so that whatever else the machine does falls on all of them.
for (let round = 0; round < ROUNDS; round++) {
  for (const { name, url, ready } of places) visits.get(name)?.push(await visit(url, ready));
}
await browser.close();

console.log(`Cold start, phone slowed ${CPU_SLOWDOWN} ×, 1.6 Mbit/s, ${LATENCY_MS} ms, median of ${ROUNDS}:`);
for (const [name, made] of visits) {
  const of = (figure: keyof Visit) => middleOf(made, figure);
  console.log(
    `  ${name}: ${of('waves')} waves, ${of('dataRequests')} requests for data, ${kilobytes(of('gzipBytes'))} of script (gzip), ` +
      `${kilobytes(of('lineBytes'))} over the line, first content ${of('firstContentMs').toFixed(0)} ms, usable ${of('usableMs').toFixed(0)} ms`,
  );
}
const ratio = (figure: keyof Visit, other: string): string =>
  (middleOf(visits.get('App') ?? [], figure) / middleOf(visits.get(other) ?? [], figure)).toFixed(2);
for (const { name } of places.slice(1)) {
  console.log(
    `  App against “${name}”: script ${ratio('gzipBytes', name)} ×, first content ${ratio('firstContentMs', name)} ×, usable ${ratio('usableMs', name)} ×`,
  );
}
