import { allSent, createHouse, expect, openPart, test } from './running-app';
import { layer, newWall } from './wall-of-layers';
import type { Page } from '@playwright/test';

const key = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).tap();

async function press(page: Page, keys: string): Promise<void> {
  for (const each of keys)
    await key(page, each === '.' ? 'Decimal mark' : each === '-' ? 'Change sign' : each);
}

test('a run of readings by thumb alone: digits, sign, next, and nothing jumps away', async ({
  page,
  app,
}) => {
  const sizes = { volume: '400', envelope: '430', floor: '150', height: '5.5', limit: '1.5' };
  await createHouse(page, app, { name: 'Thumb', ...sizes });
  await page.getByRole('link', { name: 'Door test', exact: true }).tap();
  await page.getByRole('button', { name: 'New door test' }).tap();
  await page.getByLabel('Temperature indoors', { exact: true }).tap();
  await press(page, '20.5');
  await key(page, 'Next field');
  await press(page, '4-');
  await expect(page.getByLabel('Temperature outdoors', { exact: true })).toHaveValue('\u22124');
  await openPart(page, 'Readings');
  await page.getByLabel('Baseline before 1', { exact: true }).tap();
  await press(page, '1.2-');
  await key(page, 'Done');
  // The page has its room again before anything else is touched.
  await expect(page.getByRole('group', { name: 'Number keys' })).toHaveCount(0);

  await page.getByLabel('Building pressure, reading 1', { exact: true }).tap();
  for (const [pressure, flow] of [
    ['15', '180'],
    ['25', '250'],
    ['40', '345'],
    ['55', '420'],
  ]) {
    // The fan blows out: nobody has to say that the house is below zero.
    await press(page, pressure ?? '');
    await key(page, 'Next field');
    await press(page, flow ?? '');
    await key(page, 'Next field');
  }
  await expect(page.getByLabel('Building pressure, reading 5', { exact: true })).toBeFocused();
  await press(page, '99');
  await key(page, 'Erase');
  await key(page, 'Erase');
  await key(page, 'Done');
  await expect(page.getByRole('button', { name: 'Next field' })).toHaveCount(0);
  await page.getByLabel('Baseline after 1', { exact: true }).tap();
  await press(page, '1-');
  await key(page, 'Done');
  await expect(page.getByTestId('target-figure')).toHaveText(/^\d\.\d\d$/);
  await allSent(page);
  await page.reload();
  await openPart(page, 'Readings');
  await expect(page.getByLabel('Building pressure, reading 4', { exact: true })).toHaveValue('55');
  await expect(page.getByText('\u2212', { exact: true })).toHaveCount(5);
});

test('what is said of a field stands in sight above the keys', async ({ page, app }) => {
  await page.goto(`${app.url}/houses/new`);
  // Where the keys come up, it stands right above them; the next one is beside it.
  await page.getByLabel('Storeys', { exact: true }).tap();
  await press(page, '99');
  await key(page, 'Next field');
  await expect(page.getByLabel('Bedrooms', { exact: true })).toBeFocused();
  await expect(page.getByText('Must be 20 or less')).toBeInViewport({ ratio: 1 });
  await expect(page.getByRole('group', { name: 'Number keys' })).toBeVisible();
});

test('in a dialog the keys belong to the dialog, and write into its fields', async ({ page, app }) => {
  await newWall(page, app, 'Keys in a dialog');
  await layer(page, 3)
    .getByRole('button', { name: /: change$/ })
    .tap();
  await layer(page, 3).getByRole('button', { name: 'Choose a material' }).tap();
  await page.getByRole('button', { name: 'A material of our own' }).tap();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Conductivity', { exact: true }).tap();
  await expect(dialog.getByRole('group', { name: 'Number keys' })).toBeInViewport({ ratio: 1 });
  await press(page, '0.039');
  await key(page, 'Next field');
  await expect(dialog.getByLabel('Fixed thickness', { exact: true })).toBeFocused();
  await press(page, '50');
  await key(page, 'Done');
  await expect(dialog.getByLabel('Conductivity', { exact: true })).toHaveValue('0.039');
  await expect(dialog.getByLabel('Fixed thickness', { exact: true })).toHaveValue('50');
  await expect(page.getByRole('group', { name: 'Number keys' })).toHaveCount(0);
  await expect(dialog).toBeVisible();
});
