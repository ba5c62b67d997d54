import { apiPaths, type Change } from '@calvet/contract';
import { seedBatches } from '@calvet/demo';
import { v7 } from 'uuid';
import { demoHouse, firstOf } from './demo-pages';
import { faultsOn, resize, SIZES } from './sizes';
import { expect, openSettled, seedDemo, test } from './running-app';

const LONG = 'Wolkenkratzerdachbodendeckendurchbruchsabdichtungsmanschettenbefestigungsleiste4';

const NAMES = ['name', 'place', 'builder', 'operator', 'room'];

const { phone, enlarged, ...onTheirSide } = SIZES;

test('names of eighty letters without a break go nowhere beyond the edge', async ({ page, app, request }) => {
  await seedDemo(app, request);
  const [first] = seedBatches;
  if (first === undefined) throw new Error('The demo has no house.');
  const houseId = v7();
  const ids = new Map(first.changes.map(({ kind, id }) => [id, kind === 'house' ? houseId : v7()]));
  // What points to another points to it under its new id; whatever can be named has the long name.
  const moved = [...ids].reduce(
    (text, [before, now]) => text.replaceAll(before, now),
    JSON.stringify(first.changes),
  );
  const changes = (
    JSON.parse(moved, (key, value: unknown) =>
      typeof value === 'string' && NAMES.includes(key) ? LONG : value,
    ) as Change[]
  ).map((change) => ({ ...change, changeId: v7() }));
  const response = await request.post(app.url + apiPaths.changes(houseId), { data: { changes } });
  expect(response.status(), await response.text()).toBe(200);
  const house = `${app.url}/houses/${houseId}`;
  const of = (kind: string) => ids.get(first.changes.find((change) => change.kind === kind)?.id ?? '') ?? '';
  for (const address of [
    app.url,
    house,
    `${house}/edit`,
    `${house}/drawing`,
    `${house}/fill`,
    `${house}/areas/${of('area')}`,
    `${house}/tests`,
    `${house}/tests/${of('airtightnessTest')}`,
    `${house}/record`,
    `${app.url}/device`,
  ]) {
    await openSettled(page, address);
    for (const size of [phone, enlarged, { width: 1280, height: 800 }]) {
      await resize(page, size);
      expect.soft(await faultsOn(page), `${size.width} ${address}`).toEqual([]);
    }
  }
});

for (const [what, size] of Object.entries({ ...onTheirSide, enlarged })) {
  test(`readings are seen while they are entered by keys: ${what}`, async ({ page, app, request }) => {
    await seedDemo(app, request);
    const wrenfold = demoHouse('Wrenfold 4');
    await page.setViewportSize(size);
    const test = `${app.url}/houses/${wrenfold.houseId}/tests/${firstOf(wrenfold, 'airtightnessTest')}`;
    await openSettled(page, test);
    await page.getByRole('radio', { name: 'Readings', exact: true }).click();
    const pressure = page.getByLabel('Building pressure, reading 3', { exact: true });
    const flow = page.getByLabel('Flow, reading 3', { exact: true });
    await pressure.tap();
    const keys = page.getByRole('group', { name: 'Number keys' });
    await expect(keys).toBeVisible();
    await expect(pressure).toBeInViewport({ ratio: 1 });
    await keys.getByRole('button', { name: 'Next field' }).tap();
    await expect(flow).toBeFocused();
    await expect(flow).toBeInViewport({ ratio: 1 });
    const before = await flow.inputValue();
    await keys.getByRole('button', { name: '7', exact: true }).tap();
    await expect(flow).toHaveValue('7');
    await keys.getByRole('button', { name: 'Erase' }).tap();
    await page.keyboard.type(before);
    await keys.getByRole('button', { name: 'Done' }).tap();
    await expect(keys).toHaveCount(0);
    await expect(flow).toHaveValue(before);
  });
}
