import { BASELINE_MAX } from '@calvet/contract/limits';
import { baselineFields, type BaselineReading } from '@calvet/contract/airtightness/airtightness-test';
import { parseDecimal } from '@calvet/core/units/decimal';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import type { EntryStage } from '../../data/typing';
import { FieldTrouble } from '../../ui/field';
import { decimals } from '../../ui/format';
import type { EntryTrouble } from '../../ui/figure-entry';
import { NumberInput } from '../../ui/number-input';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

interface BaselineCellsProps {
  readonly label: string;
  readonly readings: readonly BaselineReading[];
  readonly message: string | null;
  readonly onChange: (readings: readonly BaselineReading[], stage?: EntryStage) => void;
}

/** Several figures in one text, parted by blanks or semicolons; null where it is not that. */
function figuresIn(text: string): readonly number[] | null {
  const parts = text.trim().split(/[\s;]+/);
  if (parts.length < 2) return null;
  const parsed = parts.map(parseDecimal);
  return parsed.every((part) => part.ok) ? parsed.map((part) => (part.ok ? part.value : NaN)) : null;
}

/** Readings with the fan off: a cell each, and always an empty one for the next. */
export function BaselineCells({ label, readings, message, onChange }: BaselineCellsProps) {
  const [trouble, setTrouble] = useState<EntryTrouble | null>(null);
  const sum = readings.reduce((total, { pressurePa }) => total + pressurePa, 0);
  const mean = readings.length === 0 ? null : sum / readings.length;
  const cells: readonly (BaselineReading | null)[] =
    readings.length < BASELINE_MAX ? [...readings, null] : readings;
  /** The readings with these in place of the one at a position, or behind them all. */
  const withAt = (position: number, pressuresPa: readonly number[]): readonly BaselineReading[] => {
    const known = readings[position];
    const put = pressuresPa.map((pressurePa, i) => ({ id: i === 0 && known ? known.id : v7(), pressurePa }));
    return [...readings.slice(0, position), ...put, ...readings.slice(position + 1)];
  };
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
        {cells.map((reading, i) => (
          <NumberInput
            // Cells are known by their place: the empty one becomes the next reading while it is typed.
            key={i}
            label={`${label} ${i + 1}`}
            quantity="housePressure"
            value={reading?.pressurePa ?? null}
            bounds={baselineFields.members.pressurePa.bounds}
            hasError={message !== null && i === readings.length}
            onTrouble={setTrouble}
            hasPlainKeys
            onCommit={(si, stage) => {
              if (si !== null) onChange(withAt(i, [si]), stage);
              else if (i < readings.length) {
                onChange(
                  readings.filter((_, at) => at !== i),
                  stage,
                );
              }
            }}
            onPasteMany={(text) => {
              const many = figuresIn(text);
              if (many !== null) onChange(withAt(i, many).slice(0, BASELINE_MAX));
              return many !== null;
            }}
            style={styles.cell}
          />
        ))}
      </View>
      <FieldTrouble trouble={trouble} message={message} />
    </View>
  );
}

const styles = StyleSheet.create({
  baseline: { gap: space.xs },
  head: { flexDirection: 'row', justifyContent: 'space-between' },
  cells: { flexDirection: 'row', flexWrap: 'wrap', gap: 6 },
  cell: { width: 61, paddingHorizontal: 6, textAlign: 'right' },
});
