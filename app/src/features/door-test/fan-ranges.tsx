import {
  fanRangeFields,
  isFanRange,
  type FanRangeDraft,
  type NamedFanRange,
} from '@calvet/contract/airtightness/airtightness-test';
import type { FanRange } from '@calvet/core/airtightness/reading';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { FieldGrid, FieldMessage, NumberField, TextField } from '../../ui/field';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

const EMPTY: FanRangeDraft = { name: '', coefficient: null, exponent: null, minPa: null, maxPa: null };

const FIGURES = [
  ['coefficient', 'Coefficient, m³/h'],
  ['exponent', 'Exponent'],
  ['minPa', 'Lowest fan pressure'],
  ['maxPa', 'Highest fan pressure'],
] as const satisfies readonly (readonly [keyof FanRange, string])[];

function RangeForm({
  taken,
  onAdd,
}: {
  readonly taken: readonly string[];
  readonly onAdd: (range: NamedFanRange) => void;
}) {
  const [draft, setDraft] = useState<FanRangeDraft>(EMPTY);
  const [message, setMessage] = useState<string | null>(null);
  const add = (): void => {
    if (taken.includes(draft.name.trim())) setMessage('A range of this name is there already.');
    else if (isFanRange(draft)) onAdd({ ...draft, name: draft.name.trim() });
    else setMessage('Fill in name and figures; the highest fan pressure must be above the lowest.');
  };
  return (
    <View style={styles.form}>
      <Text look="small" tone="soft">
        From the calibration of the fan: flow at 20 °C and 101 325 Pa = coefficient · (fan pressure)^exponent,
        in m³/h and Pa.
      </Text>
      <TextField
        label="Name of the ring or plate"
        maxLength={60}
        value={draft.name}
        onChange={(name) => setDraft({ ...draft, name })}
      />
      <FieldGrid>
        {FIGURES.map(([key, label]) => (
          <NumberField
            key={key}
            label={label}
            quantity={fanRangeFields.members[key].quantity}
            value={draft[key]}
            bounds={fanRangeFields.members[key].bounds}
            onCommit={(si) => setDraft((before) => ({ ...before, [key]: si }))}
          />
        ))}
      </FieldGrid>
      <FieldMessage message={message} />
      <Button label="Add this range" onPress={add} />
    </View>
  );
}

interface FanRangesProps {
  readonly ranges: readonly NamedFanRange[];
  /** Range that the next reading is taken with. */
  readonly current: string | null;
  readonly onChoose: (name: string) => void;
  readonly onChange: (ranges: readonly NamedFanRange[]) => void;
}

/** The rings and plates of the fan, and the one in use. */
export function FanRanges({ ranges, current, onChoose, onChange }: FanRangesProps) {
  const [isAdding, setAdding] = useState(ranges.length === 0);
  return (
    <View style={styles.form}>
      {ranges.length > 0 && (
        <Choice
          label="Range in use"
          options={ranges.map(({ name }) => ({ value: name, label: name }))}
          value={current}
          onChange={onChoose}
        />
      )}
      {isAdding ? (
        <RangeForm
          taken={ranges.map(({ name }) => name)}
          onAdd={(range) => {
            onChange([...ranges, range]);
            onChoose(range.name);
            setAdding(false);
          }}
        />
      ) : (
        <Button kind="quiet" icon="plus" label="Another range" onPress={() => setAdding(true)} />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  form: { gap: space.s },
});
