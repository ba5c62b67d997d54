/** A port of 127.0.0.1 that nothing listens on, below those that a system lends to outgoing connections. */
export function freePort(): Promise<number>;
