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

test('another house of the list beside is opened from any page, and back again', async ({ page, app }) => {
  const shown = page.getByRole('heading', { level: 1 });
  const beside = page.getByRole('navigation', { name: 'Houses' });
  const [wrenfold, tamsel] = [demoHouse('Wrenfold 4'), demoHouse('Tamsel Row 3')];
  for (const first of ['', '/fill', '/drawing']) {
    await page.goto(`${app.url}/houses/${wrenfold.houseId}${first}`);
    await expect(beside.getByRole('link', { name: /^Wrenfold 4/ })).toHaveAttribute('aria-current', 'page');
    await beside.getByRole('link', { name: /^Tamsel Row 3/ }).click();
    await expect(shown).toContainText('Tamsel Row 3');
    await expect(page).toHaveURL(`${app.url}/houses/${tamsel.houseId}`);
    await page.goBack();
    await expect(page).toHaveURL(`${app.url}/houses/${wrenfold.houseId}${first}`);
    await expect(shown).toContainText('Wrenfold 4');
    await page.goForward();
    await beside.getByRole('link', { name: /^Wrenfold 4/ }).click();
    await expect(page).toHaveURL(`${app.url}/houses/${wrenfold.houseId}`);
    await expect(shown).toContainText('Wrenfold 4');
  }
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

test('beside an area stand all areas, sorted as wanted, and each is a press away', async ({ page, app }) => {
  const wrenfold = demoHouse('Wrenfold 4');
  await page.goto(`${app.url}/houses/${wrenfold.houseId}/areas/${firstOf(wrenfold, 'area')}`);
  const beside = page.getByRole('navigation', { name: 'Areas' });
  const here = beside.locator('[aria-current="page"]');
  const shown = page.getByRole('heading', { level: 1 });
  await expect(shown).toContainText((await here.textContent()) ?? 'nothing');
  await beside.getByRole('button', { name: /^Sort by R/ }).click();
  await expect(beside.getByRole('columnheader', { name: /^Sort by R/ })).toHaveAttribute(
    'aria-sort',
    'ascending',
  );
  const other = beside
    .getByRole('link')
    .filter({ hasNotText: (await here.textContent()) ?? '' })
    .first();
  const name = (await other.textContent()) ?? '';
  await other.focus();
  await page.keyboard.press('Enter');
  await expect(shown).toContainText(name);
  await expect(here).toHaveText(name);
  // As it was sorted it stays, from one area to the next.
  await expect(beside.getByRole('columnheader', { name: /^Sort by R/ })).toHaveAttribute(
    'aria-sort',
    'ascending',
  );
});

test('beside a photo stand all photos, the one that is shown marked', async ({ page, app, request }) => {
  const photos = await seedDemo(app, request);
  const wrenfold = demoHouse('Wrenfold 4');
  const drawn = photos.find(({ houseId }) => houseId === wrenfold.houseId);
  await page.goto(`${app.url}/houses/${wrenfold.houseId}/record/${firstOf(drawn ?? wrenfold, 'photo')}`);
  const beside = page.getByRole('navigation', { name: 'Photos' });
  const here = beside.locator('[aria-current="page"]');
  await expect(here).toHaveCount(1);
  const first = await here.getAttribute('aria-label');
  await page.getByRole('button', { name: 'Next photo' }).click();
  await expect(here).not.toHaveAttribute('aria-label', first ?? '');
  await expect(here).toHaveCount(1);
});
