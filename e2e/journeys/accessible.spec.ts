import { AxeBuilder } from '@axe-core/playwright';
import { createHouse, expect, seedDemo, sizes, test } from './running-app';

test('keys pass over what every page begins with', async ({ page, app, request }) => {
  await seedDemo(app, request);
  await page.goto(`${app.url}/device`);
  await expect(page.getByRole('main')).toBeVisible();
  const skip = page.getByRole('link', { name: 'Skip to the page' });
  await page.keyboard.press('Tab');
  await expect(skip).toBeFocused();
  await expect(skip).toBeInViewport();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
  await expect(page).toHaveURL(/\/device$/);
  await page.keyboard.press('Tab');
  expect(await page.getByRole('main').evaluate((main) => main.contains(document.activeElement))).toBe(true);
});

test('a dialog has a name and the focus, keeps it, and gives it back', async ({ page, app }) => {
  await createHouse(page, app, { name: 'Dialog', ...sizes });
  await app.stop();
  const mark = page.getByRole('button', { name: /^(offline|\d+ unsent)/ });
  await expect(mark).toBeVisible();
  await mark.focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: /to be sent/ });
  await expect(dialog).toBeVisible();
  const { violations } = await new AxeBuilder({ page }).include('dialog').analyze();
  expect(violations.map(({ id }) => id)).toEqual([]);
  const holdsFocus = () => dialog.evaluate((element) => element.contains(document.activeElement));
  for (let i = 0; i < 12; i++) {
    expect(await holdsFocus()).toBe(true);
    await page.keyboard.press('Tab');
    // Beyond the last stop lies the browser itself, and nothing of the page behind.
    if (await page.evaluate(() => document.activeElement === document.body)) await page.keyboard.press('Tab');
  }
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await expect(mark).toBeFocused();
  await app.start();
});

test('an address of nothing is answered with 404, and a page that leads on', async ({ page, app }) => {
  const answer = await page.goto(`${app.url}/houses/01a1f000/cellar`);
  expect(answer?.status()).toBe(404);
  await expect(page.getByText('Nothing is at this address')).toBeVisible();
  await page.getByRole('button', { name: 'Show all houses' }).click();
  await expect(page.getByRole('button', { name: 'Add a house' })).toBeVisible();
});
