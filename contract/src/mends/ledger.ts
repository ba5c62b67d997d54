import { LEAKS_MAX } from '@calvet/core/limits';
import type { PathToTargetInput } from '@calvet/core/path-to-target/evaluate';
import type { AirtightnessTest } from '../airtightness/airtightness-test';
import { latestTest, testFigures } from '../airtightness/test-figures';
import type { House } from '../house/house';
import type { AreaHere } from '../walk/generate-walk';
import { judgedPenetration } from '../walk/judged-penetration';
import { isOpenMend } from '../walk/mend';
import type { Penetration } from '../walk/penetration';
import type { RulesHere } from '../walk/rules-here';
import { leakOfHoles, sumOf, type LeakRange } from './leak-range';
import type { MendHere } from './mend-list';

/** What all that was recorded lets through at 50 Pa: by how it stands, and together. */
export interface LeakLedger {
  /** Of what is to be mended, and of what is accepted as it is. */
  readonly open: LeakRange;
  /** Of holes that are doubtful. */
  readonly doubtful: LeakRange;
  /** Of holes that fit: some of it passes all the same. */
  readonly sealed: LeakRange;
  readonly all: LeakRange;
}

const leaksStill = ({ state }: MendHere): boolean => state !== 'mended';

/** What is open, doubtful and sealed, added up. Of holes that are wrong their mend speaks. */
export function leakLedger(
  areas: readonly AreaHere[],
  penetrations: readonly Penetration[],
  mends: readonly MendHere[],
  rules?: RulesHere,
): LeakLedger {
  const barriers = new Map(areas.map(({ key, barrier }) => [key, barrier]));
  const holes = penetrations
    .filter(({ made }) => made === 'made')
    .map((hole) => ({
      hole,
      verdict: judgedPenetration(hole, barriers.get(hole.item) ?? null, rules).verdict,
    }));
  const ofHoles = (wanted: 'doubtful' | 'fits'): LeakRange =>
    sumOf(
      holes
        .filter(({ verdict }) => verdict === wanted)
        .map(({ hole, verdict }) => leakOfHoles(hole, verdict)),
    );
  const open = sumOf(mends.filter(leaksStill).map(({ leak }) => leak));
  const [doubtful, sealed] = [ofHoles('doubtful'), ofHoles('fits')];
  return { open, doubtful, sealed, all: sumOf([open, doubtful, sealed]) };
}

/** The last test of a house that has figures, as the way to its target takes it. */
export interface LastTest extends Pick<PathToTargetInput, 'q50M3h' | 'standardErrorLnQ50' | 'limitM3h'> {
  readonly performedOn: string;
}

/** The last test that has figures; null: there is none. */
export function lastTest(house: House, tests: readonly AirtightnessTest[]): LastTest | null {
  const latest = latestTest(tests);
  const figures = latest === null ? null : testFigures(house, latest);
  if (latest === null || figures?.state !== 'figures') return null;
  const { q50M3h, standardErrorLnQ50 } = figures.fit.result;
  return {
    performedOn: latest.performedOn,
    q50M3h,
    standardErrorLnQ50,
    limitM3h: figures.budget.limitFlowM3h,
  };
}

/**
 * What `pathToTarget.evaluate` is asked: the last test, and each mend that is still to be done and lets air through; of more
 * than it takes those that let most through.
 */
export function pathInput(
  { q50M3h, standardErrorLnQ50, limitM3h }: LastTest,
  mends: readonly MendHere[],
): PathToTargetInput | null {
  const items = mends
    .filter((mend) => isOpenMend(mend) && mend.leak.high > 0)
    .sort((a, b) => b.leak.likely - a.leak.likely)
    .slice(0, LEAKS_MAX)
    .map(({ record, leak, minutes }) => ({ id: record.id, leakM3h: leak, minutes: Math.max(1, minutes) }));
  return items.length === 0 ? null : { q50M3h, standardErrorLnQ50, limitM3h, items };
}
