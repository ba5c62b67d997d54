import { AUTHOR_HEADER, CLOCK_HEADER, DEVICE_HEADER, type Author } from '@calvet/contract';
import type { Request, RequestHandler, Response } from 'express';
import Joi from 'joi';

const AUTHOR_MAX = 120;
const UNNAMED = 'unnamed';

const deviceId = Joi.string().guid({ separator: '-' }).lowercase().allow('');

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
  return {
    name: name.trim().slice(0, AUTHOR_MAX) || UNNAMED,
    device: error === undefined ? (device as string) : '',
    now: new Date(),
    clock: clockOf(request),
  };
}

/**
 * The one place where it is decided what a request may do: each comes by here before a handler sees it. Nobody logs in
 * yet, so that whoever reaches the server may read and write everything, under the name that the device sends.
 */
export const decideRights: RequestHandler = (request, response, next) => {
  response.locals.author = authorOf(request);
  next();
};

/** Who sent a request that came by `decideRights`. */
export function whoAsks({ locals }: Response): Author {
  return locals.author as Author;
}
