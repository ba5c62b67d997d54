import { NAME_MAX } from '@calvet/contract/limits';
import { practice as kind } from '@calvet/contract/practice/practice';
import { useState } from 'react';
import { usePractice } from '../../data/hooks';
import { useKeep } from '../../data/use-keep';
import { Card } from '../../ui/card';
import { Choice, type Option } from '../../ui/choice';
import { Labelled, TextField } from '../../ui/field';
import { LinkArea } from '../../ui/link-area';
import { Text } from '../../ui/text';
import { ConventionChoice, ConventionsCard } from '../houses/conventions';
import { TargetFields } from '../houses/target-fields';
import { Screen } from '../shell/screen';

const { units: UNITS } = kind.fields;

const UNIT_OPTIONS = Object.entries(UNITS.words).map(([value, label]) => ({
  value,
  label,
})) as readonly Option<keyof typeof UNITS.words>[];

/** What holds for the whole practice: its units, and what new houses begin with. Each field is kept as it is left. */
export function PracticeScreen() {
  const practice = usePractice();
  const keep = useKeep('practice', practice);
  const [quantity, setQuantity] = useState(practice.target?.quantity ?? 'n50');
  const target = practice.target ?? { quantity, limit: null };
  return (
    <Screen name="Practice" detail="Kept as you go" back="/" backLabel="Back to the houses">
      <Card title="For everybody here">
        <TextField
          label="Name"
          maxLength={NAME_MAX}
          value={practice.name}
          onChange={(name) => keep({ name })}
        />
        <Labelled label="Units, on devices that chose none">
          <Choice
            label={UNITS.label}
            options={UNIT_OPTIONS}
            value={practice.units}
            onChange={(units) => keep({ units })}
          />
        </Labelled>
      </Card>
      <LinkArea href="/materials">
        <Text look="strong">Materials</Text>
        <Text look="small" tone="soft">
          What is built with: our own, and figures of the library that we altered
        </Text>
      </LinkArea>
      <Text tone="soft">New houses begin with what follows. Houses that are there keep what they have.</Text>
      <Card title="Airtightness target">
        <TargetFields
          target={target}
          onChange={({ limit, ...next }, stage) => {
            setQuantity(next.quantity);
            keep({ target: limit === null ? null : { ...next, limit } }, stage);
          }}
        />
        <Text look="small" tone="soft">
          Left empty, it is asked for with each house.
        </Text>
      </Card>
      <ConventionsCard>
        {(name) => (
          <ConventionChoice
            key={name}
            name={name}
            value={practice[name]}
            onChange={(value) => keep({ [name]: value })}
          />
        )}
      </ConventionsCard>
    </Screen>
  );
}
