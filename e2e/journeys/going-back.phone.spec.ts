import { demoHouse, firstOf } from './demo-pages';
import { expect, openSettled, seedDemo, test } from './running-app';

test.beforeEach(({ app, request }) => seedDemo(app, request));

test('back goes back: to where one was, as far down as one was, and the history does not grow', async ({
  page,
  app,
}) => {
  await page.setViewportSize({ width: 390, height: 540 });
  const tamsel = demoHouse('Tamsel Row 3');
  await openSettled(page, app.url);
  const houses = page.getByRole('link', { name: /^Tamsel Row 3/ });
  const scroller = page.locator('main > div').first();
  // However many houses stand in the list, the row is in sight, and no click has to scroll to it.
  await houses.evaluate((node) => node.scrollIntoView({ block: 'start' }));
  const top = await scroller.evaluate((node) => node.scrollTop);
  expect(top).toBeGreaterThan(100);
  await houses.click();
  await expect(page).toHaveURL(`${app.url}/houses/${tamsel.houseId}`);
  expect(await scroller.evaluate((node) => node.scrollTop)).toBe(0);
  await page.getByRole('link', { name: 'Door test', exact: true }).click();
  await expect(page).toHaveURL(/\/tests$/);
  await page.locator(`a[href$="/tests/${firstOf(tamsel, 'airtightnessTest')}"]`).click();
  await expect(page).toHaveURL(/\/tests\/./);
  const length = await page.evaluate(() => history.length);

  await page.getByRole('button', { name: 'Back to the door tests' }).click();
  await expect(page).toHaveURL(/\/tests$/);
  // Over the rooms of the house to the list, which lies before all of them.
  await page.getByRole('button', { name: 'Back to the houses' }).click();
  await expect(page).toHaveURL(`${app.url}/`);
  await expect.poll(() => scroller.evaluate((node) => node.scrollTop)).toBe(top);
  expect(await page.evaluate(() => history.length)).toBe(length);
  // Nothing lies behind the list but what was there before the app.
  await page.goForward();
  await expect(page).toHaveURL(`${app.url}/houses/${tamsel.houseId}`);
  await page.goBack();
  await expect(page).toHaveURL(`${app.url}/`);
  await expect.poll(() => scroller.evaluate((node) => node.scrollTop)).toBe(top);
});

test('whoever opened a page by its address is led on from it by the same key', async ({ page, app }) => {
  const tamsel = demoHouse('Tamsel Row 3');
  await openSettled(page, `${app.url}/houses/${tamsel.houseId}/tests/${firstOf(tamsel, 'airtightnessTest')}`);
  await page.getByRole('button', { name: 'Back to the door tests' }).click();
  await expect(page).toHaveURL(/\/tests$/);
  await page.getByRole('button', { name: 'Back to the houses' }).click();
  await expect(page).toHaveURL(`${app.url}/`);
});

test('on a slow line a house takes its time: whoever goes on meanwhile goes back over it all the same', async ({
  page,
  app,
}) => {
  const tamsel = demoHouse('Tamsel Row 3');
  const house = `${app.url}/houses/${tamsel.houseId}`;
  const held: (() => void)[] = [];
  let isSlow = true;
  await page.route(/\/changes\?/, async (route) => {
    if (isSlow) await new Promise<void>((resolve) => held.push(resolve));
    await route.continue();
  });
  await openSettled(page, app.url);
  await page.getByRole('link', { name: /^Tamsel Row 3/ }).click();
  await expect(page.getByText('Fetching the house')).toBeVisible();
  await page.getByRole('link', { name: 'Door test', exact: true }).click();
  await expect(page).toHaveURL(`${house}/tests`);
  isSlow = false;
  for (const goOn of held) goOn();
  await expect(page.locator(`a[href$="/tests/${firstOf(tamsel, 'airtightnessTest')}"]`)).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(house);
  await expect(page.getByRole('heading', { level: 1, name: 'Tamsel Row 3' })).toBeVisible();
  await page.goBack();
  await expect(page).toHaveURL(`${app.url}/`);
});
