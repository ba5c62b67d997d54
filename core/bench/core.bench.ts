import regression from 'regression';
import { compute } from '../src/operations';
import { multiPoint, type MultiPointInput } from '../src/airtightness/multi-point';
import { fitLogarithms } from '../src/airtightness/power-law-fit';
import { seededRandom } from '../src/random/distributions';

const TESTS = 10_000;
const READINGS = 10;
const ROUNDS = 15;

const random = seededRandom(7);
const inputs: readonly MultiPointInput[] = Array.from({ length: TESTS }, () => {
  const [coefficient, exponent] = [20 + 100 * random(), 0.55 + 0.2 * random()];
  return {
    method: 'iso9972',
    building: { volumeM3: 400, envelopeAreaM2: 420, floorAreaM2: 150, heightM: 5.5 },
    conditions: { indoorTemperatureC: 20, outdoorTemperatureC: 5, windMs: 2 },
    runs: [
      {
        direction: 'depressurise',
        baselineBeforePa: [-1, -1.2],
        baselineAfterPa: [-1.1],
        readings: Array.from({ length: READINGS }, (_, i) => ({
          pressurePa: -(12 + 6 * i),
          flowM3h: coefficient * (12 + 6 * i) ** exponent * (1 + 0.02 * (random() - 0.5)),
        })),
      },
    ],
  };
});
const pairs = inputs.map(({ runs }) =>
  (runs[0]?.readings ?? []).map(({ pressurePa, flowM3h = 0 }): [number, number] => [
    Math.abs(pressurePa),
    flowM3h,
  ]),
);

/** Shortest of several rounds, in milliseconds: the one that was disturbed least. */
function bestOf(work: () => void): number {
  return Math.min(
    ...Array.from({ length: ROUNDS }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}

let sink = 0;
const columns = pairs.map((pair) => [pair.map(([x]) => x), pair.map(([, y]) => y)] as const);

/** The bare two-sum regression of ln flow on ln pressure: what any fit must do at the least. */
function bareLoop([xs, ys]: (typeof columns)[number]): number {
  let [sx, sy, sxx, sxy] = [0, 0, 0, 0];
  for (let i = 0; i < xs.length; i++) {
    const x = Math.log(xs[i] ?? 1);
    const y = Math.log(ys[i] ?? 1);
    sx += x;
    sy += y;
    sxx += x * x;
    sxy += x * y;
  }
  return (xs.length * sxy - sx * sy) / (xs.length * sxx - sx * sx);
}

/** The shortest of several rounds of each, in milliseconds; turn by turn, so that what disturbs one disturbs all. */
function bestOfEach<Name extends string>(works: Readonly<Record<Name, () => void>>): Record<Name, number> {
  const names = Object.keys(works) as Name[];
  const best = Object.fromEntries(names.map((name) => [name, Infinity])) as Record<Name, number>;
  for (let round = 0; round < ROUNDS; round++) {
    for (const name of names) {
      const start = performance.now();
      works[name]();
      best[name] = Math.min(best[name], performance.now() - start);
    }
  }
  return best;
}

/** The fit of the core, from pressures and flows as the bare loop takes them. */
function fitOfCore([xs, ys]: (typeof columns)[number]): number {
  const [x, y]: [number[], number[]] = [[], []];
  for (let i = 0; i < xs.length; i++) {
    x.push(Math.log(xs[i] ?? 1));
    y.push(Math.log(ys[i] ?? 1));
  }
  return fitLogarithms(x, y).exponent;
}

/** The same few tests over and over, as one who waits for one test has them: what is read stays in the cache. */
const FEW = 50;
const overAndOver = <Item>(items: readonly Item[], work: (item: Item) => number) => {
  const few = items.slice(0, FEW);
  return () => {
    for (let i = 0; i < TESTS; i += FEW) for (const item of few) sink += work(item);
  };
};
const eachOnce =
  <Item>(items: readonly Item[], work: (item: Item) => number) =>
  () => {
    for (const item of items) sink += work(item);
  };
const whole = (input: MultiPointInput): number => multiPoint(input).result.q50M3h;
const checked = (input: MultiPointInput): number => compute('airtightness.multiPoint', input).result.q50M3h;

const one = bestOfEach({
  bare: overAndOver(columns, bareLoop),
  fit: overAndOver(columns, fitOfCore),
  whole: overAndOver(inputs, whole),
  checked: overAndOver(inputs, checked),
});
const many = bestOfEach({
  bare: eachOnce(columns, bareLoop),
  general: eachOnce(pairs, (pair) => regression.power(pair, { precision: 12 }).equation[1] ?? 0),
  fit: eachOnce(columns, fitOfCore),
  whole: eachOnce(inputs, whole),
  checked: eachOnce(inputs, checked),
});

const observation = () => ({
  cavity: { widthM: 0.37, heightM: 2.4 },
  regions: [
    { areaM2: 0.02 * random(), fill: 0 },
    { areaM2: 0.05 * random(), fill: 0.8 },
  ],
  requirements: { touchesAirBarrier: random() > 0.1, splitAroundServices: true, behindBoxes: random() > 0.1 },
});
const AREAS = 300;
const OBSERVATIONS = 2000;
const areas = Array.from({ length: AREAS }, (_, i) => ({
  work: {
    netInsulatedAreaM2: 60,
    observations: Array.from(
      { length: Math.floor(((i + 1) * OBSERVATIONS) / AREAS) - Math.floor((i * OBSERVATIONS) / AREAS) },
      observation,
    ),
  },
  buildUp: {
    layers: [
      { thicknessM: 0.0125, conductivityWmK: 0.25 },
      { cavityRsi: 3 + random(), frameRsi: 1.2, framingFraction: 0.1 + 0.2 * random(), thicknessM: 0.14 },
      { rsi: 0.1 },
    ],
    method: 'iso6946' as const,
    filmConvention: 'iso' as const,
    heatFlow: 'horizontal' as const,
    areaM2: 1 + i / 10,
  },
}));

/** Everything a house's areas are worth, as their cavities were found. */
function recomputeHouse(): number {
  const values = areas.map(({ work, buildUp }) => {
    const { voidFraction, compressedFraction, meanFill } = compute('insulation.grade', work);
    const measured = {
      voidFraction,
      compressedFraction,
      meanFill: meanFill ?? 0.9,
      compressedAs: 'underfilled',
    };
    const { uValue } = compute('thermal.assembly', {
      ...buildUp,
      gradeAdjustment: { school: 'voidFraction', layer: 1, measured },
    });
    return { areaM2: buildUp.areaM2, uValue };
  });
  return compute('thermal.house', { areas: values }).transmissionWK;
}

const openItems = Array.from({ length: 60 }, (_, i) => {
  const likely = 5 + 15 * random();
  return { id: `i${i}`, leakM3h: { low: likely / 2, likely, high: likely * 2 }, minutes: 5 + 40 * random() };
});
const pathOf = (draws: number) => () => {
  const result = compute('pathToTarget.evaluate', {
    q50M3h: 1150,
    standardErrorLnQ50: 0.02,
    limitM3h: 800,
    items: openItems,
    draws,
  });
  sink += result.chanceAll;
};

/** Four voids with fifty points each, round and ragged, on a slanted photo. */
const photo = {
  corners: [
    { x: 312, y: 205 },
    { x: 905, y: 258 },
    { x: 871, y: 2790 },
    { x: 274, y: 2955 },
  ],
  cavityWidthM: 0.37,
  cavityHeightM: 2.42,
  outlines: Array.from({ length: 4 }, (_, k) =>
    Array.from({ length: 50 }, (_point, i) => {
      const [angle, radius] = [(i / 50) * 2 * Math.PI, 120 + 40 * random()];
      return { x: 450 + 80 * k + radius * Math.cos(angle), y: 700 + 500 * k + radius * Math.sin(angle) };
    }),
  ),
};

/** Milliseconds of one call and bytes that it leaves behind before anything is collected. */
function measure(work: () => void, calls: number): { readonly ms: number; readonly bytes: number } {
  const ms = bestOf(() => {
    for (let i = 0; i < calls; i++) work();
  });
  globalThis.gc?.();
  const before = process.memoryUsage().heapUsed + process.memoryUsage().arrayBuffers;
  work();
  const after = process.memoryUsage().heapUsed + process.memoryUsage().arrayBuffers;
  return { ms: ms / calls, bytes: Math.max(0, after - before) };
}

let next = 0;
const oneTest = measure(() => {
  sink += multiPoint(inputs[next++ % TESTS] as MultiPointInput).result.q50M3h;
}, 1000);
const house = measure(() => (sink += recomputeHouse()), 3);
const path20 = measure(pathOf(20_000), 1);
const path80 = measure(pathOf(80_000), 1);
/** What a person enters at the most: it must not be felt where it does not say that it takes long. */
const manyCavities = { netInsulatedAreaM2: 5000, observations: Array.from({ length: 1000 }, observation) };
const graded = measure(() => (sink += compute('insulation.grade', manyCavities).voidFraction), 5);
const sampled = measure(() => (sink += compute('insulation.sampling', manyCavities).voidLow90), 1);
const voids = measure(() => (sink += compute('photo.voids', photo).voidFraction), 5);

const ratio = (time: number, reference: number) => `${(time / reference).toFixed(2)} ×`;
const memory = (bytes: number) =>
  bytes > 1e6 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e3).toFixed(1)} kB`;
const bare = one.bare / TESTS;
console.log(`Multi-point, ${READINGS} readings, against the bare two-sum loop (best of ${ROUNDS} rounds):`);
console.log(`  the fit alone                       ${ratio(one.fit, one.bare)}`);
console.log(
  `  the whole operation                 ${ratio(one.whole, one.bare)}  (${memory(oneTest.bytes)} a test)`,
);
console.log(`  with its input checked              ${ratio(one.checked, one.bare)}`);
console.log(`  ${TESTS} different tests, whole       ${ratio(many.whole, many.bare)}`);
console.log(`  ${TESTS} different tests, checked     ${ratio(many.checked, many.bare)}`);
console.log(`Multi-point, ${TESTS} different tests, against a general regression package:`);
console.log(`  the fit alone                       ${ratio(many.fit, many.general)}`);
console.log(`  the whole operation                 ${ratio(many.whole, many.general)}`);
const line = (what: string, { ms, bytes }: { readonly ms: number; readonly bytes: number }) =>
  console.log(
    `${what.padEnd(56)}${ratio(ms, bare).padStart(12)} bare loops  (${ms.toFixed(2)} ms, ${memory(bytes)})`,
  );
line(`House of ${AREAS} areas with ${OBSERVATIONS} cavities`, house);
line('Path to target, 60 items × 20 000 draws', path20);
line('Path to target, 60 items × 80 000 draws', path80);
console.log(`  four times the draws take                             ${ratio(path80.ms, path20.ms)}`);
line('Grade of 1 000 different cavities', graded);
line('Sampling of 1 000 different cavities, told on the way', sampled);
line('Voids of 4 outlines with 200 points', voids);
if (!Number.isFinite(sink)) throw new Error('A figure went wrong.');
