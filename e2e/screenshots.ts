import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { photoBatches, seedBatches } from '@calvet/demo';
import { chromium, type Page } from '@playwright/test';
import { chromiumLaunch } from './chromium';

const [url] = process.argv.slice(2);
if (url === undefined) throw new Error('Give the address of a server with the demo on it.');

const folder = join(import.meta.dirname, '..', 'docs', 'screenshots');
const [wrenfold, tamsel, pallow] = seedBatches;
if (wrenfold === undefined || tamsel === undefined || pallow === undefined)
  throw new Error('The demo is not whole.');

type Seed = typeof wrenfold;
const houseUrl = ({ houseId }: Seed) => `${url}/houses/${houseId}`;
const drawn = await photoBatches();
const photosOf = ({ houseId }: Seed) => drawn.find((batch) => batch.houseId === houseId)?.changes ?? [];
const photoUrl = (seed: Seed, at: number) => `${houseUrl(seed)}/record/${photosOf(seed)[at]?.id ?? ''}`;
const idOf = ({ changes }: Seed, kind: string, at = 0) =>
  changes.filter((change) => change.kind === kind)[at]?.id ?? '';

interface Shot {
  readonly name: string;
  readonly address: string;
  readonly isWide?: boolean;
  readonly isDark?: boolean;
  /** When it is looked at, where that shows. */
  readonly now?: string;
  readonly before?: (page: Page) => Promise<void>;
}

/** Goes to a place where something was found. */
async function toKitchen(page: Page): Promise<void> {
  await page.getByRole('button', { name: /: all places$/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Kitchen/ })
    .click();
  await page.getByRole('button', { name: /^Kitchen · .*: all places$/ }).waitFor();
  await page.mouse.move(0, 0);
}

/** The cut through a build-up at the top of the page. */
const toSection = (page: Page) =>
  page.getByText('Section', { exact: true }).evaluate((title) => title.scrollIntoView({ block: 'start' }));

const cutThroughKitchen = (page: Page) => page.getByRole('radio', { name: 'Ground floor' }).click();

const shots: readonly Shot[] = [
  { name: 'houses', address: url },
  { name: 'plan', address: houseUrl(tamsel) },
  { name: 'drawing', address: `${houseUrl(wrenfold)}/drawing` },
  { name: 'walk', address: `${houseUrl(tamsel)}/walk`, before: toKitchen },
  { name: 'air-barrier', address: `${houseUrl(tamsel)}/continuity`, before: cutThroughKitchen },
  { name: 'mends', address: `${houseUrl(tamsel)}/mends`, isDark: true },
  { name: 'calendar', address: `${houseUrl(wrenfold)}/calendar`, now: '2027-01-04T02:00:00Z', isDark: true },
  { name: 'fill', address: `${houseUrl(tamsel)}/fill` },
  {
    name: 'area',
    address: `${houseUrl(tamsel)}/areas/${idOf(tamsel, 'area')}`,
    isDark: true,
    before: toSection,
  },
  { name: 'worth', address: `${houseUrl(tamsel)}/worth` },
  { name: 'door-test', address: `${houseUrl(wrenfold)}/tests` },
  {
    name: 'test-result',
    address: `${houseUrl(tamsel)}/tests/${idOf(tamsel, 'airtightnessTest')}`,
    isDark: true,
  },
  {
    name: 'compare',
    address: `${houseUrl(tamsel)}/areas/${idOf(tamsel, 'area')}/compare`,
    before: (page) => page.getByRole('button', { name: /^Compare with Double/ }).click(),
  },
  { name: 'photo', address: photoUrl(tamsel, 0), isDark: true },
  { name: 'bench', address: `${url}/bench` },
  { name: 'desk-walk', address: `${houseUrl(tamsel)}/walk`, isWide: true, before: toKitchen },
  { name: 'desk-houses', address: url, isWide: true },
  { name: 'desk-drawing', address: `${houseUrl(pallow)}/drawing`, isWide: true },
  {
    name: 'desk-test',
    address: `${houseUrl(tamsel)}/tests/${idOf(tamsel, 'airtightnessTest')}`,
    isWide: true,
  },
];

rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const browser = await chromium.launch(chromiumLaunch);
for (const { name, address, isWide = false, isDark = false, now, before } of shots) {
  const context = await browser.newContext({
    viewport: isWide ? { width: 1280, height: 800 } : { width: 390, height: 844 },
    isMobile: !isWide,
    hasTouch: !isWide,
    colorScheme: isDark ? 'dark' : 'light',
    locale: 'en-GB',
  });
  const page = await context.newPage();
  if (now !== undefined) await page.clock.setFixedTime(new Date(now));
  await page.goto(address);
  await page.waitForTimeout(1500);
  await page.evaluate(() => document.fonts.ready);
  await before?.(page);
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  await context.close();
}
await browser.close();
