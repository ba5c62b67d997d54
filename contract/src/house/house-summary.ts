import type { Verdict } from '@calvet/core/airtightness/budget';
import type { AirtightnessTest } from '../airtightness/airtightness-test';
import { targetFigure, type TargetFigure } from '../airtightness/target-figure';
import { latestTest, testFigures } from '../airtightness/test-figures';
import type { Area } from '../installation/area';
import { envelopeFigures, type EnvelopeFigures } from '../installation/area-figures';
import type { House } from './house';

/** What a list says of a house. */
export interface HouseSummary {
  /** The newest test that has figures. */
  readonly latest: Pick<AirtightnessTest, 'id' | 'stage' | 'performedOn'> | null;
  /** Null without one. */
  readonly tightness: (TargetFigure & { readonly verdict: Verdict }) | null;
  readonly envelope: EnvelopeFigures;
}

/** A house with what its summary is made of. */
export interface SummarisedHouse {
  readonly house: House;
  readonly areas: readonly Area[];
  readonly tests: readonly AirtightnessTest[];
}

/** Last airtightness figure against the target, and what the envelope is worth. */
export function houseSummary({ house, areas, tests }: SummarisedHouse): HouseSummary {
  const withFigures = tests.flatMap((test) => {
    const figures = testFigures(house, test);
    return figures.state === 'figures' ? [{ ...test, figures }] : [];
  });
  const latest = latestTest(withFigures);
  const envelope = envelopeFigures(house, areas);
  if (latest === null) return { latest, tightness: null, envelope };
  const { id, stage, performedOn, figures } = latest;
  return {
    latest: { id, stage, performedOn },
    tightness: { ...targetFigure(house, figures), verdict: figures.budget.verdict },
    envelope,
  };
}
