import { AUTHOR_HEADER, CLOCK_HEADER, DEVICE_HEADER, PRACTICE_ID, type Author } from '@calvet/contract';
import type { Request, RequestHandler, Response } from 'express';
import { uuid } from '@calvet/contract/schemas';
import type { Principal } from '../service/rights';
import { HttpProblem } from './problems';

const AUTHOR_MAX = 120;
const UNNAMED = 'unnamed';

const deviceId = uuid().allow('');

function clockOf(request: Request): Date | null {
  const time = Date.parse(request.get(CLOCK_HEADER) ?? '');
  return Number.isNaN(time) ? null : new Date(time);
}

function authorOf(request: Request): Author {
  const header = request.get(AUTHOR_HEADER) ?? '';
  let name = header;
  try {
    name = decodeURIComponent(header);
  } catch {
    // A name that is not percent-encoded is taken as it stands.
  }
  const { value: device, error } = deviceId.validate(request.get(DEVICE_HEADER) ?? '');
  if (error !== undefined)
    throw new HttpProblem(422, 'malformed-id', DEVICE_HEADER, 'The id of a device is a UUID.');
  return {
    name: name.trim().slice(0, AUTHOR_MAX) || UNNAMED,
    device: device as string,
    now: new Date(),
    clock: clockOf(request),
  };
}

/** Finds out who asks. */
export type Recognise = (request: Request) => Principal;

/**
 * Nobody logs in yet: whoever reaches the server may read and write everything, under the name that the device sends. What
 * they may do is for the table of rights to say, and what they knew for their changes.
 */
export const recogniseAnybody: Recognise = (request) => ({
  who: authorOf(request),
  practice: PRACTICE_ID,
  role: 'all',
});

/** The one place where a request gets its principal: each comes by here before a handler sees it. */
export const recognise =
  (by: Recognise): RequestHandler =>
  (request, response, next) => {
    response.locals.principal = by(request);
    next();
  };

/** Who sent a request that came by `recognise`. */
export function whoAsks({ locals }: Response): Principal {
  return locals.principal as Principal;
}
