import { readFile, mkdtemp, rm } from 'node:fs/promises';
import { spawn, type ChildProcess } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { apiPaths, type ChangesPage } from '@calvet/contract';
import { photoBatches, seedBatches, sendPictures, type PhotoBatch, type SeedBatch } from '@calvet/demo';
import {
  test as base,
  expect,
  type APIRequestContext,
  type Browser,
  type Locator,
  type Page,
  type Route,
} from '@playwright/test';
import { createConnection } from 'mysql2/promise';
import { freePort } from '../../bin/machine/free-port.mjs';

/** Of the server's process, beside those that every journey has. */
type Settings = Readonly<Record<string, string>>;

/** The app over a database of its own. It can be stopped and started again with its data kept. */
export interface RunningApp {
  readonly url: string;
  readonly stop: () => Promise<void>;
  /** Ends it without warning, as a power cut would. */
  readonly kill: () => Promise<void>;
  readonly start: (settings?: Settings) => Promise<void>;
  /** Takes everything out of the database, as if an older backup had been brought back. To be stopped before. */
  readonly empty: () => Promise<void>;
}

const {
  CALVET_WEB_FOLDER: webFolder,
  CALVET_TEST_DATABASE_URL: adminUrl,
  CALVET_SERVER: script,
} = process.env;

function given(value: string | undefined): string {
  if (value === undefined)
    throw new Error('Run the journeys through "npm test", which builds and starts all they need.');
  return value;
}

const server = join(import.meta.dirname, '..', '..', 'server');

async function isReady(url: string): Promise<boolean> {
  try {
    return (await fetch(`${url}/api/v1/ready`)).ok;
  } catch {
    return false;
  }
}

interface Place {
  readonly port: number;
  readonly databaseUrl: string;
  readonly photoFolder: string;
}

async function startProcess(place: Place, settings: Settings = {}): Promise<ChildProcess> {
  const { port, databaseUrl, photoFolder } = place;
  const child = spawn(process.execPath, [given(script)], {
    cwd: server,
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: {
      ...process.env,
      CALVET_PORT: String(port),
      CALVET_DATABASE_URL: databaseUrl,
      CALVET_WEB_FOLDER: given(webFolder),
      CALVET_PHOTO_FOLDER: photoFolder,
      CALVET_PHOTO_LEAVE_FREE_MB: '0',
      CALVET_LOG_LEVEL: 'fatal',
      ...settings,
    },
  });
  const url = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 300 && !(await isReady(url)); i++) {
    if (child.exitCode !== null) throw new Error('The server ended at once.');
    await pause(100);
  }
  return child;
}

async function stopProcess(child: ChildProcess, signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill(signal);
  await ended;
}

interface WorkerFixtures {
  readonly app: RunningApp;
}

interface TestFixtures {
  /** Fails the journey where the page logs an error of its own. */
  readonly quietConsole: void;
}

/** What a browser says by itself when the server is away, or answers with a refusal that the journey asked for. */
const EXPECTED = /Failed to load resource|An unknown error occurred when fetching the script/;

export const test = base.extend<TestFixtures, WorkerFixtures>({
  app: [
    async ({}, use, { parallelIndex, project }) => {
      const name = `calvet_journeys_${project.name}_${parallelIndex}_${process.pid}`;
      const admin = await createConnection(given(adminUrl));
      await admin.query(`create database ${name}`);
      const databaseUrl = given(adminUrl).replace(/\/[^/]*$/, `/${name}`);
      const port = await freePort();
      const photoFolder = await mkdtemp(join(tmpdir(), 'calvet-journeys-'));
      const place = { port, databaseUrl, photoFolder };
      let child = await startProcess(place);
      await use({
        url: `http://127.0.0.1:${port}`,
        stop: () => stopProcess(child),
        kill: () => stopProcess(child, 'SIGKILL'),
        empty: async () => {
          await admin.query(`drop database ${name}`);
          await admin.query(`create database ${name}`);
          await rm(photoFolder, { recursive: true, force: true });
        },
        start: async (settings) => {
          child = await startProcess(place, settings);
        },
      });
      await stopProcess(child);
      await admin.query(`drop database ${name}`);
      await admin.end();
      await rm(photoFolder, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  quietConsole: [
    async ({ page }, use) => {
      const errors: string[] = [];
      page.on('pageerror', (error) => errors.push(String(error)));
      page.on('console', (message) => {
        if (message.type() === 'error' && !EXPECTED.test(message.text())) errors.push(message.text());
      });
      await use();
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** Drawing takes seconds: it is done once in each process. */
let drawnOnce: Promise<readonly PhotoBatch[]> | undefined;

/** Sends changes, but for records that are there: a device may have told the server again what it lost. */
async function sendMissing(
  app: RunningApp,
  request: APIRequestContext,
  { houseId, changes }: Pick<SeedBatch, 'houseId' | 'changes'>,
): Promise<void> {
  const address = app.url + apiPaths.changes(houseId);
  const held = await request.get(address);
  const { records } = held.ok() ? ((await held.json()) as ChangesPage) : { records: [] };
  const known = new Set(records.map(({ record }) => record.id));
  const missing = changes.filter(({ id }) => !known.has(id));
  if (missing.length === 0) return;
  const response = await request.post(address, { data: { changes: missing } });
  expect(response.status(), await response.text()).toBe(200);
}

/** Brings one house of the demo in, without its photos. */
export async function seedHouse(
  app: RunningApp,
  request: APIRequestContext,
  batch: SeedBatch,
): Promise<void> {
  await sendMissing(app, request, batch);
}

/** Brings the demo's houses and photos in, as a device would send them; again is harmless. Gives back the photos. */
export async function seedDemo(app: RunningApp, request: APIRequestContext): Promise<readonly PhotoBatch[]> {
  for (const batch of seedBatches) await sendMissing(app, request, batch);
  const photos = await (drawnOnce ??= photoBatches());
  for (const batch of photos) {
    await sendMissing(app, request, batch);
    await sendPictures(app.url, batch.houseId, batch.pictures);
  }
  return photos;
}

/** A page on another device of the same size. */
export async function onOtherDevice(browser: Browser, page: Page): Promise<Page> {
  return (await browser.newContext({ viewport: page.viewportSize() })).newPage();
}

/** Waits until the app itself is kept on the device. */
export async function appIsKept(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
}

/** Opens an address and waits until its page stands: nothing more is on its way, and nothing moves. */
export async function openSettled(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await expect(
    page.getByRole('main').getByRole('heading').or(page.getByRole('main').locator('svg')).first(),
  ).toBeAttached();
  await expect(page.getByText(/^Fetching/)).toHaveCount(0);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const quiet = () => {
          observer.disconnect();
          resolve();
        };
        let timer = setTimeout(quiet, 500);
        const observer = new MutationObserver(() => {
          clearTimeout(timer);
          timer = setTimeout(quiet, 500);
        });
        observer.observe(document.body, { subtree: true, childList: true });
      }),
  );
}

/** What says, on every page, that something has not been sent. */
export const unsent = (page: Page) => page.getByRole('button', { name: /unsent/ });

/** A field by its label. */
export const field = (page: Page, label: string) => page.getByLabel(label, { exact: true });

/** For a route: what is asked for does not leave the device. */
export const withoutSignal = (route: Route) => route.abort();

/** Waits until everything entered has reached the server. */
export async function allSent(page: Page): Promise<void> {
  await expect(page.getByRole('button', { name: /to send|unsent|sending/ })).toHaveCount(0);
}

/** Puts the keys away on a phone, so that what they cover can be reached. */
export async function putKeysAway(page: Page): Promise<void> {
  const done = page.getByRole('button', { name: 'Done', exact: true });
  if (await done.isVisible()) await done.click();
}

/** Opens a part of a test's page; on the desk all parts stand side by side. */
export async function openPart(page: Page, part: 'Test' | 'Readings' | 'Result'): Promise<void> {
  if ((page.viewportSize()?.width ?? 0) >= 1000) return;
  await putKeysAway(page);
  await page.getByRole('radio', { name: part, exact: true }).click();
}

/** Types into a field for a figure and leaves it. */
export async function enter(page: Page | Locator, label: string | RegExp, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(text);
  await field.press('Enter');
}

/** What a button saves, as text. */
export async function savedBy(page: Page, button: string): Promise<string> {
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  return readFile(await (await saving).path(), 'utf8');
}

export interface HouseEntry {
  readonly name: string;
  readonly volume: string;
  readonly envelope: string;
  readonly floor: string;
  readonly height: string;
  readonly limit: string;
}

/** Sizes of a house that meets nothing unusual. */
export const sizes = { volume: '400', envelope: '430', floor: '150', height: '5.5', limit: '1' } as const;

/** Creates a house through the form. */
export async function createHouse(page: Page, app: RunningApp, house: HouseEntry): Promise<void> {
  await page.goto(app.url);
  await page.getByRole('button', { name: 'Add a house' }).click();
  await page.getByLabel('Name', { exact: true }).fill(house.name);
  await page.getByLabel('Location', { exact: true }).fill('Sedgeholm');
  await enter(page, 'Volume', house.volume);
  await enter(page, 'Envelope area', house.envelope);
  await enter(page, 'Floor area', house.floor);
  await enter(page, 'Height', house.height);
  await enter(page, 'Storeys', '2');
  await enter(page, 'Bedrooms', '3');
  await enter(page, 'Limit', house.limit);
  await page.getByRole('button', { name: 'Create house' }).click();
  await expect(
    page.getByRole('heading', { level: 2, name: 'Start with the areas of the envelope' }),
  ).toBeVisible();
}
