import { createApi } from '../src/data/api';
import { deviceClock } from '../src/data/clock';
import { createStore, type Store } from '../src/data/store';

/** A store with neither a device nor a server behind it. */
export function testStore(more: Partial<Store> = {}): Store {
  const store = createStore({
    api: createApi({
      fetch: () => Promise.reject(new TypeError('There is no network in this test.')),
      author: () => 'Ada',
      device: '',
      now: deviceClock.now,
    }),
    clock: deviceClock,
    openLocal: null,
    name: 'test',
    locks: null,
    channel: null,
    isVisible: () => false,
    openStream: null,
  });
  return { ...store, ...more };
}
