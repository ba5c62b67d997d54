import type { Page } from '@playwright/test';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** A phone as it is held, on its side, and with its text enlarged: a page at 200 % has half the room. */
export const SIZES = {
  phone: { width: 390, height: 844 },
  'on its side': { width: 844, height: 390 },
  'a small one on its side': { width: 667, height: 375 },
  enlarged: { width: 195, height: 422 },
} as const satisfies Readonly<Record<string, Size>>;

/** Gives the page another size, and waits until it stands in it: pictures are drawn anew once their room is known. */
export async function resize(page: Page, size: Size): Promise<void> {
  await page.setViewportSize(size);
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const QUIET_MS = 150;
        const quiet = () => {
          observer.disconnect();
          requestAnimationFrame(() => requestAnimationFrame(() => resolve()));
        };
        let timer = setTimeout(quiet, QUIET_MS);
        const observer = new MutationObserver(() => {
          clearTimeout(timer);
          timer = setTimeout(quiet, QUIET_MS);
        });
        observer.observe(document.body, { subtree: true, childList: true, attributes: true });
      }),
  );
}

/** What lies beyond the edges of the page, cannot be pressed where it stands, or is cut off though it is a figure. */
export function faultsOn(page: Page): Promise<readonly string[]> {
  return page.evaluate(() => {
    const found = new Set<string>();
    const { clientWidth: width, clientHeight: height } = document.documentElement;
    const isSeen = (element: Element) =>
      element.checkVisibility({ opacityProperty: true, visibilityProperty: true }) &&
      element.closest('.skip, dialog:not([open])') === null;
    const nameOf = (element: Element) =>
      `${element.tagName.toLowerCase()} “${element.getAttribute('aria-label') ?? element.textContent.slice(0, 60)}”`;
    for (const element of document.querySelectorAll('body *')) {
      if (!isSeen(element)) continue;
      const { overflowX, textOverflow } = getComputedStyle(element);
      const isCut = element.scrollWidth > element.clientWidth + 1 && element.clientWidth > 0;
      if (isCut && overflowX !== 'visible' && !element.matches('input, textarea, svg')) {
        if (textOverflow !== 'ellipsis') found.add(`wider than it has room: ${nameOf(element)}`);
        else if (/^[\s\d.,–-]*\d/.test(element.textContent)) found.add(`cut figure: ${nameOf(element)}`);
      }
    }
    const pressed = 'button, a[href], input, textarea, select, [role=button], [role=radio], [role=link]';
    for (const element of document.querySelectorAll<HTMLElement>(pressed)) {
      if (!isSeen(element) || element.matches('[type=file]')) continue;
      element.scrollIntoView({ block: 'center', inline: 'nearest' });
      const { left, right, top, bottom } = element.getBoundingClientRect();
      if (left < -1 || right > width + 1) found.add(`beyond the edge: ${nameOf(element)}`);
      const [x, y] = [(left + right) / 2, (Math.max(0, top) + Math.min(height, bottom)) / 2];
      const hit = document.elementFromPoint(x, y);
      if (hit === null || !(element.contains(hit) || hit.contains(element)))
        found.add(`covered: ${nameOf(element)} by ${hit === null ? 'nothing' : nameOf(hit)}`);
    }
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let text = texts.nextNode(); text !== null; text = texts.nextNode()) {
      const around = text.parentElement;
      if (around === null || !isSeen(around) || around.matches('style, script')) continue;
      const isCutOnPurpose =
        around.closest('[style*="ellipsis"]') !== null ||
        getComputedStyle(around).textOverflow === 'ellipsis';
      const range = document.createRange();
      range.selectNodeContents(text);
      const { left, right, width: wide } = range.getBoundingClientRect();
      if (wide === 0 || isCutOnPurpose) continue;
      const words = text.textContent?.slice(0, 60) ?? '';
      if (left < -1 || right > width + 1) found.add(`text beyond the edge: “${words}”`);
      let frame: Element | null = around;
      while (frame !== null && getComputedStyle(frame).borderRightWidth === '0px')
        frame = frame.parentElement;
      if (frame !== null && right > frame.getBoundingClientRect().right + 1)
        found.add(`text beyond its frame: “${words}”`);
    }
    return [...found];
  });
}
