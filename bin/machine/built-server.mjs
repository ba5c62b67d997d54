import {
  cpSync,
  existsSync,
  mkdtempSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { join } from 'node:path';
import { hashOf, root } from './checkout.mjs';

const folder = join(root, 'server', 'dist');
const SOURCES = [
  'server/src',
  'core/src',
  'contract/src',
  'bin/machine/built-server.mjs',
  'package-lock.json',
];
/** Where each begins, and as what it is built. */
const SCRIPTS = [
  { entry: 'index.ts', format: 'esm', extension: '.js' },
  // A thread that is ended while it still loads an ES module takes the whole process with it.
  { entry: join('service', 'long-computation.ts'), format: 'cjs', extension: '.cjs' },
];

/** Packages of this checkout go into the script. */
const ours = {
  '@calvet/core': join(root, 'core', 'src'),
  '@calvet/contract': join(root, 'contract', 'src'),
};

/** Packages that are loaded from where they are installed; core has some of its own beside it, which go into the script. */
function packagesOf(...workspaces) {
  const all = workspaces.flatMap((name) =>
    Object.keys(JSON.parse(readFileSync(join(root, name, 'package.json'), 'utf8')).dependencies),
  );
  return all.filter((name) => !(name in ours)).flatMap((name) => [name, `${name}/*`]);
}

/** A server that runs still loads its threads from where it was built. */
const KEPT_MS = 7 * 24 * 3_600_000;

function removeOld() {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    const isOld = Date.now() - (statSync(path, { throwIfNoEntry: false })?.mtimeMs ?? Infinity) > KEPT_MS;
    if (isOld) rmSync(path, { recursive: true, force: true });
  }
}

/**
 * The server as JavaScript, built anew where its sources have changed: the path of its first script. Several that ask at once
 * may build it each for itself; whoever comes later uses what is there.
 */
export async function builtServer() {
  const built = join(folder, hashOf(SOURCES).slice(0, 16));
  const script = join(built, 'index.js');
  if (existsSync(script)) return script;
  const { build } = await import('esbuild');
  mkdirSync(folder, { recursive: true });
  const made = mkdtempSync(join(folder, 'making-'));
  const source = join(root, 'server', 'src');
  for (const { entry, format, extension } of SCRIPTS) {
    await build({
      entryPoints: [join(source, entry)],
      outbase: source,
      outdir: made,
      outExtension: { '.js': extension },
      bundle: true,
      platform: 'node',
      format,
      target: 'node20',
      alias: ours,
      external: packagesOf('server', 'contract'),
      sourcemap: true,
      logLevel: 'error',
    });
  }
  cpSync(join(source, 'store', 'migrations'), join(made, 'store', 'migrations'), { recursive: true });
  try {
    renameSync(made, built);
  } catch (error) {
    // Another was quicker.
    rmSync(made, { recursive: true, force: true });
    if (!existsSync(script)) throw error;
  }
  removeOld();
  return script;
}
