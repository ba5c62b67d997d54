import { allSent, appIsKept, enter, expect, field, onOtherDevice, test, unsent } from './running-app';

test('what the practice has set reaches every device, is changed without a signal, and new houses begin with it', async ({
  page,
  app,
  browser,
}) => {
  await page.goto(app.url);
  await page.getByRole('button', { name: 'Practice', exact: true }).click();
  await enter(page, 'Limit', '1.5');
  await page.getByRole('radio', { name: 'Imperial' }).click();
  // This device has chosen no units of its own.
  await expect(page.getByRole('button', { name: 'Imperial', exact: true })).toBeVisible();
  await allSent(page);

  const other = await onOtherDevice(browser, page);
  await other.goto(app.url);
  await expect(other.getByRole('button', { name: 'Imperial', exact: true })).toBeVisible();
  await other.getByRole('button', { name: 'Imperial', exact: true }).click();
  await other.getByRole('button', { name: 'Add a house' }).click();
  await expect(field(other, 'Limit')).toHaveValue('1.5');
  await other.getByRole('button', { name: 'Back to the houses' }).click();

  await appIsKept(page);
  await page.context().setOffline(true);
  await page.getByRole('radio', { name: 'Air-void level, ISO 6946' }).click();
  await page.getByRole('radio', { name: 'Metric' }).click();
  await expect(unsent(page)).toContainText('unsent');
  await other.getByRole('button', { name: 'Practice', exact: true }).click();
  await other.getByRole('radio', { name: 'ASTM E779' }).click();
  await allSent(other);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Air-void level, ISO 6946' })).toBeChecked();
  await page.context().setOffline(false);
  await allSent(page);
  await expect(page.getByRole('radio', { name: 'ASTM E779' })).toBeChecked();
  await other.reload();
  await expect(other.getByRole('radio', { name: 'Air-void level, ISO 6946' })).toBeChecked();

  // As the other journeys of this server expect it.
  await other.getByRole('radio', { name: 'ISO 9972' }).click();
  await other.getByRole('radio', { name: 'Share of void, ANSI 301' }).click();
  await enter(other, 'Limit', '');
  await allSent(other);
  await page.goto(`${app.url}/houses/new`);
  await expect(field(page, 'Limit')).toHaveValue('');
  await expect(page.getByRole('button', { name: 'Metric', exact: true })).toBeVisible();
  await other.close();
});
