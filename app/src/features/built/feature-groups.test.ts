import { FEATURE_WORDS } from '@calvet/contract/plan/feature';
import { FEATURE_GROUPS, usualPart } from './feature-groups';

test('everything that a house may have can be added, once', () => {
  const offered = FEATURE_GROUPS.flatMap(({ uses }) => uses);
  expect([...offered].sort()).toEqual(Object.keys(FEATURE_WORDS).sort());
});

test('what lies on roofs is put on one first, what is of no one place on the house', () => {
  expect(usualPart('ventedEaves')).toBe('roof');
  expect(usualPart('tubOnOuterWall')).toBe('wall');
  expect(usualPart('bathOnFramedFloor')).toBe('storey');
  expect(usualPart('radonStack')).toBe('house');
});
