import { READINGS_MAX } from '@calvet/contract/limits';
import type { AirtightnessTest, TestReading, TestRun } from '@calvet/contract/airtightness/airtightness-test';
import type { TestFigures } from '@calvet/contract/airtightness/test-figures';
import { unitOf } from '@calvet/core/units/quantity';
import type { Direction } from '@calvet/core/airtightness/conditions';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import { usePreferences } from '../../data/preferences';
import { withoutTyped, type EntryStage } from '../../data/typing';
import type { Keep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice } from '../../ui/choice';
import type { AssumedSign } from '../../ui/entry-message';
import { FieldMessage } from '../../ui/field';
import { Text } from '../../ui/text';
import { usePageSize } from '../../ui/theme';
import { useNote } from '../../ui/undo';
import { BaselineCells } from './baseline-cells';
import { FanRanges } from './fan-ranges';
import { ReadingDialog } from './reading-dialog';
import { modeOf, readingColumns, ReadingRow, type FlowMode } from './reading-row';

const EMPTY_RUN: TestRun = { baselineBeforePa: [], baselineAfterPa: [], readings: [] };

const emptyReading = (id: string): TestReading => ({
  id,
  pressurePa: null,
  flowM3h: null,
  fanPressurePa: null,
  fanRange: null,
  struckOut: null,
});

/** A person reads the size off the gauge; the direction says on which side of zero it is. */
const ASSUMED_SIGNS: Readonly<Record<Direction, AssumedSign>> = {
  depressurise: { sign: -1, because: 'Depressurising takes the house below zero' },
  pressurise: { sign: 1, because: 'Pressurising takes the house above zero' },
};

const isEmpty = ({ pressurePa, flowM3h, fanPressurePa }: TestReading): boolean =>
  pressurePa === null && flowM3h === null && fanPressurePa === null;

interface RunEditorProps {
  readonly test: AirtightnessTest;
  readonly direction: Direction;
  readonly figures: TestFigures;
  readonly keep: Keep<'airtightnessTest'>;
}

/** What the figures find wrong in this run: in a reading, a baseline, or the run as a whole. */
function troubleIn(figures: TestFigures, direction: Direction) {
  if (figures.state === 'figures' || figures.field?.direction !== direction) return null;
  const message = figures.state === 'refused' ? figures.refusal.message : figures.needs;
  return { ...figures.field, message, code: figures.state === 'refused' ? figures.refusal.code : null };
}

const flipped = (reading: TestReading): TestReading =>
  reading.pressurePa === null ? reading : { ...reading, pressurePa: -reading.pressurePa };

/** Readings in one direction: baseline, table, baseline. Each figure is kept once it is entered. */
export function RunEditor({ test, direction, figures, keep }: RunEditorProps) {
  const { units } = usePreferences();
  const { isNarrow } = usePageSize();
  const note = useNote();
  const run = test[direction] ?? EMPTY_RUN;
  const [emptyId, setEmptyId] = useState(() => v7());
  /** Somebody said that figures of this run have the other sign: it is not asked again. */
  const [isOtherSign, setIsOtherSign] = useState(false);
  const [openId, setOpenId] = useState<string | null>(null);
  const [mode, setMode] = useState<FlowMode>(() =>
    run.readings.some(({ fanPressurePa }) => fanPressurePa !== null) ? 'fan' : 'flow',
  );
  const lastRange = run.readings.findLast(({ fanRange }) => fanRange !== null)?.fanRange;
  const [range, setRange] = useState<string | null>(lastRange ?? test.fanRanges[0]?.name ?? null);

  const trouble = troubleIn(figures, direction);
  // A change that is undone later must not take back what was typed meanwhile.
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  });
  const keepRun = (change: Partial<TestRun>, stage?: EntryStage): void =>
    keep({ [direction]: { ...latest.current, ...change } }, stage);
  const points = figures.state === 'figures' ? figures.points : [];
  const offTheLine = (id: string): number | null =>
    points.find(({ readingId }) => readingId === id)?.offTheLine ?? null;

  const changeReading = (id: string, change: Partial<TestReading>, stage?: EntryStage): void => {
    const withRange = change.fanPressurePa != null ? { fanRange: range, ...change } : change;
    if (id === emptyId) {
      keepRun({ readings: [...run.readings, { ...emptyReading(id), ...withRange }] }, stage);
      setEmptyId(v7());
      return;
    }
    const whole = { ...(run.readings.find((reading) => reading.id === id) ?? emptyReading(id)), ...change };
    const isKept = withoutTyped(test)[direction]?.readings.some((reading) => reading.id === id) ?? false;
    if (!isKept && isEmpty(whole)) {
      // Typed and taken back: its row is the empty one again.
      keepRun({ readings: run.readings.filter((reading) => reading.id !== id) }, stage);
      setEmptyId(id);
      return;
    }
    const readings = run.readings.map((reading) =>
      reading.id === id ? { ...reading, ...withRange } : reading,
    );
    keepRun({ readings }, stage);
  };
  const removeReading = (id: string): void => {
    const at = run.readings.findIndex((reading) => reading.id === id);
    const removed = run.readings.slice(at, at + 1);
    const putBack = (): void => {
      const { readings } = latest.current;
      keepRun({ readings: [...readings.slice(0, at), ...removed, ...readings.slice(at)] });
    };
    keepRun({ readings: run.readings.filter((reading) => reading.id !== id) });
    note({ text: 'The reading was removed.', undo: putBack });
  };
  const rows = run.readings.length < READINGS_MAX ? [...run.readings, emptyReading(emptyId)] : run.readings;
  const open = run.readings.find(({ id }) => id === openId);
  const openNumber = run.readings.findIndex(({ id }) => id === openId) + 1;
  return (
    <Card>
      <BaselineCells
        label="Baseline before"
        readings={run.baselineBeforePa}
        message={trouble?.name === 'baselineBeforePa' ? trouble.message : null}
        onChange={(baselineBeforePa, stage) => keepRun({ baselineBeforePa }, stage)}
      />
      <Choice
        label="How flow is read"
        options={[
          { value: 'flow', label: 'Flow' },
          { value: 'fan', label: 'Fan pressure' },
        ]}
        value={mode}
        onChange={setMode}
      />
      {mode === 'fan' && (
        <FanRanges
          ranges={test.fanRanges}
          current={range}
          onChoose={setRange}
          onChange={(fanRanges) => keep({ fanRanges })}
        />
      )}
      <View role="table" aria-label="Readings" style={styles.table}>
        <View role="row" style={[readingColumns.row, isNarrow && readingColumns.rowNarrow]}>
          <Text
            role="columnheader"
            look="small"
            tone="soft"
            style={[readingColumns.number, styles.numberHead]}
          >
            no.
          </Text>
          <Text
            role="columnheader"
            look="small"
            tone="soft"
            style={[readingColumns.cell, styles.cellHead, isNarrow && readingColumns.cellNarrow]}
          >
            building, Pa
          </Text>
          <Text
            role="columnheader"
            look="small"
            tone="soft"
            style={[readingColumns.cell, styles.cellHead, isNarrow && readingColumns.cellNarrow]}
          >
            {mode === 'flow' ? `flow, ${unitOf('flow', units).symbol}` : 'fan, Pa'}
          </Text>
          <Text role="columnheader" look="small" tone="soft" style={readingColumns.off}>
            deviation from fit, %
          </Text>
        </View>
        {rows.map((reading, i) => (
          <ReadingRow
            key={reading.id}
            number={i + 1}
            reading={reading}
            mode={modeOf(reading, mode)}
            offTheLine={offTheLine(reading.id)}
            message={trouble?.readingId === reading.id ? trouble.message : null}
            assumed={isOtherSign ? undefined : ASSUMED_SIGNS[direction]}
            onOtherSign={() => setIsOtherSign(true)}
            onChange={(change, stage) => changeReading(reading.id, change, stage)}
            onOpen={reading.id === emptyId ? undefined : () => setOpenId(reading.id)}
          />
        ))}
      </View>
      {trouble?.code === 'wrong-sign' && (
        <Button
          label="Turn the sign of all readings"
          onPress={() => keepRun({ readings: run.readings.map(flipped) })}
        />
      )}
      {trouble?.code === 'no-spread' && <FieldMessage message={trouble.message} />}
      <BaselineCells
        label="Baseline after"
        readings={run.baselineAfterPa}
        message={trouble?.name === 'baselineAfterPa' ? trouble.message : null}
        onChange={(baselineAfterPa, stage) => keepRun({ baselineAfterPa }, stage)}
      />
      {open !== undefined && (
        <ReadingDialog
          number={openNumber}
          reading={open}
          fanRanges={test.fanRanges}
          onChange={(change) => changeReading(open.id, change)}
          onRemove={() => removeReading(open.id)}
          onClose={() => setOpenId(null)}
        />
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  table: { gap: 6 },
  numberHead: { textAlign: 'center' },
  cellHead: { textAlign: 'right' },
});
