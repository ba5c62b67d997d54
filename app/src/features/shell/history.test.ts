import { visitBefore } from './history';

jest.mock('expo-router', () => ({}));

/** A history as a browser tells it, by paths, standing at one of them. */
const historyAt = (index: number, ...paths: string[]): Navigation =>
  ({
    currentEntry: { index },
    entries: () => paths.map((path, i) => ({ key: `k${i}`, url: `http://house.example${path}` })),
  }) as unknown as Navigation;

test.each([
  ['the page before', historyAt(1, '/', '/houses/1'), '/', 'k0'],
  ['over pages between', historyAt(3, '/', '/houses/1', '/houses/1/fill', '/houses/1/tests'), '/', 'k0'],
  ['the latest visit of several', historyAt(3, '/', '/houses/1', '/', '/houses/2'), '/', 'k2'],
  ['nothing where one came by the address', historyAt(0, '/houses/1'), '/', undefined],
  ['nothing that lies ahead', historyAt(0, '/houses/1', '/'), '/', undefined],
  ['nothing that is asked another question', historyAt(1, '/bench?q=x', '/bench/air'), '/bench', undefined],
  ['nothing where the browser tells nothing', null, '/', undefined],
])('back leads to %s', (_what, history, address, key) => {
  expect(visitBefore(history, address)?.key).toBe(key);
});
