import { WORK_MAX } from '../limits';
import { exceeds } from '../finding';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, day, fields, figure, list, number, optional, outcome, positive, share, text } from '../schema';
import { equivalentHoleM2 } from './figures';
import { t95 } from './student-t';

/** A test of the house at one stage of its building. */
export interface Stage {
  readonly q50M3h: number;
  readonly standardErrorLnQ50: number;
  /** Of that standard error; without them it counts as known for certain. */
  readonly degreesOfFreedom?: number;
  /** YYYY-MM-DD. */
  readonly date?: string;
}

export interface StageComparisonInput {
  readonly stageA: Stage;
  readonly stageB: Stage;
  /** What was done to the house, and when. */
  readonly work?: readonly { readonly id: string; readonly date: string }[];
}

export interface StageComparison {
  /** B less A. */
  readonly changeM3h: number;
  /** Standard uncertainty of the change. */
  readonly uncertaintyM3h: number;
  readonly verdict: 'tighter' | 'looser' | 'no-demonstrable-change';
  /** The change as a sharp-edged hole; null where none is shown. */
  readonly holeAreaM2: number | null;
  /** Work done between the two tests, both days included. */
  readonly suspects: readonly string[];
}

/** A change counts from twice its uncertainty, where nothing is known of how well the uncertainty itself is known. */
const COVERAGE = 2;

/**
 * Student's factor at the degrees of freedom of both tests together. Welch–Satterthwaite, JCGM 100, G.4.
 * @example coverageOf([{ q50M3h: 600, standardErrorLnQ50: 0.01, degreesOfFreedom: 8 }, { q50M3h: 640, standardErrorLnQ50: 0.01 }], 8.8) // 2.026
 */
export function coverageOf(stages: readonly Stage[], uncertaintyM3h: number): number {
  let share = 0;
  for (const { q50M3h, standardErrorLnQ50, degreesOfFreedom } of stages) {
    if (degreesOfFreedom !== undefined) share += (q50M3h * standardErrorLnQ50) ** 4 / degreesOfFreedom;
  }
  return share === 0 ? COVERAGE : t95(uncertaintyM3h ** 4 / share);
}

/**
 * What changed between two tests of one house: shown only where it exceeds its uncertainty, u = √Σ(q50·se)², by Student's
 * factor at the joined degrees of freedom, or twice where none are given. Flows in m³/h at 50 Pa; the hole by ISO 9972,
 * 6.3.5; uncertainty by JCGM 100, 5.1 and G.4.
 * @example stageComparison({ stageA: { q50M3h: 800, standardErrorLnQ50: 0.01 }, stageB: { q50M3h: 900, standardErrorLnQ50: 0.01 } }).verdict // 'looser'
 * @throws {Refusal} `out-of-order`
 */
export function stageComparison({ stageA, stageB, work = [] }: StageComparisonInput): StageComparison {
  const [from, to] = [stageA.date, stageB.date];
  if (from !== undefined && to !== undefined && to < from) {
    throw new Refusal('out-of-order', 'stageB.date', 'The second test cannot be older than the first.', {
      value: to,
      bound: from,
    });
  }
  const changeM3h = stageB.q50M3h - stageA.q50M3h;
  const uncertaintyM3h = Math.hypot(
    stageA.q50M3h * stageA.standardErrorLnQ50,
    stageB.q50M3h * stageB.standardErrorLnQ50,
  );
  if (!exceeds(Math.abs(changeM3h), coverageOf([stageA, stageB], uncertaintyM3h) * uncertaintyM3h)) {
    return { changeM3h, uncertaintyM3h, verdict: 'no-demonstrable-change', holeAreaM2: null, suspects: [] };
  }
  return {
    changeM3h,
    uncertaintyM3h,
    verdict: changeM3h < 0 ? 'tighter' : 'looser',
    holeAreaM2: equivalentHoleM2(Math.abs(changeM3h), 50),
    suspects:
      from === undefined || to === undefined
        ? []
        : work.filter(({ date }) => date >= from && date <= to).map(({ id }) => id),
  };
}

const stage = fields<Stage>({
  q50M3h: as('q50', positive('flow')),
  standardErrorLnQ50: as('Standard error of q50', share()),
  degreesOfFreedom: optional(number({ quantity: 'plain', min: 1 })),
  date: optional(day()),
});

export const stageComparisonOperation: Operation<StageComparisonInput, StageComparison> = {
  words: {
    shelf: 'airtightness',
    title: 'Two tests compared',
    tells: 'Whether the house became tighter or looser between two tests, and which work fell between.',
    alsoCalled: 'before and after, change, retest, blower door, difference',
    mainFigures: ['verdict', 'changeM3h', 'uncertaintyM3h', 'suspects'],
  },
  schema: fields<StageComparisonInput>({
    stageA: stage,
    stageB: stage,
    work: as(
      'Work',
      optional(
        list(
          fields<NonNullable<StageComparisonInput['work']>[number]>({ id: as('Name', text()), date: day() }),
          0,
          WORK_MAX,
        ),
      ),
      'work',
    ),
  }),
  run: stageComparison,
  output: outcome<StageComparison>({
    changeM3h: as('Change of q50', figure('flow')),
    uncertaintyM3h: as('Uncertainty of the change', figure('flow')),
    verdict: text(),
    holeAreaM2: as('Hole', optional(figure('leakArea'))),
    suspects: list(text()),
  }),
};
