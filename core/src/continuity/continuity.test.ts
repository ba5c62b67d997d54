import fc from 'fast-check';
import { compute } from '../operations';
import { connectedPieces } from './pieces';
import type { Junction, JunctionState, TraceInput } from './trace';

/** Walls in a ring between a floor and a ceiling, all sealed. */
function box(walls: number): TraceInput {
  const wall = (i: number) => `wall${i % walls}`;
  const sealed = (id: string, ...ends: Junction['ends'][number][]): Junction => ({
    id,
    ends,
    lengthM: 4,
    state: 'sealed',
  });
  const plate = { airBarrierLayer: 'sheet', verified: true, sides: walls } as const;
  return {
    areas: [
      { id: 'floor', kind: 'floor', ...plate },
      ...Array.from({ length: walls }, (_, i) => ({
        id: wall(i),
        kind: 'wall' as const,
        airBarrierLayer: 'sheathing',
        verified: true,
      })),
      { id: 'ceiling', kind: 'ceiling', ...plate },
    ],
    junctions: Array.from({ length: walls }, (_, i) => [
      sealed(`sill${i}`, { areaId: wall(i), place: 'bottom' }, { areaId: 'floor', place: `side:${i + 1}` }),
      sealed(`corner${i}`, { areaId: wall(i), place: 'right' }, { areaId: wall(i + 1), place: 'left' }),
      sealed(`head${i}`, { areaId: wall(i), place: 'top' }, { areaId: 'ceiling', place: `side:${i + 1}` }),
    ]).flat(),
  };
}

const states = fc.constantFrom<JunctionState>('sealed', 'open', 'notSeen', 'notNeeded');

test('continuity never improves when a junction opens', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 3, max: 8 }),
      fc.array(states, { minLength: 24, maxLength: 24 }),
      fc.nat(23),
      fc.constantFrom<JunctionState>('open', 'notSeen'),
      (walls, drawn, picked, worse) => {
        const closed = box(walls);
        const index = picked % closed.junctions.length;
        const withStates = (at: (i: number) => JunctionState) =>
          compute('continuity.trace', {
            ...closed,
            junctions: closed.junctions.map((junction, i) => ({ ...junction, state: at(i) })),
          });
        const before = withStates((i) => (i === index ? 'sealed' : drawn[i]!));
        const after = withStates((i) => (i === index ? worse : drawn[i]!));
        expect(after.continuous).toBe(false);
        expect(after.breaks.length).toBe(before.breaks.length + 1);
        expect(after.pieces.length).toBeGreaterThanOrEqual(before.pieces.length);
        expect(after.sealedLengthM).toBeLessThan(before.sealedLengthM);
        expect(after.continuityByLength!).toBeLessThan(before.continuityByLength!);
      },
    ),
  );
});

test('a box of any number of walls is continuous, and every area taken out breaks it', () => {
  const closed = box(5);
  expect(compute('continuity.trace', closed)).toMatchObject({
    continuous: true,
    breaks: [],
    continuityByLength: 1,
  });
  closed.areas.forEach(({ id }, i) => {
    const areas = closed.areas.map((area, j) => (i === j ? { ...area, verified: false } : area));
    expect(compute('continuity.trace', { ...closed, areas }).breaks).toEqual([
      { kind: 'area-not-verified', areaId: id },
    ]);
  });
});

test('a place may hold several junctions; each open one is met once', () => {
  const closed = box(4);
  const split = closed.junctions.flatMap((junction) =>
    junction.id === 'sill1'
      ? [
          { ...junction, lengthM: 3 },
          { ...junction, id: 'sill1b', lengthM: 1, state: 'open' as const },
        ]
      : [junction],
  );
  const { breaks, continuityByLength } = compute('continuity.trace', { ...closed, junctions: split });
  expect(breaks).toEqual([{ kind: 'junction-open', areaId: 'floor', place: 'side:2', junctionId: 'sill1b' }]);
  expect(continuityByLength).toBeCloseTo(47 / 48, 12);
});

test.each<[string, (input: TraceInput) => object, string, string]>([
  [
    'a place that the area does not have',
    ({ junctions: [first] }) => ({ junctions: [{ ...first, ends: [{ areaId: 'floor', place: 'top' }] }] }),
    'unknown-reference',
    'junctions[0].ends[0].place',
  ],
  [
    'a length of no place',
    ({ areas: [first, ...rest] }) => ({ areas: [{ ...first, lengthsM: { attic: 2 } }, ...rest] }),
    'unknown-reference',
    'areas[0].lengthsM.attic',
  ],
  [
    'a penetration of nothing',
    () => ({ penetrations: [{ id: 'p', areaId: 'shed', state: 'open' }] }),
    'unknown-reference',
    'penetrations[0].areaId',
  ],
  [
    'one opening twice',
    ({ areas: [first, second, ...rest] }) => ({
      areas: [first, { ...second, openings: ['a', 'a'] }, ...rest],
    }),
    'duplicate-id',
    'areas[1].openings[1]',
  ],
  [
    'a length that is none',
    ({ areas: [first, ...rest] }) => ({ areas: [{ ...first, lengthsM: { 'side:1': 0 } }, ...rest] }),
    'out-of-range',
    'areas[0].lengthsM.side:1',
  ],
])('%s is refused', (_name, change, code, field) => {
  const closed = box(4);
  expect(() => compute('continuity.trace', { ...closed, ...change(closed) })).toThrow(
    expect.objectContaining({ code, field }),
  );
});

test('pieces hold every node once and every link within one piece', () => {
  const nodes = Array.from({ length: 12 }, (_, i) => `n${i}`);
  const link = fc.tuple(fc.constantFrom(...nodes), fc.constantFrom(...nodes));
  fc.assert(
    fc.property(fc.array(link, { maxLength: 15 }), (links) => {
      const pieces = connectedPieces(nodes, links);
      expect(pieces.flat().sort()).toEqual([...nodes].sort());
      for (const [one, other] of links) {
        expect(pieces.find((piece) => piece.includes(one))).toContain(other);
      }
    }),
  );
});

test('a line is traced along a rim like along a wall', () => {
  const plan = box(4);
  const withRim = {
    ...plan,
    areas: plan.areas.map((area) => (area.id === 'wall1' ? { ...area, kind: 'rim' as const } : area)),
  };
  expect(compute('continuity.trace', withRim)).toEqual(compute('continuity.trace', plan));
  const [, ...without] = withRim.junctions;
  const corner = without.filter(({ id }) => id !== 'corner1');
  expect(
    compute('continuity.trace', { ...withRim, junctions: [plan.junctions[0]!, ...corner] }).breaks,
  ).toMatchObject([
    { kind: 'loose-edge', areaId: 'wall1', place: 'right' },
    { kind: 'loose-edge', areaId: 'wall2', place: 'left' },
  ]);
});
