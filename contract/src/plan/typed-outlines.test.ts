import { parseQuantity } from '@calvet/core/units/parse-quantity';
import { gapOf } from './lay-outline';
import { newWall } from './outline-shapes';

const defaults = { thicknessM: 0.3, boundary: 'outdoors' } as const;
const start = { xM: 0, yM: 0 };

/** Lengths as they are typed, each with the turn at its end: R, L, or degrees. */
function typed(text: string, units: 'metric' | 'imperial' = 'metric') {
  const outline = text.split(',').map((side) => {
    const [length = '', turn = 'R'] = side.trim().split('|');
    const read = parseQuantity(length.trim(), 'length', units);
    if (!('si' in read)) throw new Error(`${length} is no length: ${JSON.stringify(read)}`);
    const turnDeg = turn === 'R' ? 90 : turn === 'L' ? -90 : Number(turn);
    return newWall(read.si, turnDeg, defaults);
  });
  return { start, outline };
}

test.each([
  ['a rectangle in metres', '10|R, 8|R, 10|R, 8|R', 'metric'],
  ['millimetres and metres mixed', '10400 mm|R, 8.2|R, 1040 cm|R, 8200 mm|R', 'metric'],
  ['feet and inches with fractions', `32' 9 1/2"|R, 26' 3"|R, 32' 9 1/2"|R, 26' 3"|R`, 'imperial'],
  ['an L', '12|R, 5|R, 4|L, 3|R, 8|R, 8|R', 'metric'],
  ['a U in feet', '40|R, 30|R, 12|R, 14|L, 16|L, 14|R, 12|R, 30|R', 'imperial'],
  ['a bay of 45°', '10|R, 8|R, 3|R, 1|-45, 1.41421|-45, 4|-45, 1.41421|-45, 1|R, 1|R, 8|R', 'metric'],
  ['a wall cut where a neighbour ends', '6|0, 4|R, 8|R, 10|R, 8|R', 'metric'],
  ['a right triangle', '4|135, 5.65685|135, 4|90', 'metric'],
] as const)('%s closes', (_, text, units) => {
  expect(gapOf(typed(text, units))).toBeNull();
});

test.each([
  ['one wall 0.2 m too short', '10|R, 8|R, 9.8|R, 8|R', { lengthM: 0.2, turnDeg: 0 }],
  ['a turn the wrong way', '10|R, 8|L, 10|R, 8|R', { turnDeg: 180 }],
] as const)('%s does not close, and says by how much', (_, text, gap) => {
  const found = gapOf(typed(text));
  expect(found?.turnDeg).toBeCloseTo(gap.turnDeg, 9);
  if ('lengthM' in gap) expect(found?.lengthM).toBeCloseTo(gap.lengthM, 9);
});
