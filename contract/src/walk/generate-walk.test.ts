import { drawingOf, sampleOpening, sampleStorey } from '../../test/sample-drawing';
import {
  everyFeature,
  FRAMED,
  oddHouse,
  overCrawl,
  plannedOf,
  slab,
  tee,
  walls,
} from '../../test/sample-plan';
import { at, built, called, keys, walked } from '../../test/sample-walk';
import { CHECKPOINTS } from '../catalogue/catalogue';
import type { PlanBody } from '../plan/plan';
import type { Drawing } from '../plan/plan-input';
import { NO_SCHOOLS, type Schools } from '../plan/schools';
import type { Storey } from '../plan/storey';
import { generateWalk, type Walk } from './generate-walk';

describe('the order', () => {
  const { drawing } = tee();
  const order = (more: Partial<PlanBody> = {}) =>
    walked(plannedOf(drawing, { plan: { ...FRAMED, ...more } })).stops.map(({ key }) => key);

  test('outside, then where one comes in, above, roof spaces, the whole house', () => {
    const outer = built({ ...FRAMED.schools, airBarrier: 'barrierOuterSheathing' });
    expect(order(outer)).toEqual([
      ...['front', 'right', 'back', 'left'].map((side) => `outside/${side}`),
      ...['g5', 'g4', 'g3', 'g2', 'g1', 'g8', 'g7', 'g6'].map((wall) => `wall/${wall}`),
      'middle/g',
      ...['u3', 'u2', 'u1', 'u4'].map((wall) => `wall/${wall}`),
      'middle/u',
      'roofSpace/roof of g',
      'roofSpace/roof of u',
      'house',
    ]);
  });

  test('turning left, and outside last, if that is wished', () => {
    const stops = order({ walking: { turning: 'left', outside: 'last' } });
    expect(stops.slice(0, 3)).toEqual(['wall/g5', 'wall/g6', 'wall/g7']);
    expect(stops.slice(-4)).toEqual(['outside/left', 'outside/back', 'outside/right', 'house']);
  });

  test('storeys below come after roof spaces, downwards', () => {
    const stops = walked(plannedOf(oddHouse(), { plan: FRAMED })).stops.map(({ key }) => key);
    expect(stops.indexOf('middle/u')).toBeLessThan(stops.indexOf('roofSpace/slopes'));
    expect(stops.indexOf('roofSpace/slopes')).toBeLessThan(stops.indexOf('wall/b3'));
    expect(stops).toEqual(expect.arrayContaining(['outside/garage', 'outside/unheated']));
    expect(stops.indexOf('outside/left')).toBeLessThan(stops.indexOf('outside/garage'));
  });

  test('a crawl space is come to last, and what is seen from below is seen there', () => {
    const walk = walked(plannedOf(overCrawl(true), { plan: FRAMED }));
    expect(walk.stops.slice(-2).map(({ key }) => key)).toEqual(['below/c', 'house']);
    expect(at(walk, 'closed-crawl-ground-sheet@storey/c')).toBe('below/c');
  });

  test('within a stop by phase, then as the catalogue has them', () => {
    const walk = walked(plannedOf(drawing, { plan: FRAMED }));
    const places = new Map(CHECKPOINTS.map(({ id, phase }, i) => [id, { i, phase }]));
    const phases = [...new Set(CHECKPOINTS.map(({ phase }) => phase))];
    const usual = ['beforeFill', 'duringFill', 'vapourControl', 'beforeLining', 'test', 'finished'];
    expect([...phases].sort()).toEqual([...usual].sort());
    for (const { checkpoints } of walk.stops) {
      const ranks = checkpoints.map(
        ({ checkpoint, phase }) => usual.indexOf(phase) * 1000 + (places.get(checkpoint)?.i ?? 0),
      );
      expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
    }
  });

  test('a rim belongs to the storey below it, at the wall that it stands on', () => {
    const walk = walked(plannedOf(drawing, { plan: FRAMED }));
    expect(at(walk, 'barrier-can-be-shown@rim/u1')).toBe('wall/g1');
    expect(at(walk, 'rimHead/u1')).toBe('wall/g1');
    expect(at(walk, 'rim-joints-sealed@rimHead/u1')).toBe('wall/g1');
    expect(at(walk, 'rim-holes-sealed@storey/u')).toBe('middle/g');
  });

  test.each([
    ['right' as const, 'wall/g2', 'wall/g1'],
    ['left' as const, 'wall/g1', 'wall/g1'],
  ])('turning %s, a corner belongs to the wall that ends there', (turning, corner, rimCorner) => {
    const walk = walked(plannedOf(drawing, { plan: { ...FRAMED, walking: { turning, outside: 'first' } } }));
    expect(at(walk, 'corner/g2 corner')).toBe(corner);
    expect(at(walk, 'rimCorner/u2 corner')).toBe(turning === 'right' ? 'wall/g2' : rimCorner);
  });

  test('what is at a place along a wall is at its stretch, what is of the wall at the first that is walked', () => {
    const storey = sampleStorey('s', {
      outline: walls(['w1', 10, 90], ['w2', 8, 90], ['w3', 10, 90], ['w4', 8, 90]).map((wall, i) => ({
        ...wall,
        stretches:
          i === 2
            ? [
                { id: 'hall', room: 'Hall', lengthM: 4 },
                { id: 'kitchen', room: 'Kitchen', lengthM: null },
              ]
            : [],
      })),
    });
    const house: Drawing = {
      ...drawingOf(storey),
      openings: [
        sampleOpening('door', 'w3', { use: 'entrance', alongM: 1, heightM: 2 }),
        sampleOpening('window', 'w3', { alongM: 8 }),
      ],
    };
    const walk = walked(plannedOf(house, { plan: FRAMED }));
    expect(at(walk, 'frame-gap-filled-by-width@opening/window')).toBe('stretch/kitchen');
    expect(at(walk, 'frame-gap-filled-by-width@opening/door')).toBe('stretch/hall');
    expect(at(walk, 'barrier-can-be-shown@wall/w3')).toBe('stretch/hall');
    expect(walk.stops.find(({ key }) => key === 'stretch/kitchen')?.room).toBe('Kitchen');
  });
});

describe('how parts are built', () => {
  const { drawing } = tee();
  const own = (id: string, more: Partial<Schools>) => ({ schoolsAt: [{ ...NO_SCHOOLS, ...more, id }] });
  const has = (walk: Walk, checkpoint: string, item: string) => keys(walk).includes(`${checkpoint}@${item}`);

  test('a wall may be filled otherwise than its house, and a storey too', () => {
    const wall = walked(
      plannedOf(drawing, { plan: { ...FRAMED, ...own('g5', { insulation: ['fillFoam'] }) } }),
    );
    expect([has(wall, 'foam-depth-mapped', 'wall/g5'), has(wall, 'batt-fills-cavity', 'wall/g5')]).toEqual([
      true,
      false,
    ]);
    expect(has(wall, 'batt-fills-cavity', 'wall/g4')).toBe(true);
    const storey = walked(
      plannedOf(drawing, { plan: { ...FRAMED, ...own('u', { insulation: ['fillFoam'] }) } }),
    );
    expect([
      has(storey, 'foam-depth-mapped', 'wall/u1'),
      has(storey, 'batt-fills-cavity', 'wall/g1'),
    ]).toEqual([true, true]);
  });

  test('what lies above or below may be filled otherwise, and a roof by itself', () => {
    const above = walked(plannedOf(drawing, { plan: { ...FRAMED, insulationAbove: ['fillLoose'] } }));
    expect(has(above, 'batt-fills-cavity', 'ceiling/roof of u')).toBe(false);
    const roof = walked(
      plannedOf(drawing, { plan: { ...FRAMED, ...own('roof of u', { insulation: ['fillFoam'] }) } }),
    );
    expect(has(roof, 'foam-depth-mapped', 'ceiling/roof of u')).toBe(true);
    expect(has(roof, 'batt-fills-cavity', 'flatRoof/roof of g')).toBe(true);
  });

  test('where the barrier changes, that edge is a junction, at a corner and where a wall goes straight on', () => {
    const outside = { airBarrier: 'barrierOuterSheathing' } as const;
    const corner = walked(plannedOf(drawing, { plan: { ...FRAMED, ...own('g5', outside) } }));
    const changed = (walk: Walk) =>
      walk.junctions.filter(({ changes }) => changes !== null).map(({ key }) => key);
    expect(changed(corner)).toEqual(
      expect.arrayContaining(['corner/g5 corner', 'corner/g6 corner', 'head/g5+roof of g']),
    );
    const cut = sampleStorey('s', {
      outline: walls(['w1', 6, 0], ['w2', 4, 90], ['w3', 8, 90], ['w4', 10, 90], ['w5', 8, 90]),
    });
    const whole = walked(plannedOf(drawingOf(cut), { plan: FRAMED }));
    expect(whole.junctions.map(({ key }) => key)).not.toContain('corner/w2 corner');
    const straight = walked(plannedOf(drawingOf(cut), { plan: { ...FRAMED, ...own('w2', outside) } }));
    expect(straight.junctions.find(({ key }) => key === 'corner/w2 corner')?.changes).toEqual([
      'Inner membrane',
      'Outer sheathing',
    ]);
  });

  test('a wall that is concrete up to its head has no frame to seal', () => {
    const walk = walked(plannedOf(oddHouse(), { plan: FRAMED }));
    expect(has(walk, 'corner-open-for-fill', 'wall/b1/low')).toBe(false);
    expect(has(walk, 'corner-open-for-fill', 'wall/b3')).toBe(true);
    expect(has(walk, 'sill-bolts-tight', 'concreteStep/b3')).toBe(true);
    expect(has(walk, 'sill-bolts-tight', 'rimFoot/g1+b1')).toBe(true);
  });

  test('timber over masonry is a joint that moves; timber on timber is none', () => {
    const masonry = walked(plannedOf(drawing, { plan: built({ framing: 'frameMasonry' }) }));
    expect(has(masonry, 'timber-to-masonry-flexible', 'head/u1+roof of u')).toBe(true);
    expect(
      keys(walked(plannedOf(drawing, { plan: FRAMED }))).some((key) => key.startsWith('timber-to')),
    ).toBe(false);
  });
});

describe('what was added and left out', () => {
  const { drawing } = tee();

  test('one that is left out is gone everywhere, or at one item alone', () => {
    const everywhere = walked(
      plannedOf(drawing, { plan: { ...FRAMED, checkpointsOff: [{ name: 'batt-fills-cavity' }] } }),
    );
    expect(called(everywhere).has('batt-fills-cavity')).toBe(false);
    const name = 'batt-fills-cavity@wall/g5';
    const there = keys(walked(plannedOf(drawing, { plan: { ...FRAMED, checkpointsOff: [{ name }] } })));
    expect([there.includes(name), there.includes('batt-fills-cavity@wall/g4')]).toEqual([false, true]);
  });

  test('one that was added is at its item, while that is there', () => {
    const own = {
      id: 'own',
      title: 'Strip behind the meter',
      phase: 'beforeFill',
      trade: 'airSealer',
      coverEvent: 'lining',
    } as const;
    const add = (key: string) =>
      walked(plannedOf(drawing, { plan: { ...FRAMED, checkpointsAdded: [{ ...own, at: key }] } }));
    expect(at(add('wall/g5'), 'own@wall/g5')).toBe('wall/g5');
    expect(at(add('house'), 'own@house')).toBe('house');
    expect(keys(add('wall/gone')).some((key) => key.startsWith('own@'))).toBe(false);
  });
});

describe('keys', () => {
  test('are each there once, of checkpoints and of junctions', () => {
    for (const drawing of [tee().drawing, oddHouse(), slab(), overCrawl(true)]) {
      const walk = walked(plannedOf(drawing, { plan: FRAMED, features: everyFeature('g3', 'attic') }));
      for (const list of [keys(walk), walk.junctions.map(({ key }) => key), walk.stops.map(({ key }) => key)])
        expect(list.length).toBe(new Set(list).size);
      const placed = walk.stops.flatMap(({ junctions }) => junctions);
      expect([...placed].sort()).toEqual(walk.junctions.map(({ key }) => key).sort());
    }
  });

  test('stay when a house is renamed, moved and measured anew', () => {
    const { ground, upper, drawing } = tee();
    const moved = (storey: Storey): Storey => ({
      ...storey,
      name: `${storey.name}, anew`,
      start: { xM: 7, yM: -3 },
      heightM: 3,
      outline: storey.outline.map((wall) => ({ ...wall, name: 'another name', thicknessM: 0.4 })),
    });
    const before = walked(plannedOf(drawing, { plan: FRAMED }));
    const after = walked(plannedOf({ ...drawing, storeys: [moved(ground), moved(upper)] }, { plan: FRAMED }));
    expect(keys(after)).toEqual(keys(before));
    expect(after.junctions.map(({ key }) => key)).toEqual(before.junctions.map(({ key }) => key));
  });
});

test('of a drawing that does not close there is no walk, and it is said why', () => {
  const { drawing, ground } = tee();
  const open = {
    ...ground,
    outline: ground.outline.map((wall, i) => (i === 0 ? { ...wall, lengthM: 11 } : wall)),
  };
  const walk = generateWalk(plannedOf({ ...drawing, storeys: [open] }));
  expect(walk.state === 'refused' && walk.refusal.code).toBe('does-not-close');
  expect(generateWalk(plannedOf({ ...drawing, storeys: [], roofs: [], openings: [] }))).toEqual({
    state: 'none',
  });
});
