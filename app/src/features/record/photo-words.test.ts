import { takenWords } from './photo-words';

test('a photo’s day is the day where it was taken, wherever it is looked at', () => {
  expect(takenWords({ takenAt: '2026-10-03T23:30:00+13:00' })).toBe('3 Oct 2026, 23:30');
  expect(takenWords({ takenAt: '2026-10-03T23:30:00-08:00' })).toBe('3 Oct 2026, 23:30');
  expect(takenWords({ takenAt: null })).toBe('day not known');
  expect(takenWords({ takenAt: '2026-02-30T10:00:00' })).toBe('2026-02-30T10:00:00');
});

test('of a photo that was kept without that, it is the time here', () => {
  const taken = new Date(2026, 9, 3, 14, 5, 59);
  expect(takenWords({ takenAt: taken.toISOString() })).toBe('3 Oct 2026, 14:05');
});
