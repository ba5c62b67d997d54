/**
 * Addresses that the app has a page for, as patterns of the server's router, from the folder of its routes; with each the
 * files that are needed to show it.
 */
export function pagesIn(routesFolder: string): Readonly<Record<string, readonly string[]>>;
