import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { hashOf, root, workFolder } from './machine/checkout.mjs';
import { ensurePackages } from './machine/packages.mjs';
import { exitWith, mustRun } from './machine/processes.mjs';

/** The command line as one plain file, made again when its sources changed: it starts at once and runs at full speed. */
async function ensureBundle() {
  const folder = join(workFolder, 'compute');
  const [bundle, mark] = [join(folder, 'command-line.mjs'), join(folder, '.sources')];
  const wanted = hashOf(['core/src', 'package-lock.json']);
  if (existsSync(bundle) && existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return bundle;
  mkdirSync(folder, { recursive: true });
  await mustRun('npx', [
    'esbuild',
    'core/src/command-line.ts',
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--log-level=error',
    `--outfile=${bundle}`,
  ]);
  writeFileSync(mark, wanted);
  return bundle;
}

async function main() {
  await ensurePackages();
  const bundle = await ensureBundle();
  const { status } = spawnSync(process.execPath, [bundle, ...process.argv.slice(2)], {
    cwd: root,
    stdio: 'inherit',
  });
  process.exit(status ?? 1);
}

main().catch(exitWith);
