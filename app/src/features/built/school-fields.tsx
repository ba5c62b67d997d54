import {
  AIR_BARRIER_WORDS,
  FRAMING_WORDS,
  INSULATION_WORDS,
  VAPOUR_WORDS,
  type Insulation,
  type Schools,
} from '@calvet/contract/plan/schools';
import { Button } from '../../ui/button';
import { Choice, optionsOf, type Option } from '../../ui/choice';
import { Labelled } from '../../ui/field';
import { ManyChoice } from '../../ui/many-choice';

const AIR_BARRIERS = optionsOf(AIR_BARRIER_WORDS);
const VAPOUR_CONTROLS = optionsOf(VAPOUR_WORDS);
const FRAMINGS = optionsOf(FRAMING_WORDS);
const INSULATIONS = optionsOf(INSULATION_WORDS);
const YES_NO = [
  { value: 'yes', label: 'Yes' },
  { value: 'no', label: 'No' },
] as const;

const FLAGS = [
  ['sealsSeams', 'Extra framing seams sealed'],
  ['hasServiceSpace', 'Service space inside the barrier'],
  ['isForSound', 'Inner walls against sound'],
] as const satisfies readonly (readonly [keyof Schools, string])[];

/** A choice that can be given up again: a press on what is chosen takes it back. */
function Loose<Value extends string>({
  label,
  options,
  value,
  onChange,
}: {
  readonly label: string;
  readonly options: readonly Option<Value>[];
  readonly value: Value | null;
  readonly onChange: (value: Value | null) => void;
}) {
  return (
    <Labelled label={label}>
      <Choice
        label={label}
        options={options}
        value={value}
        onChange={(next) => onChange(next === value ? null : next)}
      />
    </Labelled>
  );
}

interface InsulationFieldProps {
  readonly label: string;
  readonly value: readonly Insulation[] | null;
  readonly onChange: (value: readonly Insulation[] | null) => void;
  /** What none means, where that is something. */
  readonly none?: string;
}

/** The ways to insulate that are met in a part; none is null. */
export function InsulationField({ label, value, onChange, none }: InsulationFieldProps) {
  return (
    <Labelled label={none === undefined || value !== null ? label : `${label}: ${none}`}>
      <ManyChoice
        label={label}
        options={INSULATIONS}
        values={value ?? []}
        onChange={(values) => onChange(values.length === 0 ? null : values)}
      />
    </Labelled>
  );
}

interface SchoolFieldsProps {
  readonly schools: Schools;
  readonly onChange: (more: Partial<Schools>) => void;
}

/** How a house, or a part of it, is built: each thing to be chosen, or given up again. */
export function SchoolFields({ schools, onChange }: SchoolFieldsProps) {
  return (
    <>
      <Loose
        label="Air barrier"
        options={AIR_BARRIERS}
        value={schools.airBarrier}
        onChange={(airBarrier) => onChange({ airBarrier })}
      />
      <Loose
        label="Vapour control"
        options={VAPOUR_CONTROLS}
        value={schools.vapour}
        onChange={(vapour) => onChange({ vapour })}
      />
      <Loose
        label="What stands"
        options={FRAMINGS}
        value={schools.framing}
        onChange={(framing) => onChange({ framing })}
      />
      <InsulationField
        label="Insulation of walls"
        value={schools.insulation}
        onChange={(insulation) => onChange({ insulation })}
      />
      {FLAGS.map(([name, label]) => (
        <Loose
          key={name}
          label={label}
          options={YES_NO}
          value={schools[name] === null ? null : schools[name] ? 'yes' : 'no'}
          onChange={(answer) => onChange({ [name]: answer === null ? null : answer === 'yes' })}
        />
      ))}
    </>
  );
}

/** Gives up a way of its own. */
export const AsTheRest = ({ onPress }: { readonly onPress: () => void }) => (
  <Button kind="quiet" icon="undo-variant" label="As the rest of the house" onPress={onPress} />
);
