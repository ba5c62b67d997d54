import { rulesThatHold } from '../penetrations/judge';
import type { PenetrationInput } from '../penetrations/penetration-input';
import type { PenetrationRule } from '../penetrations/penetration-rule';
import { found, step, type Step } from './step';

const counted = (rules: readonly PenetrationRule[], verdict: PenetrationRule['verdict']): number =>
  rules.filter((rule) => rule.verdict === verdict).length;

/** How a judgement comes about: rules of the thing hold however it is sealed, those of a seal for its best one. */
export function explainJudgement(input: PenetrationInput): readonly Step[] {
  const { thing, seal } = rulesThatHold(input);
  const all = [...thing, ...seal];
  return [
    step('Rules that hold', 'rules = T + S', { T: thing.length, S: seal.length }, all.length, '', {
      T: 'those of what goes through, however it is sealed',
      S: 'those of the best of its seals, each being as good as its worst rule',
    }),
    found('Of them say wrong: the worst of all counts', counted(all, 'wrong')),
    found('Of them say doubtful', counted(all, 'doubtful')),
    found('Of them say that it fits', counted(all, 'fits')),
  ];
}
