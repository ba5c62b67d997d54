import { lookAtWalls, WAYS } from '../test/walls';
import { coverageOf, WAYS_OF_TESTING } from '../test/door-tests';
import { sampling } from '../src/insulation/sampling';

const WALLS = 500;
/** Asking how many more takes long. */
const FURTHER = 20;
const LEAST = { held: 0.88, wrong: 0.1, settledAfterMore: 0.8 };

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`.padStart(7);

let failures = 0;
console.log(
  `Sampling, ${WALLS} walls of each kind: truth within the 90 % bounds · a grade supported, of all walls wrongly · ` +
    `settled, of all walls wrongly · settled after as many more as asked for (${FURTHER} walls)`,
);
for (const way of WAYS) {
  const found = lookAtWalls(way, WALLS, FURTHER, (input) => sampling(input).moreCavities);
  const isRight =
    found.held >= LEAST.held &&
    Math.max(found.supportedWrongly, found.settledWrongly) <= LEAST.wrong &&
    found.settledAfterMore >= LEAST.settledAfterMore;
  if (!isRight) failures++;
  const name = `${way.work}, ${way.seen} of ${way.cavities}${way.isGlancedAt ? ', all glanced at' : ''}`;
  console.log(
    `  ${name.padEnd(58)} ${percent(found.held)} · ${percent(found.supported)} ${percent(found.supportedWrongly)} · ` +
      `${percent(found.settled)} ${percent(found.settledWrongly)} · ${percent(found.settledAfterMore)}` +
      (isRight ? '' : '  ← out of bounds'),
  );
}

const TESTS = 20_000;
const COVERAGE = { least: 0.93, most: 0.97 };

console.log(
  `Errors in both axes, ${TESTS} door tests of each kind: truth within the 95 % interval · within that of the ordinary fit · ` +
    `scatter said to be unexplained`,
);
for (const way of WAYS_OF_TESTING) {
  const { weighed, ordinary, unexplained } = coverageOf(way, TESTS);
  const isRight = weighed >= COVERAGE.least && weighed <= COVERAGE.most;
  if (!isRight) failures++;
  const name = `${way.name}, ${way.readings} readings, ${way.baselines} + ${way.baselines} of the baseline`;
  console.log(
    `  ${name.padEnd(66)} ${percent(weighed)} · ${percent(ordinary)} · ${percent(unexplained)}` +
      (isRight ? '' : '  ← out of bounds'),
  );
}
if (failures > 0) {
  console.error(`${failures} kinds are out of bounds.`);
  process.exit(1);
}
