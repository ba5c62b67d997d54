import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { root } from './machine/checkout.mjs';
import { exitWith, Trouble } from './machine/processes.mjs';

const held = join(root, 'core', 'vectors');
const CORRECTED = 'corrected';

const jsonIn = (folder) => readdirSync(folder).filter((name) => name.endsWith('.json'));
const foldersIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => (entry.isDirectory() ? [entry.name] : []));

/** The files of a folder of vectors, each with its place in the copy: what was corrected in place of what it corrects. */
function filesOf(from, parts) {
  const files = new Map(jsonIn(from).map((name) => [name, join(from, name)]));
  for (const part of parts) {
    const folder = join(from, part);
    if (!existsSync(folder)) throw new Trouble(`There is no folder “${part}” in ${from}.`);
    for (const name of jsonIn(folder)) files.set(join(part, name), join(folder, name));
  }
  const corrected = join(from, CORRECTED);
  if (!existsSync(corrected)) return files;
  for (const name of jsonIn(corrected)) {
    const place = [...files.keys()].find((each) => each.split('/').at(-1) === name) ?? name;
    files.set(place, join(corrected, name));
  }
  return files;
}

const same = (one, other) => existsSync(other) && readFileSync(one).equals(readFileSync(other));

/** Copies vectors into the checkout, from where alone the tests read them, and says what is new. */
function main([from = join(root, '..', 'shared', 'vectors'), ...parts]) {
  if (!existsSync(from))
    throw new Trouble(`There is no folder ${from}: give the one that holds the vectors.`);
  const taken = new Set([...parts, ...foldersIn(held)]);
  const changed = [...filesOf(from, [...taken])].filter(([place, file]) => !same(file, join(held, place)));
  for (const [place, file] of changed) {
    mkdirSync(dirname(join(held, place)), { recursive: true });
    copyFileSync(file, join(held, place));
    console.log(`${relative(root, join(held, place))} is new`);
  }
  const left = foldersIn(from).filter((name) => name !== CORRECTED && !taken.has(name));
  if (left.length > 0) console.log(`Left, since they were not asked for: ${left.join(', ')}.`);
  if (changed.length === 0) console.log('Nothing is new.');
}

try {
  main(process.argv.slice(2));
} catch (error) {
  exitWith(error);
}
