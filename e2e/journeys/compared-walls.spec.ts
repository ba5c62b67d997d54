import { BUILD_UP_LIBRARY, buildUpOf } from '@calvet/contract/installation/build-up-library';
import { buildUpAssembly } from '@calvet/contract/installation/build-up-assembly';
import { assemblyOperation, computeWith } from '@calvet/core';
import type { Page } from '@playwright/test';
import { allSent, createHouse, enter, expect, onOtherDevice, sizes, test } from './running-app';
import { newWall } from './wall-of-layers';

test('two build-ups stand beside each other, each over its own area', async ({ page, app }) => {
  await newWall(page, app, 'Compared');
  await page.getByRole('button', { name: 'Compare with another' }).click();
  await page.getByRole('button', { name: 'Compare with Double frame 300, dense-packed' }).click();
  await enter(page, 'Area of Double frame 300, dense-packed', '25');
  const losses = page.getByRole('group', { name: 'Heat loss over it' });
  await expect(losses.getByText(/W\/K$/)).toHaveCount(2);
  const [here = 0, there = 0] = (await losses.getByText(/W\/K$/).allTextContents()).map((text) =>
    Number.parseFloat(text),
  );
  expect(here).toBeGreaterThan(3 * there);
  for (const name of [
    'Emitted in making it',
    'Stored in plant matter, told beside, never taken off',
    'R as framed',
  ])
    await expect(page.getByRole('group', { name }).getByText(/\d/)).toHaveCount(2);
  await enter(page, /^Cost of Framed/, '100');
  await enter(page, /^Cost of Double/, '220');
  await expect(page.getByText('climate, heater or price of a kWh are missing')).toBeVisible();
});

/** Walls of six schools, as the library has them or with what is made of them here. */
const SCHOOLS: readonly { readonly name: string; readonly then?: (page: Page) => Promise<void> }[] = [
  { name: 'Framed wall 140, fibre batts' },
  { name: 'Framed wall 90, fibre batts' },
  { name: 'Framed wall 140, batts, outside board 50' },
  { name: 'Double frame 300, dense-packed' },
  { name: 'Masonry, cavity batts 150' },
  {
    name: 'Double frame 300, dense-packed',
    then: (page) => page.getByRole('radio', { name: 'Offset' }).click(),
  },
];

test('walls of six schools, put together without a server, are worth what is computed; then on another device', async ({
  page,
  app,
  browser,
}) => {
  await createHouse(page, app, { name: `Six schools ${test.info().project.name}`, ...sizes });
  const expected: string[] = [];
  for (const [i, { name, then }] of SCHOOLS.entries()) {
    await page.getByRole('button', { name: 'Add an area' }).first().click();
    await page.getByLabel('Name', { exact: true }).fill(`Wall ${i + 1}`);
    await enter(page, 'Size', '20');
    if (i === 0) {
      await allSent(page);
      await app.stop();
    } else {
      await page.getByRole('button', { name: 'Choose', exact: true }).click();
      await page
        .getByRole('button', { name: `Use ${name}`, exact: true })
        .last()
        .click();
    }
    await then?.(page);
    const entry = BUILD_UP_LIBRARY.map((each) => buildUpOf(each)).find((each) => each.name === name);
    if (entry === undefined) throw new Error(`The library has no ${name}.`);
    const { layers, films, fasteners } = buildUpAssembly(entry, {
      filmConvention: 'iso',
      heatFlow: 'horizontal',
    });
    const { effectiveRsi } = computeWith(assemblyOperation, {
      layers,
      ...films,
      ...(fasteners.length === 0 ? {} : { fasteners }),
      method: 'iso6946',
      frameAlignment: then === undefined ? (entry.frameAlignment ?? undefined) : 'offset',
    });
    expected.push(effectiveRsi.toFixed(2));
    await expect(
      page.getByRole('heading', { level: 2, name: new RegExp(`Worth R\\s${effectiveRsi.toFixed(2)}`) }),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Back to the plan' }).click();
  }
  expect(new Set(expected).size).toBe(SCHOOLS.length);
  await app.start();
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(page.url());
  for (const [i, rsi] of expected.entries()) {
    await other.getByRole('link', { name: new RegExp(`^Wall ${i + 1}`) }).click();
    await expect(
      other.getByRole('heading', { level: 2, name: new RegExp(`Worth R\\s${rsi}`) }),
    ).toBeVisible();
    await other.getByRole('button', { name: 'Back to the plan' }).click();
  }
  await other.close();
});
