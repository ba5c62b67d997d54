import type { Page } from '@playwright/test';
import { enter, expect } from './running-app';

/** What a drawing comes to, or what it lacks: the first thing that its page says. */
export const answer = (page: Page) => page.getByRole('heading', { level: 2 }).first();

/** Creates a house of which nothing is known but what has to be asked. */
export async function bareHouse(page: Page, url: string, name: string): Promise<void> {
  await page.goto(`${url}/houses/new`);
  await page.getByLabel('Name', { exact: true }).fill(name);
  await enter(page, 'Bedrooms', '3');
  await enter(page, 'Limit', '1.5');
  await page.getByRole('button', { name: 'Create house' }).click();
  await expect(page.getByRole('button', { name: 'Draw the house' })).toBeVisible();
}

/** Begins a storey as a rectangle. */
export async function drawRectangle(page: Page, width: string, depth: string): Promise<void> {
  await enter(page, 'Width', width);
  await enter(page, 'Depth', depth);
  await page.getByRole('button', { name: 'Draw it' }).click();
  await expect(page.getByRole('textbox', { name: 'Length', exact: true })).toBeVisible();
}

/** Puts a storey on top, as the one below stands. */
export async function addStorey(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Storey', exact: true }).click();
  await page.getByRole('button', { name: 'Draw it' }).click();
  await expect(page.getByRole('radio', { name: 'Upper floor' })).toBeVisible();
}
