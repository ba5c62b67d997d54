import { asLastTime } from './last-time';

test('the same again is the very same; with anything else it is done anew', () => {
  const work = jest.fn((a: object, b: object | null) => ({ a, b }));
  const once = asLastTime(work);
  const [one, other] = [{}, {}];
  const first = once(one, null);
  expect(once(one, null)).toBe(first);
  expect(work).toHaveBeenCalledTimes(1);
  expect(once(one, other)).toEqual({ a: one, b: other });
  expect(once(one, null)).not.toBe(first);
  expect(work).toHaveBeenCalledTimes(3);
});

test('what failed is tried again', () => {
  let isBroken = true;
  const once = asLastTime((n: number) => {
    if (isBroken) throw new Error('no');
    return n;
  });
  expect(() => once(1)).toThrow('no');
  isBroken = false;
  expect(once(1)).toBe(1);
});
