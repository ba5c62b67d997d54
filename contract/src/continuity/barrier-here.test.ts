import { trace } from '@calvet/core/continuity/trace';
import fc from 'fast-check';
import { samplePenetration, sealed } from '../../test/sample-penetration';
import { FRAMED, oddHouse, plannedOf, sampleFeature, tee } from '../../test/sample-plan';
import { walked } from '../../test/sample-walk';
import { idsIn } from '../plan/item-key';
import { notStored } from '../record';
import type { Look, LookState } from '../walk/looks';
import type { Mend } from '../walk/mend';
import { barrierHere, isOpenBreak, junctionOf, type BarrierHere, type BarrierKnown } from './barrier-here';
import { breakName, brokenFirst } from './broken-first';
import { BARRIER_CHECKPOINT } from './junction-states';
import { inPixels, unrolled } from './unrolled';

const walk = walked(
  plannedOf(tee().drawing, {
    plan: FRAMED,
    features: [sampleFeature('meets', 'partitionsMeetingEnvelope', 'g1')],
  }),
);
const all = walk.stops.flatMap(({ checkpoints }) => checkpoints);
const looked = (state: LookState): Look => ({ state, standing: undefined, work: null });
const looksOf = (state: (key: string) => LookState) =>
  new Map(all.map(({ key }) => [key, looked(state(key))]));
const barrier = (more: Partial<BarrierKnown> = {}, of = walk): BarrierHere =>
  barrierHere(of, { looks: looksOf(() => 'good'), penetrations: [], mends: [], ...more });
const rim = 'rim-joints-sealed@rimHead/u1';
const but = (key: string, state: LookState) => ({
  looks: looksOf((each) => (each === key ? state : 'good')),
});
const stateOf = (found: BarrierHere, key: string) => found.junctions.find((each) => each.key === key)?.state;

const leak = (more: Partial<Mend> = {}): Mend => ({
  ...notStored('leak', 'h'),
  item: 'wall/g1',
  stop: 'wall/g1',
  placeName: 'Front',
  verdict: null,
  penetration: null,
  what: 'Open joint',
  why: null,
  how: null,
  trade: null,
  minutes: null,
  leak: null,
  gapMm: 6,
  lengthMm: null,
  isUnderFan: false,
  foundOn: '2027-03-08',
  state: 'open',
  reason: null,
  reviewer: null,
  ...more,
});

test('where all was seen and is good, the barrier is whole, and one piece', () => {
  const found = barrier();
  expect(found.trace).toMatchObject({ continuous: true, breaks: [], continuityByLength: 1 });
  expect(found.trace.pieces).toHaveLength(1);
  expect(brokenFirst(found)).toMatch(/whole/);
});

test('where nobody looked, nothing is whole, and nothing is known to be open', () => {
  const found = barrier({ looks: new Map() });
  expect(found.trace.continuous).toBe(false);
  expect(found.trace.breaks.some(isOpenBreak)).toBe(false);
  expect(new Set(found.junctions.map(({ state }) => state))).toEqual(new Set(['notSeen']));
  expect(brokenFirst(found)).toBe(
    `${found.trace.breaks.length} not shown yet, first ${found.areas[0]?.name ?? ''}`,
  );
});

test('areas stand bottom up: the floor, the walls as they are walked, each after the rim it stands on, then the roofs', () => {
  const keys = barrier().areas.map(({ key }) => key);
  const inWalk = walk.stops.flatMap(({ wall, kind }) => (kind === 'stretch' && wall !== null ? [wall] : []));
  const ground = keys.filter((key) => /^wall\/g/.test(key)).map((key) => idsIn(key)[0]);
  expect(keys[0]).toBe('floor/g');
  expect(ground).toEqual([...new Set(inWalk.filter((wall) => wall.startsWith('g')))]);
  expect(keys.indexOf('flatRoof/roof of g')).toBeGreaterThan(keys.indexOf('wall/g8'));
  expect(keys.indexOf('rim/u1')).toBe(keys.indexOf('wall/u1') - 1);
  expect(keys.at(-1)).toBe('ceiling/roof of u');
});

describe('a junction', () => {
  test.each<[LookState, string]>([
    ['good', 'sealed'],
    ['mend', 'open'],
    ['left', 'notSeen'],
    ['notSeen', 'notSeen'],
    ['again', 'notSeen'],
    ['covered', 'notSeen'],
  ])('of which a checkpoint is %s is %s', (state, expected) => {
    expect(stateOf(barrier(but(rim, state)), 'rimHead/u1')).toBe(expected);
  });

  test('all of which is not there is not needed; one of which a part is not there still is', () => {
    const here = all.filter(({ item }) => item === 'rimHead/u1');
    expect(here.length).toBeGreaterThan(1);
    const none = looksOf((key) => (key.endsWith('@rimHead/u1') ? 'notHere' : 'good'));
    expect(stateOf(barrier({ looks: none }), 'rimHead/u1')).toBe('notNeeded');
    expect(stateOf(barrier(but(rim, 'notHere')), 'rimHead/u1')).toBe('sealed');
  });

  test('on which something is to be mended is open until that is mended', () => {
    const on = (state: Mend['state']) =>
      stateOf(barrier({ mends: [leak({ item: 'head/u1+roof of u', state })] }), 'head/u1+roof of u');
    expect([on('open'), on('notYet'), on('mended')]).toEqual(['open', 'open', 'sealed']);
  });

  test('that no checkpoint asks for is as well known as the areas that it joins', () => {
    const corner = 'corner/g2 corner';
    expect(all.some(({ item }) => item === corner)).toBe(false);
    expect(stateOf(barrier(), corner)).toBe('sealed');
    expect(stateOf(barrier(but(`${BARRIER_CHECKPOINT}@wall/g1`, 'left')), corner)).toBe('notSeen');
  });

  test('of a frame is known by what is asked of its opening', () => {
    const [one] = all.filter(({ item }) => item === 'opening/door');
    expect(stateOf(barrier(but(one?.key ?? '', 'left')), 'frame/door')).toBe('notSeen');
    expect(stateOf(barrier(), 'frame/door')).toBe('sealed');
  });
});

test('an area is verified by somebody who shows its barrier; nobody can: a finding', () => {
  const found = barrier(but(`${BARRIER_CHECKPOINT}@wall/g1`, 'mend'));
  expect(found.trace.breaks.filter(({ kind }) => kind === 'area-not-verified')).toEqual([
    { kind: 'area-not-verified', areaId: 'wall/g1' },
  ]);
  expect(found.trace.continuous).toBe(false);
  const bare = barrier({}, walked(plannedOf(tee().drawing)));
  expect(bare.trace.breaks.some(({ kind }) => kind === 'no-air-barrier')).toBe(true);
});

describe('holes', () => {
  const hole = (more: Parameters<typeof samplePenetration>[0]) =>
    barrier({ penetrations: [samplePenetration({ item: 'wall/g1', ...more })] });
  const broken = (found: BarrierHere) => found.trace.breaks.map(({ kind }) => kind);

  test.each<[string, Parameters<typeof samplePenetration>[0], readonly string[]]>([
    ['that fits breaks nothing', { gapMm: 4, seals: [sealed('softSealant')] }, []],
    ['that nothing closes is open', { gapMm: 4 }, ['penetration-open']],
    ['that is doubtful is not shown', { gapMm: 4, seals: [sealed('lowFoam')] }, ['penetration-not-seen']],
    ['to come breaks nothing', { made: 'toCome' }, []],
    ['in an area that is gone breaks nothing', { item: 'wall/gone' }, []],
    [
      'of a box without its face is not shown',
      { what: 'box', seals: [sealed('boxFilled')] },
      ['penetration-not-seen'],
    ],
    [
      'held to be wrong is open',
      { gapMm: 4, seals: [sealed('softSealant')], decided: 'wrong' },
      ['penetration-open'],
    ],
  ])('one %s', (_, more, kinds) => {
    expect(broken(hole(more))).toEqual(kinds);
  });

  test('a leak that nobody asked for is one', () => {
    const found = barrier({ mends: [leak()] });
    expect(broken(found)).toEqual(['penetration-open']);
    expect(brokenFirst(found)).toMatch(/^Broken at /);
    expect(broken(barrier({ mends: [leak({ state: 'mended' })] }))).toEqual([]);
  });
});

test('strip, sentence and computation say the same, whatever was found', () => {
  const states: readonly LookState[] = [
    'good',
    'good',
    'good',
    'mend',
    'left',
    'notHere',
    'again',
    'covered',
    'notSeen',
  ];
  const odd = walked(plannedOf(oddHouse(), { plan: FRAMED }));
  fc.assert(
    fc.property(fc.boolean(), fc.array(fc.constantFrom(...states), { minLength: 1 }), (isOdd, list) => {
      const of = isOdd ? odd : walk;
      const asked = of.stops.flatMap(({ checkpoints }) => checkpoints);
      const looks = new Map(asked.map(({ key }, i) => [key, looked(list[i % list.length] ?? 'left')]));
      const found = barrier({ looks }, of);
      const { breaks } = found.trace;
      const pieces = unrolled(found);
      // Each junction and hole that breaks it is on the strip, in its state.
      for (const each of breaks) {
        const key = junctionOf(each) ?? each.penetrationId;
        if (key === undefined) continue;
        expect(pieces.find((piece) => piece.key === key)?.state).toBe(isOpenBreak(each) ? 'open' : 'notSeen');
      }
      const isOpen = breaks.some(isOpenBreak);
      expect(pieces.some(({ state }) => state === 'open')).toBe(isOpen);
      expect(inPixels(pieces, 300).some(({ state }) => state === 'open')).toBe(isOpen);
      const sentence = brokenFirst(found);
      const [first] = breaks.filter(isOpenBreak);
      if (first === undefined) expect(sentence).not.toMatch(/^Broken/);
      else expect(sentence).toContain(breakName(found, first));
      // On the strip each junction stands once.
      const junctions = pieces.filter(({ what }) => what === 'junction').map(({ key }) => key);
      expect(new Set(junctions).size).toBe(junctions.length);
    }),
    { numRuns: 60 },
  );
});

test('the strip fills its width without a gap, and an open place shows in however few pixels', () => {
  const found = barrier(but(rim, 'mend'));
  for (const width of [1, 7, 40, 366, 1200]) {
    const stretches = inPixels(unrolled(found), width);
    expect(stretches[0]?.fromPx).toBe(0);
    expect(stretches.at(-1)?.toPx).toBe(width);
    stretches.slice(1).forEach((each, i) => expect(each.fromPx).toBe(stretches[i]?.toPx));
    expect(stretches.filter(({ state }) => state === 'open').length).toBe(1);
  }
  expect(inPixels([], 100)).toEqual([]);
  expect(inPixels(unrolled(found), 0)).toEqual([]);
});

test('what is given to the computation is what it takes', () => {
  const { trace: found } = barrier(
    { looks: new Map(), mends: [leak()] },
    walked(plannedOf(oddHouse(), { plan: FRAMED })),
  );
  expect(found.neededLengthM).toBeGreaterThan(100);
  expect(found.looseEdgesWithoutLength).toBe(0);
  expect(() => trace({ areas: [], junctions: [] })).not.toThrow();
});
