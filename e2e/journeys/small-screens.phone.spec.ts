import { apiPaths } from '@calvet/contract';
import { seedBatches } from '@calvet/demo';
import type { Page } from '@playwright/test';
import { v7 } from 'uuid';
import { demoPages } from './demo-pages';
import { expect, openSettled, seedDemo, test } from './running-app';

const LONG = 'Wolkenkratzerdachbodendeckendurchbruchsabdichtungsmanschettenbefestigungsleiste4';

const PHONE = { width: 390, height: 844 };
const ENLARGED = { width: 195, height: 422 };
const SMALL = [
  ['a phone on its side', { width: 844, height: 390 }],
  ['a small phone on its side', { width: 667, height: 375 }],
  ['a page at 200 %', ENLARGED],
] as const;

/** What lies beyond the edges of the page, cannot be pressed where it stands, or is cut off though it is a figure. */
function faultsOn(page: Page): Promise<readonly string[]> {
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
      if (wide > 0 && !isCutOnPurpose && (left < -1 || right > width + 1))
        found.add(`text beyond the edge: “${text.textContent?.slice(0, 60) ?? ''}”`);
    }
    return [...found];
  });
}

for (const [what, size] of [...SMALL, ['a phone', PHONE]] as const) {
  test(`every control is in reach and nothing lies beyond the edge: ${what}`, async ({
    page,
    app,
    request,
  }) => {
    const photos = await seedDemo(app, request);
    await page.setViewportSize(size);
    for (const [name, path] of demoPages(photos)) {
      await test.step(name, async () => {
        await openSettled(page, app.url + path);
        expect.soft(await faultsOn(page), name).toEqual([]);
      });
    }
  });
}

test('names of eighty letters without a break go nowhere beyond the edge', async ({ page, app, request }) => {
  await seedDemo(app, request);
  const [first] = seedBatches;
  if (first === undefined) throw new Error('The demo has no house.');
  const renamed = (body: object): object =>
    Object.fromEntries(
      Object.entries(body).map(([key, value]: [string, unknown]) => [
        key,
        ['name', 'place', 'builder', 'operator'].includes(key)
          ? LONG
          : key === 'buildUp'
            ? renamed(value as object)
            : key === 'layers'
              ? (value as object[]).map(renamed)
              : value,
      ]),
    );
  const houseId = v7();
  const ids = new Map(first.changes.map(({ kind, id }) => [id, kind === 'house' ? houseId : v7()]));
  const changes = first.changes.map((change) => ({
    ...change,
    changeId: v7(),
    id: ids.get(change.id),
    body: renamed(change.body),
  }));
  const response = await request.post(app.url + apiPaths.changes(houseId), { data: { changes } });
  expect(response.status(), await response.text()).toBe(200);
  const house = `${app.url}/houses/${houseId}`;
  const of = (kind: string) => ids.get(first.changes.find((change) => change.kind === kind)?.id ?? '') ?? '';
  for (const size of [PHONE, ENLARGED, { width: 1280, height: 800 }]) {
    await page.setViewportSize(size);
    for (const address of [
      app.url,
      house,
      `${house}/edit`,
      `${house}/fill`,
      `${house}/areas/${of('area')}`,
      `${house}/tests`,
      `${house}/tests/${of('airtightnessTest')}`,
      `${house}/record`,
      `${app.url}/device`,
    ]) {
      await openSettled(page, address);
      expect.soft(await faultsOn(page), `${size.width} ${address}`).toEqual([]);
    }
  }
});

for (const [what, size] of SMALL) {
  test(`readings are seen while they are entered by keys: ${what}`, async ({ page, app, request }) => {
    const photos = await seedDemo(app, request);
    const [, path = ''] = demoPages(photos).find(([name]) => name === 'door test') ?? [];
    await page.setViewportSize(size);
    await openSettled(page, app.url + path);
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
