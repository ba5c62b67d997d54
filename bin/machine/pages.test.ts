import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { pagesIn } from './pages.mjs';

const folder = mkdtempSync(join(tmpdir(), 'calvet-pages-'));

const FILES = {
  'src/routes/_layout.tsx': "import { Shell } from '../shell';\n",
  'src/routes/+not-found.tsx': "import { Nothing } from '../nothing';\n",
  'src/routes/index.tsx': "export { List as default } from '../list';\n",
  'src/routes/things/_layout.tsx': "import '../../frame';\n",
  'src/routes/things/[thingId].tsx': "import {\n  Thing,\n} from '../../thing';\n",
  'src/shell.tsx': "import type { Words } from './words';\nimport { sum } from '@calvet/core';\n",
  'src/nothing.tsx': '',
  'src/words.ts': '',
  'src/list/index.tsx': "import { Chart } from '../chart-on-demand';\nimport { save } from '../save';\n",
  'src/chart-on-demand.tsx': "const Chart = lazy(() => import('./chart'));\n",
  'src/chart.tsx': '',
  'src/save.ts': "const rare = () => import('./rare');\n",
  'src/rare.ts': '',
  'src/frame.ts': "import { Inner } from './inner-on-demand';\n",
  'src/inner-on-demand.tsx': "const Inner = lazy(() => import('./inner'));\n",
  'src/inner.tsx': '',
  'src/thing.tsx': '',
} as const;

beforeAll(() => {
  for (const [name, text] of Object.entries(FILES)) {
    mkdirSync(join(folder, dirname(name)), { recursive: true });
    writeFileSync(join(folder, name), text);
  }
});
afterAll(() => rmSync(folder, { recursive: true }));

test('an address needs its route, its layouts, what they import, and what is seen at once; nothing else', () => {
  const pages = pagesIn(join(folder, 'src', 'routes'));
  expect(Object.keys(pages)).toEqual(['/', '/things/:thingId']);
  expect([...(pages['/'] ?? [])].sort()).toEqual(
    [
      'src/chart-on-demand.tsx',
      'src/chart.tsx',
      'src/list/index.tsx',
      // Of a layout that the page does not stand in: read, and not shown.
      'src/frame.ts',
      'src/routes/things/_layout.tsx',
      'src/routes/_layout.tsx',
      'src/routes/index.tsx',
      'src/inner-on-demand.tsx',
      'src/save.ts',
      'src/shell.tsx',
    ].sort(),
  );
  expect(pages['/things/:thingId']).toEqual(
    expect.arrayContaining([
      'src/routes/things/_layout.tsx',
      'src/thing.tsx',
      'src/frame.ts',
      'src/shell.tsx',
    ]),
  );
});
