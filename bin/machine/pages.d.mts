/** Addresses that the app has a page for, as patterns of the server's router, from the folder of its routes. */
export function pagesIn(routesFolder: string): readonly string[];
