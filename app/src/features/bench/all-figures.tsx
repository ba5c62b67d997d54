import { isObject, type FieldsSchema, type Member } from '@calvet/core/schema';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { Card } from '../../ui/card';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { valueText } from './answer-words';
import { itemTitle, labelOf } from './member-words';

type Fields = Readonly<Record<string, unknown>>;

interface LinesProps {
  readonly schema: FieldsSchema;
  readonly fields: Fields;
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

interface InnerProps {
  readonly member: Member;
  readonly value: unknown;
  /** What stands beside it. */
  readonly siblings: Fields;
}

function Inner({ member, value, siblings }: InnerProps) {
  const { units } = usePreferences();
  const { name, schema } = member;
  if (schema.kind === 'fields' && isObject(value)) {
    return (
      <View style={styles.part}>
        <Text look="strong">{labelOf(member)}</Text>
        <Lines schema={schema} fields={value} />
      </View>
    );
  }
  if (schema.kind !== 'list' || !Array.isArray(value))
    return <Line label={labelOf(member)} text={valueText(schema, value, units, siblings)} />;
  const { item } = schema;
  const items = value as readonly unknown[];
  if (item.kind !== 'fields') {
    const texts = items.map((each) =>
      Array.isArray(each) ? each.join(' · ') : typeof each === 'string' ? each : valueText(item, each, units),
    );
    return <Line label={labelOf(member)} text={texts.length === 0 ? 'None' : texts.join('  ')} />;
  }
  return items.map((each, i) => (
    <View key={i} style={styles.part}>
      <Text look="strong">{itemTitle({ name, schema }, i)}</Text>
      {isObject(each) && <Lines schema={item} fields={each} />}
    </View>
  ));
}

function Lines({ schema, fields }: LinesProps) {
  return schema.members
    .filter(({ name }) => name in fields)
    .map((member) => (
      <Inner key={member.name} member={member} value={fields[member.name]} siblings={fields} />
    ));
}

/** Everything that was computed, in the order of the operation. */
export function AllFigures({ schema, output }: { readonly schema: FieldsSchema; readonly output: object }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Card title="Every figure" right={<OpenButton isOpen={isOpen} label="Show" onToggle={setOpen} />}>
      {isOpen ? <Lines schema={schema} fields={output as Fields} /> : null}
    </Card>
  );
}

const styles = StyleSheet.create({
  part: { gap: 2, paddingTop: space.s },
  line: { flexDirection: 'row', justifyContent: 'space-between', gap: space.m },
  label: { flexShrink: 1 },
  value: { flexShrink: 1, textAlign: 'right' },
});
