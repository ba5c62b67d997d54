import fc from 'fast-check';
import { FRAMED, oddHouse, plannedOf } from '../../test/sample-plan';
import { walked } from '../../test/sample-walk';
import { BUILD_UP_LIBRARY, buildUpOf } from '../installation/build-up-library';
import type { BuildUp } from '../installation/area';
import { framedLayer, materialLayer } from '../installation/plain-layer';
import type { AirBarrier } from '../plan/schools';
import type { PlanPlace } from '../plan/storey';
import { barrierFace, thicknessOf } from './barrier-place';
import { drawJoint, meetingIn, sidesOf, type DrawnSide, type JoiningSide } from './joint-drawing';

const built = (id: string): BuildUp => {
  const found = BUILD_UP_LIBRARY.find((each) => each.id === id);
  if (found === undefined) throw new Error(`no ${id} in the library`);
  return buildUpOf(found);
};
const side = (area: string, buildUp: BuildUp, barrier: AirBarrier | null = null): JoiningSide => ({
  area,
  buildUp,
  barrier,
});
const plain = (...thicknesses: readonly number[]): BuildUp => ({
  name: '',
  frameAlignment: null,
  gradedLayer: null,
  costPerM2: null,
  layers: thicknesses.map((thicknessM, i) => ({
    id: `layer ${i}`,
    ...materialLayer('', thicknessM, 0.1),
  })),
});
const far = (a: PlanPlace, b: PlanPlace): number => Math.hypot(a.xM - b.xM, a.yM - b.yM);

/** By the shoelace rule, m². */
const sizeOf = (corners: readonly PlanPlace[]): number =>
  Math.abs(
    corners.reduce((sum, a, i) => {
      const b = corners[(i + 1) % corners.length] ?? a;
      return sum + a.xM * b.yM - b.xM * a.yM;
    }, 0),
  ) / 2;
/** How far apart the two long edges of a layer lie. */
function depthOf({ corners }: DrawnSide['layers'][number]): number {
  const [meets, ends, endsOut] = corners;
  if (meets === undefined || ends === undefined || endsOut === undefined) throw new Error('no corners');
  return (2 * sizeOf([meets, ends, endsOut])) / far(meets, ends);
}

const kinds = [
  'foot',
  'rimFoot',
  'rimHead',
  'head',
  'gableFoot',
  'rake',
  'ridge',
  'collar',
  'valley',
  'cornerOut',
  'cornerIn',
  'concreteStep',
  'frame',
  'straightOn',
] as const;

test('layers are as thick as they are, whatever meets and at whatever angle, and meet along one line', () => {
  const thicknesses = fc.array(fc.double({ min: 0.01, max: 0.5, noNaN: true }), {
    minLength: 1,
    maxLength: 6,
  });
  fc.assert(
    fc.property(fc.constantFrom(...kinds), thicknesses, thicknesses, (kind, one, other) => {
      const { sides } = drawJoint(kind, side('a', plain(...one)), side('b', plain(...other)));
      [one, other].forEach((thick, i) =>
        thick.forEach((thicknessM, at) => {
          const layer = sides[i]?.layers[at];
          if (layer === undefined) throw new Error('a layer is not drawn');
          expect(depthOf(layer)).toBeCloseTo(thicknessM, 9);
        }),
      );
      // At a turn both end at the inner and at the outer corner.
      if (!['head', 'foot', 'rake', 'cornerOut', 'cornerIn', 'ridge', 'valley', 'collar'].includes(kind))
        return;
      const ends = sides.map(({ layers }) => [layers[0]?.corners[0], layers.at(-1)?.corners[3]] as const);
      for (const i of [0, 1] as const) {
        const [a, b] = [ends[0]?.[i], ends[1]?.[i]];
        if (a === undefined || b === undefined) throw new Error('nothing meets');
        expect(far(a, b)).toBeCloseTo(0, 9);
      }
    }),
  );
});

test('a wall and a ceiling: it is inside where both see it, and the joint spans from one barrier to the other', () => {
  const wall = side('wall/a', plain(0.1, 0.2), 'barrierOuterSheathing');
  const ceiling = side('ceiling/b', plain(0.02, 0.4), 'barrierGasketedLining');
  const { joint, inside, sides, seen } = drawJoint('head', wall, ceiling);
  expect(seen).toBe('upright');
  expect(inside.xM).toBeGreaterThan(0);
  expect(inside.yM).toBeLessThan(0);
  // Of the wall: its outer face, which ends where the ceiling's outer face does. Of the ceiling: 20 mm up.
  const [from, to] = joint;
  expect(from).toEqual({ xM: expect.closeTo(-0.3, 9) as number, yM: expect.closeTo(0.42, 9) as number });
  expect(to).toEqual({
    xM: expect.closeTo((-0.3 * 0.02) / 0.42, 9) as number,
    yM: expect.closeTo(0.02, 9) as number,
  });
  expect(sides[0]?.barrier?.[1]).toEqual(from);
  expect(sides[1]?.barrier?.[1]).toEqual(to);
});

test('at an inner corner it is inside on the far side of both', () => {
  const { inside, sides } = drawJoint('cornerIn', side('a', plain(0.2)), side('b', plain(0.2)));
  // Walls run left and down from the corner; outdoors lies between them.
  expect(inside.xM).toBeGreaterThan(0);
  expect(inside.yM).toBeGreaterThan(0);
  const innerFace = sides[0]?.layers[0]?.corners[1];
  const outerFace = sides[0]?.layers[0]?.corners[2];
  expect(innerFace?.yM).toBeCloseTo(0.2, 9);
  expect(outerFace?.yM).toBeCloseTo(0, 9);
});

test('two barriers in one plane need no more than one seam, and an unknown one leaves it open', () => {
  const one = side('a', built('framed-wall-140'), 'barrierOuterSheathing');
  expect(drawJoint('cornerOut', one, one).joint).toHaveLength(1);
  expect(drawJoint('straightOn', one, { ...one, barrier: 'barrierInnerMembrane' }).joint).toHaveLength(2);
  const unknown = drawJoint('cornerOut', one, { ...one, barrier: null });
  expect(unknown.joint).toEqual([]);
  expect(unknown.sides[1]?.barrier).toBeNull();
});

test('of what nobody told the layers, it is drawn plain; one wall that an inner one meets runs through', () => {
  const { sides, against } = drawJoint('meets', side('a', plain()));
  expect(sides).toHaveLength(2);
  expect(sides[0]?.layers.map(({ isThicknessKnown }) => isThicknessKnown)).toEqual([false]);
  expect(against).not.toBeNull();
});

describe('the air barrier lies', () => {
  const faceOf = (id: string, barrier: AirBarrier) => {
    const buildUp = built(id);
    const face = barrierFace(buildUp, barrier);
    const nameOf = (i: number): string | null => buildUp.layers[i]?.name ?? null;
    return [nameOf(face - 1), nameOf(face)];
  };
  test.each<[AirBarrier, readonly [string | null, string | null]]>([
    ['barrierInnerMembrane', ['Plasterboard', 'Studs 140, batts']],
    ['barrierInnerSheathing', ['Plasterboard', 'Studs 140, batts']],
    ['barrierGasketedLining', ['Plasterboard', 'Studs 140, batts']],
    ['barrierOuterSheathing', ['Wood sheathing', 'Ventilated cladding']],
    ['barrierMasonryCoat', [null, 'Plasterboard']],
  ])('of a framed wall, %s', (barrier, between) => {
    expect(faceOf('framed-wall-140', barrier)).toEqual(between);
  });

  test('behind a space for services, not in front of it', () => {
    const wall = built('framed-wall-140');
    const [lining, ...rest] = wall.layers;
    if (lining === undefined) throw new Error('no layers');
    const space = {
      id: 'space',
      ...framedLayer('Service space', {
        cavityRsi: 0.18,
        frameRsi: 0.4,
        framingFraction: 0.1,
        thicknessM: 0.045,
      }),
    };
    expect(barrierFace({ ...wall, layers: [lining, space, ...rest] }, 'barrierInnerMembrane')).toBe(2);
  });

  test('on the warm face of masonry, and outside of a frame with no sheathing', () => {
    const masonry = {
      ...plain(0.015, 0.24, 0.1),
      layers: plain(0.015, 0.24, 0.1).layers.map((layer, i) => ({
        ...layer,
        conductivityWmK: [0.5, 0.9, 0.03][i] ?? 0,
      })),
    } as BuildUp;
    expect(barrierFace(masonry, 'barrierMasonryCoat')).toBe(1);
    const bare = { ...built('framed-wall-140') };
    const boardOutside = { ...bare, layers: [...bare.layers.slice(0, 2), ...plain(0.1).layers] };
    expect(barrierFace(boardOutside, 'barrierOuterSheathing')).toBe(2);
  });
});

test('a window or door is tight in itself: its frame is joined to the barrier of the wall', () => {
  const walk = walked(plannedOf(oddHouse(), { plan: FRAMED }));
  const frame = walk.junctions.find(({ kind }) => kind === 'frame');
  if (frame === undefined) throw new Error('no frame');
  const [opening, wall] = sidesOf(frame, walk.areas, []);
  expect(opening?.barrier).toBe('frameAndLeaf');
  expect(wall?.barrier).toBe(walk.areas.find(({ key }) => key === wall?.area)?.barrier);
});

test('every junction of an odd house is drawn between areas that it joins, and inside its build-ups', () => {
  const walk = walked(plannedOf(oddHouse(), { plan: FRAMED }));
  const buildUp = built('framed-wall-140');
  const areas = walk.areas.map(({ key }) => ({ item: key, buildUp }));
  for (const junction of walk.junctions) {
    const meeting = meetingIn(junction);
    expect(meeting.length).toBeGreaterThan(0);
    for (const key of meeting) expect(junction.areas).toContain(key);
    const [first, second] = sidesOf(junction, walk.areas, areas);
    if (first === undefined) throw new Error(`nothing meets in ${junction.name}`);
    const { sides } = drawJoint(junction.kind, first, second);
    const all = buildUp.layers.reduce((sum, layer) => sum + (thicknessOf(layer) ?? 0.015), 0);
    for (const { layers } of sides)
      expect(layers.reduce((sum, layer) => sum + depthOf(layer), 0)).toBeCloseTo(all, 9);
  }
});
