import { appendFile, cp, mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  allSent,
  createHouse,
  expect,
  field,
  onOtherDevice,
  sizes,
  test,
  unsent,
  withoutSignal,
} from './running-app';

test('an app of which one piece is not what it should be is not kept on the device', async ({
  page,
  app,
}) => {
  const broken = await mkdtemp(join(tmpdir(), 'calvet-broken-'));
  await cp(String(process.env.CALVET_WEB_FOLDER), broken, { recursive: true });
  await appendFile(join(broken, 'methods.html'), '<!-- Welcome. Please sign in. -->');
  for (const packed of ['br', 'gz']) await rm(join(broken, `methods.html.${packed}`));
  await app.stop();
  await app.start({ CALVET_WEB_FOLDER: broken });
  const becomes = () =>
    page.evaluate(async () => {
      const registration = await navigator.serviceWorker.register('/service-worker.js');
      const worker = registration.installing ?? registration.waiting ?? registration.active;
      return new Promise<string>((resolve) => {
        const look = () => {
          if (worker?.state === 'redundant' || worker?.state === 'activated') resolve(worker.state);
        };
        worker?.addEventListener('statechange', look);
        look();
      });
    });
  await page.goto(app.url);
  await expect(page.getByRole('button', { name: 'Add a house' })).toBeVisible();
  expect(await becomes()).toBe('redundant');
  await app.stop();
  await app.start();
  expect(await becomes()).toBe('activated');
  await rm(broken, { recursive: true });
});

test('an app that does not start leads to what is unsent, and saves it to a file', async ({
  page,
  app,
  browser,
}) => {
  await createHouse(page, app, { name: 'Held up', ...sizes });
  await allSent(page);
  await page.route('**/api/**', withoutSignal);
  await page.getByRole('button', { name: 'Add an area' }).click();
  await field(page, 'Name').fill('North wall');
  await field(page, 'Name').blur();
  await expect(unsent(page)).toBeVisible();
  await page.evaluate(async () => {
    for (const each of await navigator.serviceWorker.getRegistrations()) await each.unregister();
  });
  await page.route('**/_expo/**/*.js', withoutSignal);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Calvet has not started' })).toBeVisible();
  await page.getByRole('link', { name: 'What is unsent on this device' }).click();
  await expect(page.getByText(/Unsent: [12] entries and 0 pictures/)).toBeVisible();
  await expect(page.getByText('North wall')).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save it to a file' }).click();
  const saved = await readFile(await (await saving).path());
  // On another device, while this one has sent nothing.
  const other = await onOtherDevice(browser, page);
  await other.goto(`${app.url}/device`);
  const choose = (name: string, buffer: Buffer) =>
    other.getByLabel('File of unsent entries').setInputFiles({ name, mimeType: 'application/json', buffer });
  await choose('readings.json', Buffer.from('{"readings": []}'));
  await expect(other.getByText('This is no file of unsent entries')).toBeVisible();
  await choose('calvet-unsent.json', saved);
  await expect(other.getByText(/[12] entr(y|ies) and 0 pictures are brought back/)).toBeVisible();
  await allSent(other);
  await choose('calvet-unsent.json', saved);
  await expect(other.getByText(/brought back/)).toBeVisible();
  await allSent(other);
  await other.goto(`${app.url}/houses`);
  await other.getByRole('link', { name: /^Held up/ }).click();
  await other.getByRole('link', { name: 'Fill', exact: true }).click();
  await expect(other.getByText('North wall')).toHaveCount(1);
  await other.close();
  // Looking at it has changed nothing: it is sent from here too, and is there once.
  await page.unroute('**/_expo/**/*.js');
  await page.unroute('**/api/**');
  await page.getByRole('link', { name: 'Open Calvet' }).click();
  await expect(page.getByRole('button', { name: 'Add a house' })).toBeVisible();
  await allSent(page);
});
