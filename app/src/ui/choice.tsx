import { Pressable, StyleSheet, View } from 'react-native';
import { Text } from './text';
import { usePalette } from './theme';
import { CORNER, space, TOUCH } from './tokens';

export interface Option<Value extends string> {
  readonly value: Value;
  readonly label: string;
}

interface ChoiceProps<Value extends string> {
  readonly label: string;
  readonly options: readonly Option<Value>[];
  readonly value: Value | null;
  readonly onChange: (value: Value) => void;
  /** Lets the options share the width evenly. */
  readonly even?: boolean;
}

/** One of a few: chips side by side, the chosen one framed and heavy. */
export function Choice<Value extends string>({
  label,
  options,
  value,
  onChange,
  even = false,
}: ChoiceProps<Value>) {
  const palette = usePalette();
  return (
    <View role="radiogroup" aria-label={label} style={styles.row}>
      {options.map((option) => {
        const chosen = option.value === value;
        return (
          <Pressable
            key={option.value}
            role="radio"
            aria-checked={chosen}
            aria-label={option.label}
            onPress={() => onChange(option.value)}
            style={[
              styles.chip,
              even && styles.even,
              {
                backgroundColor: palette.card,
                borderColor: chosen ? palette.ink : palette.line,
                borderWidth: chosen ? 2 : 1,
                paddingHorizontal: chosen ? space.m - 1 : space.m,
              },
            ]}
          >
            <Text look={chosen ? 'strong' : 'body'}>{option.label}</Text>
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  chip: {
    minHeight: TOUCH,
    minWidth: TOUCH,
    borderRadius: CORNER,
    alignItems: 'center',
    justifyContent: 'center',
  },
  even: { flexGrow: 1, flexBasis: 0 },
});
