import { sampleArea } from '../../test/sample-area';
import type { JoiningSide } from '../continuity/joint-drawing';
import { TIGHT_BY_WORDS, type TightBy } from '../continuity/barrier-place';
import { joiningOf, sheetDepthMm, waysFor } from './joining';
import { newJunction, WAY_WORDS, type JunctionBody, type JunctionWay } from './junction';
import { notStored } from '../record';

const side = (barrier: TightBy | null): JoiningSide => ({
  area: 'wall/a',
  buildUp: sampleArea.buildUp,
  barrier,
});
const joined = (
  barriers: readonly (TightBy | null)[],
  ways: readonly JunctionWay[],
  more: Partial<JunctionBody> = {},
) =>
  joiningOf(
    { ...newJunction('foot/a', 'Foot'), ways: ways.map((name) => ({ name })), ...more },
    barriers.map(side),
  );

test('nothing is said where nobody told how it is joined, or where the barrier is', () => {
  expect(joined(['barrierOuterSheathing'], [])).toEqual({ held: null, said: [] });
  expect(joined([null], ['tape'])).toEqual({ held: null, said: [] });
});

test.each<[TightBy, JunctionWay, string]>([
  ['barrierInnerMembrane', 'tape', 'fits'],
  ['barrierInnerMembrane', 'foam', 'wrong'],
  ['barrierInnerMembrane', 'lap', 'doubtful'],
  ['barrierOuterSheathing', 'plaster', 'wrong'],
  ['barrierOuterSheathing', 'gasket', 'fits'],
  ['barrierGasketedLining', 'gasket', 'fits'],
  ['barrierGasketedLining', 'tape', 'doubtful'],
  ['barrierMasonryCoat', 'plaster', 'fits'],
  ['barrierMasonryCoat', 'tape', 'doubtful'],
  ['frameAndLeaf', 'foam', 'fits'],
])('on %s, %s %s', (barrier, way, held) => {
  expect(joined([barrier], [way]).held).toBe(held);
});

test('what does not hold for sure says why, and what instead', () => {
  for (const barrier of Object.keys(TIGHT_BY_WORDS) as readonly TightBy[]) {
    for (const way of Object.keys(WAY_WORDS) as readonly JunctionWay[]) {
      for (const { held, reason, instead, where } of joined([barrier], [way]).said) {
        expect(where).toBe(TIGHT_BY_WORDS[barrier]);
        expect([reason === '', instead === '']).toEqual([held === 'fits', held === 'fits']);
      }
    }
  }
});

test('of several ways the best counts on each barrier, and of the barriers the worst', () => {
  expect(joined(['barrierInnerMembrane'], ['lap', 'tape']).held).toBe('fits');
  const { held, said } = joined(['barrierInnerMembrane', 'barrierMasonryCoat'], ['plaster']);
  expect(held).toBe('doubtful');
  expect(said.map((each) => each.held)).toEqual(['doubtful', 'fits']);
});

test('foam beside a frame holds on the frame, and not on the sheet that meets it', () => {
  const { held, said } = joined(['frameAndLeaf', 'barrierInnerMembrane'], ['foam']);
  expect(held).toBe('wrong');
  expect(said.map((each) => each.held)).toEqual(['fits', 'wrong']);
  expect(joined(['frameAndLeaf', 'barrierInnerMembrane'], ['foam', 'tape']).held).toBe('fits');
});

test('where the barrier changes sides something has to reach across', () => {
  const sides = ['barrierOuterSheathing', 'barrierInnerMembrane'] as const;
  expect(joined(sides, ['tape'])).toMatchObject({
    held: 'doubtful',
    said: [{ held: 'fits' }, { held: 'fits' }, { where: null }],
  });
  expect(joined(sides, ['tape', 'strip']).held).toBe('fits');
  // A coat on masonry lies on either side.
  expect(joined(['barrierOuterSheathing', 'barrierMasonryCoat'], ['sealant']).held).toBe('fits');
});

test('of sheets and tapes: what was not pressed, not tight, not lapped', () => {
  expect(joined(['barrierInnerMembrane'], ['tape'], { pressed: 'no' }).held).toBe('doubtful');
  expect(joined(['barrierInnerMembrane'], ['tape'], { cornersTight: 'no' }).held).toBe('doubtful');
  expect(joined(['barrierInnerMembrane'], ['tape'], { tapeMm: 0 }).held).toBe('wrong');
  expect(joined(['barrierInnerMembrane'], ['tape', 'lap'], { lapMm: 0 }).held).toBe('wrong');
  expect(
    joined(['barrierInnerMembrane'], ['tape'], { pressed: 'yes', cornersTight: 'yes', tapeMm: 60 }).held,
  ).toBe('fits');
  // Something is known of it although nobody told how it is joined.
  expect(joined(['barrierInnerMembrane'], [], { pressed: 'no' }).held).toBe('doubtful');
});

test('fixings that are as long as the sheet lies deep reach it', () => {
  // Behind 12.5 mm of plasterboard.
  expect(sheetDepthMm([side('barrierInnerMembrane')])).toBeCloseTo(12.5, 9);
  expect(sheetDepthMm([side('barrierOuterSheathing')])).toBeNull();
  expect(joined(['barrierInnerMembrane'], ['tape'], { fixingMm: 7.5 }).held).toBe('fits');
  expect(joined(['barrierInnerMembrane'], ['tape'], { fixingMm: 8 }).held).toBe('doubtful');
  expect(joined(['barrierOuterSheathing'], ['tape'], { fixingMm: 90 }).held).toBe('fits');
});

test('a way that a newer version knows is passed over, and nothing else changes', () => {
  const newer = {
    ...newJunction('foot/a', 'Foot'),
    ...notStored('id', 'house'),
    ways: [{ name: 'welded' as JunctionWay }, { name: 'tape' as const }],
  };
  expect(joiningOf(newer, [side('barrierInnerMembrane')]).held).toBe('fits');
});

test('ways that hold on all that meets are offered first', () => {
  const order = waysFor([side('barrierInnerMembrane'), side('barrierMasonryCoat')]);
  expect(order.slice(0, 2)).toEqual(['sealant', 'strip']);
  expect(order).toHaveLength(Object.keys(WAY_WORDS).length);
  expect(order.at(-1)).toBe('foam');
});
