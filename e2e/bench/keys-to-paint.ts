import type { Locator, Page } from '@playwright/test';

const KEYS = 60;
/** A phone of the middle sort against this machine. */
export const SLOWER = 4;
/** So long after each key the next one is pressed. */
const EVERY_MS = 150;
/** What was quicker than this is not told by the browser: it counts as that. */
const THRESHOLD_MS = 16;

/**
 * From each key that is typed into a field to what it shows, in ms, as the browser itself times it, the processor slowed.
 * @param keys what is pressed, over and over
 * @param everyMs how long after each the next one is pressed
 */
export async function keysToPaint(
  page: Page,
  field: Locator,
  keys: readonly string[],
  everyMs: number = EVERY_MS,
): Promise<readonly number[]> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await page.evaluate((durationThreshold) => {
    const times: number[] = [];
    Object.assign(window, { times });
    new PerformanceObserver((list) =>
      list.getEntries().forEach(({ name, duration }) => {
        if (name === 'keydown') times.push(duration);
      }),
    ).observe({ type: 'event', durationThreshold } as PerformanceObserverInit);
  }, THRESHOLD_MS);
  await field.focus();
  for (let i = 0; i < KEYS; i++) {
    await page.keyboard.press(keys[i % keys.length] ?? '');
    await page.waitForTimeout(everyMs);
  }
  await page.waitForTimeout(500);
  const times = await page.evaluate(() => (window as unknown as { readonly times: readonly number[] }).times);
  await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  return [...times, ...Array.from({ length: Math.max(0, KEYS - times.length) }, () => THRESHOLD_MS)];
}
