import { existsSync } from 'node:fs';
import { run, Trouble } from './processes.mjs';

const FOLDERS = ['/usr/local/sbin', '/usr/local/bin', '/usr/sbin', '/usr/bin', '/sbin', '/bin'];

/** Full path of a program, or null where it is not installed. */
export function findProgram(name) {
  const folders = [...(process.env.PATH ?? '').split(':'), ...FOLDERS];
  const folder = folders.find((candidate) => candidate !== '' && existsSync(`${candidate}/${name}`));
  return folder === undefined ? null : `${folder}/${name}`;
}

async function asRoot(args) {
  if (process.getuid?.() === 0)
    return run(args[0], args.slice(1), { env: { DEBIAN_FRONTEND: 'noninteractive' } });
  if (findProgram('sudo') === null) return 1;
  return run('sudo', ['-n', 'DEBIAN_FRONTEND=noninteractive', ...args]);
}

/** Installs a Debian package where the program that it brings is missing. */
export async function ensureProgram(program, packageName, purpose) {
  const found = findProgram(program);
  if (found !== null) return found;
  console.log(`Installing ${packageName} (${purpose}) …`);
  if (findProgram('apt-get') !== null) {
    await asRoot(['apt-get', '-q', 'update']);
    await asRoot(['apt-get', '-q', 'install', '-y', '--no-install-recommends', packageName]);
  }
  const installed = findProgram(program);
  if (installed === null) {
    throw new Trouble(
      `Calvet needs ${program} (${purpose}) and could not install it here.\n` +
        `Install it as an administrator: apt-get install ${packageName}`,
    );
  }
  return installed;
}
