import { memo, type KeyboardEvent } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import useLatestCallback from 'use-latest-callback';
import { Text } from './text';
import { usePalette } from './theme';
import { CORNER, space, TOUCH } from './tokens';
import { AS_WIDE_AS_ITS_WORDS } from './web-styles';

export interface Option<Value extends string> {
  readonly value: Value;
  readonly label: string;
}

/** An option for each word that a field knows, in their order. */
export const optionsOf = <Value extends string>(
  words: Readonly<Record<Value, string>>,
): readonly Option<Value>[] =>
  (Object.entries(words) as [Value, string][]).map(([value, label]) => ({ value, label }));

interface ChoiceProps<Value extends string> {
  /** What is chosen, for those who do not see it. */
  readonly label: string;
  /** In the order in which they stand. */
  readonly options: readonly Option<Value>[];
  /** The one that is chosen; null where none is yet. */
  readonly value: Value | null;
  /** Called with what is pressed, also where it is chosen already. */
  readonly onChange: (value: Value) => void;
  /** Lets the options share the width evenly. */
  readonly even?: boolean;
}

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/**
 * Arrows go from one to the next, round the end; what the keys are on is chosen by the space bar, which the web target
 * knows of buttons alone.
 */
function byKeys(event: KeyboardEvent<HTMLElement>): void {
  if (event.key === ' ') {
    event.preventDefault();
    event.currentTarget.click();
    return;
  }
  const step = STEPS[event.key];
  if (step === undefined) return;
  const group = event.currentTarget.closest('[role="radiogroup"]');
  const all = [...(group?.querySelectorAll<HTMLElement>('[role="radio"]') ?? [])];
  const at = all.indexOf(event.currentTarget);
  event.preventDefault();
  all[(at + step + all.length) % all.length]?.focus();
}

const BY_KEYS = { onKeyDown: byKeys } as object;

/** One of a few: chips side by side, the chosen one framed and heavy. One stop for the tab key. */
export function Choice<Value extends string>(props: ChoiceProps<Value>) {
  const change = useLatestCallback(props.onChange as (value: string) => void);
  return <Drawn {...props} onChange={change} />;
}

/** The same while nothing about it but what a press does has changed: a page has dozens of chips, and is typed into. */
const Drawn = memo(function Drawn({ label, options, value, onChange, even = false }: ChoiceProps<string>) {
  const palette = usePalette();
  const isAnyChosen = options.some((option) => option.value === value);
  return (
    <View role="radiogroup" aria-label={label} style={styles.row}>
      {options.map((option, i) => {
        const chosen = option.value === value;
        return (
          <Pressable
            key={option.value}
            {...BY_KEYS}
            role="radio"
            tabIndex={chosen || (!isAnyChosen && i === 0) ? 0 : -1}
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
});

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  chip: {
    minHeight: TOUCH,
    maxWidth: '100%',
    minWidth: TOUCH,
    borderRadius: CORNER,
    alignItems: 'center',
    justifyContent: 'center',
  },
  even: { flexGrow: 1, flexBasis: 0, ...AS_WIDE_AS_ITS_WORDS },
});
