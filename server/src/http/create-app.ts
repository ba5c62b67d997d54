import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { API } from '@calvet/contract';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { apiRouter, type ApiOptions } from './api';
import { answerWithProblem } from './problems';

export interface AppOptions extends ApiOptions {
  readonly log: Logger;
  /** Folder of the exported web app; none is served where left out. */
  readonly webFolder?: string;
}

/** Files whose name carries a hash of their content never change. */
const HASHED = /[.-][0-9a-f]{16,32}\./;

/** Addresses that the exported app has a page for; null where it does not say, as while it is being developed. */
function pagesOf(folder: string): string[] | null {
  const file = join(folder, 'pages.json');
  return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as string[]) : null;
}

function serveWeb(app: Express, folder: string): void {
  const page =
    (status: number): RequestHandler =>
    (request, response, next) => {
      const isPage = request.accepts('html') !== false && !/\.\w+$/.test(request.path);
      if (!isPage) {
        next();
        return;
      }
      response.status(status).setHeader('cache-control', 'no-cache');
      response.sendFile(join(folder, 'index.html'));
    };
  app.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, path) => {
        response.setHeader(
          'cache-control',
          HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache',
        );
      },
    }),
  );
  app.get(pagesOf(folder) ?? '/{*path}', page(200));
  // The app itself says that nothing is there, and leads on.
  app.get('/{*path}', page(404));
}

/** App and API behind one port. */
export function createApp({ log, webFolder, ...api }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger: log,
      genReqId: (_request, response) => {
        const id = randomUUID();
        response.setHeader('x-request-id', id);
        return id;
      },
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: true,
        directives: {
          'script-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'worker-src': ["'self'", 'blob:'],
          'connect-src': ["'self'"],
          'font-src': ["'self'"],
          'upgrade-insecure-requests': null,
        },
      },
    }),
  );
  app.use(compression());
  app.use(API, apiRouter(api));
  if (webFolder !== undefined) serveWeb(app, webFolder);
  app.use((_request, response) => {
    response.status(404).type('text/plain').send('Nothing is here.');
  });
  app.use(answerWithProblem);
  return app;
}
