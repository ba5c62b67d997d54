import {
  airtightnessTest,
  STAGE_WORDS,
  TEST_STAGES,
  type AirtightnessTest,
  type AirtightnessTestBody,
  type TestStage,
} from '@calvet/contract/airtightness/airtightness-test';
import type { TestField } from '@calvet/contract/airtightness/test-figures';
import type { Keep } from '../../data/use-keep';
import { Card } from '../../ui/card';
import { Choice, type Option } from '../../ui/choice';
import { DayField } from '../../ui/day-field';
import { FieldGrid, Labelled, NumberField, TextField } from '../../ui/field';

const STAGES: readonly Option<TestStage>[] = TEST_STAGES.map((stage) => ({
  value: stage,
  label: STAGE_WORDS[stage],
}));

const CONDITIONS = [
  ['indoorTemperatureC', 'Temperature indoors'],
  ['outdoorTemperatureC', 'Temperature outdoors'],
  ['windMs', 'Wind'],
  ['altitudeM', 'Altitude'],
  ['airPressurePa', 'Barometric pressure instead'],
] as const satisfies readonly (readonly [keyof AirtightnessTestBody, string])[];

interface ConditionsCardProps {
  readonly test: AirtightnessTest;
  readonly keep: Keep<'airtightnessTest'>;
  /** Where the figures find something missing or wrong. */
  readonly trouble: { readonly field: TestField | null; readonly message: string } | null;
}

/** When, at which stage and in what weather the house was tested. */
export function ConditionsCard({ test, keep, trouble }: ConditionsCardProps) {
  return (
    <Card title="Test">
      <Labelled label="The house is at">
        <Choice label="Stage" options={STAGES} value={test.stage} onChange={(stage) => keep({ stage })} />
      </Labelled>
      <DayField
        label="Day on site"
        value={test.performedOn}
        onChange={(performedOn) => keep({ performedOn })}
      />
      <FieldGrid>
        {CONDITIONS.map(([name, label]) => (
          <NumberField
            key={name}
            label={label}
            quantity={airtightnessTest.fields[name].quantity}
            value={test[name]}
            bounds={airtightnessTest.fields[name].bounds}
            message={trouble?.field?.name === name ? trouble.message : null}
            onCommit={(si, stage) => keep({ [name]: si }, stage)}
          />
        ))}
      </FieldGrid>
      <TextField
        label="Note: seals set, doors, who was there"
        maxLength={2000}
        multiline
        value={test.note}
        onChange={(note) => keep({ note })}
      />
    </Card>
  );
}
