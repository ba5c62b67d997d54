import { STAGE_WORDS, type AirtightnessTest } from '@calvet/contract/airtightness/airtightness-test';
import { testFigures, type TestFigures } from '@calvet/contract/airtightness/test-figures';
import type { House } from '@calvet/contract/house/house';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { day, figure } from '../../ui/format';
import { LineMark } from '../../ui/line-mark';
import { LinkArea } from '../../ui/link-area';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { Screen } from '../shell/screen';
import { Empty } from '../shell/states';
import { AnswerLine } from './answer-line';
import { FitChartOnDemand } from './fit-chart-on-demand';
import { targetFigure } from '@calvet/contract/airtightness/target-figure';
import { useAddTest } from './use-add-test';
import { Verdict } from './verdict';
import { targetWords } from './words';

interface TestLineProps {
  readonly house: House;
  readonly test: AirtightnessTest;
  readonly figures: TestFigures;
}

function TestLine({ house, test, figures }: TestLineProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const { quantity } = targetWords(house.target.quantity, units);
  return (
    <LinkArea
      href={{ pathname: '/houses/[houseId]/tests/[testId]', params: { houseId: house.id, testId: test.id } }}
      style={(isHovered) => [
        styles.test,
        { backgroundColor: palette.card, borderColor: palette.line },
        isHovered && { backgroundColor: palette.lakeTint },
      ]}
    >
      <View style={styles.names}>
        <Text look="strong">{STAGE_WORDS[test.stage]}</Text>
        <Text look="small" tone="soft">
          {day(test.performedOn)}
        </Text>
      </View>
      {figures.state === 'figures' ? (
        <View style={styles.figure}>
          <Text look="figureStrong">{figure(targetFigure(house, figures).value, quantity, units)}</Text>
          <Verdict verdict={figures.budget.verdict} />
        </View>
      ) : (
        <View style={styles.figure}>
          <LineMark mark="dotted" />
          <Text look="small" tone="soft">
            not finished
          </Text>
        </View>
      )}
    </LinkArea>
  );
}

/** Every door test of a house, the last one's answer first. */
export function DoorTestRoom({ view: { house, tests } }: { readonly view: HouseView }) {
  const add = useAddTest(house.id);
  const all = tests.map((test) => ({ test, figures: testFigures(house, test) }));
  // Of the newest that says something; what is not finished stands in the list.
  const shown = all.find(({ figures }) => figures.state === 'figures') ?? all[0];
  return (
    <Screen
      name={house.name}
      detail="Door test"
      back="/"
      backLabel="Back to the houses"
      footer={<Button label="New door test" icon="plus" kind="main" grow onPress={add} />}
    >
      {shown === undefined ? (
        <Empty
          title="Not tested yet"
          text="A door test needs two temperatures, a baseline before and after, and five readings of building pressure and flow. Readings can also come from a file."
        />
      ) : (
        <>
          <Text look="strong" level={2}>
            {STAGE_WORDS[shown.test.stage]} · {day(shown.test.performedOn)}
          </Text>
          <AnswerLine house={house} figures={shown.figures} />
          {shown.figures.state === 'figures' && (
            <Card>
              <FitChartOnDemand figures={shown.figures} height={230} />
            </Card>
          )}
          <View style={styles.list}>
            {all.map(({ test, figures }) => (
              <TestLine key={test.id} house={house} test={test} figures={figures} />
            ))}
          </View>
        </>
      )}
    </Screen>
  );
}

const styles = StyleSheet.create({
  list: { gap: space.s },
  test: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    flexWrap: 'wrap',
    gap: space.m,
    padding: space.m,
    minHeight: 64,
    borderWidth: 1,
    borderRadius: 4,
  },
  names: { flexGrow: 1, flexShrink: 1, flexBasis: 110, minWidth: 0 },
  figure: {
    maxWidth: '100%',
    alignItems: 'flex-end',
    gap: 2,
  },
});
