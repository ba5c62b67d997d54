import {
  envelopeFigures,
  latestTest,
  testFigures,
  type AirtightnessTest,
  type EnvelopeFigures,
} from '@calvet/contract';
import type { Verdict } from '@calvet/core';
import type { HouseView } from '../../data/house-copy';
import { targetFigure, type TargetFigure } from '../door-test/target-figure';

/** What a list says of a house. */
export interface HouseSummary {
  readonly latest: AirtightnessTest | null;
  /** Null without a test that has figures. */
  readonly tightness: (TargetFigure & { readonly verdict: Verdict }) | null;
  readonly envelope: EnvelopeFigures;
}

function summarise({ house, areas, tests }: HouseView): HouseSummary {
  const withFigures = tests.flatMap((test) => {
    const figures = testFigures(house, test);
    return figures.state === 'figures' ? [{ ...test, figures }] : [];
  });
  const latest = latestTest(withFigures);
  return {
    latest,
    tightness:
      latest === null
        ? null
        : { ...targetFigure(house, latest.figures), verdict: latest.figures.budget.verdict },
    envelope: envelopeFigures(house, areas),
  };
}

const summaries = new WeakMap<HouseView, HouseSummary>();

/** Last airtightness figure against the target, and what the envelope is worth; computed once a view. */
export function summaryOf(view: HouseView): HouseSummary {
  const before = summaries.get(view);
  if (before !== undefined) return before;
  const summary = summarise(view);
  summaries.set(view, summary);
  return summary;
}

/** The finding of a list of houses in words. */
export function headlineOf(
  houses: readonly { readonly name: string; readonly verdict: Verdict | null }[],
): string {
  const say = (verdict: Verdict | null, one: string, several: string): string | null => {
    const [first, ...others] = houses.filter((house) => house.verdict === verdict);
    if (first === undefined) return null;
    return others.length === 0 ? `${first.name} ${one}` : `${others.length + 1} houses ${several}`;
  };
  return (
    say('fail', 'leaks more than its target allows', 'leak more than their targets allow') ??
    say('pass-not-proven', 'still has to prove its pass', 'still have to prove their pass') ??
    say(null, 'is still to be tested', 'are still to be tested') ??
    'Every house meets its airtightness target'
  );
}
