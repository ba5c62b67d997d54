import { choosePictures, plainPicture, tiles } from './pictures';
import { allSent, appIsKept, createHouse, expect, onOtherDevice, sizes, test } from './running-app';

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
