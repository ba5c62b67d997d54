import { spawn } from 'node:child_process';
import { setTimeout as pause } from 'node:timers/promises';
import { root } from './checkout.mjs';

/** A message for the person at the terminal, without a stack. */
export class Trouble extends Error {}

/** Ends a command: a plain message for what a person can mend, a stack for what is our fault. */
export function exitWith(error) {
  console.error(error instanceof Trouble ? error.message : error);
  process.exit(1);
}

/** Runs a command to its end; resolves to its exit code, `null` where it was ended by a signal. */
export function run(command, args, { env = {}, cwd = root, quiet = false } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: ['ignore', quiet ? 'ignore' : 'inherit', quiet ? 'ignore' : 'inherit'],
    });
    child.on('error', reject);
    child.on('close', resolve);
  });
}

/** Runs a command and gives back what it printed; the code says how it ended. */
export function capture(command, args, { env = {}, cwd = root } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let output = '';
    child.stdout.on('data', (data) => (output += data));
    child.stderr.on('data', (data) => (output += data));
    child.on('error', (error) => resolve({ code: 127, output: String(error) }));
    child.on('close', (code) => resolve({ code, output }));
  });
}

/** Runs a command that must succeed. */
export async function mustRun(command, args, options) {
  const code = await run(command, args, options);
  if (code !== 0) throw new Trouble(`"${command} ${args.join(' ')}" failed (${code}).`);
}

/** Asks until the answer is true, or throws when time is up or `gaveUp` says so. */
export async function waitUntil(ask, { seconds = 60, what, gaveUp = () => false }) {
  const end = Date.now() + seconds * 1000;
  while (Date.now() < end) {
    if (await ask()) return;
    if (gaveUp()) break;
    await pause(60);
  }
  throw new Trouble(`${what} did not come up.`);
}

/** True where something answers on a URL with a status below 400. */
export async function answers(url) {
  try {
    return (await fetch(url, { signal: AbortSignal.timeout(2000) })).ok;
  } catch {
    return false;
  }
}

/** Asks a child to stop and waits for it; insists after ten seconds. */
export async function stopChild(child) {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  const insist = setTimeout(() => child.kill('SIGKILL'), 10_000);
  await ended;
  clearTimeout(insist);
}

/** What a command has started, to be stopped together, the last first: by `stop`, or by a signal. */
export function startedParts() {
  const parts = [];
  const stop = async () => {
    for (const part of parts.splice(0).reverse()) await part.stop();
  };
  stopOnSignal(stop);
  return {
    add: (part) => {
      parts.push(part);
      return part;
    },
    isEmpty: () => parts.length === 0,
    stop,
  };
}

/** Calls `stop` once on Ctrl-C or SIGTERM and then ends this process. */
export function stopOnSignal(stop) {
  let stopping = false;
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
    process.on(signal, () => {
      if (stopping) return;
      stopping = true;
      void stop().finally(() => process.exit(0));
    });
  }
}
