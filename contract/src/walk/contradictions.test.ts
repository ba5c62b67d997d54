import { oddHouse, plannedOf, sampleFeature, tee } from '../../test/sample-plan';
import { built, walked } from '../../test/sample-walk';
import type { Feature } from '../plan/feature';
import { NO_SCHOOLS, type Schools } from '../plan/schools';
import { STARTING_SETS } from '../plan/starting-sets';

const { drawing } = tee();
const said = (schools: Partial<Schools>, ...features: readonly Feature[]): readonly string[] =>
  walked(plannedOf(drawing, { plan: built(schools), features })).contradictions.map(({ text }) => text);

test.each(Object.entries(STARTING_SETS))(
  'the set to begin with for %s does not contradict itself',
  (_, plan) => {
    expect(walked(plannedOf(drawing, { plan })).contradictions).toEqual([]);
    expect(walked(plannedOf(oddHouse(), { plan })).contradictions).toEqual([]);
  },
);

test.each<[string, Partial<Schools>, RegExp]>([
  ['a coat on timber', { airBarrier: 'barrierMasonryCoat', framing: 'frameSingle' }, /choose masonry/],
  ['sheathing on masonry', { airBarrier: 'barrierOuterSheathing', framing: 'frameMasonry' }, /choose a coat/],
  [
    'inner sheathing against vapour alone',
    { airBarrier: 'barrierInnerMembrane', vapour: 'vapourInnerSheathing' },
    /which board/,
  ],
  ['foam first without foam', { vapour: 'vapourFoamFirst', insulation: ['fillBatt'] }, /add foam/],
  ['seams of masonry', { framing: 'frameMasonry', sealsSeams: true }, /leave the seams out/],
  ['loose fill in walls', { insulation: ['fillLoose'] }, /does not stay in a wall/],
])('%s is said once, with what to do', (_, schools, text) => {
  const all = said(schools);
  expect(all.filter((each) => text.test(each))).toHaveLength(1);
});

test('foam first with foam is none', () => {
  expect(said({ vapour: 'vapourFoamFirst', insulation: ['fillHybrid'] })).toEqual([]);
});

test('a wall that is built otherwise is named', () => {
  const schoolsAt = [{ ...NO_SCHOOLS, id: 'g5', framing: 'frameMasonry' as const }];
  const plan = { ...STARTING_SETS.barrierOuterSheathing, schoolsAt };
  const [first] = walked(plannedOf(drawing, { plan })).contradictions;
  expect(first).toMatchObject({ id: 'g5', text: expect.stringMatching(/^g, wall 5: /) as string });
});

test.each<[string, readonly Feature[], RegExp | null]>([
  ['hangers in timber', [sampleFeature('f', 'joistHangersInMasonry', 'u3')], /the walls are none/],
  ['a bathroom over a slab', [sampleFeature('f', 'bathOnFramedFloor', 'g')], /this floor is a slab/],
  ['a bathroom over a frame', [sampleFeature('f', 'bathOnFramedFloor', 'u')], null],
  ['a parapet on an attic', [sampleFeature('f', 'parapet', 'roof of u')], /not flat/],
  ['a parapet on a flat roof', [sampleFeature('f', 'parapet', 'roof of g')], null],
  ['a stair to nowhere', [sampleFeature('f', 'basementStair', 'g')], /nothing below/],
  [
    'an attic indoors with vented eaves',
    [sampleFeature('f', 'roofLineInsulated', 'roof of u'), sampleFeature('v', 'ventedEaves', 'roof of u')],
    /Keep one/,
  ],
  [
    'vented eaves of another roof',
    [sampleFeature('f', 'roofLineInsulated', 'roof of u'), sampleFeature('v', 'ventedEaves', 'roof of g')],
    null,
  ],
])('%s', (_, features, text) => {
  const all = said({ framing: 'frameSingle' }, ...features);
  if (text === null) expect(all).toEqual([]);
  else expect(all).toEqual([expect.stringMatching(text)]);
});
