import fc from 'fast-check';
import { anyInput, holdsNonFinite, mutatedInput, type Asked } from '../test/any-input';
import { computeByName } from './operations';
import { Refusal } from './refusal';

const RUNS = 1500;

/** Either figures that can be written, or a refusal; anything else is thrown on. */
function answersOrRefuses({ operation, input }: Asked): boolean {
  try {
    return !holdsNonFinite(computeByName(operation, input));
  } catch (error) {
    if (error instanceof Refusal) return true;
    throw error;
  }
}

test.each([
  ['any JSON at all', anyInput],
  ['a good input with one member changed', mutatedInput],
])('%s is answered or refused', (_name, asked) => {
  fc.assert(
    fc.property(asked, (each) => {
      expect(answersOrRefuses(each)).toBe(true);
    }),
    { numRuns: RUNS },
  );
});
