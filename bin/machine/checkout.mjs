import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';

/** Root of the checkout that these commands belong to. */
export const root = join(import.meta.dirname, '..', '..');

/** Folder inside the checkout for what is made at run time: databases, logs, marks. Ignored by git. */
export const workFolder = join(root, '.calvet');

/** What is installed or made, and follows from the sources. */
const SKIPPED = new Set([
  'node_modules',
  'dist',
  '.expo',
  '.calvet',
  'expo-env.d.ts',
  'methods.html',
  'methods-text.ttf',
  'methods-bold.ttf',
  'methods-figure.ttf',
]);

function filesUnder(path) {
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path)
    .filter((name) => !SKIPPED.has(name))
    .sort()
    .flatMap((name) => filesUnder(join(path, name)));
}

/** One hash over the contents of files and folders of the checkout. */
export function hashOf(paths) {
  const hash = createHash('sha256');
  for (const file of paths.flatMap((path) => filesUnder(join(root, path)))) {
    hash.update(relative(root, file)).update('\0').update(readFileSync(file)).update('\0');
  }
  return hash.digest('hex');
}
