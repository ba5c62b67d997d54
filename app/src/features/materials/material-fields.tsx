import { PRESSING_WORDS } from '@calvet/contract/installation/layer';
import {
  material as kind,
  MATERIAL_GROUP_WORDS,
  VAPOUR_KIND_WORDS,
  type MaterialBody,
} from '@calvet/contract/installation/material';
import { troubleOf, twoResistances } from '@calvet/contract/installation/material-doubts';
import { NAME_MAX, SAID_MAX } from '@calvet/contract/limits';
import type { FigureField } from '@calvet/contract/kind/field';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import type { EntryStage } from '../../data/typing';
import { Button } from '../../ui/button';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, FieldMessage, Labelled, NumberField, TextField } from '../../ui/field';
import { resistance } from '../../ui/format';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

const { fields } = kind;

type FigureName = {
  readonly [K in keyof MaterialBody]: (typeof fields)[K] extends FigureField ? K : never;
}[keyof MaterialBody];

/** What follows from one another stands together: heat, vapour, making it. */
const HEAT: readonly (readonly [FigureName, string])[] = [
  ['conductivityWmK', 'Conductivity'],
  ['thicknessM', 'Fixed thickness'],
  ['rsi', 'R at that thickness'],
];
const VAPOUR: readonly (readonly [FigureName, string])[] = [
  ['muDry', 'µ, dry'],
  ['muDamp', 'µ, damp'],
  ['sdDryM', 'sd of a sheet, dry'],
  ['sdDampM', 'sd of a sheet, damp'],
];
const MAKING: readonly (readonly [FigureName, string])[] = [
  ['densityKgM3', 'Density'],
  ['carbonKgM3', 'CO₂e emitted in making it'],
  ['storedKgM3', 'CO₂ stored in it'],
];

interface MaterialFieldsProps {
  readonly material: MaterialBody;
  readonly onChange: (change: Partial<MaterialBody>, stage?: EntryStage) => void;
}

/** Everything that is entered of a practice's own material, and what in it contradicts itself. */
export function MaterialFields({ material, onChange }: MaterialFieldsProps) {
  const { units } = usePreferences();
  const two = twoResistances(material);
  const figuresOf = (names: readonly (readonly [FigureName, string])[]) => (
    <FieldGrid>
      {names.map(([name, label]) => (
        <NumberField
          key={name}
          label={label}
          quantity={fields[name].quantity}
          value={material[name]}
          bounds={fields[name].bounds}
          onCommit={(si, stage) => onChange({ [name]: si }, stage)}
        />
      ))}
    </FieldGrid>
  );
  return (
    <View style={styles.all}>
      <TextField
        label="Name"
        maxLength={NAME_MAX}
        value={material.name}
        onChange={(name) => onChange({ name })}
      />
      <TextField
        label="Where its figures are from"
        placeholder="A label, a declared value, a measurement, an assumption"
        maxLength={SAID_MAX}
        value={material.basis}
        onChange={(basis) => onChange({ basis })}
      />
      <Labelled label="Group">
        <Choice
          label="Group"
          options={optionsOf(MATERIAL_GROUP_WORDS)}
          value={material.group}
          onChange={(group) => onChange({ group })}
        />
      </Labelled>
      {figuresOf(HEAT)}
      {two !== null && (
        <View style={styles.two} role="group" aria-label="Conductivity and R do not agree">
          <Text role="status" tone="straw">
            By its conductivity {resistance(two.byConductivityRsi, units)}, as said{' '}
            {resistance(two.saidRsi, units)}: more than 2 % apart. Take the one that stands on the label.
          </Text>
          <View style={styles.row}>
            <Button label="Take the conductivity" onPress={() => onChange({ rsi: null })} />
            <Button label="Take the R" onPress={() => onChange({ conductivityWmK: null })} />
          </View>
        </View>
      )}
      {figuresOf(VAPOUR)}
      <Labelled label="Against vapour it is a">
        <Choice
          label="Against vapour it is a"
          options={optionsOf(VAPOUR_KIND_WORDS)}
          value={material.vapourKind}
          onChange={(vapourKind) => onChange({ vapourKind })}
        />
      </Labelled>
      {figuresOf(MAKING)}
      <Labelled label="In a cavity thinner than itself">
        <Choice
          label="In a cavity thinner than itself"
          options={optionsOf(PRESSING_WORDS)}
          value={material.pressing}
          onChange={(pressing) => onChange({ pressing })}
        />
      </Labelled>
      <Choice
        label="Does it stop air?"
        options={[
          { value: 'yes', label: 'Stops air' },
          { value: 'no', label: 'Lets air through' },
        ]}
        value={material.isAirtight ? 'yes' : 'no'}
        onChange={(value) => onChange({ isAirtight: value === 'yes' })}
      />
      <TextField
        label="In water, in fire, with pests"
        maxLength={SAID_MAX}
        value={material.traits ?? ''}
        onChange={(traits) => onChange({ traits: traits === '' ? null : traits })}
      />
      <FieldMessage message={troubleOf(material)} isTold />
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: space.s },
  two: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
