import type { Locator, Page } from '@playwright/test';
import { allSent, expect, seedDemo, test } from './running-app';

/** More stops than any page of a house has. */
const STOPS_MAX = 150;

/** Goes on by the tab key alone until something has the focus. */
async function tabTo(page: Page, wanted: Locator): Promise<void> {
  await expect(wanted.first()).toBeVisible();
  for (let i = 0; i < STOPS_MAX; i++) {
    await page.keyboard.press('Tab');
    if (await wanted.first().evaluate((element) => element === document.activeElement)) return;
  }
  throw new Error(`The tab key never came to ${String(wanted)}.`);
}

test.beforeEach(async ({ page, app, request }) => {
  await seedDemo(app, request);
  await page.goto(app.url);
});

const link = (page: Page, name: string | RegExp) => page.getByRole('link', { name });

test('from a house to its test, its verdict, an area and a photo by keys alone', async ({ page }) => {
  await tabTo(page, link(page, 'Wrenfold 4'));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 2, name: /target/ })).toBeVisible();

  await tabTo(page, page.getByRole('link', { name: 'Door test', exact: true }));
  await page.keyboard.press('Enter');
  await tabTo(page, link(page, /^Services in.*Pass/));
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('target-figure')).toHaveText('0.99');
  await tabTo(page, page.getByLabel('Wind', { exact: true }));
  await page.keyboard.type('3');
  await page.keyboard.press('Enter');

  await tabTo(page, page.getByRole('link', { name: 'Plan', exact: true }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.locator('a[href*="/areas/"]').filter({ hasText: 'Ground floor, north wall' }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByRole('radio', { name: 'Wall', exact: true }));
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(page.getByRole('radio', { name: 'Rim', exact: true })).toBeChecked();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Space');
  await expect(page.getByRole('radio', { name: 'Wall', exact: true })).toBeChecked();

  await tabTo(page, page.getByRole('link', { name: 'Record', exact: true }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.locator('a[href*="/record/"]'));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Next photo' })).toBeVisible();
  await allSent(page);
});

test('a link is one to the browser too: it opens beside, and its address can be copied', async ({
  page,
  app,
}) => {
  const house = link(page, 'Nettle Cabin');
  const address = await house.evaluate((element) => (element as HTMLAnchorElement).href);
  expect(address).toMatch(/\/houses\/[0-9a-f-]{36}$/);
  const beside = page.context().waitForEvent('page');
  await house.click({ modifiers: ['ControlOrMeta'] });
  const other = await beside;
  await expect(other.getByRole('heading', { level: 2, name: /target/ })).toBeVisible();
  expect(other.url()).toBe(address);
  await expect(page).toHaveURL(new RegExp(`^${app.url}/?$`));
});
