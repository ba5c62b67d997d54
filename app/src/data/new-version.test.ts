import type * as NewVersion from './new-version';

/** A service worker, and its registration, as far as a newer version goes. */
class Worker extends EventTarget {
  state = 'installing';
  readonly told: unknown[] = [];
  postMessage(message: unknown): void {
    this.told.push(message);
  }
  become(state: string): void {
    this.state = state;
    this.dispatchEvent(new Event('statechange'));
  }
}
class Registration extends EventTarget {
  waiting: Worker | null = null;
  installing: Worker | null = null;
  readonly update = jest.fn(() => Promise.resolve());
  find(worker: Worker): void {
    this.installing = worker;
    this.dispatchEvent(new Event('updatefound'));
  }
}

const container = Object.assign(new EventTarget(), {
  controller: null as object | null,
  register: jest.fn(),
});

async function load(registration: Registration) {
  container.register.mockResolvedValue(registration);
  Object.defineProperty(navigator, 'serviceWorker', { configurable: true, value: container });
  const before = process.env.NODE_ENV;
  Object.assign(process.env, { NODE_ENV: 'production' });
  let loaded = {} as typeof NewVersion;
  jest.isolateModules(() => {
    loaded = jest.requireActual('./new-version');
  });
  Object.assign(process.env, { NODE_ENV: before });
  await jest.advanceTimersByTimeAsync(3000);
  return loaded;
}

beforeEach(() => {
  jest.useFakeTimers();
  container.controller = null;
  container.register.mockReset();
});
afterEach(() => jest.useRealTimers());

test('the app is kept on the device, and a page that stays open asks now and then for a newer one', async () => {
  const registration = new Registration();
  await load(registration);
  expect(container.register).toHaveBeenCalledWith('/service-worker.js');
  jest.advanceTimersByTime(61 * 60_000);
  expect(registration.update).toHaveBeenCalledTimes(2);
});

test('without a signal it is tried again in a while, and nothing is said', async () => {
  const said = jest.spyOn(console, 'error');
  container.register.mockRejectedValueOnce(new TypeError('no script'));
  await load(new Registration());
  expect(container.register).toHaveBeenCalledTimes(1);
  await jest.advanceTimersByTimeAsync(31_000);
  expect(container.register).toHaveBeenCalledTimes(2);
  expect(said).not.toHaveBeenCalled();
});

test('the first version to be kept is no newer one', async () => {
  const registration = new Registration();
  const { isNewVersionWaiting } = await load(registration);
  const worker = new Worker();
  registration.find(worker);
  worker.become('installed');
  expect(isNewVersionWaiting()).toBe(false);
});

test('a newer version waits until it is taken', async () => {
  const registration = new Registration();
  const { isNewVersionWaiting, takeNewVersion } = await load(registration);
  container.controller = {};
  const worker = new Worker();
  registration.find(worker);
  expect(isNewVersionWaiting()).toBe(false);
  worker.become('installed');
  expect(isNewVersionWaiting()).toBe(true);
  expect(worker.told).toEqual([]);
  takeNewVersion();
  expect(worker.told).toEqual([{ type: 'SKIP_WAITING' }]);
});

test('one that waits since an earlier visit is offered at once', async () => {
  const registration = new Registration();
  registration.waiting = new Worker();
  expect((await load(registration)).isNewVersionWaiting()).toBe(true);
});

test('where another tab took a newer version up, this one says that it has to be opened anew', async () => {
  container.controller = {};
  const { isNewVersionInUse } = await load(new Registration());
  expect(isNewVersionInUse()).toBe(false);
  container.dispatchEvent(new Event('controllerchange'));
  expect(isNewVersionInUse()).toBe(true);
});

test('the first version to be kept supersedes nothing', async () => {
  const { isNewVersionInUse } = await load(new Registration());
  container.dispatchEvent(new Event('controllerchange'));
  expect(isNewVersionInUse()).toBe(false);
});
