import { SAID_MAX } from '@calvet/contract/limits';
import { planToBe } from '@calvet/contract/plan/item-key';
import { JUDGED_WORDS, type Judged } from '@calvet/contract/walk/penetration';
import { GIVEN_RULES, isRuleFixed } from '@calvet/core/penetrations/judge';
import type { PenetrationRule } from '@calvet/core/penetrations/penetration-rule';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { useKeep } from '../../data/use-keep';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled } from '../../ui/field';
import { SaidField } from '../../ui/said-field';
import { Text } from '../../ui/text';
import { ruleWords } from './rule-words';

/** All rules on holes, as they are given. */
export const HOLE_RULES: readonly PenetrationRule[] = [...GIVEN_RULES.thing, ...GIVEN_RULES.seal];

const AS_GIVEN = 'asGiven';

interface HoleRuleProps {
  readonly view: HouseView;
  readonly rule: PenetrationRule;
}

/** What a rule on holes says, and what it says in this house. */
export function HoleRule({ view, rule }: HoleRuleProps) {
  const { units } = usePreferences();
  const plan = view.plans[0] ?? planToBe(view.house.id);
  const keep = useKeep('plan', plan);
  const own = plan.holeRules.find(({ name }) => name === rule.id);
  const set = (verdict: Judged | null, why = own?.why ?? null): void =>
    keep(({ holeRules }) => ({
      holeRules: [
        ...holeRules.filter(({ name }) => name !== rule.id),
        ...(verdict === null ? [] : [{ name: rule.id, verdict, why }]),
      ],
    }));
  return (
    <>
      <Text look="small" tone="soft">
        {ruleWords(rule, units)}
      </Text>
      {rule.reason !== '' && <Text>{`${rule.reason}. Instead: ${rule.instead}.`}</Text>}
      {isRuleFixed(rule) ? (
        <Text tone="straw">
          {JUDGED_WORDS[rule.verdict]}, in every house: here local code and licensed trades decide.
        </Text>
      ) : (
        <Labelled label="In this house">
          <Choice<Judged | typeof AS_GIVEN>
            label="In this house"
            options={[
              { value: AS_GIVEN, label: `As given: ${JUDGED_WORDS[rule.verdict].toLowerCase()}` },
              ...optionsOf(JUDGED_WORDS).filter(({ value }) => value !== rule.verdict),
            ]}
            value={own?.verdict ?? AS_GIVEN}
            onChange={(value) => set(value === AS_GIVEN ? null : value)}
          />
        </Labelled>
      )}
      {own !== undefined && (
        <SaidField
          label="Why"
          maxLength={SAID_MAX}
          value={own.why}
          onChange={(why) => set(own.verdict, why)}
        />
      )}
    </>
  );
}
