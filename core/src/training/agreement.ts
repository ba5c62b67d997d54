import { t95 } from '../airtightness/student-t';
import type { GradeOfWork } from '../insulation/grade';
import { ANSWERS_MAX } from '../limits';
import type { Operation } from '../operation';
import { as, fields, figure, list, option, optional, outcome, share } from '../schema';
import { NORMAL_95, weightedKappa, type Confusion, type WeightedKappa } from './weighted-kappa';

/** What is so of one picture, and what somebody saw in it. */
export interface TrainedAnswer {
  /** Share of the cavity that is empty, 0…1. */
  readonly truthVoid: number;
  readonly guessVoid: number;
  readonly truthGrade: GradeOfWork;
  readonly guessGrade: GradeOfWork;
}

export interface AgreementInput {
  readonly answers: readonly TrainedAnswer[];
}

/** How near guesses come to the truth; null where there are too few, or all alike. */
export interface Agreement extends WeightedKappa {
  readonly count: number;
  /** Guess less truth: below 0, too little is seen. */
  readonly meanError: number;
  readonly meanErrorLow95: number | null;
  readonly meanErrorHigh95: number | null;
  /** Standard deviation of guess less truth, by n − 1. */
  readonly spread: number | null;
  readonly meanAbsoluteError: number;
  /** Between these lie 95 % of single errors. */
  readonly agreementLow: number | null;
  readonly agreementHigh: number | null;
  /** How often a grade of truth (row) was called a grade (column): I, II, III, none. */
  readonly confusion: Confusion;
  /** Of answers that name the grade itself. */
  readonly exactShare: number;
}

const GRADES = ['I', 'II', 'III', 'none'] as const satisfies readonly GradeOfWork[];

function confusionOf(answers: readonly TrainedAnswer[]): Confusion {
  const counts = GRADES.map(() => GRADES.map(() => 0));
  for (const { truthGrade, guessGrade } of answers) {
    const row = counts[GRADES.indexOf(truthGrade)] ?? [];
    const column = GRADES.indexOf(guessGrade);
    row[column] = (row[column] ?? 0) + 1;
  }
  return counts;
}

type Errors = Pick<
  Agreement,
  | 'meanError'
  | 'meanErrorLow95'
  | 'meanErrorHigh95'
  | 'spread'
  | 'meanAbsoluteError'
  | 'agreementLow'
  | 'agreementHigh'
>;

function errorsOf(answers: readonly TrainedAnswer[]): Errors {
  const count = answers.length;
  const errors = answers.map(({ guessVoid, truthVoid }) => guessVoid - truthVoid);
  const mean = (of: (error: number) => number): number =>
    errors.reduce((sum, error) => sum + of(error), 0) / count;
  const meanError = mean((error) => error);
  const spread =
    count < 2 ? null : Math.sqrt((mean((error) => (error - meanError) ** 2) * count) / (count - 1));
  const about = (reach: number | null): readonly [number | null, number | null] =>
    reach === null ? [null, null] : [meanError - reach, meanError + reach];
  const [low, high] = about(spread === null ? null : (t95(count - 1) * spread) / Math.sqrt(count));
  const [agreementLow, agreementHigh] = about(spread === null ? null : NORMAL_95 * spread);
  return {
    meanError,
    meanErrorLow95: low,
    meanErrorHigh95: high,
    spread,
    meanAbsoluteError: mean(Math.abs),
    agreementLow,
    agreementHigh,
  };
}

/**
 * How true an eye is: errors of the shares that it saw (mean with Student's interval; limits of agreement, Bland and
 * Altman, 1986, The Lancet 327, 307–310), and agreement on grades beyond chance (weighted kappa). Two people are compared
 * with the guesses of one as the truth.
 * @example agreement(examples['training.agreement']).meanError // -0.0065
 */
export function agreement({ answers }: AgreementInput): Agreement {
  const confusion = confusionOf(answers);
  const exact = answers.filter(({ truthGrade, guessGrade }) => truthGrade === guessGrade).length;
  return {
    count: answers.length,
    ...errorsOf(answers),
    confusion,
    exactShare: exact / answers.length,
    ...weightedKappa(confusion),
  };
}

export const agreementOperation: Operation<AgreementInput, Agreement> = {
  words: {
    shelf: 'insulation',
    title: 'How true an eye is',
    tells:
      'Whether guesses of empty shares and grades are too low, too high or scattered, and how far they agree.',
    alsoCalled: 'training, calibration, inter-rater, kappa, bias, two inspectors, Bland–Altman',
    mainFigures: ['meanError', 'meanAbsoluteError', 'weightedKappa', 'exactShare'],
  },
  schema: fields<AgreementInput>({
    answers: list(
      fields<TrainedAnswer>({
        truthVoid: as('Truly empty', share()),
        guessVoid: as('Seen as empty', share()),
        truthGrade: as('True grade', option(...GRADES)),
        guessGrade: as('Grade seen', option(...GRADES)),
      }),
      1,
      ANSWERS_MAX,
    ),
  }),
  run: agreement,
  output: outcome<Agreement>({
    count: figure('count'),
    meanError: as('Mean error', figure('share')),
    meanErrorLow95: as('Mean error, lower bound', optional(figure('share'))),
    meanErrorHigh95: as('Mean error, upper bound', optional(figure('share'))),
    spread: as('Spread of errors', optional(figure('share'))),
    meanAbsoluteError: as('Mean size of an error', figure('share')),
    agreementLow: as('95 % of errors over', optional(figure('share'))),
    agreementHigh: as('95 % of errors under', optional(figure('share'))),
    confusion: as('Called I, II, III, none', list(as('True grade', list(figure('count'))))),
    exactShare: as('Grade named', figure('share')),
    weightedKappa: as('Agreement beyond chance', optional(figure('plain'))),
    kappaStandardError: as('Its standard error', optional(figure('plain'))),
    kappaLow95: as('Agreement, lower bound', optional(figure('plain'))),
    kappaHigh95: as('Agreement, upper bound', optional(figure('plain'))),
  }),
};
