import type { Request, RequestHandler } from 'express';
import ipaddr from 'ipaddr.js';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { HttpProblem } from './problems';

/** What one address may ask of a server; 0 where it may ask as much as it likes. Each server process counts for itself. */
export interface AddressLimits {
  readonly requestsAMinute: number;
  /** Of bodies. */
  readonly bytesAMinute: number;
  /** Pictures announced. */
  readonly uploadsAMinute: number;
  /** Open at the same time. */
  readonly listeners: number;
  /** Under way at the same time. */
  readonly computations: number;
}

export const NO_LIMITS: AddressLimits = {
  requestsAMinute: 0,
  bytesAMinute: 0,
  uploadsAMinute: 0,
  listeners: 0,
  computations: 0,
};

const MINUTE_S = 60;
/** When to ask again where it is others of the same address that have to end first. */
const AT_ONCE_RETRY_S = 5;

const tooMany = (what: string, retryAfterS: number) =>
  new HttpProblem(
    429,
    'too-many',
    '',
    `From this address come too many ${what}: try again in ${retryAfterS} seconds.`,
    {},
    { 'retry-after': String(retryAfterS) },
  );

/** Who a limit is for: an IPv4 address, or the network that a provider gives to one customer of IPv6. */
export function customerOf(address: string): string {
  const parsed = ipaddr.parse(address);
  if (parsed.kind() === 'ipv4') return parsed.toString();
  const ipv6 = parsed as ipaddr.IPv6;
  return ipv6.isIPv4MappedAddress() ? ipv6.toIPv4Address().toString() : ipv6.parts.slice(0, 4).join(':');
}

const addressOf = (request: Request): string => customerOf(request.ip ?? '0.0.0.0');

/** Takes so much from what an address has for a minute; throws where nothing is left. */
type Spend = (address: string, points: number) => Promise<void>;

function aMinute(what: string, points: number): Spend {
  if (points === 0) return () => Promise.resolve();
  const limiter = new RateLimiterMemory({ points, duration: MINUTE_S });
  return async (address, spent) => {
    if (spent === 0) return;
    try {
      await limiter.consume(address, spent);
    } catch (error) {
      if (error instanceof RateLimiterRes) throw tooMany(what, Math.ceil(error.msBeforeNext / 1000));
      throw error;
    }
  };
}

/** Counts what an address has open until its answer is over. */
function atOnce(what: string, most: number): RequestHandler {
  const open = new Map<string, number>();
  return (request, response, next) => {
    if (most === 0) {
      next();
      return;
    }
    const address = addressOf(request);
    const others = open.get(address) ?? 0;
    if (others >= most) throw tooMany(what, AT_ONCE_RETRY_S);
    open.set(address, others + 1);
    response.on('close', () => {
      const left = (open.get(address) ?? 1) - 1;
      if (left > 0) open.set(address, left);
      else open.delete(address);
    });
    next();
  };
}

/** Handlers that stand before those that they guard, and refuse with 429 what is beyond a limit. */
export interface Guards {
  /** Every request, and the bytes that it says it brings. */
  readonly requests: RequestHandler;
  readonly uploads: RequestHandler;
  readonly listeners: RequestHandler;
  readonly computations: RequestHandler;
}

/** How much a request brings; as much as it may where it does not say. */
function bytesComing(request: Request): number {
  const length = Number(request.get('content-length') ?? 0);
  const isUnsaid = request.get('transfer-encoding') !== undefined;
  return isUnsaid ? UNSAID_BYTES : length;
}

const UNSAID_BYTES = 1_000_000;

export function guardsOf(limits: AddressLimits): Guards {
  const requests = aMinute('requests', limits.requestsAMinute);
  const bytes = aMinute('bytes', limits.bytesAMinute);
  const uploads = aMinute('pictures at once', limits.uploadsAMinute);
  return {
    requests: async (request, _response, next) => {
      const address = addressOf(request);
      await requests(address, 1);
      await bytes(address, bytesComing(request));
      next();
    },
    uploads: async (request, _response, next) => {
      if (request.method === 'POST') await uploads(addressOf(request), 1);
      next();
    },
    listeners: atOnce('listeners', limits.listeners),
    computations: atOnce('computations', limits.computations),
  };
}
