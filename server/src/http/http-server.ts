import { createServer, type RequestListener, type Server } from 'node:http';

/**
 * Longer than what asks keeps a connection that nothing goes over, proxies with their usual 60 s among them: it is not for
 * the server to close one at the very moment at which the next request comes in on it.
 */
const KEEP_ALIVE_MS = 75_000;

/** Whoever has not said what they ask for by then is not waited for. */
const HEADERS_MS = 20_000;

/** A server for an app. */
export function httpServer(app: RequestListener): Server {
  return createServer({ keepAliveTimeout: KEEP_ALIVE_MS, headersTimeout: HEADERS_MS }, app);
}
