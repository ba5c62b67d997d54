import type { Fixing, MaterialLayer, ResistanceLayer } from '@calvet/contract/installation/layer';
import { FIXINGS_MAX, NAME_MAX } from '@calvet/contract/limits';
import { number } from '@calvet/core/schema';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import type { EntryStage } from '../../data/typing';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { FieldGrid, GivenField, Labelled, TextField } from '../../ui/field';
import { space } from '../../ui/tokens';

type Fixed = MaterialLayer | ResistanceLayer;

const STEEL_WMK = 50;
const STAINLESS_WMK = 17;
const PLASTIC_WMK = 0.3;
/** A screw of 5 mm. */
const SCREW_M2 = 20e-6;
const PER_M2 = 5;

const perM2 = number({ quantity: 'perArea', min: 0, max: 1000 });
const crossSection = number({ quantity: 'smallArea', above: 0, max: 0.01 });

const METALS = [
  { value: String(STEEL_WMK), label: 'Steel' },
  { value: String(STAINLESS_WMK), label: 'Stainless steel' },
  { value: String(PLASTIC_WMK), label: 'Plastic' },
] as const;

interface FixingFieldsProps {
  readonly layer: Fixed;
  readonly onChange: (layer: Fixed, stage?: EntryStage) => void;
}

/** Screws, nails and ties through a layer: how many, how thick, of what, and how many missed their stud. */
export function FixingFields({ layer, onChange }: FixingFieldsProps) {
  const { fixings } = layer;
  const set = (next: readonly Fixing[], stage?: EntryStage): void =>
    onChange({ ...layer, fixings: next }, stage);
  const change = (id: string, next: Partial<Fixing>, stage?: EntryStage): void =>
    set(
      fixings.map((fixing) => (fixing.id === id ? { ...fixing, ...next } : fixing)),
      stage,
    );
  return (
    <>
      {fixings.map((fixing, i) => (
        <View key={fixing.id} style={styles.fixing} role="group" aria-label={`Fixings ${i + 1}`}>
          <View style={styles.head}>
            <View style={styles.name}>
              <TextField
                label="Fixings"
                maxLength={NAME_MAX}
                value={fixing.name}
                onChange={(name) => change(fixing.id, { name })}
              />
            </View>
            <Button
              kind="quiet"
              iconOnly
              icon="trash-can-outline"
              label={`Take out fixings ${i + 1}`}
              onPress={() => set(fixings.filter(({ id }) => id !== fixing.id))}
            />
          </View>
          <FieldGrid>
            <GivenField
              label="How many"
              quantity="perArea"
              value={fixing.perM2}
              bounds={perM2}
              onFigure={(si, stage) => change(fixing.id, { perM2: si }, stage)}
            />
            <GivenField
              label="Missed their stud, still in"
              quantity="perArea"
              value={fixing.missedPerM2}
              bounds={perM2}
              onFigure={(si, stage) => change(fixing.id, { missedPerM2: si }, stage)}
            />
            <GivenField
              label="Cross-section of one"
              quantity="smallArea"
              value={fixing.areaM2}
              bounds={crossSection}
              onFigure={(si, stage) => change(fixing.id, { areaM2: si }, stage)}
            />
          </FieldGrid>
          <Labelled label="Of">
            <Choice
              label={`Fixings ${i + 1} are of`}
              options={METALS}
              value={METALS.find(({ value }) => Number(value) === fixing.conductivityWmK)?.value ?? null}
              onChange={(value) => change(fixing.id, { conductivityWmK: Number(value) })}
            />
          </Labelled>
        </View>
      ))}
      <Button
        label="Add fixings through it"
        icon="plus"
        disabled={fixings.length >= FIXINGS_MAX || layer.thicknessM === null}
        onPress={() =>
          set([
            ...fixings,
            {
              id: v7(),
              name: 'Screws',
              perM2: PER_M2,
              missedPerM2: 0,
              areaM2: SCREW_M2,
              conductivityWmK: STEEL_WMK,
            },
          ])
        }
      />
    </>
  );
}

const styles = StyleSheet.create({
  fixing: { gap: space.s, paddingLeft: space.s },
  head: { flexDirection: 'row', alignItems: 'flex-end', gap: space.s },
  name: { flex: 1 },
});
