import type { AirtightnessTest } from '@calvet/contract/airtightness/airtightness-test';
import type { Direction } from '@calvet/core/airtightness/conditions';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { Labelled } from '../../ui/field';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import type * as csvFiles from '../csv-files';
import { DIRECTION_WORDS } from './words';

type CsvFiles = typeof csvFiles;
type DecimalMark = csvFiles.CsvQuestion['choices'][number]['decimalMark'];

/** A file that was chosen and looked at. */
export interface FoundFile {
  readonly name: string;
  readonly survey: csvFiles.CsvSurvey;
}

interface CsvImportSheetProps {
  readonly csv: CsvFiles;
  readonly file: FoundFile;
  readonly test: AirtightnessTest;
  readonly direction: Direction;
  /** What of the test is to change, and how many lines were brought in. */
  readonly onImport: (body: ReturnType<CsvFiles['withImported']>, count: number) => void;
  readonly onClose: () => void;
}

const counted = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

const baselineWords = (count: number): string => (count === 0 ? 'no baseline' : `${count} of the baseline`);

/** What columns of a file are taken for, to be looked over before anything is brought in. */
function Columns({ csv, survey }: { readonly csv: CsvFiles; readonly survey: csvFiles.CsvSurvey }) {
  return (
    <View role="list" style={styles.columns}>
      {survey.columns
        .filter(({ name }) => name !== '')
        .map(({ name, meaning, unit }, i) => (
          <View key={i} role="listitem" style={styles.column}>
            <Text look="figure" style={styles.name}>
              {name}
            </Text>
            {meaning === null ? (
              <Text tone="soft" style={styles.meaning}>
                is not read
              </Text>
            ) : (
              <Text look="strong" style={styles.meaning}>
                {[csv.COLUMN_MEANINGS[meaning], unit].filter(Boolean).join(', ')}
              </Text>
            )}
          </View>
        ))}
    </View>
  );
}

/** Asks what is left open of a file, shows what it will bring, and brings it in. */
export function CsvImportSheet({ csv, file, test, direction, onImport, onClose }: CsvImportSheetProps) {
  const { survey } = file;
  const [flowUnit, setFlowUnit] = useState<csvFiles.FlowUnit | null>(null);
  const [decimalMark, setDecimalMark] = useState<DecimalMark | null>(null);
  const { fanRanges } = test;
  const result = useMemo(
    () =>
      csv.readReadingsCsv(survey, {
        direction,
        fanRanges,
        newId: v7,
        decimalMark: decimalMark ?? undefined,
        flowUnit: flowUnit ?? undefined,
      }),
    [csv, survey, direction, fanRanges, decimalMark, flowUnit],
  );
  const asksUnit = survey.columns.some(({ meaning, unit }) => meaning === 'flow' && unit === null);
  const imported = result.ok ? result.imported : null;
  const question = 'question' in result ? result.question : null;
  const refusal = 'refusal' in result ? result.refusal : null;
  const runs = Object.entries(imported?.runs ?? {}) as [
    Direction,
    NonNullable<AirtightnessTest[Direction]>,
  ][];
  const here = runs.reduce((sum, [each]) => sum + (test[each]?.readings.length ?? 0), 0);
  const added = imported === null ? null : csv.withImported(imported, test, 'add');
  const canAdd =
    added !== null && [added.depressurise, added.pressurise].every((run) => run == null || csv.hasRoom(run));
  const isReady = imported !== null && !(asksUnit && flowUnit === null);
  const bring = (how: 'replace' | 'add') => () => {
    if (imported !== null) onImport(csv.withImported(imported, test, how), imported.count);
  };
  return (
    <Sheet title={`Bring in ${file.name}`} onClose={onClose}>
      {survey.headerLine > 1 && (
        <Text tone="soft">
          The names of the columns stand in line {survey.headerLine}; what is above it is not read.
        </Text>
      )}
      <Columns csv={csv} survey={survey} />
      {asksUnit && (
        <Labelled label="Its name has no unit: the flow is in">
          <Choice
            label="Unit of the flow"
            even
            options={(Object.keys(csv.FLOW_UNITS) as csvFiles.FlowUnit[]).map((unit) => ({
              value: unit,
              label: unit,
            }))}
            value={flowUnit}
            onChange={setFlowUnit}
          />
        </Labelled>
      )}
      {(question !== null || decimalMark !== null) && (
        <DecimalQuestion question={question} value={decimalMark} onChange={setDecimalMark} />
      )}
      {refusal !== null && (
        <Text tone="ember" role="alert">
          Nothing can be brought in. Line {refusal.line}
          {refusal.column === null ? '' : `, ${refusal.column}`}: {refusal.message}
        </Text>
      )}
      {runs.map(([each, { baselineBeforePa, baselineAfterPa, readings }]) => (
        <Text key={each}>
          {DIRECTION_WORDS[each]}: {counted(readings.length, 'reading')},{' '}
          {baselineWords(baselineBeforePa.length + baselineAfterPa.length)}
        </Text>
      ))}
      {isReady && here > 0 && (
        <Text look="strong">
          {counted(here, 'reading')} of the same direction {here === 1 ? 'is' : 'are'} here already.
        </Text>
      )}
      <View style={styles.buttons}>
        <Button label="Cancel" onPress={onClose} />
        {isReady && here > 0 && canAdd && <Button label="Add to them" onPress={bring('add')} />}
        {isReady && (
          <Button
            label={here > 0 ? 'Replace them' : `Bring in ${counted(imported.count, 'line')}`}
            kind="main"
            onPress={bring('replace')}
          />
        )}
      </View>
    </Sheet>
  );
}

interface DecimalQuestionProps {
  readonly question: csvFiles.CsvQuestion | null;
  readonly value: DecimalMark | null;
  readonly onChange: (mark: DecimalMark) => void;
}

/** Whether "1,200" is 1.2 or 1200; it holds for the whole file. */
function DecimalQuestion({ question, value, onChange }: DecimalQuestionProps) {
  const [asked] = useState(question);
  if (asked === null) return null;
  const { line, column, text, choices } = asked;
  return (
    <>
      <Text role="alert">
        Line {line}, {column}: is “{text}” {choices.map((choice) => choice.value).join(' or ')}? It holds for
        the whole file.
      </Text>
      <Choice
        label={`“${text}” is`}
        even
        options={choices.map((choice) => ({ value: choice.decimalMark, label: String(choice.value) }))}
        value={value}
        onChange={onChange}
      />
    </>
  );
}

const styles = StyleSheet.create({
  columns: { gap: space.xs },
  column: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.m, justifyContent: 'space-between' },
  name: { flexShrink: 1 },
  meaning: { marginLeft: 'auto', textAlign: 'right' },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, justifyContent: 'flex-end' },
});
