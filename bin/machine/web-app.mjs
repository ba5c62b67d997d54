import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { hashOf, root, workFolder } from './checkout.mjs';
import { finishPages, packFiles } from './web-pages.mjs';
import { mustRun, run, Trouble } from './processes.mjs';

export const webFolder = join(root, 'dist');
const MARK = join(webFolder, '.sources');
const SOURCES = ['app', 'bin/machine', 'core/src', 'contract/src', 'docs/methods.md', 'package-lock.json'];

/** Exports the web app to a folder. */
export async function exportWebApp(appFolder, outputFolder) {
  mkdirSync(workFolder, { recursive: true });
  const code = await run(
    'npx',
    ['expo', 'export', '-p', 'web', '--source-maps', '--output-dir', outputFolder],
    {
      cwd: appFolder,
      env: { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' },
      quiet: process.env.CALVET_VERBOSE === undefined,
    },
  );
  if (code !== 0) throw new Trouble('The web app could not be built; CALVET_VERBOSE=1 shows why.');
}

/** Files of the app that are made from other files of the project. */
export async function makeFiles() {
  await mustRun('node', [join(root, 'app', 'fonts.mjs')]);
  await mustRun('node', [join(root, 'app', 'methods-page.mjs')]);
}

/** Files whose name carries a hash of their content need no other mark of their version. */
const HASHED = /[.-][0-9a-f]{32}\./;

/** Every piece with its hash: a version of which one is not what it should be is not taken up, and the one before stays. */
function withIntegrity(folder) {
  return (entries) => ({
    manifest: entries.map((entry) => {
      const hash = createHash('sha256')
        .update(readFileSync(join(folder, entry.url)))
        .digest('base64');
      return { ...entry, integrity: `sha256-${hash}` };
    }),
  });
}

/** Writes the service worker that keeps the exported app on a device, so that it opens without a server. */
async function writeServiceWorker(folder) {
  const { generateSW } = await import('workbox-build');
  const { warnings } = await generateSW({
    globDirectory: folder,
    globPatterns: ['**/*.{html,js,css,woff2,png,ico,webmanifest}'],
    swDest: join(folder, 'service-worker.js'),
    inlineWorkboxRuntime: true,
    sourcemap: false,
    clientsClaim: true,
    // A newer version waits until the person takes it.
    skipWaiting: false,
    cleanupOutdatedCaches: true,
    maximumFileSizeToCacheInBytes: 8_000_000,
    dontCacheBustURLsMatching: HASHED,
    manifestTransforms: [withIntegrity(folder)],
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /\.\w+$/],
  });
  if (warnings.length > 0) throw new Trouble(warnings.join('\n'));
}

/** Builds the web app where its sources changed since the last time. */
export async function ensureWebApp() {
  const wanted = hashOf(SOURCES);
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === wanted) return webFolder;
  console.log('Building the web app (a minute or two the first time) …');
  await makeFiles();
  const making = join(workFolder, 'web-app');
  rmSync(making, { recursive: true, force: true });
  await exportWebApp(join(root, 'app'), making);
  finishPages(making, join(root, 'app'));
  await writeServiceWorker(making);
  packFiles(making);
  writeFileSync(join(making, '.sources'), wanted);
  rmSync(webFolder, { recursive: true, force: true });
  renameSync(making, webFolder);
  return webFolder;
}
