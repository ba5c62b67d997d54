import type * as Space from './space';

type Storage = Partial<Pick<StorageManager, 'estimate' | 'persisted' | 'persist'>>;

function withStorage(storage: Storage | undefined) {
  Object.defineProperty(navigator, 'storage', { configurable: true, value: storage });
  let space = {} as typeof Space;
  jest.isolateModules(() => {
    space = jest.requireActual('./space');
  });
  return space;
}

test('tells what is used and whether the browser promised to keep it', async () => {
  const { spaceOnDevice } = withStorage({
    estimate: () => Promise.resolve({ usage: 12_500_000, quota: 2e9 }),
    persisted: () => Promise.resolve(true),
  });
  expect(await spaceOnDevice()).toEqual({ usedMb: 12.5, roomMb: 2000, isPersistent: true });
});

test.each<[string, Storage | undefined]>([
  ['knows nothing of storage', undefined],
  ['knows half of it', { persisted: () => Promise.resolve(false) }],
  [
    'refuses to tell',
    { estimate: () => Promise.reject(new Error('no')), persisted: () => Promise.resolve(true) },
  ],
])('says nothing of space where the browser %s', async (_what, storage) => {
  expect(await withStorage(storage).spaceOnDevice()).toEqual({
    usedMb: null,
    roomMb: null,
    isPersistent: false,
  });
});

test('the browser is asked once not to clear what is kept', async () => {
  const persist = jest.fn(() => Promise.reject(new Error('no')));
  const { askToPersist } = withStorage({ persist });
  askToPersist();
  askToPersist();
  await Promise.resolve();
  expect(persist).toHaveBeenCalledTimes(1);
  expect(() => withStorage(undefined).askToPersist()).not.toThrow();
});
