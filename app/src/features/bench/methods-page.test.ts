/** @jest-environment node */
import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { operationNames } from '@calvet/core/operations';
import { slugOf } from './catalogue';

test('the page of the methods has an anchor for every computation, and stands on its own', () => {
  const script = join(__dirname, '../../../methods-page.mjs');
  const book = join(__dirname, '../../../../docs/methods.md');
  const page = String(
    execFileSync(process.execPath, [
      '--input-type=module',
      '-e',
      `import { readFileSync } from 'node:fs';
       const { methodsPage } = await import(${JSON.stringify(script)});
       console.log(methodsPage(readFileSync(${JSON.stringify(book)}, 'utf8')));`,
    ]),
  );
  const anchors = [...page.matchAll(/<h3 id="([^"]+)"/g)].map(([, id]) => id);
  expect(anchors.sort()).toEqual(operationNames.map(slugOf).sort());
  expect(page).not.toMatch(/https?:\/\//);
  expect(page).not.toContain('<script');
});
