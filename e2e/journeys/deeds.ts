import type { Page } from '@playwright/test';

/** Presses, and signs typed, that an inspector sets a house up with. */
export interface Deeds {
  readonly taps: number;
  readonly signs: number;
}

/** Counts what is pressed and typed on a page from now on. */
export async function countDeeds(page: Page): Promise<() => Promise<Deeds>> {
  await page.evaluate(() => {
    const deeds = { taps: 0, signs: 0 };
    (window as unknown as { deeds: typeof deeds }).deeds = deeds;
    addEventListener('click', ({ isTrusted }) => (deeds.taps += isTrusted ? 1 : 0), true);
    addEventListener(
      'input',
      ({ target }) => (deeds.signs += (target as HTMLInputElement).value.length),
      true,
    );
  });
  return () => page.evaluate(() => (window as unknown as { deeds: Deeds }).deeds);
}
