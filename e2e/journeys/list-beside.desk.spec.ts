import { demoHouse, firstOf } from './demo-pages';
import { allSent, enter, expect, seedDemo, test } from './running-app';

test.beforeEach(({ app, request }) => seedDemo(app, request));

test('the list beside a house is right from the first moment, and follows', async ({ page, app }) => {
  const tamsel = demoHouse('Tamsel Row 3');
  await page.goto(`${app.url}/houses/${tamsel.houseId}/edit`);
  const row = page.getByRole('link', { name: /^Tamsel Row 3/ });
  await expect(row.getByText('Fails')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Nettle Cabin/ }).getByText('Pass')).toBeVisible();
  await enter(page, 'Limit', '4.5');
  await expect(row.getByText('Pass')).toBeVisible();
  await allSent(page);
  await expect(row.getByText('Pass')).toBeVisible();
  await enter(page, 'Limit', '2');
  await allSent(page);
});

test('the table of houses sorts by what is over its limit', async ({ page, app }) => {
  await page.goto(app.url);
  const names = () =>
    page
      .getByRole('table', { name: 'Houses' })
      .getByRole('row')
      .evaluateAll((rows) => rows.slice(1).map((row) => row.querySelector('a')?.textContent));
  await expect.poll(async () => (await names()).length).toBeGreaterThanOrEqual(4);
  const header = page.getByRole('button', { name: 'Sort by Figure · limit' });
  await header.click();
  await header.click();
  await expect.poll(async () => (await names())[0]).toBe('Tamsel Row 3');
  await expect(page.getByRole('columnheader', { name: 'Sort by Figure · limit' })).toHaveAttribute(
    'aria-sort',
    'descending',
  );
});

test('readings by keyboard: enter goes on, arrows stay in the column', async ({ page, app }) => {
  const pallow = demoHouse('Pallow House');
  await page.goto(`${app.url}/houses/${pallow.houseId}/tests/${firstOf(pallow, 'airtightnessTest')}`);
  await page.getByLabel('Building pressure, reading 1', { exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Flow, reading 1', { exact: true })).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByLabel('Flow, reading 2', { exact: true })).toBeFocused();
  await expect(page.getByRole('group', { name: 'Number keys' })).toHaveCount(0);
});
