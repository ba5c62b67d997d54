import { apiPaths } from '@calvet/contract';
import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { v7 } from 'uuid';
import { chromiumLaunch } from '../chromium';
import { keysToPaint, SLOWER } from './keys-to-paint';
import { at, create, post, sampleHouse } from './measured';

const WAITING = 60;
const HOUSES = 71;
const SETTLED_MS = 5000;
const MINUTE_MS = 60_000;

const [server] = process.argv.slice(2);
if (server === undefined) throw new Error('Give the address of the server.');
async function makeHouse(name: string): Promise<string> {
  const id = v7();
  await post(server ?? '', id, [create('house', { ...sampleHouse, name }, id)]);
  return id;
}

async function open(browser: Browser): Promise<{ readonly context: BrowserContext; readonly page: Page }> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  return { context, page: await context.newPage() };
}

/** From a key to what it shows, as the browser itself times it, with so many areas made and not sent. */
async function entryToPaint(browser: Browser, houseId: string, waiting: number): Promise<readonly number[]> {
  const { context, page } = await open(browser);
  await page.goto(`${server}/houses/${houseId}`);
  await page.getByRole('button', { name: 'Add an area' }).waitFor();
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.waitForTimeout(SETTLED_MS);
  await context.setOffline(true);
  for (let i = 0; i < waiting; i++) {
    await page.getByRole('link', { name: 'Plan', exact: true }).click();
    await page.getByRole('button', { name: 'Add an area' }).click();
    await page.getByLabel('Name', { exact: true }).fill(`Wall ${i}`);
  }
  const times = await keysToPaint(page, page.getByLabel('Name', { exact: true }), [...'abcdefghij']);
  await context.close();
  return times;
}

interface Asked {
  readonly all: number;
  readonly lines: number;
}

/** Requests of a page that nobody touches, in a minute. */
async function askedInAMinute(
  browser: Browser,
  prepare: (context: BrowserContext, page: Page) => Promise<unknown>,
): Promise<Asked> {
  const { context, page } = await open(browser);
  await page.goto(server ?? '');
  await page.getByText('Bench house 0', { exact: true }).first().waitFor();
  // Every house of the list is fetched first.
  await page.waitForTimeout(4 * SETTLED_MS);
  await prepare(context, page);
  let [all, lines] = [0, 0];
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    if (!pathname.startsWith('/api/')) return;
    all++;
    if (pathname === apiPaths.events) lines++;
  });
  await page.waitForTimeout(MINUTE_MS);
  await context.close();
  return { all, lines };
}

const endedAtOnce = (_context: BrowserContext, page: Page) =>
  page
    .route(`**${apiPaths.events}`, (route) =>
      route.fulfill({ status: 200, contentType: 'text/event-stream', body: '' }),
    )
    .then(() => page.reload());

const browser = await chromium.launch(chromiumLaunch);
try {
  const [first = ''] = await Promise.all(
    Array.from({ length: HOUSES }, (_, i) => makeHouse(`Bench house ${i}`)),
  );
  const one = await entryToPaint(browser, first, 1);
  const many = await entryToPaint(browser, first, WAITING);
  console.log(
    `From a key to what it shows, slowed ${SLOWER} ×, ${WAITING} entries waiting: p50 ${at(many, 0.5).toFixed(0)} ms, p95 ${at(many, 0.95).toFixed(0)} ms (aim 250), ` +
      `${(at(many, 0.95) / at(one, 0.95)).toFixed(2)} × with one waiting (p95 ${at(one, 0.95).toFixed(0)} ms)`,
  );
  const [idle, offline, ended] = await Promise.all([
    askedInAMinute(browser, async () => undefined),
    askedInAMinute(browser, (context) => context.setOffline(true)),
    askedInAMinute(browser, endedAtOnce),
  ]);
  console.log(
    `Requests a minute of an idle page, ${HOUSES} houses: ${idle.all} online, ${offline.all} offline (aim 6), ` +
      `${ended.all} where a proxy ends every line of events at once (aim 12; lines ${ended.lines})`,
  );
} finally {
  await browser.close();
}
