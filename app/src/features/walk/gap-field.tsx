import { penetration } from '@calvet/contract/walk/penetration';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import type { EntryStage } from '../../data/typing';
import { Choice } from '../../ui/choice';
import { NumberField } from '../../ui/field';
import { space } from '../../ui/tokens';

const MM_PER_INCH = 25.4;

/** Widths that are usual, in mm. */
const CHIPS = {
  metric: [3, 6, 10, 25, 50, 75].map((mm) => ({ mm, label: `${mm} mm` })),
  imperial: [
    ['1/8', 1 / 8],
    ['1/4', 1 / 4],
    ['3/8', 3 / 8],
    ['1', 1],
    ['2', 2],
    ['3', 3],
  ].map(([text, inches]) => ({ mm: Number(inches) * MM_PER_INCH, label: `${text} in` })),
} as const;

/** Wider is more of an opening than a gap. */
const WIDE_MM = 500;
const { bounds: BOUNDS } = penetration.fields.gapMm;

interface GapFieldProps {
  /** In mm; null: not measured. */
  readonly value: number | null;
  readonly onChange: (mm: number | null, stage?: EntryStage) => void;
}

/** The width of a gap: in one tap where it is a usual one, else typed, also in fractions of an inch. */
export function GapField({ value, onChange }: GapFieldProps) {
  const { units } = usePreferences();
  const chips = CHIPS[units];
  return (
    <View style={styles.gap}>
      <Choice<string>
        label="Width of the gap"
        options={chips.map(({ mm, label }) => ({ value: String(mm), label }))}
        value={value === null ? null : String(value)}
        onChange={(mm) => onChange(Number(mm))}
      />
      <NumberField
        label="Width of the gap, measured"
        quantity="gap"
        value={value}
        bounds={BOUNDS}
        hint={
          value !== null && value > WIDE_MM
            ? 'So wide it is more of an opening: is it that wide, or that long?'
            : null
        }
        onCommit={onChange}
      />
    </View>
  );
}

const styles = StyleSheet.create({ gap: { gap: space.s } });
