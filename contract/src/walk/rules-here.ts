import { editedRules, GIVEN_RULES, type PenetrationRules } from '@calvet/core/penetrations/judge';
import { CLASS_LEAKS, type LeakRange } from '../mends/leak-range';
import type { HoleRule } from '../plan/house-rules';
import type { PlanBody } from '../plan/plan';
import type { Leak } from './mend';

/** The rules and figures by which what was found in a house is judged: ours, but for what it has in its own way. */
export interface RulesHere {
  readonly penetrations: PenetrationRules;
  /** What the house has in its own way, by the ids of rules. */
  readonly own: ReadonlyMap<string, HoleRule>;
  /** At one place, m³/h at 50 Pa. */
  readonly classes: Readonly<Record<Leak, LeakRange>>;
}

/** As they are given. */
export const RULES_AS_GIVEN: RulesHere = { penetrations: GIVEN_RULES, own: new Map(), classes: CLASS_LEAKS };

const known = new WeakMap<object, RulesHere>();

/** In order, whatever two devices wrote of them without knowing of each other. */
function inOrder({ low, likely, high }: LeakRange): LeakRange {
  const [least = low, middle = likely, most = high] = [low, likely, high].sort((a, b) => a - b);
  return { low: least, likely: middle, high: most };
}

/** The rules of a house; the same each time for one plan. */
export function rulesHere(plan: Pick<PlanBody, 'holeRules' | 'leakFigures'> | undefined): RulesHere {
  if (plan === undefined || plan.holeRules.length + plan.leakFigures.length === 0) return RULES_AS_GIVEN;
  const before = known.get(plan);
  if (before !== undefined) return before;
  const rules: RulesHere = {
    penetrations: editedRules(new Map(plan.holeRules.map(({ name, verdict }) => [name, verdict]))),
    own: new Map(plan.holeRules.map((rule) => [rule.name, rule])),
    classes: {
      ...CLASS_LEAKS,
      ...Object.fromEntries(plan.leakFigures.map((each) => [each.name, inOrder(each)])),
    },
  };
  known.set(plan, rules);
  return rules;
}
