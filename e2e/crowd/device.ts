import 'fake-indexeddb/auto';
import { createApi } from '../../app/src/data/api';
import { LocalDatabase } from '../../app/src/data/local-database';
import { createStore, type Store } from '../../app/src/data/store';
import type { Channel, Locks } from '../../app/src/data/tabs';
import { v7 } from 'uuid';

/** Locks as a browser has them: one holder a name, the others in a queue. */
class DeviceLocks implements Locks {
  private readonly tails = new Map<string, Promise<void>>();

  request(name: string, holding: () => Promise<void>): Promise<void> {
    const turn = (this.tails.get(name) ?? Promise.resolve()).then(holding);
    this.tails.set(
      name,
      turn.catch(() => undefined),
    );
    return turn;
  }
}

/** What a network does to one request. */
export type Weather =
  | 'fine'
  /** Nothing leaves. */
  | 'offline'
  /** The request arrives, its answer does not. */
  | 'answer lost'
  /** Somebody else answers, and says 200. */
  | 'portal'
  /** A gateway that is not ready. */
  | 'gateway'
  /** A limit on requests. */
  | 'too many'
  /** An empty answer that looks like one. */
  | 'empty';

const html = '<!doctype html><title>Sign in</title><p>Welcome. Please sign in.</p>';

function answerOf(weather: Weather): Response {
  switch (weather) {
    case 'portal':
      return new Response(html, { status: 200, headers: { 'content-type': 'text/html' } });
    case 'gateway':
      return new Response('<h1>502</h1>', { status: 502, headers: { 'content-type': 'text/html' } });
    case 'too many':
      return new Response('', { status: 429, headers: { 'retry-after': '0' } });
    case 'empty':
      return new Response('{"results": []}', { headers: { 'content-type': 'application/json' } });
    default:
      throw new TypeError('fetch failed');
  }
}

interface DeviceOptions {
  /** Where the server is just now. */
  readonly server: () => string;
  /** What becomes of the next request; a function of its path and body where that matters. */
  readonly weather: () => Weather | ((path: string, body: string) => Weather | Response);
  /** How far the clock is off, in milliseconds. */
  readonly clockOff?: number;
  readonly random: () => number;
}

/** A device with a browser: tabs that share a database, locks and messages. Every tab is the app's own store. */
export class Device {
  readonly id = v7();
  readonly name = `device-${this.id}`;
  readonly tabs: Store[] = [];
  private readonly locks = new DeviceLocks();

  constructor(private readonly options: DeviceOptions) {}

  readonly now = (): number => Date.now() + (this.options.clockOff ?? 0);

  /** Opens another tab. */
  async openTab(): Promise<Store> {
    const { random } = this.options;
    const channel = new BroadcastChannel(this.name);
    const store = createStore({
      api: createApi({
        fetch: (path, init) => this.fetch(path as string, init),
        author: () => `Person of ${this.id.slice(-4)}`,
        device: this.id,
        now: this.now,
        timeoutMs: 5000,
      }),
      clock: {
        now: this.now,
        after: (milliseconds, call) => {
          const timer = setTimeout(call, milliseconds);
          return () => clearTimeout(timer);
        },
        random,
      },
      openLocal: (options) => LocalDatabase.open({ ...options, name: this.name }),
      name: this.name,
      locks: this.locks,
      channel: channel as unknown as Channel,
      isVisible: () => true,
      openStream: null,
      gatherMs: 4,
      retryMs: [5, 10, 20, 30],
      faultMs: 10,
    });
    this.tabs.push(store);
    await store.start();
    return store;
  }

  /** Ends a tab as a browser that is killed does, once what was entered in it is on the device. */
  async kill(tab: Store): Promise<void> {
    // Where the database answers late, what was entered is in the page alone until then, which says so.
    while (tab.keeping.database() === null) await new Promise((resolve) => setTimeout(resolve, 5));
    await tab.keeping.database()?.settled();
    tab.close();
    this.tabs.splice(this.tabs.indexOf(tab), 1);
  }

  async close(): Promise<void> {
    for (const tab of [...this.tabs]) await this.kill(tab);
    indexedDB.deleteDatabase(this.name);
  }

  private async fetch(path: string, init?: RequestInit): Promise<Response> {
    const given = this.options.weather();
    const weather = typeof given === 'function' ? given(path, String(init?.body ?? '')) : given;
    if (weather instanceof Response) return weather;
    if (weather !== 'fine' && weather !== 'answer lost') return answerOf(weather);
    const response = await fetch(this.options.server() + path, init);
    if (weather === 'fine') return response;
    await response.arrayBuffer();
    throw new TypeError('fetch failed');
  }
}
