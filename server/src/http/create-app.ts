import { randomUUID } from 'node:crypto';
import { API } from '@calvet/contract';
import compression from 'compression';
import express, { type Express, type Request, type RequestHandler, type Response } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { apiRouter, type ApiOptions } from './api';
import { asLogged } from './log';
import { answerWithProblem, HttpProblem } from './problems';
import { onlyAs } from './served-addresses';
import { serveWeb } from './web-app';

export interface AppOptions extends ApiOptions {
  readonly log: Logger;
  /** Folder of the exported web app; none is served where it is null. */
  readonly webFolder: string | null;
  /** Origins under which browsers reach it, beside the machine's own addresses. */
  readonly addresses: readonly URL[];
  /** Addresses of proxies whose word on who asks is taken; empty where none is. */
  readonly trustedProxies: string;
}

/** What is smaller goes into the first packets of a line as it is, and packing it costs more than it saves. */
const PACKED_FROM_BYTES = 8192;

const YEAR_S = 365 * 24 * 3600;

const pathIn = (url: string): string => url.split('?')[0] ?? '';

/** Under every version of the API, also those that there are not, answers are for programs. */
const noSuchPath: RequestHandler = ({ method, originalUrl }) => {
  throw new HttpProblem(404, 'unknown-path', '', `Nothing answers ${method} ${pathIn(originalUrl)}.`);
};

/** App and API behind one port. */
export function createApp({ log, webFolder, addresses, trustedProxies, ...api }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.disable('etag');
  if (trustedProxies !== '') app.set('trust proxy', trustedProxies);
  app.use(
    pinoHttp({
      logger: log,
      genReqId: (_request, response) => {
        const id = randomUUID();
        response.setHeader('x-request-id', id);
        return id;
      },
      // A line for each request, with no header and nothing of what it brought.
      customLogLevel: () => 'debug',
      wrapSerializers: false,
      serializers: {
        err: asLogged,
        req: ({ id, method, originalUrl }: Request) => ({ id, method, path: pathIn(originalUrl) }),
        res: ({ statusCode }: Response) => ({ statusCode }),
      },
    }),
  );
  const isOverTls = addresses.some(({ protocol }) => protocol === 'https:');
  app.use(
    helmet({
      // A name that browsers know to be served by TLS only; others of the same domain are not ours to speak for.
      strictTransportSecurity: isOverTls ? { maxAge: YEAR_S, includeSubDomains: false } : false,
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
  app.use(onlyAs(addresses));
  app.use(compression({ threshold: PACKED_FROM_BYTES }));
  app.use(API, apiRouter(api));
  app.use('/api', noSuchPath);
  if (webFolder !== null) serveWeb(app, webFolder);
  app.use((_request, response) => {
    response.status(404).type('text/plain').send('Nothing is here.');
  });
  app.use(answerWithProblem);
  return app;
}
