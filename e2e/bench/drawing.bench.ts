import { chromium } from '@playwright/test';
import { chromiumLaunch } from '../chromium';
import { combHouse, STOREYS, WALLS } from './comb-house';
import { keysToPaint, SLOWER } from './keys-to-paint';
import { at } from './measured';

const SETTLED_MS = 5000;

const [server] = process.argv.slice(2);
if (server === undefined) throw new Error('Give the address of the server.');

const { houseId } = await combHouse(server);
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
  console.log(
    `From a key to the drawing that it changes, ${WALLS} walls on ${STOREYS} storeys, slowed ${SLOWER} ×: ` +
      `p50 ${at(times, 0.5).toFixed(0)} ms, p95 ${at(times, 0.95).toFixed(0)} ms (aim 50)`,
  );
} finally {
  await browser.close();
}
