import type { PenetrationBody } from '@calvet/contract/walk/penetration';
import { chromium } from '@playwright/test';
import { v7 } from 'uuid';
import { chromiumLaunch } from '../chromium';
import { combHouse } from './comb-house';
import { keysToPaint, SLOWER } from './keys-to-paint';
import { at, create, post } from './measured';

const HOLES = 400;
const SETTLED_MS = 6000;
/** Longer than what is pressed after moving on does not count. */
const EVERY_MS = 450;

const [server] = process.argv.slice(2);
if (server === undefined) throw new Error('Give the address of the server.');

const { houseId, stretches } = await combHouse(server);
const holes = Array.from({ length: HOLES }, (_, i): PenetrationBody => {
  const stop = `stretch/${stretches[i % stretches.length] ?? ''}`;
  return {
    what: 'cable',
    through: 'board',
    item: 'house',
    stop,
    placeName: stop,
    planned: null,
    count: 1,
    gapMm: 4,
    perimeterMm: null,
    seals: [{ id: v7(), plane: 'barrier', phase: 'beforeFill', seal: i % 3 === 0 ? 'fibre' : 'softSealant' }],
    flags: [],
    made: 'made',
    seenOn: '2027-03-08',
    decided: null,
    leakM3H: null,
    note: null,
  };
});
for (let from = 0; from < HOLES; from += 100) {
  await post(
    server,
    houseId,
    holes.slice(from, from + 100).map((hole) => create('penetration', hole)),
  );
}

const browser = await chromium.launch(chromiumLaunch);
try {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(`${server}/houses/${houseId}/walk`);
  const left = page.getByText(/this round: \d+$/);
  await left.waitFor();
  await page.waitForTimeout(SETTLED_MS);
  const before = await left.textContent();
  const times = await keysToPaint(
    page,
    page.getByRole('button', { name: 'Hole', exact: true }),
    ['1'],
    EVERY_MS,
  );
  const heap = await page.evaluate(
    () =>
      (performance as unknown as { readonly memory: { readonly usedJSHeapSize: number } }).memory
        .usedJSHeapSize,
  );
  console.log(
    `From a verdict to the next place, ${HOLES} holes, ${before ?? ''} before and ${(await left.textContent()) ?? ''} after, slowed ${SLOWER} ×: ` +
      `p50 ${at(times, 0.5).toFixed(0)} ms, p95 ${at(times, 0.95).toFixed(0)} ms (aim 50), heap ${(heap / 1e6).toFixed(0)} MB`,
  );
} finally {
  await browser.close();
}
