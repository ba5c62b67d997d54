import { apiPaths } from '@calvet/contract';
import sharp from 'sharp';
import { cameraPicture, choosePictures, plainPicture, tiles } from './pictures';
import { allSent, appIsKept, createHouse, expect, onOtherDevice, test } from './running-app';

const sizes = { volume: '400', envelope: '430', floor: '150', height: '5.5', limit: '1' } as const;

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
  await expect(page.getByRole('heading', { level: 1, name: 'No photo yet' })).toBeVisible();
  await choosePictures(page, [await cameraPicture()]);
  await expect(tiles(page)).toHaveCount(1, { timeout: 30_000 });
  await allSent(page);
  await expect(page.getByRole('heading', { level: 1, name: '1 photo' })).toBeVisible();

  const { records } = (await (await request.get(app.url + apiPaths.changes(houseId))).json()) as {
    readonly records: readonly PhotoRecord[];
  };
  const photo = records.find(({ kind }) => kind === 'photo')?.record;
  expect(photo?.takenAt).toBe('2026-10-03T01:05:59.000Z');
  const bytes = await (await request.get(app.url + apiPaths.picture(photo?.sha256 ?? ''))).body();
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

test('marks, a caption and the same place after: kept without a server, there for others later', async ({
  page,
  app,
  browser,
}) => {
  const name = `Marks ${test.info().project.name}`;
  await createHouse(page, app, { name, ...sizes });
  await page.getByRole('button', { name: 'Add an area' }).click();
  await page.getByLabel('Name', { exact: true }).fill('North wall');
  await allSent(page);
  await appIsKept(page);
  await app.stop();
  await choosePictures(page, [await plainPicture(1)]);
  await tiles(page).click();
  await expect(page.getByRole('img', { name: 'Photo of North wall' })).toBeAttached();

  const canvas = page.getByTestId('photo-canvas').last();
  const draw = async (tool: string) => {
    await page.getByRole('radio', { name: tool }).click();
    const box = (await canvas.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
    await page.mouse.move(box.x + box.width * 0.3, box.y + box.height * 0.3);
    await page.mouse.down();
    for (const [x, y] of [
      [0.5, 0.32],
      [0.6, 0.5],
      [0.4, 0.6],
    ] as const)
      await page.mouse.move(box.x + box.width * x, box.y + box.height * y, { steps: 4 });
    await page.mouse.up();
  };
  await draw('Ring');
  await draw('Outline');
  await page.getByRole('radio', { name: 'Words' }).click();
  await canvas.click({ position: { x: 60, y: 60 } });
  await page.getByLabel('Words in the picture').fill('no seal');
  await page.getByRole('button', { name: 'Put them there' }).click();
  await page.getByRole('radio', { name: 'Arrow' }).click();
  await page.getByRole('button', { name: 'In the middle' }).click();
  for (const mark of ['Ring', 'Outline', '“no seal”', 'Arrow'])
    await expect(page.getByRole('button', { name: `Remove ${mark}` })).toBeVisible();
  await page.getByRole('button', { name: 'Remove Outline' }).click();
  await page.getByLabel('Caption').fill('Behind the door');
  await page.getByRole('button', { name: /^(Take|Choose) the photo after/ }).scrollIntoViewIfNeeded();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: /^(Take|Choose) the photo after/ }).click();
  await (await chooser).setFiles([await plainPicture(2)]);
  await expect(page.getByText(/^After:/)).toBeVisible();
  await expect(page.getByRole('button', { name: /unsent/ })).toBeVisible();

  await page.reload();
  await expect(page.getByLabel('Caption')).toHaveValue('Behind the door');
  await app.start();
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(page.url());
  await expect(other.getByRole('img', { name: 'Behind the door' }).first()).toBeAttached();
  await expect(other.getByRole('button', { name: 'Remove “no seal”' })).toBeVisible();
  await expect(other.getByRole('button', { name: 'Remove Outline' })).toHaveCount(0);
  await expect(other.getByText(/^Before:/)).toBeVisible();
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
  await expect(page.getByRole('heading', { level: 1, name: 'No photo yet' })).toBeVisible();
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
  await expect(other.getByText(/was taken off this device/)).toBeVisible();
  await expect(other.getByRole('button', { name: /^Free \d/ })).toHaveCount(0);
  await app.start();
  await other.close();
});
