import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import useLatestCallback from 'use-latest-callback';
import type { Option } from './choice';
import Icon from './icon-font/icon-set';
import { Text } from './text';
import { usePalette } from './theme';
import { CORNER, space, TOUCH } from './tokens';

interface ManyChoiceProps<Value extends string> {
  /** What is chosen, for those who do not see it. */
  readonly label: string;
  /** In the order in which they stand. */
  readonly options: readonly Option<Value>[];
  /** Those that are chosen. */
  readonly values: readonly Value[];
  /** Called with all that are chosen then, in the order of the options. */
  readonly onChange: (values: readonly Value[]) => void;
}

/** Several of a few: chips side by side, the chosen ones framed, heavy and ticked. */
export function ManyChoice<Value extends string>(props: ManyChoiceProps<Value>) {
  const change = useLatestCallback(props.onChange as (values: readonly string[]) => void);
  return <Drawn {...props} onChange={change} />;
}

const Drawn = memo(function Drawn({ label, options, values, onChange }: ManyChoiceProps<string>) {
  const palette = usePalette();
  const toggled = (value: string): readonly string[] =>
    options.map((option) => option.value).filter((each) => values.includes(each) !== (each === value));
  return (
    <View role="group" aria-label={label} style={styles.row}>
      {options.map(({ value, label: words }) => {
        const isChosen = values.includes(value);
        return (
          <Pressable
            key={value}
            role="checkbox"
            aria-checked={isChosen}
            aria-label={words}
            onPress={() => onChange(toggled(value))}
            style={[
              styles.chip,
              {
                backgroundColor: palette.card,
                borderColor: isChosen ? palette.ink : palette.line,
                borderWidth: isChosen ? 2 : 1,
                paddingHorizontal: isChosen ? space.m - 1 : space.m,
              },
            ]}
          >
            {isChosen && <Icon name="check" size={18} color={palette.ink} />}
            <Text look={isChosen ? 'strong' : 'body'}>{words}</Text>
          </Pressable>
        );
      })}
    </View>
  );
});

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  chip: {
    flexDirection: 'row',
    gap: space.xs,
    minHeight: TOUCH,
    maxWidth: '100%',
    minWidth: TOUCH,
    borderRadius: CORNER,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
