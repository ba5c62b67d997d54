/** @jest-environment node */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

test('the icon font holds every icon that the sources name', () => {
  const script = join(__dirname, '../../../fonts.mjs');
  const used = execFileSync(process.execPath, [
    '--input-type=module',
    '-e',
    `const { usedGlyphs } = await import(${JSON.stringify(script)}); console.log(JSON.stringify(usedGlyphs()));`,
  ]);
  const held = readFileSync(join(__dirname, 'glyphs.json'), 'utf8');
  expect(JSON.parse(held)).toEqual(JSON.parse(String(used)));
});
