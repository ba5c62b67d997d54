import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Express, RequestHandler } from 'express';
import staticFiles from 'express-static-gzip';

/** Files whose name carries a hash of their content never change. */
const HASHED = /[.-][0-9a-f]{16,32}\./;

/** Scripts that an address needs beside those of every page, by address. */
type Pages = Readonly<Record<string, readonly string[]>>;

/** Addresses that the exported app has a page for; null where it does not say, as while it is being developed. */
function pagesOf(folder: string): Pages | null {
  const file = join(folder, 'pages.json');
  return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Pages) : null;
}

/** The page with scripts named in it that it will ask for, so that they come together with those of every page. */
function withScripts(page: string, scripts: readonly string[]): string {
  const links = scripts.map((href) => `<link rel="preload" href="${href}" as="script" />`);
  return page.replace('</head>', () => `${links.join('')}</head>`);
}

/** Answers with a page of the app, unless something else was asked for. */
function pageHandler(page: string, status: number): RequestHandler {
  return (request, response, next) => {
    const isPage = request.accepts('html') !== false && !/\.\w+$/.test(request.path);
    if (!isPage) {
      next();
      return;
    }
    response.status(status).setHeader('cache-control', 'no-cache');
    response.type('html').send(page);
  };
}

/** Serves the exported app: its files, packed as they were when it was made, and one page for every address. */
export function serveWeb(app: Express, folder: string): void {
  const setHeaders = (response: { setHeader: (name: string, value: string) => void }, path: string): void => {
    response.setHeader(
      'cache-control',
      HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache',
    );
  };
  app.use(
    staticFiles(folder, {
      enableBrotli: true,
      orderPreference: ['br', 'gzip'],
      index: false,
      serveStatic: { setHeaders },
    }),
  );
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const pages = pagesOf(folder);
  if (pages === null) app.get('/{*path}', pageHandler(page, 200));
  for (const [address, scripts] of Object.entries(pages ?? {})) {
    app.get(address, pageHandler(withScripts(page, scripts), 200));
  }
  // The app itself says that nothing is there, and leads on.
  app.get('/{*path}', pageHandler(page, 404));
}
