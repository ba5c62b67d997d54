import express, { type Request, type RequestHandler } from 'express';
import { HttpProblem } from './problems';

const BODY_BYTES_MAX = 1_000_000;

/** A sender whose body is refused for its size is cut off once nothing has come of it for so long. */
const DRAIN_IDLE_MS = 10_000;

/** Lets a sender finish, so that they hear why they were refused instead of finding the line cut. */
async function readOff(request: Request): Promise<void> {
  await new Promise<void>((resolve) => {
    let timer = setTimeout(resolve, DRAIN_IDLE_MS);
    const end = (): void => {
      clearTimeout(timer);
      resolve();
    };
    request.once('close', end);
    request.once('end', end);
    // Reading it is what lets it go on.
    request.on('data', () => {
      clearTimeout(timer);
      timer = setTimeout(resolve, DRAIN_IDLE_MS);
    });
  });
}

const requireJson: RequestHandler = async (request, _response, next) => {
  if (Number(request.get('content-length') ?? 0) > BODY_BYTES_MAX) {
    await readOff(request);
    throw new HttpProblem(413, 'body-too-large', '', 'A request may have 1 MB: send it in parts.');
  }
  if (request.is('application/json') === false) {
    throw new HttpProblem(415, 'not-json', '', 'Send JSON, with the content type application/json.');
  }
  next();
};

const sizes = new WeakMap<object, number>();

/** How large the body of a request is that was read, unpacked. */
export const bytesOf = (request: Request): number => sizes.get(request) ?? 0;

/** Reads a body, which is JSON of at most 1 MB. */
export const jsonBody: readonly RequestHandler[] = [
  requireJson,
  express.json({
    limit: BODY_BYTES_MAX,
    strict: false,
    verify: (request, _response, body) => void sizes.set(request, body.length),
  }),
];
