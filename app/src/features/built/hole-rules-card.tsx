import { JUDGED_WORDS } from '@calvet/contract/walk/penetration';
import { rulesHere } from '@calvet/contract/walk/rules-here';
import { isRuleFixed } from '@calvet/core/penetrations/judge';
import type { PenetrationRule } from '@calvet/core/penetrations/penetration-rule';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { LineMark } from '../../ui/line-mark';
import { LongList } from '../../ui/long-list';
import { OpenButton } from '../../ui/open-button';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { HOLE_RULES, HoleRule } from '../walk/hole-rule';
import { MARK_OF_JUDGED } from '../walk/hole-words';
import { ruleWords } from '../walk/rule-words';

/** Those of a seal that closes something may be thought otherwise of; those first. */
const EDITED_FIRST = [...HOLE_RULES.filter((rule) => !isRuleFixed(rule)), ...HOLE_RULES.filter(isRuleFixed)];

/** By which rules holes are judged, and which of them this house has in its own way. */
export function HoleRulesCard({ view }: { readonly view: HouseView }) {
  const { units } = usePreferences();
  const { own } = rulesHere(view.plans[0]);
  const [isWhole, setWhole] = useState(false);
  const [open, setOpen] = useState<PenetrationRule | null>(null);
  const edited = HOLE_RULES.filter(({ id }) => own.has(id));
  const line = (rule: PenetrationRule) => {
    const here = own.get(rule.id);
    const verdict = here?.verdict ?? rule.verdict;
    const words = ruleWords(rule, units);
    const said = here === undefined ? JUDGED_WORDS[verdict] : `${JUDGED_WORDS[verdict]} in this house`;
    return (
      <Pressable
        key={rule.id}
        role="button"
        aria-label={`${words}: ${said}`}
        onPress={() => setOpen(rule)}
        style={styles.line}
      >
        <LineMark mark={MARK_OF_JUDGED[verdict]} width={28} />
        <View style={styles.words}>
          <Text>{words}</Text>
          <Text look="small" tone={here === undefined ? 'soft' : 'straw'}>
            {said}
            {here === undefined ? '' : `, as given ${JUDGED_WORDS[rule.verdict].toLowerCase()}`}
            {here?.why == null ? '' : `: ${here.why}`}
          </Text>
        </View>
      </Pressable>
    );
  };
  return (
    <Card title="Rules on holes">
      <Text look="small" tone="soft">
        {edited.length === 0
          ? 'Holes are judged by the rules as they are given.'
          : 'This house has some in its own way.'}{' '}
        Those of flues, gas, wiring and fire rating stand in every house.
      </Text>
      {edited.map(line)}
      <OpenButton isOpen={isWhole} label="All rules" onToggle={setWhole} />
      {isWhole && (
        <LongList items={EDITED_FIRST} what="rules">
          {line}
        </LongList>
      )}
      {open !== null && (
        <Sheet title="A rule on holes" onClose={() => setOpen(null)}>
          <HoleRule view={view} rule={open} />
          <Button kind="main" label="Done" onPress={() => setOpen(null)} />
        </Sheet>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.m, minHeight: 52 },
  words: { flex: 1, minWidth: 0 },
});
