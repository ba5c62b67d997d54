import { takesFromHouse } from '@calvet/contract/house-inputs';
import { operations, type OperationName } from '@calvet/core/operations';
import { memo, useState } from 'react';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { LineMark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { useIsWide, usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { useNote } from '../../ui/undo';
import { Screen } from '../shell/screen';
import { AnswerPanel } from './answer-panel';
import { answerFigures, withUnit } from './answer-words';
import { FieldsPart } from './bench-form';
import { FormProvider } from './form-fields';
import { wordsOf } from './catalogue';
import { exampleOf, useBenchForm, type BenchForm } from './use-bench-form';
import { blankOf, withGiven, type DraftFields, type Path } from './draft';
import { HouseFiguresSheet } from './house-figures-sheet';

/** The right column stays in view while the form scrolls. */
const STAYS = { position: 'sticky', top: 0 } as unknown as ViewStyle;

/** On a phone: the answer in a line that stays in view while figures are entered. */
function AnswerStrip({ name, form }: { readonly name: OperationName; readonly form: BenchForm }) {
  const { units } = usePreferences();
  const palette = usePalette();
  const { obstacle, answering } = form;
  const done =
    obstacle === null && answering?.state === 'here' && answering.answer.kind === 'figures'
      ? answering.answer.output
      : null;
  const [first] = done === null ? [] : answerFigures(operations[name], done, units);
  const words = obstacle ?? (answering?.state === 'under way' ? 'Working it out …' : 'No result: see below.');
  return (
    <View style={[styles.strip, { backgroundColor: palette.card, borderColor: palette.line }]}>
      {first === undefined ? (
        <Text look="small" tone="soft" style={styles.flexible}>
          {words}
        </Text>
      ) : (
        <>
          <Text tone="soft" style={styles.flexible}>
            {first.label}
          </Text>
          {first.mark !== null && <LineMark mark={first.mark} width={34} />}
          <Text look="figureStrong">{withUnit(first)}</Text>
        </>
      )}
    </View>
  );
}

/** Not drawn again while only a computation makes progress. */
const WholeForm = memo(FieldsPart);
const ROOT: Path = [];

function FormCard({ name, form }: { readonly name: OperationName; readonly form: BenchForm }) {
  const note = useNote();
  // Fields keep what was typed into them; a form that is replaced starts with new ones.
  const [round, setRound] = useState(0);
  const [isHouseAsked, setHouseAsked] = useState(false);
  const replace = (next: DraftFields, text: string) => {
    const back = form.replace(next);
    setRound((before) => before + 1);
    note({
      text,
      undo: () => {
        back();
        setRound((before) => before + 1);
      },
    });
  };
  return (
    <Card title="Inputs">
      <View style={styles.buttons}>
        <Button
          label="Fill in an example"
          icon="pencil-outline"
          onPress={() => replace(exampleOf(name), 'An example was filled in.')}
        />
        {takesFromHouse(name) && (
          <Button label="Take figures of a house" icon="home-outline" onPress={() => setHouseAsked(true)} />
        )}
        {!form.isBlank && (
          <Button
            kind="quiet"
            label="Clear"
            onPress={() =>
              replace(blankOf(form.schema, exampleOf(name)) as DraftFields, 'The form was cleared.')
            }
          />
        )}
      </View>
      {isHouseAsked && (
        <HouseFiguresSheet
          name={name}
          onClose={() => setHouseAsked(false)}
          onTake={({ given }, words) => {
            setHouseAsked(false);
            replace(withGiven(form.schema, form.draft, given) as DraftFields, `Taken: ${words}.`);
          }}
        />
      )}
      <FormProvider access={form.access}>
        <WholeForm key={round} schema={form.schema} path={ROOT} draft={form.draft} />
      </FormProvider>
    </Card>
  );
}

/** One thing to work out: its inputs, its answer and how it came about. */
export function OperationScreen({ name }: { readonly name: OperationName }) {
  const isWide = useIsWide();
  const form = useBenchForm(name);
  const { title, tells, caution } = wordsOf(name);
  const answer = <AnswerPanel name={name} obstacle={form.obstacle} answering={form.answering} />;
  const about = (
    <>
      <Text look="answer" level={2}>
        {title}
      </Text>
      <Text tone="soft">{tells}</Text>
      {caution !== undefined && (
        <View style={styles.caution} role="note">
          <View style={styles.mark}>
            <LineMark mark="half" width={34} />
          </View>
          <Text look="small" style={styles.flexible}>
            {caution}
          </Text>
        </View>
      )}
    </>
  );
  if (isWide) {
    return (
      <Screen name="Bench" detail={title}>
        <View style={styles.about}>{about}</View>
        <View style={styles.columns}>
          <View style={styles.column}>
            <FormCard name={name} form={form} />
          </View>
          <View style={[styles.column, STAYS]}>{answer}</View>
        </View>
      </Screen>
    );
  }
  return (
    <Screen
      name="Bench"
      detail={title}
      back="/bench"
      backLabel="Back to the bench"
      pinned={<AnswerStrip name={name} form={form} />}
    >
      {about}
      <FormCard name={name} form={form} />
      {answer}
    </Screen>
  );
}

const styles = StyleSheet.create({
  strip: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    minHeight: 48,
    paddingHorizontal: space.l,
    paddingVertical: space.xs,
    borderTopWidth: 1,
    borderBottomWidth: 1,
  },
  flexible: { flex: 1 },
  about: { gap: space.s, maxWidth: 760 },
  caution: { flexDirection: 'row', gap: space.m },
  mark: { paddingTop: 6 },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  columns: { flexDirection: 'row', gap: space.l, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0, gap: space.l },
});
