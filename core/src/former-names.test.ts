import { examples } from './examples';
import { FORMER_NAMES } from './former-names';
import { compute, computeByName, operationNamed, operationNames, takesLong } from './operations';

test.each(Object.entries(FORMER_NAMES))('%s still answers, as %s', (former, present) => {
  const name = operationNames.find((each) => each === present);
  if (name === undefined) throw new Error('A former name leads nowhere.');
  expect(operationNames).not.toContain(former);
  expect(operationNamed(former)).toBe(name);
  expect(computeByName(former, examples[name])).toEqual(compute(name, examples[name]));
  expect(takesLong(former)).toBe(takesLong(name));
});

test.each(['constructor', '__proto__', 'airtightness', ''])('%s is the name of nothing', (name) => {
  expect(operationNamed(name)).toBeNull();
  expect(() => computeByName(name, {})).toThrow(expect.objectContaining({ code: 'unknown-operation' }));
});
