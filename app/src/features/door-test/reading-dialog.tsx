import type { NamedFanRange, TestReading } from '@calvet/contract/airtightness/airtightness-test';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { Labelled, TextField } from '../../ui/field';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

const REASONS = [
  'Door or window was opened',
  'Gust of wind',
  'Gauge had not settled',
  'Wrong range on the fan',
] as const;

interface ReadingDialogProps {
  readonly number: number;
  readonly reading: TestReading;
  readonly fanRanges: readonly NamedFanRange[];
  readonly onChange: (change: Partial<TestReading>) => void;
  readonly onRemove: () => void;
  readonly onClose: () => void;
}

/** What can be done to one reading: struck out with a reason, counted again, given another range, removed. */
export function ReadingDialog({
  number,
  reading,
  fanRanges,
  onChange,
  onRemove,
  onClose,
}: ReadingDialogProps) {
  const [other, setOther] = useState('');
  const act = (change: Partial<TestReading>) => {
    onChange(change);
    onClose();
  };
  return (
    <Sheet title={`Reading ${number}`} onClose={onClose}>
      {reading.struckOut === null ? (
        <>
          <Text>Strike it out because …</Text>
          {REASONS.map((reason) => (
            <Button key={reason} label={reason} onPress={() => act({ struckOut: reason })} />
          ))}
          <TextField label="Another reason" maxLength={200} value={other} onChange={setOther} />
          <Button
            label="Strike out"
            kind="main"
            disabled={other.trim() === ''}
            onPress={() => act({ struckOut: other.trim() })}
          />
        </>
      ) : (
        <>
          <Text>Struck out: {reading.struckOut}</Text>
          <Button label="Count it again" kind="main" onPress={() => act({ struckOut: null })} />
        </>
      )}
      {reading.fanPressurePa !== null && fanRanges.length > 1 && (
        <Labelled label="Range on the fan">
          <Choice
            label="Range on the fan"
            options={fanRanges.map(({ name }) => ({ value: name, label: name }))}
            value={reading.fanRange}
            onChange={(fanRange) => act({ fanRange })}
          />
        </Labelled>
      )}
      <View style={styles.row}>
        <Button
          label="Remove reading"
          icon="trash-can-outline"
          onPress={() => {
            onRemove();
            onClose();
          }}
        />
        <Button label="Close" kind="quiet" onPress={onClose} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
