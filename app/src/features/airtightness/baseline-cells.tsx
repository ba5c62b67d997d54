import { BASELINE_MAX, housePressure } from '@calvet/contract';
import { parseDecimal } from '@calvet/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { FieldMessage } from '../../ui/field';
import { decimals } from '../../ui/format';
import { NumberInput } from '../../ui/number-input';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

interface BaselineCellsProps {
  readonly label: string;
  readonly values: readonly number[];
  readonly message: string | null;
  readonly onChange: (values: readonly number[]) => void;
}

/** Several figures in one text, parted by blanks or semicolons; null where it is not that. */
function figuresIn(text: string): readonly number[] | null {
  const parts = text.trim().split(/[\s;]+/);
  if (parts.length < 2) return null;
  const parsed = parts.map(parseDecimal);
  return parsed.every((part) => part.ok) ? parsed.map((part) => (part.ok ? part.value : NaN)) : null;
}

/** Readings with the fan off: a cell each, and always an empty one for the next. */
export function BaselineCells({ label, values, message, onChange }: BaselineCellsProps) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const mean = values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length;
  const cells: readonly (number | null)[] = values.length < BASELINE_MAX ? [...values, null] : values;
  return (
    <View style={styles.baseline}>
      <View style={styles.head}>
        <Text look="small" tone="soft">
          {label}, Pa
        </Text>
        <Text look="small" tone="soft">
          {mean === null ? '' : `mean ${decimals(mean, 2)}`}
        </Text>
      </View>
      <View style={styles.cells}>
        {cells.map((value, i) => (
          <NumberInput
            // Cells are known by their place: the empty one becomes the next reading while it is typed.
            key={i}
            label={`${label} ${i + 1}`}
            quantity="housePressure"
            value={value}
            schema={housePressure}
            hasError={message !== null && i === values.length}
            onTrouble={setTrouble}
            onCommit={(si) => {
              if (si !== null) onChange([...values.slice(0, i), si, ...values.slice(i + 1)]);
            }}
            onLeaveEmpty={() => {
              if (i < values.length) onChange(values.filter((_, at) => at !== i));
            }}
            onPasteMany={(text) => {
              const many = figuresIn(text);
              if (many !== null) onChange([...values.slice(0, i), ...many].slice(0, BASELINE_MAX));
              return many !== null;
            }}
            style={styles.cell}
          />
        ))}
      </View>
      <FieldMessage message={trouble ?? message} />
    </View>
  );
}

const styles = StyleSheet.create({
  baseline: { gap: space.xs },
  head: { flexDirection: 'row', justifyContent: 'space-between' },
  cells: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  cell: { width: 61, paddingHorizontal: 6, textAlign: 'right' },
});
