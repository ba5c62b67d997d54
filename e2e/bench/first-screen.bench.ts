import { chromium, devices } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { chromiumLaunch } from '../chromium';

const CPU_SLOWDOWN = 4;
const ROUNDS = 5;
const SETTLED_MS = 1500;

const [appUrl, bareUrl] = process.argv.slice(2);
if (appUrl === undefined || bareUrl === undefined)
  throw new Error('Give the addresses of the app and of the bare app.');

interface Visit {
  readonly gzipBytes: number;
  readonly usableMs: number;
}

const browser = await chromium.launch(chromiumLaunch);

/** Opens a page on a slowed phone: bytes of script, packed, and the time until its first screen can be used. */
async function visit(url: string, ready: string): Promise<Visit> {
  const context = await browser.newContext({ ...devices['Pixel 7'], viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: CPU_SLOWDOWN });
  const bodies: Promise<Buffer>[] = [];
  page.on('response', (response) => {
    if (/\.js$/.test(new URL(response.url()).pathname)) bodies.push(response.body());
  });
  const start = performance.now();
  await page.goto(url, { waitUntil: 'commit' });
  await page.locator(ready).first().waitFor();
  const usableMs = performance.now() - start;
  // What is fetched after the first screen is part of it too; the line to the server stays open by itself.
  await page.waitForTimeout(SETTLED_MS);
  const scripts = await Promise.all(bodies);
  await context.close();
  return { gzipBytes: scripts.reduce((sum, script) => sum + gzipSync(script).length, 0), usableMs };
}

async function median(url: string, ready: string): Promise<Visit> {
  const visits: Visit[] = [];
  for (let i = 0; i < ROUNDS; i++) visits.push(await visit(url, ready));
  const middle = [...visits].sort((a, b) => a.usableMs - b.usableMs)[Math.floor(ROUNDS / 2)];
  if (middle === undefined) throw new Error('No visit was made.');
  return middle;
}

// The list with its figures is the first screen: a verdict stands in it once everything is there.
const app = await median(appUrl, 'text=Nettle Cabin');
const bare = await median(bareUrl, 'text=Press');
await browser.close();

const kilobytes = (bytes: number) => `${(bytes / 1000).toFixed(0)} kB`;
console.log(
  `Script for the first screen, gzip, against a bare Router + Paper app: ${(app.gzipBytes / bare.gzipBytes).toFixed(2)} ×` +
    `  (${kilobytes(app.gzipBytes)} against ${kilobytes(bare.gzipBytes)})`,
);
console.log(
  `First screen with houses, phone slowed ${CPU_SLOWDOWN} ×, against the bare app's: ${(app.usableMs / bare.usableMs).toFixed(2)} ×` +
    `  (${app.usableMs.toFixed(0)} ms against ${bare.usableMs.toFixed(0)} ms, median of ${ROUNDS})`,
);
