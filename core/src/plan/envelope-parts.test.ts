import { examples } from '../examples';
import { envelopeParts, type EnvelopePart } from './envelope-parts';
import { measurePlan } from './measure-plan';
import { planExample } from './plan-example';
import type { PlanInput, PlanStorey } from './plan-input';
import { planSizes } from './sizes';

const partsOf = (input: PlanInput): readonly EnvelopePart[] => envelopeParts(measurePlan(input));

const only = <K extends EnvelopePart['kind']>(input: PlanInput, kind: K) =>
  partsOf(input).filter((part): part is EnvelopePart & { readonly kind: K } => part.kind === kind);

const box = (id: string, extra: Partial<PlanStorey> = {}): PlanStorey => ({
  id,
  heightM: 2.5,
  floorDepthM: 0.3,
  under: 'ground',
  walls: ['back', 'right', 'front', 'left'].map((side, i) => ({
    id: `${id} ${side}`,
    lengthM: i % 2 === 0 ? 10 : 8,
    turnDeg: 90,
    thicknessM: 0,
  })),
  ...extra,
});

const house = (...storeys: readonly PlanStorey[]): PlanInput => ({
  face: 'inside',
  drawnAt: 'inside',
  storeys,
  roofs: [{ id: 'roof', storeyId: storeys.at(-1)?.id ?? '', kind: 'flatCeiling' }],
});

test('each wall stands for itself, without its openings', () => {
  const [front] = only({ ...planExample, openings: examples['plan.sizes'].openings }, 'wall').filter(
    ({ wall }) => wall === 'front',
  );
  // 8.28 m inside × 2.5 m; two windows of 1.2 m × 1.4 m.
  expect(front?.grossM2).toBeCloseTo(20.7, 9);
  expect(front?.openingsM2).toBeCloseTo(3.36, 9);
});

test('a wall that runs through the floor above takes that strip to itself, and no rim is left there', () => {
  const lower = box('lower');
  const through = lower.walls.map((wall, i) => (i === 0 ? { ...wall, throughFloor: true } : wall));
  const plan = house({ ...lower, walls: through }, box('upper', { under: 'outdoors' }));
  expect(only(plan, 'wall').find(({ wall }) => wall === 'lower back')?.grossM2).toBeCloseTo(10 * 2.8, 9);
  expect(only(plan, 'rim').map(({ wall }) => wall)).toEqual(['upper right', 'upper front', 'upper left']);
});

test('a floor over a garage is told apart from the rest of it, by the room that it lies over', () => {
  const lower = box('lower', {
    walls: box('lower').walls.map((wall, i) => ({ ...wall, lengthM: i % 2 === 0 ? 6 : 8 })),
    zones: [
      {
        id: 'garage',
        kind: 'garage',
        outlineM: [
          [6, 0],
          [9, 0],
          [9, -8],
          [6, -8],
        ],
      },
    ],
  });
  const floors = only(house(lower, box('upper', { under: 'outdoors' })), 'floor').filter(
    ({ storey }) => storey === 'upper',
  );
  expect(floors).toEqual([
    expect.objectContaining({ over: 'garage', zone: 'garage', areaM2: expect.closeTo(24, 9) as number }),
    expect.objectContaining({ over: 'outdoors', zone: null, areaM2: expect.closeTo(8, 9) as number }),
  ]);
});

test('gables belong to the wing whose end they are', () => {
  const gables = only(planExample, 'gable');
  const { areasM2 } = planSizes(planExample);
  expect(gables.map(({ wing }) => wing)).toEqual(['main']);
  expect(gables[0]?.areaM2).toBeCloseTo(areasM2.gable, 9);
});

test('the parts come to the envelope', () => {
  const whole = partsOf(planExample).reduce(
    (sum, part) => sum + (part.kind === 'wall' ? part.grossM2 : part.areaM2),
    0,
  );
  expect(whole).toBeCloseTo(planSizes(planExample).envelopeAreaM2, 9);
});
