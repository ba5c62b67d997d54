import { STAGE_WORDS, type AirtightnessTest } from '@calvet/contract/airtightness/airtightness-test';
import { DIRECTIONS, testFigures, type TestFigures } from '@calvet/contract/airtightness/test-figures';
import type { Direction } from '@calvet/core/airtightness/conditions';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { useKeep, type Keep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice } from '../../ui/choice';
import { day } from '../../ui/format';
import { useKeypad } from '../../ui/keypad/keypad';
import { useIsWide } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { PhotosCard } from '../record/photos-card';
import { DeleteAtEnd, Screen } from '../shell/screen';
import { AnswerLine } from './answer-line';
import { CautionCard } from './caution-card';
import { ConditionsCard } from './conditions-card';
import { CsvTools } from './csv-tools';
import { FiguresGrid } from './figures-grid';
import { FindingsCard } from './findings-card';
import { FitChartOnDemand } from './fit-chart-on-demand';
import { RunEditor } from './run-editor';
import { DIRECTION_WORDS } from './words';
import { useDelete } from '../shell/use-delete';

type Part = 'conditions' | 'readings' | 'result';

const PARTS = [
  { value: 'conditions', label: 'Test' },
  { value: 'readings', label: 'Readings' },
  { value: 'result', label: 'Result' },
] as const;

interface PieceProps {
  readonly view: HouseView;
  readonly test: AirtightnessTest;
  readonly figures: TestFigures;
  readonly keep: Keep<'airtightnessTest'>;
}

function Readings({ view, test, figures, keep }: PieceProps) {
  const [direction, setDirection] = useState<Direction>(
    () => DIRECTIONS.find((each) => (test[each]?.readings.length ?? 0) > 0) ?? 'depressurise',
  );
  return (
    <>
      <Choice
        label="Direction"
        even
        options={DIRECTIONS.map((each) => ({ value: each, label: DIRECTION_WORDS[each] }))}
        value={direction}
        onChange={setDirection}
      />
      <RunEditor key={direction} test={test} direction={direction} figures={figures} keep={keep} />
      <CsvTools house={view.house} test={test} direction={direction} keep={keep} />
    </>
  );
}

function Conditions({ test, figures, keep }: PieceProps) {
  const trouble =
    figures.state === 'figures'
      ? null
      : {
          field: figures.field,
          message: figures.state === 'refused' ? figures.refusal.message : figures.needs,
        };
  return (
    <>
      <CautionCard />
      <ConditionsCard test={test} keep={keep} trouble={trouble} />
    </>
  );
}

function Result({ view, figures }: PieceProps) {
  if (figures.state !== 'figures') return null;
  return (
    <>
      <FindingsCard figures={figures} />
      <FiguresGrid house={view.house} figures={figures} />
    </>
  );
}

interface ChartProps {
  readonly figures: TestFigures;
  readonly height: number;
  readonly isBare?: boolean;
}

function Chart({ figures, height, isBare }: ChartProps) {
  return figures.state === 'figures' ? (
    <FitChartOnDemand figures={figures} height={height} isBare={isBare} />
  ) : null;
}

function WideTest(piece: PieceProps) {
  return (
    <>
      <AnswerLine house={piece.view.house} figures={piece.figures} />
      <View style={styles.columns}>
        <View style={styles.column}>
          {piece.figures.state === 'figures' && (
            <Card>
              <Chart figures={piece.figures} height={320} />
            </Card>
          )}
          <Result {...piece} />
          <Conditions {...piece} />
        </View>
        <View style={styles.column}>
          <Readings {...piece} />
        </View>
      </View>
    </>
  );
}

interface TestScreenProps {
  readonly view: HouseView;
  readonly test: AirtightnessTest;
  /** It stands on the screen alone until something is entered. */
  readonly isNew?: boolean;
}

/** One door test: what it says, what it was read from, and when. On a phone in three parts, on the desk side by side. */
export function TestScreen({ view, test, isNew = false }: TestScreenProps) {
  const { house } = view;
  const router = useRouter();
  const isWide = useIsWide();
  const keypad = useKeypad();
  const figures = useMemo(() => testFigures(house, test), [house, test]);
  const [part, setPart] = useState<Part>(() => (figures.state === 'figures' ? 'result' : 'conditions'));
  const { makeIfNew } = useStore();
  const keep = useKeep('airtightnessTest', test);
  const piece: PieceProps = { view, test, figures, keep };
  const deleteIt = useDelete();
  const remove = (): void => {
    deleteIt('airtightnessTest', test, 'The door test was deleted.');
    router.replace({ pathname: '/houses/[houseId]/tests', params: { houseId: house.id } });
  };
  const pinned = isWide ? undefined : (
    <View style={styles.pinned}>
      <AnswerLine house={house} figures={figures} isCompact={part !== 'result'} />
      {part === 'readings' && (
        <Chart figures={figures} height={keypad.isOpen ? 116 : 140} isBare={keypad.isOpen} />
      )}
      {!keypad.isOpen && (
        <Choice label="Part of the test" even options={PARTS} value={part} onChange={setPart} />
      )}
    </View>
  );
  return (
    <Screen
      name={STAGE_WORDS[test.stage]}
      detail={`${house.name} · ${day(test.performedOn)}`}
      back={{ pathname: '/houses/[houseId]/tests', params: { houseId: house.id } }}
      backLabel="Back to the door tests"
      pinned={pinned}
    >
      {isWide && <WideTest {...piece} />}
      {!isWide && part === 'conditions' && (
        <>
          <Conditions {...piece} />
          <Button label="On to the readings" kind="main" onPress={() => setPart('readings')} />
        </>
      )}
      {!isWide && part === 'readings' && <Readings {...piece} />}
      {!isWide && part === 'result' && (
        <>
          {figures.state === 'figures' && (
            <Card>
              <Chart figures={figures} height={230} />
            </Card>
          )}
          <Result {...piece} />
        </>
      )}
      {(isWide || part !== 'readings') && (
        <PhotosCard
          view={view}
          subject={{ kind: 'airtightnessTest', id: test.id }}
          onBeforeAdding={() => makeIfNew('airtightnessTest', test)}
          hint="Show how the house was made ready: the fan in its opening, what was sealed for the test, the leaks that were found."
        />
      )}
      {!isNew && <DeleteAtEnd label="Delete door test" onPress={remove} />}
    </Screen>
  );
}

const styles = StyleSheet.create({
  pinned: { paddingHorizontal: space.m, paddingBottom: space.s, gap: space.s },
  columns: { flexDirection: 'row', gap: space.l, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0, gap: space.l },
});
