import { allSent, appIsKept, createHouse, expect, onOtherDevice, sizes, test, unsent } from './running-app';

test('without a server the app opens with what it knows, and keeps what is entered', async ({
  page,
  app,
  browser,
}) => {
  const name = `Cellar ${test.info().project.name}`;
  await createHouse(page, app, { name, ...sizes });
  await page.getByRole('button', { name: 'Add an area' }).click();
  await page.getByLabel('Name', { exact: true }).fill('North wall');
  await allSent(page);
  await appIsKept(page);

  await app.stop();
  await page.reload();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('North wall');
  await page.getByLabel('Name', { exact: true }).fill('Rim joist');
  await expect(unsent(page)).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Rim joist');
  await expect(unsent(page)).toContainText('1 unsent');

  await page.goto(app.url);
  await page
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .first()
    .click();
  await expect(page.getByRole('button', { name: 'Change' })).toBeVisible();
  await page.goto(`${app.url}/bench/insulation-bags`);
  await page.getByRole('button', { name: 'Fill in an example' }).click();
  await expect(page.getByTestId('answer')).toHaveText('51');

  await app.start();
  await page.goto(app.url);
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(app.url);
  await other
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .first()
    .click();
  await other.getByRole('link', { name: 'Fill', exact: true }).click();
  await expect(other.getByText('Rim joist').first()).toBeVisible();
  await other.close();
});

test('a server that takes requests and never answers holds up nothing', async ({ page, app }) => {
  const name = `Silent ${test.info().project.name}`;
  await page.goto(app.url);
  await createHouse(page, app, { name, ...sizes });
  await allSent(page);
  await page.addInitScript(() => {
    window.fetch = () => new Promise(() => undefined);
  });
  await page.reload();
  const plan = page.getByRole('heading', { level: 2, name: 'Start with the areas of the envelope' });
  await expect(plan).toBeVisible({ timeout: 15_000 });
  await page.goto(app.url);
  await expect(page.getByRole('link', { name: new RegExp(`^${name}`) }).first()).toBeVisible({
    timeout: 15_000,
  });
});

test('a house made without a server is there after the tab was closed, and is sent', async ({
  page,
  app,
}) => {
  const name = `Byre ${test.info().project.name}`;
  await page.goto(app.url);
  await appIsKept(page);
  await app.stop();
  await createHouse(page, app, { name, ...sizes });
  await expect(unsent(page)).toBeVisible();
  const address = page.url();
  await page.close();

  const later = await page.context().newPage();
  await later.goto(address);
  await expect(later.getByText(name).first()).toBeVisible();
  await app.start();
  await allSent(later);
  await later.goto(app.url);
  await expect(later.getByRole('link', { name: new RegExp(`^${name}`) }).first()).toBeVisible();
});

test('two devices on different fields of one house: both are kept, and nobody is asked', async ({
  page,
  app,
  browser,
}) => {
  const name = `Merge ${test.info().project.name}`;
  await createHouse(page, app, { name, ...sizes });
  await page.getByRole('button', { name: 'Change' }).click();
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(page.url());
  await other.getByLabel('Location', { exact: true }).fill('Northby');
  await page.getByLabel('Builder', { exact: true }).fill('Osk Joinery');
  await allSent(other);
  await allSent(page);
  await expect(page.getByText(/was changed on another device/)).toHaveCount(0);
  await page.reload();
  await other.reload();
  for (const each of [page, other]) {
    await expect(each.getByLabel('Location', { exact: true })).toHaveValue('Northby');
    await expect(each.getByLabel('Builder', { exact: true })).toHaveValue('Osk Joinery');
  }
  await other.close();
});

test('a second screen follows by itself, and what waits is listed entry by entry', async ({
  page,
  app,
  browser,
}) => {
  const name = `Follow ${test.info().project.name}`;
  await createHouse(page, app, { name, ...sizes });
  await page.getByRole('button', { name: 'Change' }).click();
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  const heard = other.waitForResponse((response) => response.url().endsWith('/events'));
  await other.goto(page.url());
  await expect(other.getByLabel('Location', { exact: true })).toBeVisible();
  await heard;
  await page.getByLabel('Location', { exact: true }).fill('Northby');
  await expect(page.getByText('sent', { exact: true })).toBeVisible();
  await expect(other.getByLabel('Location', { exact: true })).toHaveValue('Northby', { timeout: 15_000 });
  await other.close();

  await appIsKept(page);
  await app.stop();
  await page.getByLabel('Builder', { exact: true }).fill('Osk Joinery');
  await unsent(page).click();
  await expect(page.getByText('1 entry waits to be sent')).toBeVisible();
  await expect(page.getByText(`House “${name}”`)).toBeVisible();
  await expect(page.getByText('builder', { exact: true })).toBeVisible();
  await expect(page.getByRole('dialog').getByText(/kept on this device/)).toBeVisible();
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect(page.getByText('1 entry waits to be sent')).toBeVisible();
  await app.start();
  await expect(page.getByText('Nothing waits to be sent')).toBeVisible();
});
