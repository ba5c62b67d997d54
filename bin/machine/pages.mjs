import { readdirSync } from 'node:fs';

/**
 * Addresses that the app has a page for, as patterns of the server's router: "/houses/:houseId/fill". They follow from the
 * files of the routes.
 */
export function pagesIn(routesFolder) {
  return readdirSync(routesFolder, { recursive: true })
    .map(String)
    .filter((file) => file.endsWith('.tsx') && !/(^|\/)[_+]/.test(file))
    .map((file) => `/${file.replace(/\.tsx$/, '').replace(/(^|\/)index$/, '')}`)
    .map((path) => path.replaceAll(/\[(\w+)\]/g, ':$1').replace(/(.)\/$/, '$1'))
    .sort();
}
