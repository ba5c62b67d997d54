import type { Page } from '@playwright/test';
import { apiPaths } from '@calvet/contract';
import { choosePictures, plainPicture, tiles } from './pictures';
import { allSent, appIsKept, createHouse, expect, onOtherDevice, sizes, test, unsent } from './running-app';

const AREAS = 200;
const PICTURES = 20;

const houseIdOf = (page: Page) => /houses\/([0-9a-f-]{36})/.exec(page.url())?.[1] ?? '';

interface Records {
  readonly records: readonly {
    readonly kind: string;
    readonly record: { readonly name?: string; readonly sha256?: string; readonly updatedAt: string };
  }[];
}

test('a server that dies between taking a batch and answering it: all of it is there, once', async ({
  page,
  app,
  request,
}) => {
  await createHouse(page, app, { name: 'Killed', ...sizes });
  await allSent(page);
  await appIsKept(page);
  const houseId = houseIdOf(page);
  let taken = 0;
  await page.route(`**/ledgers/${houseId}/changes`, async (route) => {
    if (route.request().method() !== 'POST' || taken > 0) return route.continue();
    taken = (await route.fetch()).status();
    await app.kill();
    return route.abort();
  });
  await page.getByRole('button', { name: 'Add an area' }).click();
  await page.getByLabel('Name', { exact: true }).fill('North wall');
  await expect(unsent(page)).toBeVisible();
  expect(taken).toBe(200);
  await app.start();
  await allSent(page);
  const { records } = (await (await request.get(app.url + apiPaths.changes(houseId))).json()) as Records;
  expect(records.filter(({ kind }) => kind === 'area')).toHaveLength(1);
  await page.reload();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('North wall');
});

test('a browser that is closed with 200 unsent entries and 20 pictures sends them all when it is opened again', async ({
  page,
  app,
  request,
}) => {
  test.slow();
  await createHouse(page, app, { name: 'Closed', ...sizes });
  const houseId = houseIdOf(page);
  const house = page.url();
  await allSent(page);
  await appIsKept(page);
  await app.stop();
  await page.evaluate(async (count) => {
    const press = async (label: string): Promise<void> => {
      for (;;) {
        const button = [...document.querySelectorAll<HTMLElement>(`[aria-label="${label}"]`)].find(
          (each) => each.offsetParent !== null,
        );
        if (button !== undefined) {
          button.click();
          return;
        }
        await new Promise((resolve) => setTimeout(resolve, 5));
      }
    };
    for (let i = 0; i < count; i++) {
      await press('Add an area');
      await press('Rim');
      await press('Back to the plan');
    }
  }, AREAS);
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  const files = await Promise.all(Array.from({ length: PICTURES }, (_, i) => plainPicture(i + 10, 640, 480)));
  await choosePictures(page, files);
  await expect(page.getByText(`${PICTURES} photos were added.`)).toBeVisible({ timeout: 60_000 });
  await expect(tiles(page)).toHaveCount(PICTURES);
  await expect(unsent(page)).toContainText(`${AREAS + 2 * PICTURES} unsent`);
  await page.close();

  const later = await page.context().newPage();
  await later.goto(`${house}/record`);
  await expect(tiles(later)).toHaveCount(PICTURES);
  await expect(unsent(later)).toContainText(`${AREAS + 2 * PICTURES} unsent`);
  await app.start();
  await expect(later.getByRole('button', { name: /to send|unsent|sending/ })).toHaveCount(0, {
    timeout: 60_000,
  });
  const { records } = (await (await request.get(app.url + apiPaths.changes(houseId))).json()) as Records;
  expect(records.filter(({ kind }) => kind === 'area')).toHaveLength(AREAS);
  const photos = records.filter(({ kind }) => kind === 'photo');
  expect(photos).toHaveLength(PICTURES);
  for (const { record } of photos) {
    expect((await request.head(app.url + apiPaths.picture(houseId, record.sha256 ?? ''))).status()).toBe(204);
  }
});

test('a photo store that is full: a clear word, the record kept, the picture sent once there is room', async ({
  page,
  app,
  request,
}) => {
  await createHouse(page, app, { name: 'Full store', ...sizes });
  const houseId = houseIdOf(page);
  await allSent(page);
  await appIsKept(page);
  await app.stop();
  await app.start({ CALVET_PHOTO_LEAVE_FREE_MB: '999999999' });
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  await choosePictures(page, [await plainPicture(40)]);
  await page.getByRole('button', { name: /needs you/ }).click();
  await expect(page.getByText(/The server has no room for more pictures/)).toBeVisible();
  await expect(page.getByText('1 picture waits to be sent')).toBeVisible();
  const held = (await (await request.get(app.url + apiPaths.changes(houseId))).json()) as Records;
  const photo = held.records.find(({ kind }) => kind === 'photo')?.record;
  expect(photo?.sha256).toBeDefined();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await app.stop();
  await app.start();
  await page.getByRole('button', { name: /needs you|unsent/ }).click();
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect(page.getByText('Nothing waits to be sent')).toBeVisible();
  expect((await request.head(app.url + apiPaths.picture(houseId, photo?.sha256 ?? ''))).status()).toBe(204);
});

test('a device without room says so, keeps what it has, and goes on when there is room', async ({
  page,
  app,
}) => {
  test.slow();
  await createHouse(page, app, { name: 'No room', ...sizes });
  await allSent(page);
  await appIsKept(page);
  await app.stop();
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  await choosePictures(page, [await plainPicture(50)]);
  await expect(tiles(page)).toHaveCount(1);
  const browser = await page.context().newCDPSession(page);
  await browser.send('Storage.overrideQuotaForOrigin', { origin: app.url, quotaSize: 1 });
  // For half a minute the browser goes by the room that it last heard of.
  await page.waitForTimeout(31_000);
  await choosePictures(page, [await plainPicture(51)]);
  await expect(page.getByText(/This device has no room for another picture/)).toBeVisible();
  await expect(tiles(page)).toHaveCount(1);
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('button', { name: 'Add an area' }).click();
  await page.getByLabel('Name', { exact: true }).fill('North wall');
  await page.getByRole('button', { name: /needs you/ }).click();
  await expect(page.getByText(/This device has no more room/)).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();

  await browser.send('Storage.overrideQuotaForOrigin', { origin: app.url });
  await expect(page.getByRole('button', { name: /needs you/ })).toHaveCount(0);
  await page.reload();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('North wall');
  await app.start();
  await allSent(page);
});

test('a phone whose clock is a day ahead merges like any other, and is told the server’s time', async ({
  page,
  app,
  browser,
}) => {
  await createHouse(page, app, { name: 'Clock', ...sizes });
  await page.getByRole('button', { name: 'Change' }).click();
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.clock.setSystemTime(Date.now() + 24 * 3_600_000);
  await other.goto(page.url());
  await other.getByLabel('Location', { exact: true }).fill('Northby');
  await page.getByLabel('Builder', { exact: true }).fill('Osk Joinery');
  await allSent(other);
  await allSent(page);
  for (const each of [page, other]) {
    await each.reload();
    await expect(each.getByLabel('Location', { exact: true })).toHaveValue('Northby');
    await expect(each.getByLabel('Builder', { exact: true })).toHaveValue('Osk Joinery');
  }
  // Later by its own clock, earlier by the server's: it does not win by that.
  await page.context().setOffline(true);
  await other.getByLabel('Location', { exact: true }).fill('Westby');
  await allSent(other);
  await page.getByLabel('Location', { exact: true }).fill('Eastby');
  await page.context().setOffline(false);
  await expect(page.getByText('Yours: “Eastby”')).toBeVisible();
  await expect(page.getByText(/Theirs: “Westby”/)).toBeVisible();
  const today = new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    timeZone: 'Pacific/Auckland',
  });
  await expect(
    page.getByText(new RegExp(`, ${today.format(new Date()).replace('Sept', 'Sep')},`)),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await allSent(page);
  await other.close();
});

test('what the server refuses holds up nothing behind it, and is mended where it stands', async ({
  page,
  app,
}) => {
  await createHouse(page, app, { name: 'Refused', ...sizes });
  await allSent(page);
  const houseId = houseIdOf(page);
  // As if this app let through what the server, a newer one, does not.
  await page.route(`**/ledgers/${houseId}/changes`, async (route) => {
    const body = route.request().postData();
    if (route.request().method() !== 'POST' || body === null) return route.continue();
    return route.continue({ postData: body.replace('"Bad name"', '""') });
  });
  await page.getByRole('button', { name: 'Add an area' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Bad name');
  await expect(page.getByText(/Name: This cannot be empty\./)).toBeVisible();
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await page.getByRole('button', { name: 'Add an area' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Good wall');
  await expect(page.getByRole('button', { name: /to send|unsent|sending/ })).toHaveCount(0);
  await expect(page.getByText(/Name: This cannot be empty\./)).toBeVisible();
  await page.getByRole('button', { name: 'Open it' }).click();
  await page.getByLabel('Name', { exact: true }).last().fill('Mended wall');
  await expect(page.getByText(/Name: This cannot be empty\./)).toHaveCount(0);
  await allSent(page);
  await page.reload();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Mended wall');
});

test('a server that was brought back from an older backup is told what it lost, pictures too', async ({
  page,
  app,
  browser,
  request,
}) => {
  await createHouse(page, app, { name: 'Restored', ...sizes });
  const house = page.url();
  await page.getByRole('button', { name: 'Add an area' }).click();
  await page.getByLabel('Name', { exact: true }).fill('North wall');
  await choosePictures(page, [await plainPicture(60)]);
  await expect(tiles(page)).toHaveCount(1);
  await allSent(page);
  await appIsKept(page);
  await app.stop();
  await app.empty();
  await app.start();
  await page.goto(house);
  await expect(page.getByText('North wall').first()).toBeVisible();
  // It notices by itself, sooner or later.
  const houseId = houseIdOf(page);
  await expect.poll(async () => (await request.get(app.url + apiPaths.changes(houseId))).status()).toBe(200);
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(`${house}/record`);
  await expect(tiles(other)).toHaveCount(1);
  await expect(other.getByText('North wall · 1')).toBeVisible();
  await expect(other.getByText('Still on another device')).toHaveCount(0);
  await expect(other.locator('a img, [role=link] img')).toHaveCount(1);
  await other.close();
});
