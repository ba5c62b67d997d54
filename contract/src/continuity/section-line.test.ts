import { FRAMED, oddHouse, plannedOf, tee, walls } from '../../test/sample-plan';
import { drawingOf, sampleStorey } from '../../test/sample-drawing';
import { walked } from '../../test/sample-walk';
import type { Drawing } from '../plan/plan-input';
import { barrierHere } from './barrier-here';
import { sectionThrough, type SectionLine, type SectionPlace } from './section-line';

const parts = (drawing: Drawing) =>
  barrierHere(walked(plannedOf(drawing, { plan: FRAMED })), {
    looks: new Map(),
    penetrations: [],
    mends: [],
  });
const nameOf = ({ xM, yM }: SectionPlace): string => `${xM.toFixed(6)} ${yM.toFixed(6)}`;

/** A line that closes: each place in it is where one piece ends and the next begins. */
function isClosed({ pieces }: SectionLine): boolean {
  const met = new Map<string, number>();
  for (const { from, to } of pieces)
    for (const name of [nameOf(from), nameOf(to)]) met.set(name, (met.get(name) ?? 0) + 1);
  return [...met.values()].every((count) => count === 2);
}

test.each<[string, Drawing]>([
  ['a storey that steps in above a lean-to', tee().drawing],
  ['basement, overhang, garage and three roofs', oddHouse()],
  ['one storey', drawingOf(sampleStorey('s'))],
])('through every wall of %s it closes, and knows what it cuts', (_, drawing) => {
  const found = parts(drawing);
  const areas = new Set(found.areas.map(({ key }) => key));
  const junctions = new Set(found.junctions.map(({ key }) => key));
  for (const { outline } of drawing.storeys) {
    for (const { id } of outline) {
      const line = sectionThrough(drawing.storeys, found, id);
      if (line === null) throw new Error(`nothing is cut through ${id}`);
      expect(isClosed(line)).toBe(true);
      for (const { area } of line.pieces) expect(area === null || areas.has(area)).toBe(true);
      for (const { junction } of line.joints) expect(junction === null || junctions.has(junction)).toBe(true);
      const places = new Set(line.pieces.flatMap(({ from, to }) => [nameOf(from), nameOf(to)]));
      for (const { at } of line.joints) expect(places.has(nameOf(at))).toBe(true);
      expect(line.pieces.length).toBeGreaterThanOrEqual(4);
    }
  }
});

test('from the foot of the wall that was chosen up, over the top, down the other side, along the floor', () => {
  const { drawing } = tee();
  const line = sectionThrough(drawing.storeys, parts(drawing), 'u1');
  expect(line?.pieces.map(({ area }) => area)).toEqual([
    'wall/g1',
    'rim/u1',
    'wall/u1',
    'ceiling/roof of u',
    // Down again on the other side, where the upper storey steps in.
    'wall/g5',
    'flatRoof/roof of g',
    'rim/u3',
    'wall/u3',
    'floor/g',
  ]);
  expect(line?.joints.slice(0, 4).map(({ junction }) => junction)).toEqual([
    'foot/g1',
    'rimFoot/u1+g1',
    'rimHead/u1',
    'head/u1+roof of u',
  ]);
  expect(line?.joints.map(({ junction }) => junction)).toContain('stepIn/u3');
});

test('a wall that is not there, and one with nothing opposite, are cut by nothing', () => {
  const { drawing } = tee();
  expect(sectionThrough(drawing.storeys, parts(drawing), 'gone')).toBeNull();
  const bent = { ...sampleStorey('s'), outline: walls(['a', 5, 0], ['b', 5, 0]) };
  expect(sectionThrough([bent], { areas: [], junctions: [] }, 'a')).toBeNull();
});
