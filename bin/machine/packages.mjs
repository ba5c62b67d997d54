import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { hashOf, root } from './checkout.mjs';
import { mustRun, Trouble } from './processes.mjs';

const MARK = join(root, 'node_modules', '.calvet-lock');
const LEAST_NODE = [20, 19];

function refuseOldNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < LEAST_NODE[0] || (major === LEAST_NODE[0] && minor < LEAST_NODE[1])) {
    throw new Trouble(
      `Calvet needs Node.js ${LEAST_NODE.join('.')} or newer; this is ${process.versions.node}.`,
    );
  }
}

/** Installs the npm packages of the lockfile where they are missing or of another lockfile. */
export async function ensurePackages() {
  refuseOldNode();
  const wanted = hashOf(['package-lock.json']);
  if (existsSync(MARK) && readFileSync(MARK, 'utf8') === wanted) return;
  console.log('Installing npm packages (some minutes the first time) …');
  await mustRun('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(MARK, wanted);
}
