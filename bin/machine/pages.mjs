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

/** Files that one imports; with those that are seen at once where it is shown, and not only read. */
function importsOf(file, isShown) {
  const text = readFileSync(file, 'utf8');
  const found = [
    ...text.matchAll(STATIC),
    ...(isShown && SEEN_AT_ONCE.test(file) ? text.matchAll(ASYNC) : []),
  ];
  return found.flatMap(([, from, alone]) => resolved(file, from ?? alone) ?? []);
}

/** Every file of the app's own that these lead to, themselves among them. */
function reachedFrom(files, isShown) {
  const reached = new Set(files);
  for (const file of reached) for (const next of importsOf(file, isShown)) reached.add(next);
  return reached;
}

const isLayout = (file) => /(^|\/)_layout\.tsx$/.test(file);

/** True where a route stands in a layout. */
const standsIn = (route, layout) => dirname(layout) === '.' || route.startsWith(`${dirname(layout)}/`);

const isRoute = (file) => file.endsWith('.tsx') && !/(^|\/)[_+]/.test(file);

/** The address of a route as a pattern of the server's router: "/houses/:houseId/fill". */
const addressOf = (route) =>
  `/${route.replace(/\.tsx$/, '').replace(/(^|\/)index$/, '')}`
    .replaceAll(/\[(\w+)\]/g, ':$1')
    .replace(/(.)\/$/, '$1');

/**
 * Addresses that the app has a page for, and for each the files of the app that are needed to show it, by their paths
 * within the app's folder. They follow from the files of the routes and what those import. The router reads every layout
 * before it shows anything.
 * @returns {Record<string, string[]>}
 */
export function pagesIn(routesFolder) {
  const appFolder = resolve(routesFolder, '..', '..');
  const inRoutes = (file) => join(routesFolder, file);
  const all = readdirSync(routesFolder, { recursive: true }).map(String);
  const layouts = all.filter(isLayout);
  const read = reachedFrom(layouts.map(inRoutes), false);
  const pages = all.filter(isRoute).map((route) => {
    const around = layouts.filter((layout) => standsIn(route, layout));
    const shown = reachedFrom([route, ...around].map(inRoutes), true);
    const files = [...new Set([...shown, ...read])];
    return [addressOf(route), files.map((file) => relative(appFolder, file))];
  });
  return Object.fromEntries(pages.sort(([a], [b]) => (a < b ? -1 : 1)));
}
