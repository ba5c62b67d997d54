import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';

const ENDINGS = ['', '.ts', '.tsx', '/index.ts', '/index.tsx'];
const STATIC = /^(?:import|export)\s(?!type\s)[^;]*?from\s+'(\.[^']+)'|^import\s+'(\.[^']+)'/gm;
const ASYNC = /\bimport\('(\.[^']+)'\)/g;
/** Files that bring in a part of the page which is seen as it opens; other pieces wait until they are asked for. */
const SEEN_AT_ONCE = /-on-demand\.tsx?$/;

function resolved(file, wanted) {
  const path = resolve(dirname(file), wanted);
  return ENDINGS.map((ending) => path + ending).find((each) => existsSync(each) && /\.tsx?$/.test(each));
}

function importsOf(file) {
  const text = readFileSync(file, 'utf8');
  const found = [...text.matchAll(STATIC), ...(SEEN_AT_ONCE.test(file) ? text.matchAll(ASYNC) : [])];
  return found.flatMap(([, from, alone]) => resolved(file, from ?? alone) ?? []);
}

/** Every file of the app's own that these lead to, themselves among them. */
function reachedFrom(files) {
  const reached = new Set(files);
  for (const file of reached) for (const next of importsOf(file)) reached.add(next);
  return reached;
}

/** Layouts that a route stands in, the outermost first. */
function layoutsOf(routesFolder, route) {
  const folders = dirname(route).split('/');
  return folders
    .map((_folder, i) => join(routesFolder, ...folders.slice(0, i + 1), '_layout.tsx'))
    .concat(join(routesFolder, '_layout.tsx'))
    .filter((file) => existsSync(file));
}

const isRoute = (file) => file.endsWith('.tsx') && !/(^|\/)[_+]/.test(file);

/** The address of a route as a pattern of the server's router: "/houses/:houseId/fill". */
const addressOf = (route) =>
  `/${route.replace(/\.tsx$/, '').replace(/(^|\/)index$/, '')}`
    .replaceAll(/\[(\w+)\]/g, ':$1')
    .replace(/(.)\/$/, '$1');

/**
 * Addresses that the app has a page for, and for each the files of the app that are needed to show it, by their paths
 * within the app's folder. They follow from the files of the routes and what those import.
 * @returns {Record<string, string[]>}
 */
export function pagesIn(routesFolder) {
  const appFolder = resolve(routesFolder, '..', '..');
  const pages = readdirSync(routesFolder, { recursive: true })
    .map(String)
    .filter(isRoute)
    .map((route) => {
      const files = [join(routesFolder, route), ...layoutsOf(routesFolder, route)];
      return [addressOf(route), [...reachedFrom(files)].map((file) => relative(appFolder, file))];
    });
  return Object.fromEntries(pages.sort(([a], [b]) => (a < b ? -1 : 1)));
}
