import { sampleOpening, sampleStorey } from '../../test/sample-drawing';
import { tee, walls } from '../../test/sample-plan';
import { entranceOf, nearestTo, roundFrom, sidesRound, stretchesOf } from './walking-order';

const { ground, upper, drawing } = tee();
const entrance = entranceOf([ground, upper], drawing.openings);
if (entrance === null) throw new Error('It has a door.');

const round = (turning: 'right' | 'left') =>
  roundFrom(stretchesOf(ground), entrance.stretch, turning).map(({ wall }) => wall);

test('turning right one goes anticlockwise, from the stretch with the door', () => {
  expect(round('right')).toEqual(['g5', 'g4', 'g3', 'g2', 'g1', 'g8', 'g7', 'g6']);
});

test('turning left one goes the other way round, from the same one', () => {
  expect(round('left')).toEqual(['g5', 'g6', 'g7', 'g8', 'g1', 'g2', 'g3', 'g4']);
});

test.each([
  ['right' as const, ['u3', 'u2', 'u1', 'u4']],
  ['left' as const, ['u3', 'u4', 'u1', 'u2']],
])('above, turning %s, one begins nearest to the door', (turning, order) => {
  const above = stretchesOf(upper);
  expect(roundFrom(above, nearestTo(above, entrance.place), turning).map(({ wall }) => wall)).toEqual(order);
});

describe('outside', () => {
  const sides = (turning: 'right' | 'left') => sidesRound([ground, upper], entrance, turning);

  test('turning right one meets front, right, back and left', () => {
    expect(sides('right').map(({ side, walls: on }) => [side, ...on])).toEqual([
      ['front', 'g3', 'g5', 'g7', 'u3'],
      ['right', 'g2', 'g4', 'u2'],
      ['back', 'g1', 'u1'],
      ['left', 'g6', 'g8', 'u4'],
    ]);
    expect(sides('left').map(({ side }) => side)).toEqual(['front', 'left', 'back', 'right']);
  });

  test('a wall askew between two sides belongs to the one that is met first', () => {
    const askew = sampleStorey('a', {
      outline: walls(
        ['a1', 4, 45],
        ['a2', 2, 45],
        ['a3', 4, 90],
        ['a4', 4 + Math.SQRT2, 90],
        ['a5', 4 + Math.SQRT2, 90],
      ),
    });
    const door = entranceOf([askew], [sampleOpening('d', 'a3', { use: 'entrance' })]);
    const of = (turning: 'right' | 'left') =>
      sidesRound([askew], door ?? entrance, turning).find(({ walls: on }) => on.includes('a2'))?.side;
    // a3 faces right: it is the front; a2 lies between it and what is then the right side.
    expect(of('right')).toBe('front');
    expect(of('left')).toBe('front');
  });
});

describe('where one comes in', () => {
  test('without an entrance door, at another one', () => {
    const door = sampleOpening('d', 'g1', { use: 'door', alongM: 1 });
    expect(entranceOf([ground], [door])).toMatchObject({ wall: 'g1', place: { xM: 1, yM: 0 } });
  });

  test('without a door, at the longest wall of the front, at the foot of the page', () => {
    expect(entranceOf([ground, upper], [])).toMatchObject({ storeyId: 'g', outwardsDeg: 90 });
    expect(entranceOf([upper], [])).toMatchObject({ wall: 'u3' });
  });

  test('a storey in the ground is not where one comes in, while another stands free', () => {
    const cellar = sampleStorey('c', {
      outline: ground.outline.map((wall) => ({
        ...wall,
        id: `c ${wall.id}`,
        groundStartM: 2,
        groundEndM: 2,
      })),
    });
    expect(entranceOf([cellar, ground], [])?.storeyId).toBe('g');
    expect(entranceOf([cellar], [])?.storeyId).toBe('c');
  });

  test('nowhere, where nothing is drawn', () => {
    expect(entranceOf([], [])).toBeNull();
  });
});

describe('stretches', () => {
  const rooms = (...lengths: readonly (number | null)[]) =>
    lengths.map((lengthM, i) => ({ id: `s${i + 1}`, room: `Room ${i + 1}`, lengthM }));
  const storey = sampleStorey('s', {
    outline: walls(['w1', 10, 90], ['w2', 8, 90], ['w3', 10, 90], ['w4', 8, 90]).map((wall, i) =>
      i === 2 ? { ...wall, stretches: rooms(3, 4, null) } : wall,
    ),
  });

  test('a wall of several is left after its first ones and come back to at the end', () => {
    const at = entranceOf([storey], [sampleOpening('d', 'w3', { use: 'entrance', alongM: 5 })]);
    const order = roundFrom(stretchesOf(storey), at?.stretch ?? 0, 'right');
    expect(order.map(({ wall, room }) => room ?? wall)).toEqual([
      'Room 2',
      'Room 1',
      'w2',
      'w1',
      'w4',
      'Room 3',
    ]);
  });

  test('what its rooms leave of a wall is walked as well', () => {
    const short = {
      ...storey,
      outline: storey.outline.map((wall, i) => (i === 2 ? { ...wall, stretches: rooms(3) } : wall)),
    };
    const own = stretchesOf(short).filter(({ wall }) => wall === 'w3');
    expect(own.map(({ stretch, fromM, toM }) => [stretch, fromM, toM])).toEqual([
      ['s1', 0, 3],
      [null, 3, 10],
    ]);
  });
});
