import fc from 'fast-check';
import { fitted, takenAtOf } from './picture-size';

test('a picture of 12 megapixels is scaled to 2048 on its long side, a small one is left', () => {
  expect(fitted(4032, 3024, 2048)).toEqual({ widthPx: 2048, heightPx: 1536 });
  expect(fitted(3024, 4032, 2048)).toEqual({ widthPx: 1536, heightPx: 2048 });
  expect(fitted(640, 480, 2048)).toEqual({ widthPx: 640, heightPx: 480 });
  expect(fitted(9000, 2, 2048)).toEqual({ widthPx: 2048, heightPx: 1 });
});

test('whatever its shape it fits, and is distorted by no more than a pixel', () => {
  const side = fc.integer({ min: 1, max: 20_000 });
  fc.assert(
    fc.property(side, side, (width, height) => {
      const { widthPx, heightPx } = fitted(width, height, 2048);
      expect(Math.max(widthPx, heightPx)).toBeLessThanOrEqual(2048);
      expect(Math.min(widthPx, heightPx)).toBeGreaterThanOrEqual(1);
      const scale = Math.min(1, 2048 / Math.max(width, height));
      expect(Math.abs(widthPx - width * scale)).toBeLessThanOrEqual(1);
      expect(Math.abs(heightPx - height * scale)).toBeLessThanOrEqual(1);
    }),
  );
});

test('the camera’s clock is read as this device’s time, and a date that is none as none', () => {
  const taken = takenAtOf('2026:10:03 14:05:59') ?? '';
  expect(taken).toMatch(/^2026-10-03T14:05:59[+-]\d{2}:\d{2}$/);
  expect(new Date(taken)).toEqual(new Date(2026, 9, 3, 14, 5, 59));
  expect(
    [undefined, '', '0000:00:00 00:00:00', 'yesterday', '    :  :     :  :  '].map((date) => takenAtOf(date)),
  ).toEqual([null, null, null, null, null]);
});

test('a camera that knows where it is says so; what is no offset is not believed', () => {
  expect(takenAtOf('2026:10:03 14:05:59', '-08:00')).toBe('2026-10-03T14:05:59-08:00');
  expect(takenAtOf('2026:10:03 14:05:59', 'PST')).toBe(takenAtOf('2026:10:03 14:05:59'));
});
