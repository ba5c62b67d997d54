import { isRecord } from '@calvet/core/schema';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { Card } from '../../ui/card';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { valueText } from './answer-words';
import { itemTitle, labelOf } from './labels';

type Fields = Readonly<Record<string, unknown>>;

interface LinesProps {
  readonly fields: Fields;
  readonly holder?: string;
}

function Line({ label, text }: { readonly label: string; readonly text: string }) {
  return (
    <View style={styles.line}>
      <Text look="small" tone="soft" style={styles.label}>
        {label}
      </Text>
      <Text look="figure" style={styles.value}>
        {text}
      </Text>
    </View>
  );
}

function Inner({
  name,
  value,
  fields,
  holder,
}: { readonly name: string; readonly value: unknown } & LinesProps) {
  const { units } = usePreferences();
  if (isRecord(value)) {
    return (
      <View style={styles.part}>
        <Text look="strong">{labelOf(name)}</Text>
        <Lines fields={value} holder={name} />
      </View>
    );
  }
  if (!Array.isArray(value)) {
    return (
      <Line
        label={labelOf(name, fields)}
        text={valueText(name, value, units, { siblings: fields, holder })}
      />
    );
  }
  const items = value as readonly unknown[];
  if (!items.some(isRecord)) {
    const texts = items.map((item) =>
      Array.isArray(item) ? item.join(' · ') : typeof item === 'string' ? item : valueText(name, item, units),
    );
    return <Line label={labelOf(name)} text={texts.length === 0 ? 'None' : texts.join('  ')} />;
  }
  return items.map((item, i) => (
    <View key={i} style={styles.part}>
      <Text look="strong">{itemTitle(name, i)}</Text>
      {isRecord(item) && <Lines fields={item} holder={name} />}
    </View>
  ));
}

function Lines({ fields, holder }: LinesProps) {
  return Object.entries(fields)
    .filter(([name]) => name !== 'findings')
    .map(([name, value]) => <Inner key={name} name={name} value={value} fields={fields} holder={holder} />);
}

/** Everything that was computed, by name. */
export function AllFigures({ output }: { readonly output: object }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Card title="Every figure" right={<OpenButton isOpen={isOpen} label="Show" onToggle={setOpen} />}>
      {isOpen ? <Lines fields={output as Fields} /> : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  part: { gap: 2, paddingTop: space.s },
  line: { flexDirection: 'row', justifyContent: 'space-between', gap: space.m },
  label: { flexShrink: 1 },
  value: { flexShrink: 1, textAlign: 'right' },
});
