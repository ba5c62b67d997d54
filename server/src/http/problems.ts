import type { Problem } from '@calvet/contract';
import { Refusal } from '@calvet/core';
import type { ErrorRequestHandler, Response } from 'express';
import { NoRoom } from '../photo-store/photo-store';
import { UnknownLedger } from '../service/accept-changes';
import { TooBusy, TooMuch } from '../service/computing';
import { PictureRefused } from '../service/pictures';
import { isUnreachable } from '../store/database';
import { LongQueue } from '../store/turns';

/** An answer of status 400 or above, thrown by a handler. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly field: string,
    detail: string,
    readonly extra: Pick<Problem, 'results' | 'bound'> = {},
    readonly headers: Readonly<Record<string, string>> = {},
  ) {
    super(detail);
  }
}

const TITLES: Readonly<Record<number, string>> = {
  400: 'The request cannot be read',
  403: 'Not from there',
  404: 'There is no such thing',
  405: 'Not done this way',
  409: 'Somebody else changed it meanwhile',
  413: 'The request is too large',
  415: 'The request is of a kind that is not read here',
  421: 'Not known here',
  422: 'The input was refused',
  429: 'Too much at once',
  500: 'The server failed',
  503: 'Not just now',
  507: 'There is no room',
};

/** Codes of the body parser, by its own type of error. */
const UNREADABLE: Readonly<Record<string, readonly [status: number, code: string, detail: string]>> = {
  'entity.too.large': [413, 'body-too-large', 'A request may have 1 MB: send it in parts.'],
  'entity.parse.failed': [400, 'malformed-json', 'The body is not JSON.'],
  'encoding.unsupported': [415, 'unsupported-encoding', 'Send the body plain, or packed with gzip.'],
  'charset.unsupported': [415, 'unsupported-charset', 'Send the body in UTF-8.'],
};

/** What is told of an error, whatever threw it. */
export function problemOf(error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof PictureRefused) return new HttpProblem(422, error.code, 'sha256', error.message);
  if (error instanceof NoRoom) {
    return new HttpProblem(
      507,
      'photo-store-full',
      '',
      'The server has no room for more pictures. They stay on the device until it has.',
    );
  }
  if (error instanceof Refusal) {
    const status = error.code === 'unknown-operation' ? 404 : 422;
    return new HttpProblem(status, error.code, error.field, error.message, { bound: error.bound });
  }
  if (error instanceof UnknownLedger) {
    return new HttpProblem(404, 'unknown-ledger', 'ledgerId', 'No house and no practice has this id.');
  }
  if (error instanceof TooBusy) {
    return new HttpProblem(
      503,
      'busy',
      '',
      'Other long computations are under way: try again in a moment, or compute on the device.',
    );
  }
  if (error instanceof TooMuch) {
    return new HttpProblem(
      422,
      'too-much-to-compute',
      '',
      'This takes longer, or more memory, than a computation may have on the server: give it less, or compute on the device.',
    );
  }
  if (error instanceof LongQueue) {
    return new HttpProblem(
      503,
      'busy',
      '',
      'Others write into this house, and it takes longer than usual: try again in a moment.',
    );
  }
  if (error instanceof URIError) {
    return new HttpProblem(400, 'malformed-path', '', 'The path holds a character that is not encoded.');
  }
  const { type, status } = (error ?? {}) as { readonly type?: unknown; readonly status?: unknown };
  const unreadable = typeof type === 'string' ? UNREADABLE[type] : undefined;
  if (unreadable !== undefined) return new HttpProblem(unreadable[0], unreadable[1], '', unreadable[2]);
  if (typeof status === 'number' && status >= 400 && status < 500) {
    return new HttpProblem(status, 'malformed-request', '', 'The request cannot be read.');
  }
  if (isUnreachable(error)) {
    return new HttpProblem(
      503,
      'database-unavailable',
      '',
      'The database does not answer: try again in a moment.',
    );
  }
  return new HttpProblem(500, 'internal', '', 'Something failed here. What you sent was not stored.');
}

/** The body of an answer that tells of a problem. */
export function problemBody(problem: HttpProblem): Problem {
  return {
    type: `urn:calvet:problem:${problem.code}`,
    title: TITLES[problem.status] ?? 'The request was not carried out',
    status: problem.status,
    detail: problem.message,
    code: problem.code,
    field: problem.field,
    ...problem.extra,
  };
}

function send(response: Response, problem: HttpProblem): void {
  const body: Problem = { ...problemBody(problem), requestId: String(response.req.id) };
  if (problem.status === 503) response.setHeader('retry-after', '2');
  response.set(problem.headers);
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(body));
}

/** Turns whatever a handler threw into `application/problem+json`; only faults of our own are logged as errors. */
export const answerWithProblem: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const problem = problemOf(error);
  if (problem.status >= 500) request.log.error({ err: error }, problem.message);
  send(response, problem);
};
