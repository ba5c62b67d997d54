import { useSyncExternalStore } from 'react';
import { Listeners } from './listeners';

const WORKER = '/service-worker.js';
const START_MS = 3000;
const IDLE_MS = 20_000;
const AGAIN_MS = 30_000;
/** How often a page that stays open asks whether there is a newer version. */
const ASK_MS = 30 * 60_000;

let waiting: ServiceWorker | null = null;
let isWanted = false;
let isSuperseded = false;
const listeners = new Listeners();

function found(worker: ServiceWorker): void {
  waiting = worker;
  listeners.tell();
}

/** A newer version that is fetched and waits until the one in use is done with. */
function watch(registration: ServiceWorkerRegistration): void {
  if (registration.waiting !== null) found(registration.waiting);
  registration.addEventListener('updatefound', () => {
    const { installing } = registration;
    installing?.addEventListener('statechange', () => {
      const isUpdate = navigator.serviceWorker.controller !== null;
      if (installing.state === 'installed' && isUpdate) found(installing);
    });
  });
  setInterval(() => void registration.update().catch(() => undefined), ASK_MS);
}

/** Calls when the page has nothing else to do, or cannot wait any longer. */
function whenIdle(call: () => void): void {
  if (typeof requestIdleCallback === 'undefined') call();
  else requestIdleCallback(call, { timeout: IDLE_MS });
}

/** Keeps the app itself on the device, so that it opens without a signal; tried again until there is one. */
async function keepApp(): Promise<void> {
  try {
    watch(await navigator.serviceWorker.register(WORKER));
  } catch {
    setTimeout(() => void keepApp(), AGAIN_MS);
  }
}

if (
  process.env.NODE_ENV === 'production' &&
  typeof navigator !== 'undefined' &&
  'serviceWorker' in navigator
) {
  // The first screen comes first: keeping the app means fetching all of it.
  const start = () => setTimeout(() => whenIdle(() => void keepApp()), START_MS);
  let isControlled = navigator.serviceWorker.controller !== null;
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    if (isWanted) {
      location.reload();
      return;
    }
    // Another tab took a newer version up: this one goes on with pieces that may not be there any more.
    isSuperseded = isControlled;
    isControlled = true;
    listeners.tell();
  });
  if (document.readyState === 'complete') start();
  else window.addEventListener('load', start);
}

/** True while a newer version waits. */
export function isNewVersionWaiting(): boolean {
  return waiting !== null;
}

/** True while a newer version waits. It is taken up when the person says so, never in the middle of an entry. */
export function useNewVersion(): boolean {
  return useSyncExternalStore(listeners.subscribe, isNewVersionWaiting, () => false);
}

/** True where another tab took a newer version up, so that this one has to be opened anew. */
export function isNewVersionInUse(): boolean {
  return isSuperseded;
}

/** True where another tab took a newer version up, so that this one has to be opened anew. */
export function useNewVersionInUse(): boolean {
  return useSyncExternalStore(listeners.subscribe, isNewVersionInUse, () => false);
}

/** Changes over to the newer version; what was entered is kept on the device. */
export function takeNewVersion(): void {
  isWanted = true;
  waiting?.postMessage({ type: 'SKIP_WAITING' });
}
