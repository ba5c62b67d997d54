import { shaped } from '../../test/sample-drawing';
import { layOutline, type LaidWall } from './lay-outline';
import { withWallMoved } from './outline-edits';
import { snappedMove } from './snapped-move';

const drawn = { start: { xM: 0, yM: 0 }, outline: shaped('L') };
const walls = layOutline(drawn);
const wallAt = (i: number): LaidWall => {
  const wall = walls[i];
  if (wall === undefined) throw new Error('no wall');
  return wall;
};
const grid = { stepM: 0.05, reachM: 0.2 };

test('a dragged wall goes by whole steps', () => {
  expect(snappedMove(wallAt(0), 0.512, [], grid)).toBeCloseTo(0.5, 9);
  expect(snappedMove(wallAt(0), -0.488, walls, grid)).toBeCloseTo(-0.5, 9);
});

test('near the line of a parallel wall it goes into that line, and the outline stays closed', () => {
  // Of the L the inner wall lies 3 m behind the front wall, both running to the left.
  const toFront = snappedMove(wallAt(2), 2.87, walls, grid);
  expect(toFront).toBeCloseTo(3, 9);
  const below = layOutline({ start: { xM: 0, yM: 0.13 }, outline: shaped('rectangle') });
  const move = snappedMove(wallAt(0), 0.07, [...walls, ...below], grid);
  expect(move).toBeCloseTo(0.13, 9);
  const moved = withWallMoved(drawn, 0, move);
  expect(layOutline(moved ?? drawn)[0]?.from.yM).toBeCloseTo(0.13, 9);
});

test('walls across it, and itself, are no lines to go to', () => {
  expect(snappedMove(wallAt(1), 0.04, [wallAt(0), wallAt(1)], grid)).toBeCloseTo(0.05, 9);
});
