import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { demoPages } from './demo-pages';
import { expect, openSettled, seedDemo, test } from './running-app';
import { faultsOn, resize, SIZES } from './sizes';

async function barriersOn(page: Page): Promise<readonly object[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations.map(({ id, nodes }) => ({
    id,
    where: nodes.slice(0, 5).map(({ html, failureSummary }) => `${html} ${failureSummary ?? ''}`),
  }));
}

for (const { name, path } of demoPages) {
  test(`${name}: read and used by everybody, in both themes and every size`, async ({
    page,
    app,
    request,
  }) => {
    const photos = await seedDemo(app, request);
    await page.emulateMedia({ colorScheme: 'light' });
    await openSettled(page, app.url + path(photos));
    await expect(page.getByRole('main')).toHaveCount(1);
    await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
    const paper = () =>
      page.evaluate(() => getComputedStyle(document.querySelector('main')!.parentElement!).backgroundColor);
    const light = await paper();
    expect.soft(await barriersOn(page), 'light').toEqual([]);
    await page.emulateMedia({ colorScheme: 'dark' });
    await expect.poll(paper).not.toBe(light);
    expect.soft(await barriersOn(page), 'dark').toEqual([]);
    if (test.info().project.name !== 'phone') return;
    for (const [held, size] of Object.entries(SIZES)) {
      await resize(page, size);
      expect.soft(await faultsOn(page), held).toEqual([]);
    }
  });
}
