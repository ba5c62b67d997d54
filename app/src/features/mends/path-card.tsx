import { leakLedger, lastTest, pathInput } from '@calvet/contract/mends/ledger';
import type { MendHere } from '@calvet/contract/mends/mend-list';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import { rulesHere } from '@calvet/contract/walk/rules-here';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useAnswer } from '../../compute/use-answer';
import type { HouseView } from '../../data/as-drawn';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { weekday } from '../calendar/work-words';
import { counted } from '../stops/words';
import { LeakFigures } from './leak-figures';
import { useLeakWords } from './leak-words';

interface PathCardProps {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly mends: readonly MendHere[];
}

const percent = (share: number): string => `${(share * 100).toFixed(0)} %`;

/** What was recorded against the last test: what it explains, and the shortest way to the target. */
export function PathCard({ view, walk, mends }: PathCardProps) {
  const { house, tests, penetrations } = view;
  const rules = rulesHere(view.plans[0]);
  const { range, flow } = useLeakWords();
  const [areFiguresOpen, setFiguresOpen] = useState(false);
  const ledger = useMemo(
    () => leakLedger(walk.areas, penetrations, mends, rules),
    [walk.areas, penetrations, mends, rules],
  );
  const last = useMemo(() => lastTest(house, tests), [house, tests]);
  const input = useMemo(() => (last === null ? null : pathInput(last, mends)), [last, mends]);
  const path = useAnswer('pathToTarget.evaluate', input);
  const figures = (
    <>
      <Text look="small" tone="soft">
        Orders of magnitude of our own, not a measurement: change them at each mend and each hole, or by
        class.
      </Text>
      <OpenButton isOpen={areFiguresOpen} label="Figures by class" onToggle={setFiguresOpen} />
      {areFiguresOpen && <LeakFigures view={view} />}
    </>
  );
  if (last === null) {
    return (
      <Card title="Against the test">
        <Text tone="soft">
          Recorded leaks let about {range(ledger.all)} through at 50 Pa. Once a door test has figures, it
          stands here what they explain of it, and the shortest way to the target.
        </Text>
        {figures}
      </Card>
    );
  }
  const { q50M3h, limitM3h, performedOn } = last;
  const output = path?.state === 'here' && path.answer.kind === 'figures' ? path.answer.output : null;
  const lines: readonly (readonly [string, string])[] = [
    ['to be mended, or accepted', range(ledger.open)],
    ['doubtful holes', range(ledger.doubtful)],
    ['holes that fit', range(ledger.sealed)],
  ];
  return (
    <Card title="Against the test">
      <Text>
        The test of {weekday(performedOn)} found {flow(q50M3h)} at 50 Pa; the target allows {flow(limitM3h)}.
        What is recorded explains {percent(ledger.all.low / q50M3h)} to {percent(ledger.all.high / q50M3h)} of
        it, likely {percent(ledger.all.likely / q50M3h)}.
      </Text>
      {lines.map(([label, value]) => (
        <View key={label} style={styles.line}>
          <Text look="small" tone="soft" style={styles.label}>
            {label}
          </Text>
          <Text look="small">{value}</Text>
        </View>
      ))}
      {path?.state === 'under way' && (
        <View style={styles.line}>
          <Text tone="soft" role="status">
            Finding the shortest way to the target, {percent(path.share)}
          </Text>
          <Button kind="quiet" label="Stop" onPress={path.stop} />
        </View>
      )}
      {path?.state === 'stopped' && (
        <Button label="Find the shortest way to the target" onPress={path.again} />
      )}
      {path?.state === 'failed' && <Text tone="ember">{path.message}</Text>}
      {path?.state === 'here' && path.answer.kind === 'refused' && (
        <Text tone="ember">{path.answer.refusal.message}</Text>
      )}
      {output !== null && (
        <Text look="strong">
          {output.list === null
            ? `All mends together meet the target with a chance of ${percent(output.chanceAll)}: look for more`
            : output.list.ids.length === 0
              ? `The target is met as it stands with a chance of ${percent(output.chanceNow)}`
              : `Shortest way to the target: ${counted(output.list.ids.length, 'mend')}, ${output.list.minutes} min, a chance of ${percent(output.list.chance)}`}
        </Text>
      )}
      {output !== null && output.list !== null && output.list.ids.length > 0 && (
        <Text look="small" tone="soft">
          {output.list.ids
            .flatMap((id) => mends.find(({ record }) => record.id === id)?.what ?? [])
            .join(' · ')}
        </Text>
      )}
      {figures}
    </Card>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.m },
  label: { minWidth: 150 },
});
