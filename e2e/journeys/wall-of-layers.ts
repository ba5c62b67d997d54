import { assemblyOperation, computeWith } from '@calvet/core';
import type { Page } from '@playwright/test';
import { createHouse, enter, sizes, test } from './running-app';

/** A house of its own with one wall that begins as a frame of 140 mm. */
export async function newWall(
  page: Page,
  app: Parameters<typeof createHouse>[1],
  name: string,
): Promise<void> {
  await createHouse(page, app, { name: `${name} ${test.info().project.name}`, ...sizes });
  await page.getByRole('button', { name: 'Add an area' }).click();
  await page.getByLabel('Name', { exact: true }).fill('North wall');
  await enter(page, 'Size', '50');
}

/** The layer at a place, from inside. */
export const layer = (page: Page, position: number) => page.getByRole('group', { name: `Layer ${position}` });

/** Takes a material by searching for it. */
export async function takeMaterial(page: Page, search: string, name: string): Promise<void> {
  await page.getByLabel('Search', { exact: true }).fill(search);
  await page.getByRole('button', { name: `Take ${name}`, exact: true }).click();
}

/** Studs of the wall that {@link newWall} begins with. */
export const frame = { frameRsi: 0.14 / 0.12, framingFraction: 0.23, thicknessM: 0.14 };

/** R of the wall with a filled frame between plasterboard, sheathing and cladding. */
export const wallRsi = (cavityRsi: number, ofFrame = frame): string =>
  computeWith(assemblyOperation, {
    layers: [
      { thicknessM: 0.0125, conductivityWmK: 0.25 },
      { cavityRsi, ...ofFrame },
      { thicknessM: 0.012, conductivityWmK: 0.13 },
      { rsi: 0.08 },
    ],
    method: 'iso6946',
    filmConvention: 'iso',
    heatFlow: 'horizontal',
  }).effectiveRsi.toFixed(2);
