import { FRAMED, plannedOf, sampleFeature, tee } from '../../test/sample-plan';
import { walked } from '../../test/sample-walk';
import type { Phase } from '../plan/own-checkpoint';
import type { Look, LookState } from './looks';
import { askedAt, askedOn, nextLeft, partOf, phasesIn, phasesNow, subjectsLeft } from './round';

const { drawing, ground, upper } = tee();
const walk = walked(
  plannedOf(drawing, { plan: FRAMED, features: [sampleFeature('tub', 'tubOnOuterWall', 'u1')] }),
);
const { stops } = walk;
const all = stops.flatMap(({ checkpoints }) => checkpoints);
const everywhere = (phase: Phase) => ({
  phases: new Map(stops.map((stop) => [partOf(stop), phase] as const)),
  subject: null,
});
const found = (state: LookState): Look => ({ state, standing: undefined, work: null });
const seen = (keys: readonly string[], state: LookState = 'good') =>
  new Map(keys.map((key) => [key, found(state)]));

test('a stop belongs to its storey, to what is outside, or to the whole house', () => {
  expect(new Set(stops.map(partOf))).toEqual(new Set(['outside', ground.id, upper.id, 'house']));
  expect(stops.filter(({ kind }) => kind === 'side').every((stop) => partOf(stop) === 'outside')).toBe(true);
});

test('a round asks for one phase of each part, and of one kind of work alone where one takes its tools', () => {
  const round = everywhere('beforeFill');
  const asked = askedOn(stops, round);
  expect(asked.length).toBeGreaterThan(20);
  expect(new Set(asked.map(({ here }) => here.phase))).toEqual(new Set(['beforeFill']));
  expect(asked.map(({ here }) => here.key)).toEqual(
    all.filter(({ phase }) => phase === 'beforeFill').map(({ key }) => key),
  );
  // Phases differ by storey; a part that is not named is not asked at all.
  const mixed = {
    phases: new Map<string, Phase>([
      [ground.id, 'duringFill'],
      [upper.id, 'beforeFill'],
    ]),
    subject: null,
  };
  const phasesAt = (storey: string) =>
    new Set(
      stops
        .filter((stop) => partOf(stop) === storey)
        .flatMap((stop) => askedAt(stop, mixed))
        .map(({ phase }) => phase),
    );
  expect(phasesAt(ground.id)).toEqual(new Set(['duringFill']));
  expect(phasesAt(upper.id)).toEqual(new Set(['beforeFill']));
  expect(phasesAt('outside')).toEqual(new Set());

  const boxes = askedOn(stops, { ...round, subject: 'electrical' });
  expect(boxes.length).toBeGreaterThan(0);
  expect(boxes.every(({ here }) => here.subject === 'electrical')).toBe(true);
  expect(subjectsLeft(stops, round, new Map()).get('electrical')).toBe(boxes.length);
  expect(subjectsLeft(stops, round, seen(boxes.map(({ here }) => here.key))).has('electrical')).toBe(false);
});

test('a part goes on with the first phase in which something is left; where nothing is, it stays at its last', () => {
  const [first, second] = phasesIn(stops, ground.id);
  if (first === undefined || second === undefined) throw new Error('two phases are needed');
  expect([first, second]).toEqual(['beforeFill', 'duringFill']);
  expect(phasesNow(stops, new Map()).get(ground.id)).toBe(first);
  const inFirst = stops
    .filter((stop) => partOf(stop) === ground.id)
    .flatMap(({ checkpoints }) => checkpoints.filter(({ phase }) => phase === first));
  const afterFirst = phasesNow(stops, seen(inFirst.map(({ key }) => key)));
  expect([afterFirst.get(ground.id), afterFirst.get(upper.id)]).toEqual([second, first]);
  // What has to be looked at again holds it back.
  const [one] = inFirst;
  const again = new Map([...seen(inFirst.map(({ key }) => key)), [one?.key ?? '', found('again')]]);
  expect(phasesNow(stops, again).get(ground.id)).toBe(first);
  const done = phasesNow(stops, seen(all.map(({ key }) => key)));
  expect(done.get(ground.id)).toBe(phasesIn(stops, ground.id).at(-1));
});

describe('what comes next', () => {
  const asked = askedOn(stops, everywhere('beforeFill'));
  const place = asked.find(({ stop }) => asked.filter((each) => each.stop.key === stop.key).length >= 3);
  if (place === undefined) throw new Error('a stop with three checkpoints is needed');
  const [one, two, three] = asked
    .filter(({ stop }) => stop.key === place.stop.key)
    .map(({ here }) => here.key);
  const next = (state: ReadonlyMap<string, Look>, stop: string, key: string | null = null) =>
    nextLeft(stops, asked, state, { stop, key })?.here.key;

  test('is what is left at the place, that after the last one first', () => {
    expect(next(new Map(), place.stop.key)).toBe(one);
    expect(next(new Map(), place.stop.key, one)).toBe(two);
    expect(next(seen([two ?? '']), place.stop.key, one)).toBe(three);
    const last = asked.filter(({ stop }) => stop.key === place.stop.key).at(-1)?.here.key ?? '';
    expect(next(seen([last]), place.stop.key, last)).toBe(one);
  });

  test('is at the next place once nothing is left here, and round again from the first', () => {
    const here = asked.filter(({ stop }) => stop.key === place.stop.key).map(({ here: { key } }) => key);
    const after = asked[asked.findLastIndex(({ stop }) => stop.key === place.stop.key) + 1];
    expect(next(seen(here), place.stop.key, here.at(-1))).toBe(after?.here.key);
    const [first] = asked;
    const butFirst = asked.slice(1).map(({ here: { key } }) => key);
    expect(next(seen(butFirst), asked.at(-1)?.stop.key ?? '', butFirst.at(-1))).toBe(first?.here.key);
    expect(next(seen(asked.map(({ here: { key } }) => key)), place.stop.key)).toBeUndefined();
  });

  test('from a place at which nothing is asked is at the place after it', () => {
    const boxes = askedOn(stops, { ...everywhere('beforeFill'), subject: 'electrical' });
    const order = new Map(stops.map(({ key }, i) => [key, i]));
    const bare = stops.filter(({ key }) => !boxes.some(({ stop }) => stop.key === key));
    expect(bare.length).toBeGreaterThan(3);
    for (const { key } of bare) {
      const after = boxes.find(({ stop }) => (order.get(stop.key) ?? 0) > (order.get(key) ?? 0)) ?? boxes[0];
      expect(nextLeft(stops, boxes, new Map(), { stop: key, key: null })).toEqual(after);
    }
  });

  test('goes through all of a round, each once, whatever is found', () => {
    const state = new Map<string, Look>();
    const order: string[] = [];
    let at: { stop: string; key: string | null } = { stop: stops[0]?.key ?? '', key: null };
    for (;;) {
      const found = nextLeft(stops, asked, state, at);
      if (found === null) break;
      order.push(found.here.key);
      state.set(found.here.key, { state: 'good', standing: undefined, work: null });
      at = { stop: found.stop.key, key: found.here.key };
    }
    expect(order).toEqual(asked.map(({ here }) => here.key));
  });
});
