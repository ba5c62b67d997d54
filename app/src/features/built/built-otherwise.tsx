import type { Plan } from '@calvet/contract/plan/plan';
import { NO_SCHOOLS, type SchoolsAt } from '@calvet/contract/plan/schools';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card, Rule } from '../../ui/card';
import { FoldLine } from '../../ui/fold-line';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { PartSheet } from './part-sheet';
import { partNamed } from './parts-of-house';
import { AsTheRest, SchoolFields } from './school-fields';
import { schoolsInWords } from './school-words';

interface BuiltOtherwiseProps {
  readonly view: HouseView;
  readonly plan: Plan;
}

/** Storeys, walls and roofs that are built in their own way. */
export function BuiltOtherwise({ view, plan }: BuiltOtherwiseProps) {
  const keep = useKeep('plan', plan);
  const [open, setOpen] = useState<string | null>(null);
  const [isChoosing, setChoosing] = useState(false);
  const change = (id: string, more: Partial<SchoolsAt>) =>
    keep(({ schoolsAt }) => ({
      schoolsAt: schoolsAt.map((each) => (each.id === id ? { ...each, ...more } : each)),
    }));
  const add = (id: string) => {
    setChoosing(false);
    setOpen(id);
    keep(({ schoolsAt }) => ({
      schoolsAt: schoolsAt.some((each) => each.id === id) ? schoolsAt : [...schoolsAt, { ...NO_SCHOOLS, id }],
    }));
  };
  return (
    <Card title="Built otherwise">
      <Text look="small" tone="soft">
        A storey, a wall or a roof that is not built as the rest. What you leave open there is as the house
        has it.
      </Text>
      {plan.schoolsAt.map((each) => {
        const part = partNamed(view, each.id);
        const words = schoolsInWords(each);
        return (
          <View key={each.id} style={styles.part}>
            <Rule />
            <FoldLine
              label={`Change how ${part?.name ?? 'it'} is built`}
              title={part?.name ?? 'A part that is gone from the drawing'}
              detail={words === '' ? 'as the house has it' : words}
              isDoubtful={part === undefined}
              isOpen={open === each.id}
              onToggle={() => setOpen(open === each.id ? null : each.id)}
            />
            {open === each.id && <SchoolFields schools={each} onChange={(more) => change(each.id, more)} />}
            <AsTheRest
              onPress={() =>
                keep(({ schoolsAt }) => ({ schoolsAt: schoolsAt.filter(({ id }) => id !== each.id) }))
              }
            />
          </View>
        );
      })}
      <Button icon="plus" label="Another part" onPress={() => setChoosing(true)} />
      {isChoosing && (
        <PartSheet
          view={view}
          title="Which part is built otherwise?"
          suits={({ kind, id }) => kind !== 'house' && plan.schoolsAt.every((each) => each.id !== id)}
          onChoose={({ id }) => add(id)}
          onClose={() => setChoosing(false)}
        />
      )}
    </Card>
  );
}

const styles = StyleSheet.create({ part: { gap: space.s } });
