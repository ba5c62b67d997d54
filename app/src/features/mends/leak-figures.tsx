import {
  leakFigureFields,
  LEAKING_CLASSES,
  type LeakFigure,
  type LeakingClass,
} from '@calvet/contract/plan/house-rules';
import { planToBe } from '@calvet/contract/plan/item-key';
import { LEAK_WORDS } from '@calvet/contract/walk/mend';
import { RULES_AS_GIVEN, rulesHere } from '@calvet/contract/walk/rules-here';
import { View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import type { EntryStage } from '../../data/typing';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { FieldGrid, NumberField } from '../../ui/field';
import { Text } from '../../ui/text';

const LABELS = { low: 'Low', likely: 'Likely', high: 'High' } as const;
const PARTS = ['low', 'likely', 'high'] as const;

/** What a failure of each class lets through in this house: ours, until somebody knows better. */
export function LeakFigures({ view }: { readonly view: HouseView }) {
  const plan = view.plans[0] ?? planToBe(view.house.id);
  const keep = useKeep('plan', plan);
  const { classes } = rulesHere(plan);
  const set = (name: LeakingClass, figure: LeakFigure | null, stage?: EntryStage): void =>
    keep(
      ({ leakFigures }) => ({
        leakFigures: [
          ...leakFigures.filter((each) => each.name !== name),
          ...(figure === null ? [] : [figure]),
        ],
      }),
      stage,
    );
  return (
    <>
      {LEAKING_CLASSES.map((name) => {
        const here = classes[name];
        const given = RULES_AS_GIVEN.classes[name];
        const isOwn = plan.leakFigures.some((each) => each.name === name);
        return (
          <View key={name} role="group" aria-label={LEAK_WORDS[name]}>
            <Text look="strong">{LEAK_WORDS[name]}</Text>
            <FieldGrid>
              {PARTS.map((part) => (
                <NumberField
                  key={part}
                  label={LABELS[part]}
                  quantity="flow"
                  value={here[part]}
                  isRequired
                  bounds={{
                    ...leakFigureFields[part].bounds,
                    ...(part === 'low' ? {} : { min: here[part === 'likely' ? 'low' : 'likely'] }),
                    ...(part === 'high' ? {} : { max: here[part === 'likely' ? 'high' : 'likely'] }),
                  }}
                  onCommit={(value, stage) => {
                    if (value !== null) set(name, { name, ...here, [part]: value }, stage);
                  }}
                />
              ))}
            </FieldGrid>
            {isOwn && (
              <Button
                kind="quiet"
                icon="undo"
                label={`As given: ${given.low} · ${given.likely} · ${given.high} m³/h`}
                onPress={() => set(name, null)}
              />
            )}
          </View>
        );
      })}
    </>
  );
}
