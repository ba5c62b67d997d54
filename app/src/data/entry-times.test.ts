import { EntryTimes } from './entry-times';

test('what is entered later is later, also where the clock is set back or what waits was entered by a clock ahead', () => {
  let now = Date.parse('2026-11-03T10:20:00.000Z');
  const times = new EntryTimes({ now: () => now });
  const first = times.next();
  expect(first).toBe('2026-11-03T10:20:00.000Z');
  now -= 3_600_000;
  const second = times.next();
  expect(second > first).toBe(true);
  times.follow([{ enteredAt: '2026-11-04T00:00:00.000Z' }, {}]);
  expect(times.next()).toBe('2026-11-04T00:00:00.001Z');
});
