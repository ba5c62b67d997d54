import { createServer } from 'node:net';

/*
 * Below the ports that a system lends to outgoing connections: there, another program's connection may take a port between
 * two starts of a server, and asking again and again whether a server is up may end in a connection of the port to itself.
 */
const [FIRST, LAST] = [20_000, 31_999];
const ATTEMPTS = 50;

/** True where nobody listens on a port of this machine. */
export function isFree(port) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
}

/** A port of 127.0.0.1 that nothing listens on. */
export async function freePort() {
  for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
    const port = FIRST + Math.floor(Math.random() * (LAST - FIRST + 1));
    if (await isFree(port)) return port;
  }
  throw new Error(`No port between ${FIRST} and ${LAST} is free.`);
}
