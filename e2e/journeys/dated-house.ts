import type { Page } from '@playwright/test';
import { answer, bareHouse, drawRectangle } from './drawn-house';
import { expect } from './running-app';

/** A Monday, wherever the journey is. */
export const NOW = new Date('2027-03-08T02:00:00Z');

/** A work by what it is called, as a line that opens. */
export const workLine = (page: Page, name: string) =>
  page.getByRole('button', { name: new RegExp(`^${name}, `) });

/** A house of one storey, framed, with an inner membrane. Gives back its address. */
export async function framedHouse(page: Page, url: string, name: string): Promise<string> {
  await bareHouse(page, url, name);
  await page.getByRole('button', { name: 'Draw the house' }).click();
  await drawRectangle(page, '10', '8');
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await page.getByRole('button', { name: 'How it is built' }).click();
  await page.getByRole('button', { name: 'Inner membrane' }).click();
  await page.getByRole('button', { name: 'Back to the house' }).click();
  const calendar = page.getByRole('button', { name: 'Calendar', exact: true });
  await expect(calendar).toBeVisible();
  return page.url().replace(/\/+$/, '');
}

/** Such a house at its calendar. */
export async function atCalendar(page: Page, url: string, name: string): Promise<void> {
  await page.clock.install({ time: NOW });
  await framedHouse(page, url, name);
  await page.getByRole('button', { name: 'Calendar', exact: true }).click();
  await expect(answer(page)).toHaveText('No dates yet');
}

/** The same, with a calendar whose first work begins on a day. */
export async function begun(page: Page, url: string, name: string, day: string): Promise<void> {
  await atCalendar(page, url, name);
  await page.getByLabel('The first begins on', { exact: true }).fill(day);
  await page.getByRole('button', { name: 'Begin the calendar' }).click();
  await expect(workLine(page, 'Goods on site')).toBeVisible();
}
