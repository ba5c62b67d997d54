import { BUILD_UP_LIBRARY, buildUpOf, MADE_BY_HAND, materialLayer, type AreaBody } from '@calvet/contract';
import { chromium } from '@playwright/test';
import { v7 } from 'uuid';
import { chromiumLaunch } from '../chromium';
import { keysToPaint, SLOWER } from './keys-to-paint';
import { at, create, post, sampleArea, sampleHouse } from './measured';

const LAYERS = 24;
const SETTLED_MS = 4000;
const DRAGS = 6;

const [server] = process.argv.slice(2);
if (server === undefined) throw new Error('Give the address of the server.');

const [entry] = BUILD_UP_LIBRARY;
if (entry === undefined) throw new Error('The library is empty.');
const wall = buildUpOf(entry);
const body: AreaBody = {
  ...sampleArea,
  ...MADE_BY_HAND,
  name: 'Deep wall',
  buildUp: {
    ...wall,
    layers: [
      ...wall.layers,
      ...Array.from({ length: LAYERS - wall.layers.length }, (_, i) => ({
        id: v7(),
        ...materialLayer(`Board ${i + 1}`, 0.02, 0.04),
      })),
    ],
  },
};
const [houseId, areaId] = [v7(), v7()];
await post(server, houseId, [
  create('house', { ...sampleHouse, name: 'Layers' }, houseId),
  create('area', body, areaId),
]);

const browser = await chromium.launch(chromiumLaunch);
try {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(`${server}/houses/${houseId}/areas/${areaId}`);
  await page.getByRole('button', { name: 'Board 20: change' }).click();
  await page.waitForTimeout(SETTLED_MS);
  const thickness = page
    .getByRole('group', { name: `Layer ${LAYERS}` })
    .getByRole('textbox', { name: 'Thickness', exact: true });
  const times = await keysToPaint(page, thickness, ['1', 'Backspace']);
  console.log(
    `From a key to R and section, ${LAYERS} layers, slowed ${SLOWER} ×: ` +
      `p50 ${at(times, 0.5).toFixed(0)} ms, p95 ${at(times, 0.95).toFixed(0)} ms (aim 50, section 100)`,
  );
  await page.getByRole('button', { name: 'Board 20: close' }).click();

  const session = await context.newCDPSession(page);
  const grip = page.getByRole('button', { name: 'Move Board 10', exact: true });
  await grip.scrollIntoViewIfNeeded();
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  const box = await grip.boundingBox();
  if (box === null) throw new Error('The grip is not in sight.');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  // As text: a bundler would put names of its own into it.
  await page.evaluate(`
    window.frameTimes = [];
    let last = performance.now();
    requestAnimationFrame(function next(now) {
      window.frameTimes.push(now - last);
      last = now;
      requestAnimationFrame(next);
    });
  `);
  for (let i = 0; i < DRAGS; i++) await page.mouse.move(x, y + (i % 2 === 0 ? -150 : 150), { steps: 60 });
  const frames = await page.evaluate(
    () => (window as unknown as { readonly frameTimes: readonly number[] }).frameTimes,
  );
  await page.mouse.up();
  await session.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  console.log(
    `While one of ${LAYERS} layers is dragged, slowed ${SLOWER} ×: ` +
      `${(1000 / at(frames, 0.5)).toFixed(0)} frames a second in the middle, ${(1000 / at(frames, 0.95)).toFixed(0)} at the 95th of them (aim 50)`,
  );
} finally {
  await browser.close();
}
