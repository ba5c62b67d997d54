import { readingFields, type TestReading } from '@calvet/contract/airtightness/airtightness-test';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { EntryStage } from '../../data/typing';
import type { AssumedSign } from '../../ui/entry-message';
import { FieldTrouble } from '../../ui/field';
import { decimals } from '../../ui/format';
import type { EntryTrouble } from '../../ui/figure-entry';
import { NumberInput } from '../../ui/number-input';
import { Text } from '../../ui/text';
import { usePalette, usePageSize } from '../../ui/theme';
import { space, TOUCH } from '../../ui/tokens';
import { SHOWN_LAST } from '../../ui/web-styles';

/** How the flow of a reading is entered. */
export type FlowMode = 'flow' | 'fan';

/** How a reading was taken; one without either yet follows its run. */
export function modeOf(reading: TestReading, fallback: FlowMode): FlowMode {
  if (reading.fanPressurePa !== null) return 'fan';
  return reading.flowM3h !== null ? 'flow' : fallback;
}

interface ReadingRowProps {
  readonly number: number;
  readonly reading: TestReading;
  readonly mode: FlowMode;
  /** Flow over the line's, less 1; null where there is no line yet. */
  readonly offTheLine: number | null;
  readonly message: string | null;
  readonly assumed?: AssumedSign;
  readonly onOtherSign: () => void;
  readonly onChange: (change: Partial<TestReading>, stage?: EntryStage) => void;
  /** Absent on the empty row. */
  readonly onOpen?: () => void;
  readonly onLeaveEmpty?: () => void;
}

type Cell = 'pressurePa' | 'flowM3h' | 'fanPressurePa';

/** One line of the readings table. Struck out it stays, crossed through, with its reason. */
export function ReadingRow(props: ReadingRowProps) {
  const { number, reading, mode, offTheLine, message, assumed, onOtherSign, onChange, onOpen } = props;
  const palette = usePalette();
  const { isNarrow } = usePageSize();
  const [troubles, setTroubles] = useState<Readonly<Partial<Record<Cell, EntryTrouble | null>>>>({});
  const isStruck = reading.struckOut !== null;
  const flowCell: Cell = mode === 'flow' ? 'flowM3h' : 'fanPressurePa';
  const trouble = troubles.pressurePa ?? troubles[flowCell] ?? null;
  const isRangeShown = mode === 'fan' && reading.fanRange !== null;
  const hasNotes = isRangeShown || isStruck || trouble !== null || message !== null;
  const cell = (name: Cell, label: string, quantity: 'housePressure' | 'flow') => (
    <View role="cell" style={[readingColumns.cell, isNarrow && readingColumns.cellNarrow]}>
      <NumberInput
        label={`${label}, reading ${number}`}
        quantity={quantity}
        value={reading[name]}
        bounds={readingFields.members[name].bounds}
        hasError={(troubles[name] ?? null) !== null || (message !== null && name === 'pressurePa')}
        onTrouble={(next) => setTroubles((before) => ({ ...before, [name]: next }))}
        assumed={name === 'pressurePa' ? assumed : undefined}
        onOtherSign={onOtherSign}
        hasPlainKeys
        onCommit={(si, stage) => onChange({ [name]: si }, stage)}
        style={[styles.input, isStruck && { textDecorationLine: 'line-through', color: palette.unseen }]}
      />
    </View>
  );
  return (
    <View role="row" style={styles.whole}>
      <View style={[readingColumns.row, isNarrow && readingColumns.rowNarrow]}>
        <View role="cell">
          <Pressable
            role="button"
            aria-label={
              onOpen === undefined ? `Reading ${number}, empty` : `Reading ${number}: strike out or remove`
            }
            disabled={onOpen === undefined}
            onPress={onOpen}
            style={({ hovered }: { pressed: boolean; hovered?: boolean }) => [
              styles.number,
              onOpen !== undefined && { borderColor: palette.line, borderWidth: 1 },
              hovered === true && { backgroundColor: palette.lakeTint },
            ]}
          >
            <Text look="figure" tone={onOpen === undefined ? 'unseen' : 'ink'}>
              {isStruck ? '×' : number}
            </Text>
          </Pressable>
        </View>
        {cell('pressurePa', 'Building pressure', 'housePressure')}
        {flowCell === 'flowM3h'
          ? cell('flowM3h', 'Flow', 'flow')
          : cell('fanPressurePa', 'Fan pressure', 'housePressure')}
        <Text
          role="cell"
          look="figure"
          tone={isStruck ? 'unseen' : 'ink'}
          style={[readingColumns.off, isStruck && { textDecorationLine: 'line-through' }]}
        >
          {offTheLine === null ? '' : `${offTheLine >= 0 ? '+' : ''}${decimals(offTheLine * 100, 1)}`}
        </Text>
      </View>
      {hasNotes && (
        <View role="cell">
          {isRangeShown && (
            <Text look="small" tone="soft" style={styles.under}>
              {reading.fanRange}
            </Text>
          )}
          {isStruck && (
            <Text look="small" tone="soft" style={styles.under}>
              struck out: {reading.struckOut}
            </Text>
          )}
          <FieldTrouble trouble={trouble} message={message} />
        </View>
      )}
    </View>
  );
}

/** Columns of the table of readings, its head and its rows; where it is narrow, the figures stand below the rest. */
export const readingColumns = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  rowNarrow: { flexWrap: 'wrap', justifyContent: 'space-between' },
  number: { width: TOUCH },
  cell: { flex: 1, minWidth: 0 },
  cellNarrow: { flexBasis: '40%', ...SHOWN_LAST },
  off: { width: 74, textAlign: 'right' },
});

const styles = StyleSheet.create({
  whole: { gap: 2 },
  number: { width: TOUCH, height: TOUCH, alignItems: 'center', justifyContent: 'center', borderRadius: 3 },
  input: { textAlign: 'right' },
  under: { paddingLeft: TOUCH + space.s },
});
