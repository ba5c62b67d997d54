import { sendPictures } from '@calvet/demo';
import { createHash } from 'node:crypto';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';
import sharp from 'sharp';
import { v7 } from 'uuid';
import { chromiumLaunch } from '../chromium';
import { cameraPicture, choosePictures } from '../journeys/pictures';
import { at, create, middle, post, sampleArea, sampleHouse } from './measured';

const RECORDS = 2000;
const PHOTOS = 200;
const EDITS = 40;
/** A phone of the middle sort against this machine. */
const SLOWER = 4;

const [server, bare] = process.argv.slice(2);
if (server === undefined || bare === undefined)
  throw new Error('Give the addresses of the server and the bare app.');

const houseId = v7();
const house = `${server}/houses/${houseId}`;

async function picture(number: number) {
  const background = { r: number % 256, g: (number * 7) % 256, b: 120 };
  const jpeg = await sharp({ create: { width: 1600, height: 1200, channels: 3, background } })
    .jpeg()
    .toBuffer();
  const sha256 = createHash('sha256').update(jpeg).digest('hex');
  return { jpeg, sha256, widthPx: 1600, heightPx: 1200 };
}

async function fill(): Promise<void> {
  const areas = Array.from({ length: RECORDS - PHOTOS - 1 }, (_, i) =>
    create('area', { ...sampleArea, name: `Wall ${i}`, areaM2: 0.3 }),
  );
  const pictures = await Promise.all(Array.from({ length: PHOTOS }, (_, i) => picture(i)));
  const photos = pictures.map(({ sha256, widthPx, heightPx, jpeg }, i) =>
    create('photo', {
      sha256,
      widthPx,
      heightPx,
      bytes: jpeg.length,
      takenAt: null,
      subject: { kind: 'area', id: areas[i % 20]?.id ?? houseId },
      caption: '',
      marks: [],
      beforeId: null,
    }),
  );
  const all = [create('house', { ...sampleHouse, name: 'Large house' }, houseId), ...areas, ...photos];
  await post(server ?? '', houseId, all);
  await sendPictures(server ?? '', houseId, pictures);
}

async function phone(browser: Browser): Promise<{ readonly context: BrowserContext; readonly page: Page }> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  return { context, page };
}

const answer = (page: Page) => page.getByRole('heading', { level: 2 }).first();

async function timeTo(page: Page, go: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await go();
  await answer(page).waitFor({ timeout: 60_000 });
  return performance.now() - start;
}

async function opening(browser: Browser): Promise<void> {
  const { context, page } = await phone(browser);
  const firstSync = await timeTo(page, () => page.goto(house, { waitUntil: 'commit' }));
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.waitForTimeout(4000);
  await context.setOffline(true);
  const times: number[] = [];
  for (let i = 0; i < 5; i++) times.push(await timeTo(page, () => page.reload({ waitUntil: 'commit' })));
  const session = await context.newCDPSession(page);
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  await context.setOffline(false);
  await context.close();

  const plain = await phone(browser);
  await plain.page.goto(bare ?? '');
  const bareTimes: number[] = [];
  for (let i = 0; i < 5; i++) {
    const start = performance.now();
    await plain.page.reload({ waitUntil: 'commit' });
    await plain.page.getByText('Bare').first().waitFor();
    bareTimes.push(performance.now() - start);
  }
  await plain.context.close();
  console.log(
    `House of ${RECORDS} records and ${PHOTOS} photos, slowed ${SLOWER} ×, from the local copy without a signal: ` +
      `${(middle(times) / middle(bareTimes)).toFixed(2)} × the bare app's first content ` +
      `(${middle(times).toFixed(0)} against ${middle(bareTimes).toFixed(0)} ms), heap ${(usedSize / 1e6).toFixed(0)} MB`,
  );
  console.log(
    `First sync of it on loopback, from nothing: ${(firstSync / middle(times)).toFixed(2)} × opening it from the copy (${firstSync.toFixed(0)} ms)`,
  );
}

async function secondScreen(browser: Browser): Promise<void> {
  const small = v7();
  await post(server ?? '', small, [create('house', { ...sampleHouse, name: 'Small house' }, small)]);
  const [writer, reader] = await Promise.all([browser.newContext(), browser.newContext()]);
  const [here, there] = await Promise.all([writer.newPage(), reader.newPage()]);
  const heard = there.waitForResponse((each) => each.url().endsWith('/events'));
  await Promise.all([here, there].map((page) => page.goto(`${server}/houses/${small}/edit`)));
  await heard;
  const place = (page: Page) => page.getByLabel('Location', { exact: true });
  await place(here).waitFor();
  await place(there).waitFor();
  const times: number[] = [];
  for (let i = 0; i < EDITS; i++) {
    const start = performance.now();
    await place(here).fill(`Place ${i}`);
    await there.waitForFunction(
      (value) => document.querySelector<HTMLInputElement>('input[aria-label="Location"]')?.value === value,
      `Place ${i}`,
      { polling: 'raf' },
    );
    times.push(performance.now() - start);
  }
  console.log(
    `A change to the second screen, of which 400 ms gather what is typed: p50 ${at(times, 0.5).toFixed(0)} ms, p95 ${at(times, 0.95).toFixed(0)} ms`,
  );
  await Promise.all([writer.close(), reader.close()]);
}

async function pictures(browser: Browser): Promise<void> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(`${house}/record`);
  await page.getByRole('heading', { level: 2, name: `${PHOTOS} photos` }).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(5000);
  // From a file, as from a camera: handed over as bytes it would be the measuring that blocks the page.
  const folder = await mkdtemp(join(tmpdir(), 'calvet-camera-'));
  const file = join(folder, 'IMG_0001.jpg');
  await writeFile(file, (await cameraPicture()).buffer);
  const times: number[] = [];
  const blocked: number[] = [];
  for (let i = 0; i < 5; i++) {
    await page.evaluate(() => {
      const tasks: number[] = [];
      Object.assign(window, { tasks });
      new PerformanceObserver((list) =>
        list.getEntries().forEach(({ duration }) => tasks.push(duration)),
      ).observe({
        type: 'longtask',
      });
    });
    const start = performance.now();
    await choosePictures(page, file);
    await page.getByText('A photo was added.').waitFor({ timeout: 60_000 });
    times.push(performance.now() - start);
    const tasks = await page.evaluate(
      () => (window as unknown as { readonly tasks: readonly number[] }).tasks,
    );
    blocked.push(Math.max(0, ...tasks));
    await page.getByRole('button', { name: 'Undo' }).click();
  }
  console.log(
    `A picture of 12 megapixels, from the file to the screen: ${middle(times).toFixed(0)} ms, ` +
      `main thread blocked at most ${middle(blocked).toFixed(0)} ms at a stretch (aim 50; longest of all ${Math.max(...blocked).toFixed(0)})`,
  );
  await context.close();
  await rm(folder, { recursive: true });
}

const browser = await chromium.launch(chromiumLaunch);
try {
  await fill();
  await opening(browser);
  await secondScreen(browser);
  await pictures(browser);
} finally {
  await browser.close();
}
