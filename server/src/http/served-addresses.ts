import type { Request, RequestHandler } from 'express';
import { HttpProblem } from './problems';

/** Name and port as they stand in an address, the usual port left out. */
function hostIn(address: string): URL | null {
  return URL.canParse(address) ? new URL(address) : null;
}

/** The address of this machine that a request came in on. */
function ownAddress({ socket }: Request): string {
  const address = (socket.localAddress ?? '').replace(/^::ffff:/, '');
  return address.includes(':') ? `[${address}]` : address;
}

/**
 * Refuses requests that were meant for another name, or come from the page of another. Any page in a browser may look up
 * its own name as the address of this machine, and would then be taken for one of ours: it cannot help to say its name.
 * @param addresses under which the server is known, beside `localhost` and the addresses of the machine
 */
export function onlyAs(addresses: readonly URL[]): RequestHandler {
  const hosts = new Set(addresses.map(({ host }) => host));
  const origins = new Set(addresses.map(({ origin }) => origin));
  return (request, _response, next) => {
    const said = request.headers.host ?? '';
    const host = hostIn(`http://${said}`);
    const isServed =
      host !== null &&
      (hosts.has(host.host) || host.hostname === 'localhost' || host.hostname === ownAddress(request));
    if (!isServed) {
      throw new HttpProblem(
        421,
        'other-host',
        'host',
        'This server is not known under that name: whoever runs it sets CALVET_ADDRESSES to the addresses that it has.',
      );
    }
    const { origin } = request.headers;
    const isOwnPage = origin === undefined || origins.has(origin) || hostIn(origin)?.host === host.host;
    if (!isOwnPage) {
      throw new HttpProblem(
        403,
        'other-origin',
        'origin',
        'A page of another address asks: whoever runs this server sets CALVET_ADDRESSES to the addresses that it has.',
      );
    }
    next();
  };
}
