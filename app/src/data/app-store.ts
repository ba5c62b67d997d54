import { createApi } from './api';
import { deviceClock } from './clock';
import { deviceId } from './device';
import { LocalDatabase } from './local-database';
import { authorOnDevice, followUnits } from './preferences';
import { askToPersist } from './space';
import { createStore, type Store } from './store';
import { practiceIn } from './waiting';
import type { Channel } from './tabs';

const NAME = 'calvet';

const isVisible = (): boolean => document.visibilityState === 'visible';

/** The store of this browser: with its database, its locks, its tabs and its network. */
function openAppStore(): Store {
  const store = createStore({
    api: createApi({
      fetch: (input, init) => fetch(input, init),
      author: authorOnDevice,
      device: deviceId,
      now: deviceClock.now,
    }),
    clock: deviceClock,
    openLocal: typeof indexedDB === 'undefined' ? null : (options) => LocalDatabase.open(options),
    name: NAME,
    locks: (navigator as Partial<Navigator>).locks ?? null,
    channel: typeof BroadcastChannel === 'undefined' ? null : (new BroadcastChannel(NAME) as Channel),
    isVisible,
    openStream: typeof EventSource === 'undefined' ? null : (path) => new EventSource(path) as never,
  });
  const follow = () => followUnits(practiceIn(store.copies.all(), store.outbox.getState())?.units);
  store.copies.subscribe(follow);
  store.outbox.subscribe(follow);
  void store.start();
  document.addEventListener('visibilitychange', () => store.lookedAt(isVisible()));
  window.addEventListener('online', store.tryNow);
  window.addEventListener('beforeunload', (event) => {
    const { pending, troubled } = store.outbox.getState();
    const isKept = store.keeping.where() === 'device' && store.keeping.hasRoom();
    if (!isKept && pending.length + troubled.length > 0) event.preventDefault();
  });
  store.outbox.subscribe(() => {
    if (store.outbox.getState().pending.length > 0) askToPersist();
  });
  return store;
}

let opened: Store | null = null;

/** The one store of this page, opened when it is first asked for. */
export function appStore(): Store {
  return (opened ??= openAppStore());
}
