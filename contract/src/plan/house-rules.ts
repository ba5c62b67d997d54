import { figure, filled, option, said } from '../kind/field';
import { NAME_MAX, SAID_MAX } from '../limits';
import { LEAK_WORDS, type Leak } from '../walk/mend';
import { JUDGED_WORDS, type Judged } from '../walk/penetration';

/** A rule on how holes are closed that says something else in one house. */
export interface HoleRule {
  /** Id of the rule. */
  readonly name: string;
  readonly verdict: Judged;
  /** Why this house has it so. */
  readonly why: string | null;
}

export const holeRuleFields = {
  name: filled('', NAME_MAX),
  verdict: option('In this house', JUDGED_WORDS),
  why: said('Why', SAID_MAX),
} as const;

/** A class of what fails that lets air through. */
export type LeakingClass = Exclude<Leak, 'none'>;

export const LEAKING_CLASSES = (Object.keys(LEAK_WORDS) as readonly Leak[]).filter(
  (leak): leak is LeakingClass => leak !== 'none',
);

/** What a failure of a class lets through at one place, at 50 Pa, m³/h. */
export interface LeakFigure {
  readonly name: LeakingClass;
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

const LEAK_MAX_M3H = 10_000;
const flow = (label: string) => figure(label, 'flow', { min: 0, max: LEAK_MAX_M3H });

export const leakFigureFields = {
  name: option('', Object.fromEntries(LEAKING_CLASSES.map((leak) => [leak, LEAK_WORDS[leak]]))),
  low: flow('Low'),
  likely: flow('Likely'),
  high: flow('High'),
} as const;
