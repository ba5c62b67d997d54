import { operations, type OperationName } from '@calvet/core/operations';
import { fromSi, unitOf, type UnitSystem } from '@calvet/core/units/quantity';
import type { Finding } from '@calvet/core/finding';
import { isObject } from '@calvet/core/schema';
import { withNumbers, type Step } from '@calvet/core/steps/step';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Answering } from '../../compute/use-answer';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Card, Rule } from '../../ui/card';
import { LineMark } from '../../ui/line-mark';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { rem, space } from '../../ui/tokens';
import { AllFigures } from './all-figures';
import { answerFigures, withUnit, type AnswerFigure } from './answer-words';
import { slugOf } from './catalogue';
import { quantityOfStep } from './step-quantity';
import { siNumber } from './si-number';

/** What stands in the way of an answer, in words; null where nothing does. */
export type Obstacle = string | null;

function MainFigures({ figures }: { readonly figures: readonly AnswerFigure[] }) {
  const [first, ...rest] = figures;
  if (first === undefined) return null;
  return (
    <View style={styles.main} aria-live="polite">
      <View>
        <Text tone="soft">{first.label}</Text>
        <View style={styles.verdict}>
          {first.mark !== null && <LineMark mark={first.mark} />}
          <Text look={/\d/.test(first.text) ? 'figureHuge' : 'answer'} style={styles.huge} testID="answer">
            {first.text}
            {first.unit !== '' && <Text look="figureStrong">{withUnit({ text: '', unit: first.unit })}</Text>}
          </Text>
        </View>
      </View>
      <View style={styles.grid}>
        {rest.map((each) => (
          <View key={each.path} style={styles.item}>
            <Text look="small" tone="soft">
              {each.label}
            </Text>
            <View style={styles.verdict}>
              {each.mark !== null && <LineMark mark={each.mark} width={34} />}
              <Text look="figureStrong">{withUnit(each)}</Text>
            </View>
          </View>
        ))}
      </View>
    </View>
  );
}

function Findings({ findings }: { readonly findings: readonly Finding[] }) {
  return (
    <>
      {findings.map(({ rule, severity, message, run, reading, observation, sample, layer, area }, i) => {
        const index = run ?? reading ?? observation ?? sample ?? layer ?? area;
        return (
          <View key={`${rule} ${i}`} style={styles.finding}>
            <View style={styles.mark}>
              <LineMark mark={severity === 'fail' ? 'broken' : 'half'} width={34} />
            </View>
            <Text style={styles.flexible}>
              {index !== undefined && `No. ${index + 1}: `}
              {message}
            </Text>
          </View>
        );
      })}
    </>
  );
}

/** Findings of the whole and of each part of it. */
function findingsOf(output: object): readonly Finding[] {
  return Object.entries(output).flatMap(([name, inner]: [string, unknown]) => {
    if (name === 'findings') return inner as readonly Finding[];
    return isObject(inner) ? findingsOf(inner) : [];
  });
}

const FIRST_STEPS = 8;

/** A step's result in the units of who reads it; nothing where they are those of the step. */
function besideSi({ result, unit }: Step, units: UnitSystem): string {
  const quantity = quantityOfStep(unit, units);
  if (quantity === null) return '';
  return ` (${siNumber(fromSi(result, quantity, units))}\u00A0${unitOf(quantity, units).symbol})`;
}

function Steps({ steps }: { readonly steps: readonly Step[] }) {
  const { units } = usePreferences();
  const [showsAll, setShowsAll] = useState(false);
  const shown = showsAll ? steps : steps.slice(0, FIRST_STEPS);
  return (
    <>
      {shown.map((step, i) => {
        const { what, formula, result, unit } = step;
        const inserted = withNumbers(step, siNumber);
        return (
          <View key={i} style={styles.step}>
            <Text look="strong">{what}</Text>
            {formula !== null && (
              <Text look="figure" tone="soft" style={styles.formula}>
                {formula}
              </Text>
            )}
            <Text look="figure" style={styles.formula}>
              {inserted !== null && inserted !== siNumber(result) && `= ${inserted} `}
              {`= ${siNumber(result)}${unit === '' ? '' : `\u00A0${unit}`}${besideSi(step, units)}`}
            </Text>
            {Object.keys(step.where)
              .filter((symbol) => symbol in step.values)
              .map((symbol) => (
                <Text key={symbol} look="small" tone="soft" style={styles.formula}>
                  {symbol} = {siNumber(step.values[symbol] ?? NaN)}: {step.where[symbol]}
                </Text>
              ))}
          </View>
        );
      })}
      {!showsAll && steps.length > FIRST_STEPS && (
        <Button label={`All ${steps.length} steps`} onPress={() => setShowsAll(true)} />
      )}
      <Text look="small" tone="soft">
        {units === 'metric'
          ? 'Steps are in SI units.'
          : 'Steps are worked in SI units; their results stand in yours beside them.'}
      </Text>
    </>
  );
}

/** How much is done, as a line that fills. */
function ProgressLine({ share }: { readonly share: number }) {
  const palette = usePalette();
  const percent = Math.round(share * 100);
  return (
    <View
      role="progressbar"
      aria-label="Done so far"
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={percent}
      style={{ backgroundColor: palette.line }}
    >
      <View style={[styles.progress, { width: `${percent}%`, backgroundColor: palette.lake }]} />
    </View>
  );
}

function MethodsLink({ name }: { readonly name: OperationName }) {
  const palette = usePalette();
  return (
    <a
      href={`/methods.html#${slugOf(name)}`}
      target="_blank"
      rel="noreferrer"
      style={{ color: palette.lake, minHeight: 48, display: 'inline-flex', alignItems: 'center' }}
    >
      <Text look="strong" tone="lake">
        Formulas, sources and limits in the methods
      </Text>
    </a>
  );
}

interface AnswerPanelProps {
  readonly name: OperationName;
  readonly obstacle: Obstacle;
  readonly answering: Answering<OperationName> | null;
}

/** The answer, then what is to be said of it, then how it came about. */
export function AnswerPanel({ name, obstacle, answering }: AnswerPanelProps) {
  const { units } = usePreferences();
  const operation = operations[name];
  if (obstacle !== null || answering === null) {
    return (
      <Card title="Result">
        <Text tone="soft" aria-live="polite" testID="obstacle">
          {obstacle}
        </Text>
        <MethodsLink name={name} />
      </Card>
    );
  }
  if (answering.state === 'under way') {
    return (
      <Card title="Working it out">
        <ProgressLine share={answering.share} />
        <Button label="Stop" icon="close" onPress={answering.stop} />
      </Card>
    );
  }
  if (answering.state !== 'here') {
    const isStopped = answering.state === 'stopped';
    return (
      <Card title={isStopped ? 'Stopped' : 'This could not be worked out'}>
        {answering.state === 'failed' && <Text>{answering.message} What you entered is kept.</Text>}
        <Button kind="main" label={isStopped ? 'Start again' : 'Try again'} onPress={answering.again} />
      </Card>
    );
  }
  // A refusal is an obstacle, which was shown above.
  if (answering.answer.kind === 'refused') return null;
  const { output, steps } = answering.answer;
  const findings = findingsOf(output);
  return (
    <>
      <Card title="Result">
        <MainFigures figures={answerFigures(operation, output, units)} />
        {findings.length > 0 && <Rule />}
        <Findings findings={findings} />
      </Card>
      <Card title="Step by step">
        <Steps key={name} steps={steps} />
        <MethodsLink name={name} />
      </Card>
      <AllFigures schema={operation.output} output={output} />
    </>
  );
}

const styles = StyleSheet.create({
  main: { gap: space.m },
  progress: { height: 6 },
  huge: { flexShrink: 1 },
  grid: { flexDirection: 'row', flexWrap: 'wrap', rowGap: space.m, columnGap: space.l },
  item: { flexGrow: 1, flexBasis: 140, gap: 1 },
  verdict: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  finding: { flexDirection: 'row', gap: space.m },
  mark: { paddingTop: 7 },
  flexible: { flex: 1 },
  step: { gap: 1 },
  formula: { fontSize: rem(15) },
});
