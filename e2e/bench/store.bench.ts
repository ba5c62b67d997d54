import { readFile } from 'node:fs/promises';
import { chromium, type Page } from '@playwright/test';
import { v7 } from 'uuid';
import type { StoreMeasures, SyncTimes, WriteTimes } from '../../app/bench/store-page';
import { chromiumLaunch } from '../chromium';
import { create, middle, post, sampleArea, sampleHouse } from './measured';

const RECORDS = 2000;
const ROUNDS = 7;

const [server, script] = process.argv.slice(2);
if (server === undefined || script === undefined)
  throw new Error('Give the addresses of the server, and the built script of the page that measures.');

/** A house of many areas, on the server. */
const fill = (houseId: string): Promise<void> =>
  post(server, houseId, [
    create('house', { ...sampleHouse, name: 'House of many areas' }, houseId),
    ...Array.from({ length: RECORDS - 1 }, (_, i) => create('area', { ...sampleArea, name: `Wall ${i}` })),
  ]);

type Measuring = { readonly measures: StoreMeasures };

const syncOnce = (page: Page, houseId: string): Promise<SyncTimes> =>
  page.evaluate((id) => (window as unknown as Measuring).measures.firstSync(id), houseId);
const writeOnce = (page: Page): Promise<WriteTimes> =>
  page.evaluate(([id, count, body]) => (window as unknown as Measuring).measures.writeMany(id, count, body), [
    v7(),
    RECORDS,
    { ...sampleArea },
  ] as const);

async function rounds<Times>(measure: () => Promise<Times>): Promise<readonly Times[]> {
  const all: Times[] = [];
  for (let i = 0; i < ROUNDS; i++) all.push(await measure());
  return all;
}

const browser = await chromium.launch(chromiumLaunch);
try {
  const context = await browser.newContext({ bypassCSP: true });
  const page = await context.newPage();
  await page.goto(`${server}/rescue.html`);
  await page.addScriptTag({ content: await readFile(script, 'utf8') });
  const houseId = v7();
  await fill(houseId);
  const syncs = await rounds(() => syncOnce(page, houseId));
  const [sync, pages] = [
    middle(syncs.map(({ syncMs }) => syncMs)),
    middle(syncs.map(({ pagesMs }) => pagesMs)),
  ];
  console.log(
    `First sync of ${RECORDS} records, until they are on the device: ${(sync / pages).toFixed(2)} × fetching and reading the same pages (${sync.toFixed(0)} ms)`,
  );
  const writes = await rounds(() => writeOnce(page));
  const [call, text] = [
    middle(writes.map(({ callMs }) => callMs)),
    middle(writes.map(({ textMs }) => textMs)),
  ];
  const long = middle(writes.map(({ longTasksMs }) => longTasksMs));
  console.log(
    `${RECORDS} creations in one go: ${call.toFixed(0)} ms until the page goes on, ${(call / text).toFixed(1)} × writing them out as text; ` +
      `long tasks until they are on the device ${long.toFixed(0)} ms (aim 150)`,
  );
} finally {
  await browser.close();
}
