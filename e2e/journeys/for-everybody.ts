import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect } from './running-app';
import { faultsOn, resize, SIZES } from './sizes';

/** Rules that read colours: a theme changes nothing else. */
const OF_COLOURS = ['color-contrast', 'link-in-text-block'];

async function barriersOn(page: Page, rules?: string[]): Promise<readonly object[]> {
  const look = new AxeBuilder({ page });
  const { violations } = await (rules === undefined ? look : look.withRules(rules)).analyze();
  return violations.map(({ id, nodes }) => ({
    id,
    where: nodes.slice(0, 5).map(({ html, failureSummary }) => `${html} ${failureSummary ?? ''}`),
  }));
}

/** Looks at a page that stands in the light theme: can everybody read and use it, in both themes, and in every size a phone has? */
export async function isForEverybody(page: Page, isPhone: boolean): Promise<void> {
  await expect(page.getByRole('main')).toHaveCount(1);
  await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
  const paper = () =>
    page.evaluate(() => getComputedStyle(document.querySelector('main')!.parentElement!).backgroundColor);
  const light = await paper();
  expect.soft(await barriersOn(page), 'light').toEqual([]);
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect.poll(paper).not.toBe(light);
  expect.soft(await barriersOn(page, OF_COLOURS), 'dark').toEqual([]);
  if (!isPhone) return;
  // A note with its way back lies over the page for a moment, and is meant to.
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toHaveCount(0);
  for (const [held, size] of Object.entries(SIZES)) {
    await resize(page, size);
    expect.soft(await faultsOn(page), held).toEqual([]);
  }
}
