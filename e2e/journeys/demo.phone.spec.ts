import { seedBatches, type SeedBatch } from '@calvet/demo';
import { expect, seedDemo, test } from './running-app';

let photos: readonly SeedBatch[] = [];
test.beforeEach(async ({ app, request }) => {
  photos = await seedDemo(app, request);
});

for (const { houseId, changes } of seedBatches) {
  const [first] = changes;
  const name = first !== undefined && 'name' in first.body ? first.body.name : houseId;

  test(`every screen of ${name} opens without an error`, async ({ page, app }) => {
    const houseUrl = `${app.url}/houses/${houseId}`;
    const of = (kind: string) => changes.filter((change) => change.kind === kind).map(({ id }) => id);
    const screens = [
      houseUrl,
      `${houseUrl}/edit`,
      `${houseUrl}/fill`,
      `${houseUrl}/tests`,
      `${houseUrl}/drawing`,
      ...of('area')
        .slice(0, 5)
        .map((id) => `${houseUrl}/areas/${id}`),
      ...of('airtightnessTest').map((id) => `${houseUrl}/tests/${id}`),
      `${houseUrl}/record`,
      ...photos
        .filter((batch) => batch.houseId === houseId)
        .flatMap((batch) => batch.changes.slice(0, 2).map(({ id }) => `${houseUrl}/record/${id}`)),
      `${app.url}/device`,
    ];
    for (const url of screens) {
      await page.goto(url);
      await expect(page.getByRole('button', { name: 'Metric' })).toBeVisible();
      await expect(page.getByText('This could not be loaded')).toHaveCount(0);
      await expect(page.getByText('is not here')).toHaveCount(0);
    }
  });
}

test('the list says which house is in trouble, and leads there', async ({ page, app }) => {
  await page.goto(app.url);
  await expect(page.getByRole('heading', { level: 2, name: /leaks? more than/ })).toBeVisible();
  await page.getByRole('link', { name: /^Tamsel Row 3/ }).click();
  await expect(
    page.getByRole('heading', { level: 2, name: /Leaks \d+ % more than its target allows/ }),
  ).toBeVisible();
});

test('dark and imperial hold over pages and a reload', async ({ page, app }) => {
  await page.goto(app.url);
  await page.getByRole('button', { name: 'Metric' }).click();
  await page.getByRole('button', { name: 'Switch to dark' }).click();
  await page.getByRole('link', { name: /^Nettle Cabin/ }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Imperial' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Switch to light' })).toBeVisible();
  await expect(page.getByText('3973 ft³')).toBeVisible();
});
