import { apiPaths } from '@calvet/contract';
import sharp from 'sharp';
import { cameraPicture, choosePictures, plainPicture, tiles } from './pictures';
import { allSent, appIsKept, createHouse, expect, onOtherDevice, sizes, test } from './running-app';

interface PhotoRecord {
  readonly kind: string;
  readonly record: {
    readonly sha256: string;
    readonly takenAt: string | null;
    readonly marks: readonly object[];
  };
}

test('a photo of a camera is scaled, turned upright, and says nothing of where it was taken', async ({
  page,
  app,
  request,
  browser,
}) => {
  const name = `Photo ${test.info().project.name}`;
  await createHouse(page, app, { name, ...sizes });
  const houseId = page.url().split('/').at(-1) ?? '';
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'No photo yet' })).toBeVisible();
  await choosePictures(page, [await cameraPicture()]);
  await expect(tiles(page)).toHaveCount(1);
  await allSent(page);
  await expect(page.getByRole('heading', { level: 2, name: '1 photo' })).toBeVisible();

  const { records } = (await (await request.get(app.url + apiPaths.changes(houseId))).json()) as {
    readonly records: readonly PhotoRecord[];
  };
  const photo = records.find(({ kind }) => kind === 'photo')?.record;
  expect(photo?.takenAt).toBe('2026-10-03T14:05:59+13:00');
  const bytes = await (await request.get(app.url + apiPaths.picture(houseId, photo?.sha256 ?? ''))).body();
  const { width, height, exif, orientation } = await sharp(bytes).metadata();
  expect([width, height, exif, orientation]).toEqual([1536, 2048, undefined, undefined]);
  const upper = await sharp(
    await sharp(bytes).extract({ left: 0, top: 0, width: 1536, height: 800 }).toBuffer(),
  ).stats();
  const [red = { mean: 0 }, green = { mean: 0 }] = upper.channels;
  expect(red.mean - green.mean).toBeGreaterThan(100);

  const other = await onOtherDevice(browser, page);
  await other.goto(page.url());
  await expect(tiles(other).getByRole('img', { includeHidden: true }).first()).toBeAttached();
  await other.close();
});

test('a file that is no picture is said to be none, and the others are taken', async ({ page, app }) => {
  await createHouse(page, app, { name: `Odd ${test.info().project.name}`, ...sizes });
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  const notes = { name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture') };
  await choosePictures(page, [notes, await plainPicture(3)]);
  await expect(page.getByText(/“notes.jpg” is no picture that can be read here/)).toBeVisible();
  await expect(tiles(page)).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'No photo yet' })).toBeVisible();
});

test('a house that is taken along has its small pictures without a signal; freed, it holds none', async ({
  page,
  app,
  browser,
}) => {
  const name = `Along ${test.info().project.name}`;
  await createHouse(page, app, { name, ...sizes });
  const house = page.url();
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  await choosePictures(page, await Promise.all([4, 5, 6].map((number) => plainPicture(number))));
  await expect(tiles(page)).toHaveCount(3);
  await allSent(page);

  const other = await onOtherDevice(browser, page);
  await other.goto(house);
  await other.getByRole('button', { name: 'Take with me' }).click();
  await expect(other.getByText('On this device, with all 3 photos small.')).toBeVisible();
  await appIsKept(other);
  await app.stop();
  await other.reload();
  await other.getByRole('link', { name: 'Record', exact: true }).click();
  await expect(tiles(other)).toHaveCount(3);
  await expect(other.getByText('Not here, and no signal')).toHaveCount(0);
  await expect(other.locator('a img, [role=link] img')).toHaveCount(3);

  await other.goto(`${app.url}/device`);
  await other.getByRole('button', { name: /^Free \d/ }).click();
  await expect(other.getByText(/did not confirm what it has, so all of it stays here/)).toBeVisible();
  await app.start();
  await other.getByRole('button', { name: /^Free \d/ }).click();
  await expect(other.getByText(/was taken off this device/)).toBeVisible();
  await expect(other.getByRole('button', { name: /^Free \d/ })).toHaveCount(0);
  await other.close();
});
