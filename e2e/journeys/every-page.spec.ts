import type { PhotoBatch } from '@calvet/demo';
import { demoPages } from './demo-pages';
import { isForEverybody } from './for-everybody';
import { openSettled, seedDemo, test } from './running-app';

let photos: readonly PhotoBatch[];

test.beforeAll(async ({ app, request }) => {
  photos = await seedDemo(app, request);
});

for (const { name, path } of demoPages) {
  test(`${name}: read and used by everybody, in both themes and every size`, async ({ page, app }) => {
    await page.emulateMedia({ colorScheme: 'light' });
    await openSettled(page, app.url + path(photos));
    await isForEverybody(page, test.info().project.name === 'phone');
  });
}
