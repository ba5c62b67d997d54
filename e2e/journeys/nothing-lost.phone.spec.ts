import { readFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import type { APIRequestContext, Page, Route } from '@playwright/test';
import { apiPaths } from '@calvet/contract';
import { keepFormer, type FormerDevice } from './former-device';
import { choosePictures, plainPicture, tiles } from './pictures';
import {
  allSent,
  appIsKept,
  createHouse,
  expect,
  field,
  onOtherDevice,
  sizes,
  test,
  unsent,
  withoutSignal,
  type RunningApp,
} from './running-app';

const idIn = (url: string) => /houses\/([0-9a-f-]{36})/.exec(url)?.[1] ?? '';
const houseIdOf = (page: Page) => idIn(page.url());

interface HistoryRecord {
  readonly kind: string;
  readonly record: {
    readonly id: string;
    readonly name?: string;
    readonly place?: string;
    readonly builder?: string;
    readonly revision: number;
    readonly deletedAt: string | null;
    readonly sha256?: string;
    readonly depressurise?: { readonly readings: readonly { readonly pressurePa: number }[] };
  };
}

async function recordsOf(app: RunningApp, request: APIRequestContext, houseId: string) {
  const response = await request.get(app.url + apiPaths.changes(houseId));
  // Nothing where the server does not know the house, or not yet.
  return ((await response.json()) as { readonly records?: readonly HistoryRecord[] }).records ?? [];
}

test('two tabs without a signal see each other’s entries, and each is sent once', async ({
  page,
  app,
  request,
}) => {
  await createHouse(page, app, { name: 'Two tabs', ...sizes });
  await page.getByRole('button', { name: 'Change' }).click();
  await allSent(page);
  await appIsKept(page);
  const houseId = houseIdOf(page);
  const tab = await page.context().newPage();
  await tab.goto(page.url());
  await expect(field(tab, 'Location')).toBeVisible();
  await app.stop();
  await field(page, 'Location').fill('Northby');
  await field(tab, 'Builder').fill('Osk Joinery');
  await expect(field(page, 'Builder')).toHaveValue('Osk Joinery');
  await expect(field(tab, 'Location')).toHaveValue('Northby');
  await tab.reload();
  await expect(field(tab, 'Location')).toHaveValue('Northby');
  await expect(field(tab, 'Builder')).toHaveValue('Osk Joinery');
  await page.close();
  await app.start();
  await allSent(tab);
  const house = (await recordsOf(app, request, houseId)).find(({ kind }) => kind === 'house')?.record;
  expect([house?.place, house?.builder]).toEqual(['Northby', 'Osk Joinery']);
  // One creation, and the two fields: each came once, together or one after the other.
  expect(house?.revision).toBeLessThanOrEqual(3);
  await tab.close();
});

const SIGN_IN = '<!doctype html><title>Sign in</title><p>Welcome. Please sign in.</p>';
const behindPortal = (route: Route) =>
  route.fulfill({ status: 200, contentType: 'text/html', body: SIGN_IN });

test('behind a portal nothing is called sent; afterwards all of it arrives, pictures by their hash', async ({
  page,
  app,
  request,
}) => {
  await createHouse(page, app, { name: 'Portal', ...sizes });
  await allSent(page);
  const houseId = houseIdOf(page);
  await page.route('**/api/**', behindPortal);
  await page.getByRole('button', { name: 'Add an area' }).click();
  await field(page, 'Name').fill('North wall');
  await page.goto(`${app.url}/houses/${houseId}/record`);
  const pictures = [await plainPicture(70), await plainPicture(71)];
  await choosePictures(page, pictures);
  await expect(tiles(page)).toHaveCount(2);
  await expect(unsent(page)).toContainText(/[56] unsent/);
  await expect(page.getByText('sent', { exact: true })).toHaveCount(0);
  await page.goto(`${app.url}/device`);
  // Nothing was sent, so that nothing is let go.
  await page.getByRole('button', { name: /^Free / }).click();
  await expect(page.getByText(/Something of it is not sent yet, and stays/)).toBeVisible();
  await page.unroute('**/api/**', behindPortal);
  await page.goto(`${app.url}/houses/${houseId}/record`);
  await expect(tiles(page)).toHaveCount(2);
  await expect
    .poll(async () => (await recordsOf(app, request, houseId)).filter(({ kind }) => kind === 'photo').length)
    .toBe(2);
  await allSent(page);
  const records = await recordsOf(app, request, houseId);
  expect(records.filter(({ kind, record }) => kind === 'area' && record.name === 'North wall')).toHaveLength(
    1,
  );
  const photos = records.filter(({ kind }) => kind === 'photo').map(({ record }) => record.sha256 ?? '');
  expect(photos).toHaveLength(2);
  for (const sha256 of photos) {
    const bytes = await (await request.get(app.url + apiPaths.picture(houseId, sha256))).body();
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(sha256);
  }
});

test('a device whose database never answers says that nothing is kept, and sends what is entered', async ({
  page,
  app,
  request,
}) => {
  await createHouse(page, app, { name: 'Silent database', ...sizes });
  await page.getByRole('button', { name: 'Change' }).click();
  await allSent(page);
  const houseId = houseIdOf(page);
  await page.addInitScript(() => {
    const open = indexedDB.open.bind(indexedDB);
    indexedDB.open = (name, version) => {
      const opening = open(name, version);
      opening.addEventListener = () => undefined;
      return opening;
    };
  });
  await page.reload();
  await expect(page.getByText(/Nothing is kept on this device just now/)).toBeVisible();
  await field(page, 'Location').fill('Northby');
  await allSent(page);
  const house = (await recordsOf(app, request, houseId)).find(({ kind }) => kind === 'house')?.record;
  expect(house?.place).toBe('Northby');
});

test('a device’s database that is deleted under the page is written anew', async ({ page, app }) => {
  await createHouse(page, app, { name: 'Deleted database', ...sizes });
  await page.getByRole('button', { name: 'Change' }).click();
  await allSent(page);
  await appIsKept(page);
  await app.stop();
  await field(page, 'Location').fill('Northby');
  await expect(unsent(page)).toBeVisible();
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const deleting = indexedDB.deleteDatabase('calvet');
        deleting.onsuccess = () => resolve();
        deleting.onerror = () => reject(new Error('It could not be deleted.'));
      }),
  );
  await field(page, 'Builder').fill('Osk Joinery');
  await expect(page.getByText(/Nothing is kept on this device/)).toHaveCount(0);
  await page.reload();
  await expect(field(page, 'Location')).toHaveValue('Northby');
  await expect(field(page, 'Builder')).toHaveValue('Osk Joinery');
  await app.start();
  await allSent(page);
});

test('what a device of a former version kept and had not sent opens with everything in it, and is sent', async ({
  page,
  app,
  request,
}) => {
  const file = join(import.meta.dirname, 'former', 'device.json');
  const device = JSON.parse(readFileSync(file, 'utf8')) as FormerDevice;
  const houseId = String(device.stores.copies?.[0]?.houseId);
  await page.goto(`${app.url}/methods.html`);
  await keepFormer(page, device);
  await page.goto(`${app.url}/houses/${houseId}`);
  await expect(page.getByText('North wall, offline').first()).toBeVisible();
  await page.goto(`${app.url}/houses/${houseId}/record`);
  await expect(tiles(page)).toHaveCount(1);
  // The server of this test never knew the house: it is told all of it.
  await expect
    .poll(async () => (await recordsOf(app, request, houseId)).map(({ kind }) => kind).sort())
    .toEqual(['airtightnessTest', 'area', 'house', 'photo']);
  await expect
    .poll(async () =>
      (await recordsOf(app, request, houseId)).some(({ record }) => record.name === 'North wall, offline'),
    )
    .toBe(true);
  await allSent(page);
  const records = await recordsOf(app, request, houseId);
  const tested = records.find(({ kind }) => kind === 'airtightnessTest')?.record;
  expect(tested?.depressurise?.readings.map(({ pressurePa }) => pressurePa)).toEqual([-50, -40]);
  const photo = records.find(({ kind }) => kind === 'photo')?.record;
  await expect
    .poll(async () => (await request.head(app.url + apiPaths.picture(houseId, photo?.sha256 ?? ''))).status())
    .toBe(204);
});

test('a word in dispute that is typed on ends whole, and one decision settles it', async ({
  page,
  app,
  browser,
  request,
}) => {
  await createHouse(page, app, { name: 'Dispute', ...sizes });
  await page.getByRole('button', { name: 'Change' }).click();
  await allSent(page);
  const houseId = houseIdOf(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(page.url());
  await expect(field(other, 'Location')).toBeVisible();
  await page.context().setOffline(true);
  await field(page, 'Location').fill('No');
  await field(other, 'Location').fill('Southby');
  await allSent(other);
  await page.context().setOffline(false);
  const dispute = page.getByText(/was changed on another device/);
  await expect(dispute).toBeVisible();
  await field(page, 'Location').pressSequentially('rth', { delay: 700 });
  await field(page, 'Location').pressSequentially('by');
  await expect(page.getByText('Yours: “Northby”')).toBeVisible();
  await expect(page.getByText(/Theirs: “Southby”/)).toBeVisible();
  await expect(dispute).toHaveCount(1);
  await expect(field(page, 'Location')).toHaveValue('Northby');
  await expect(field(other, 'Location')).toHaveValue('Southby');
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await expect(dispute).toHaveCount(0);
  await allSent(page);
  await expect(field(other, 'Location')).toHaveValue('Northby');
  const house = (await recordsOf(app, request, houseId)).find(({ kind }) => kind === 'house')?.record;
  expect(house?.place).toBe('Northby');
  await other.close();
});

test('a house that another deletes asks once, and comes back with what was entered in it', async ({
  page,
  app,
  browser,
  request,
}) => {
  await createHouse(page, app, { name: 'Deleted house', ...sizes });
  const house = page.url();
  await allSent(page);
  await appIsKept(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(`${house}/edit`);
  await expect(field(other, 'Location')).toBeVisible();
  await page.route('**/api/**', withoutSignal);
  await page.getByRole('button', { name: 'Add an area' }).click();
  await field(page, 'Name').fill('North wall');
  await other.getByRole('button', { name: 'Delete house' }).click();
  // The deletion is to be there first: no mark says so while the page changes.
  await expect
    .poll(async () => (await recordsOf(app, request, idIn(house)))[0]?.record.deletedAt)
    .not.toBeNull();
  await expect(unsent(page)).toBeVisible();
  await page.unroute('**/api/**', withoutSignal);
  await expect(page.getByText(/House “Deleted house” was deleted on another device/)).toBeVisible();
  await page.getByRole('button', { name: 'Put the house back, with mine' }).click();
  await allSent(page);
  await other.goto(house);
  await expect(other.getByText('North wall').first()).toBeVisible();
  const records = await recordsOf(app, request, houseIdOf(page));
  expect(records.filter(({ kind }) => kind === 'area')).toHaveLength(1);
  await other.close();
});

test('what was deleted is found again, from the list and by the keys, long after the moment for undo', async ({
  page,
  app,
  request,
}) => {
  await createHouse(page, app, { name: 'Deleted things', ...sizes });
  const house = page.url();
  await page.getByRole('button', { name: 'Add an area' }).click();
  await field(page, 'Name').fill('North wall');
  await page.getByRole('button', { name: 'Delete area' }).click();
  await allSent(page);
  await page.goto(`${house}`);
  await page.getByRole('button', { name: 'Deleted of late' }).click();
  const line = page.getByText('Area “North wall”');
  await expect(line).toBeVisible();
  await page.getByRole('button', { name: 'Put it back' }).first().click();
  await expect(line).toHaveCount(0);
  await allSent(page);
  const areas = async () =>
    (await recordsOf(app, request, idIn(house))).filter(({ kind }) => kind === 'area');
  expect(await areas()).toMatchObject([{ record: { name: 'North wall', deletedAt: null } }]);
  await page.goto(house);
  await page.getByText('North wall').first().click();
  await page.getByRole('button', { name: 'Delete area' }).click();
  await expect(page.getByText('North wall was deleted.')).toBeVisible();
  await expect(page.getByText('North wall was deleted.')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.getByText('North wall').first()).toBeVisible();
});
