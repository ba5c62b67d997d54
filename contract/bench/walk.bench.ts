import { v7 } from 'uuid';
import { newFeature } from '../src/plan/feature';
import { newWall } from '../src/plan/outline-shapes';
import { NEW_PLAN } from '../src/plan/plan';
import type { Planned } from '../src/plan/plan-input';
import { STARTING_SETS } from '../src/plan/starting-sets';
import type { Storey, Wall } from '../src/plan/storey';
import { notStored } from '../src/record';
import { verdictAt } from '../test/sample-verdict';
import { samplePenetration, sealed } from '../test/sample-penetration';
import { barrierHere } from '../src/continuity/barrier-here';
import { brokenFirst } from '../src/continuity/broken-first';
import { sectionThrough } from '../src/continuity/section-line';
import { inPixels, unrolled } from '../src/continuity/unrolled';
import { looksOf } from '../src/walk/looks';
import { standingVerdicts } from '../src/walk/standing-verdicts';
import { generateWalk, type CheckpointHere, type Walk } from '../src/walk/generate-walk';

const STOREYS = 3;
/** 60 walls a storey, each a stop. */
const TEETH = 15;
const ROUNDS = 40;

/** An outline of many walls at right angles. */
function comb(): readonly Wall[] {
  const wall = (lengthM: number, turnDeg: number): Wall =>
    newWall(lengthM, turnDeg, { thicknessM: 0.2, boundary: 'outdoors' });
  const teeth = Array.from({ length: TEETH }, (_, i) => [
    wall(4, 90),
    wall(1, 90),
    ...(i === TEETH - 1 ? [] : [wall(4, -90), wall(1, -90)]),
  ]).flat();
  return [wall(2 * TEETH - 1, 90), wall(4, 0), ...teeth, wall(8, 90)];
}

const houseId = v7();
const record = <Body>(body: Body, id: string = v7()) => ({ ...body, ...notStored(id, houseId) });
const storeys: readonly Storey[] = Array.from({ length: STOREYS }, (_, level) =>
  record({
    name: `Storey ${level}`,
    level,
    heightM: 2.5,
    floorDepthM: level === 0 ? 0 : 0.3,
    under: level === 0 ? ('ground' as const) : ('outdoors' as const),
    start: { xM: 0, yM: 0 },
    outline: comb(),
    floorVoidM2: 0,
    countsAsFloor: true,
  }),
);

const planned = (built: Partial<typeof NEW_PLAN>): Planned => ({
  plans: [record({ ...NEW_PLAN, ...built })],
  storeys,
  zones: [],
  roofs: storeys.map((storey) =>
    record({
      name: `Roof of ${storey.name}`,
      storeyId: storey.id,
      form: 'flatCeiling' as const,
      outline: null,
      pitch: null,
      collarM: null,
      wings: [],
      buildUp: null,
    }),
  ),
  openings: storeys.flatMap(({ outline }) =>
    outline.slice(0, 5).map(({ id }) =>
      record({
        name: null,
        use: 'window' as const,
        on: id,
        widthM: 0.6,
        heightM: 0.8,
        totalM2: null,
        count: 1,
        alongM: null,
        buildUp: null,
      }),
    ),
  ),
  works: [],
  features: storeys.flatMap(({ outline }) =>
    outline.slice(0, 5).map(({ id }) => record(newFeature('partitionsMeetingEnvelope', id))),
  ),
});

function walked(of: Planned): Walk {
  const walk = generateWalk(of);
  if (walk.state !== 'walked') throw new Error('This house has a walk.');
  return walk;
}

/** The middle of several rounds, in ms; each house is another one, so that nothing is known of it from before. */
function middleOf(work: () => void): number {
  const times = Array.from({ length: ROUNDS }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return times[Math.floor(ROUNDS / 2)] ?? 0;
}

const PATH = ['house', 'storey', 'wall'];

let sink = 0;

/** As many objects of the same shape, from strings that are there, and nothing else. */
function bare(count: number): void {
  const made: CheckpointHere[] = [];
  for (let i = 0; i < count; i++) {
    const key = `checkpoint@wall/${i}`;
    made.push({
      key,
      checkpoint: 'checkpoint',
      item: key,
      itemName: key,
      phase: 'beforeFill',
      subject: 'rim',
      leak: 'small',
      coverEvent: 'lining',
      path: PATH,
    });
  }
  sink += made.length;
}

for (const [name, built] of [
  ['nothing said of how it is built', {}],
  ['inner membrane', STARTING_SETS.barrierInnerMembrane],
] as const) {
  const of = planned(built);
  const { stops, junctions } = walked(of);
  const count = stops.reduce((sum, { checkpoints }) => sum + checkpoints.length, 0);
  const ms = middleOf(
    () => (sink += walked({ ...of, storeys: of.storeys.map((each) => ({ ...each })) }).stops.length),
  );
  const bareMs = middleOf(() => bare(count + junctions.length));
  console.log(
    `All to look at, ${STOREYS} storeys, ${stops.length} stops, ${count} checkpoints, ${junctions.length} junctions, ${name}: ${ms.toFixed(1)} ms (aim 50), ${(ms / bareMs).toFixed(0)} × a bare loop that makes as many objects (${bareMs.toFixed(2)} ms)`,
  );
}

const HOLES = 400;
const of = planned({});
const walk = walked(of);
const all = walk.stops.flatMap(({ checkpoints }) => checkpoints);
const walls = walk.areas.filter(({ kind }) => kind === 'wall');
const penetrations = Array.from({ length: HOLES }, (_, i) =>
  samplePenetration({
    id: v7(),
    item: walls[i % walls.length]?.key ?? '',
    gapMm: 4,
    seals: i % 3 === 0 ? [] : [sealed('softSealant')],
  }),
);
/** So many verdicts were given: half of them all. */
const verdicts = all.slice(0, Math.floor(all.length / 2)).map((here) => verdictAt(here, 'good'));
const foundMs = middleOf(() => {
  const standing = standingVerdicts([...verdicts]);
  const looks = looksOf(walk, { houseId, works: [], standing, calendar: null });
  const barrier = barrierHere(walk, { looks, penetrations, mends: [] });
  sink += brokenFirst(barrier).length + inPixels(unrolled(barrier), 390).length;
});
const looks = looksOf(walk, { houseId, works: [], standing: standingVerdicts(verdicts), calendar: null });
const barrier = barrierHere(walk, { looks, penetrations, mends: [] });
const barrierMs = middleOf(
  () => (sink += barrierHere(walk, { looks: new Map(looks), penetrations, mends: [] }).trace.breaks.length),
);
const sectionMs = middleOf(
  () => (sink += sectionThrough(storeys, barrier, storeys[0]?.outline[0]?.id ?? '')?.pieces.length ?? 0),
);
const itemsMs = middleOf(() => bare(all.length + walk.junctions.length + HOLES));
console.log(
  `After a verdict, ${all.length} checkpoints, ${walk.junctions.length} junctions, ${HOLES} holes: what counts, trace, sentence and seam ${foundMs.toFixed(1)} ms, ${(foundMs / itemsMs).toFixed(0)} × a bare loop that makes as many objects; of that the trace ${barrierMs.toFixed(1)} ms, and the section ${sectionMs.toFixed(1)} ms beside (aim 50 for both, on a device 4 × as slow)`,
);
if (sink < 0) console.log(sink);
