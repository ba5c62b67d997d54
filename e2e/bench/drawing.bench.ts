import { NEW_PLAN, type StoreyBody, type Wall } from '@calvet/contract';
import { planId } from '@calvet/contract/plan/item-key';
import { newWall } from '@calvet/contract/plan/outline-shapes';
import { chromium } from '@playwright/test';
import { v7 } from 'uuid';
import { chromiumLaunch } from '../chromium';
import { keysToPaint, SLOWER } from './keys-to-paint';
import { at, create, post, sampleHouse } from './measured';

const STOREYS = 3;
/** Teeth of the comb that each storey is from above: four walls each. */
const TEETH = 5;
const SETTLED_MS = 5000;

const [server] = process.argv.slice(2);
if (server === undefined) throw new Error('Give the address of the server.');

/** An outline of many walls at right angles, with rooms along each. */
function comb(): readonly Wall[] {
  const widthM = 2 * TEETH - 1;
  const wall = (lengthM: number, turnDeg: number): Wall => ({
    ...newWall(lengthM, turnDeg, { thicknessM: 0.2, boundary: 'outdoors' }),
    stretches: Array.from({ length: 3 }, (_, i) => ({ id: v7(), room: `Room ${i + 1}`, lengthM: null })),
  });
  const teeth = Array.from({ length: TEETH }, (_, i) => [
    wall(4, 90),
    wall(1, 90),
    ...(i === TEETH - 1 ? [] : [wall(4, -90), wall(1, -90)]),
  ]).flat();
  return [wall(widthM, 90), wall(4, 0), ...teeth, wall(8, 90)];
}

const houseId = v7();
const storeys = Array.from({ length: STOREYS }, (_, level) => {
  const id = v7();
  const body: StoreyBody = {
    name: `Storey ${level}`,
    level,
    heightM: 2.5,
    floorDepthM: level === 0 ? 0 : 0.3,
    under: level === 0 ? 'ground' : 'outdoors',
    start: { xM: 0, yM: 0 },
    outline: comb(),
    floorVoidM2: 0,
    countsAsFloor: true,
  };
  const roof = {
    name: `Roof ${level}`,
    storeyId: id,
    form: 'flatCeiling' as const,
    outline: null,
    pitch: null,
    collarM: null,
    wings: [],
    buildUp: null,
  };
  return [create('storey', body, id), create('roof', roof)];
}).flat();
const asDrawn = { volumeM3: null, floorAreaM2: null, envelopeAreaM2: null, heightM: null, storeys: null };
await post(server, houseId, [
  create('house', { ...sampleHouse, ...asDrawn, name: 'Comb' }, houseId),
  create('plan', NEW_PLAN, planId(houseId)),
  ...storeys,
]);

const browser = await chromium.launch(chromiumLaunch);
try {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(`${server}/houses/${houseId}/drawing`);
  await page.getByText(/of floor/).waitFor();
  await page.waitForTimeout(SETTLED_MS);
  const thickness = page.getByRole('textbox', { name: 'Thickness', exact: true });
  await thickness.fill('25');
  const times = await keysToPaint(page, thickness, ['1', 'Backspace']);
  const walls = STOREYS * (4 * TEETH + 1);
  console.log(
    `From a key to the drawing that it changes, ${walls} walls on ${STOREYS} storeys, slowed ${SLOWER} ×: ` +
      `p50 ${at(times, 0.5).toFixed(0)} ms, p95 ${at(times, 0.95).toFixed(0)} ms (aim 50)`,
  );
} finally {
  await browser.close();
}
