import { randomUUID } from 'node:crypto';
import { API } from '@calvet/contract';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { apiRouter, type ApiOptions } from './api';
import { answerWithProblem } from './problems';
import { serveWeb } from './web-app';

export interface AppOptions extends ApiOptions {
  readonly log: Logger;
  /** Folder of the exported web app; none is served where left out. */
  readonly webFolder?: string;
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
