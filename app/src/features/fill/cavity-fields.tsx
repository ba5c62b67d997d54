import {
  layerFields,
  PRESSING_WORDS,
  type FramedLayer,
  type LayerFill,
} from '@calvet/contract/installation/layer';
import type { Material } from '@calvet/contract/installation/material';
import { fillOfMaterial, type KnownMaterial } from '@calvet/contract/installation/material-library';
import { FILLS_MAX } from '@calvet/contract/limits';
import { fillingOf } from '@calvet/contract/installation/build-up-assembly';
import { Refusal } from '@calvet/core/refusal';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import { usePreferences } from '../../data/preferences';
import type { EntryStage } from '../../data/typing';
import { Button } from '../../ui/button';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, FieldMessage, GivenField, Labelled, NumberField } from '../../ui/field';
import { decimals, figureWithUnit, resistance } from '../../ui/format';
import { PartHead } from '../../ui/part-head';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { MaterialSheet } from './material-sheet';

const { framed } = layerFields.shapes;
const PRESSINGS = optionsOf(PRESSING_WORDS);
const BOARD_M = 0.05;

/** How the fills of a cavity lie in it, or why they cannot; null where none are entered. */
function lieIn(layer: FramedLayer) {
  try {
    const filling = fillingOf(layer, 'horizontal');
    return filling === null ? null : ({ state: 'lies', filling } as const);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { state: 'refused', message: error.message } as const;
  }
}

interface CavityFieldsProps {
  readonly layer: FramedLayer;
  /** Materials of the practice. */
  readonly own: readonly Material[];
  readonly onChange: (layer: FramedLayer, stage?: EntryStage) => void;
}

/** What lies in the cavity of a framed layer, one fill behind the other, and what becomes of it there. */
export function CavityFields({ layer, own, onChange }: CavityFieldsProps) {
  const { units } = usePreferences();
  const [chosenFor, setChosenFor] = useState<string | null>(null);
  const { fills } = layer;
  const lies = lieIn(layer);
  const set = (next: readonly LayerFill[], stage?: EntryStage): void => {
    const found = lieIn({ ...layer, fills: next });
    // Whoever reads the layer without knowing of fills finds what they come to.
    const cavityRsi = found?.state === 'lies' ? found.filling.cavityRsi : layer.cavityRsi;
    onChange({ ...layer, fills: next, cavityRsi }, stage);
  };
  const change = (id: string, next: Partial<LayerFill>, stage?: EntryStage): void =>
    set(
      fills.map((fill) => (fill.id === id ? { ...fill, ...next } : fill)),
      stage,
    );
  const pick = (material: KnownMaterial): void => {
    const before = fills.find(({ id }) => id === chosenFor);
    const room = layer.thicknessM ?? BOARD_M;
    const made = fillOfMaterial(
      material,
      before?.id ?? v7(),
      before?.thicknessM ?? (fills.length === 0 ? room : BOARD_M),
    );
    set(before === undefined ? [...fills, made] : fills.map((fill) => (fill.id === made.id ? made : fill)));
    setChosenFor(null);
  };
  return (
    <View style={styles.all} role="group" aria-label="In the cavity">
      <Text look="strong">In the cavity{fills.length > 1 ? ', inside to outside' : ''}</Text>
      {fills.length === 0 && (
        <Text look="small" tone="soft">
          Its R is entered above. Or say what lies in it: then what is pressed and what leaves a gap is worked
          out.
        </Text>
      )}
      {fills.map((fill, i) => {
        const inPlace = lies?.state === 'lies' ? lies.filling.fills[i] : undefined;
        const name = fill.name === '' ? `Fill ${i + 1}` : fill.name;
        return (
          <View key={fill.id} style={styles.fill} role="group" aria-label={name}>
            <PartHead name={name} onRemove={() => set(fills.filter(({ id }) => id !== fill.id))} />
            {inPlace !== undefined && (
              <Text look="small" tone="soft">
                {figureWithUnit(inPlace.thicknessM, 'thickness', units)} in place,{' '}
                {resistance(inPlace.rsi, units)}
              </Text>
            )}
            <FieldGrid>
              {fill.pressing !== 'takesRest' && (
                <GivenField
                  label="Thickness on the label"
                  quantity="thickness"
                  value={fill.thicknessM}
                  bounds={framed.thicknessM.bounds}
                  onFigure={(si, stage) => change(fill.id, { thicknessM: si }, stage)}
                />
              )}
              <GivenField
                label="Conductivity"
                quantity="conductivity"
                value={fill.conductivityWmK}
                bounds={layerFields.shapes.material.conductivityWmK.bounds}
                onFigure={(si, stage) => change(fill.id, { conductivityWmK: si }, stage)}
              />
              {fill.pressing === 'rigid' && (
                <NumberField
                  label="Thinnest, where uneven"
                  quantity="thickness"
                  value={fill.lowestM}
                  bounds={framed.thicknessM.bounds}
                  onCommit={(si, stage) => change(fill.id, { lowestM: si }, stage)}
                />
              )}
            </FieldGrid>
            <Labelled label="In a cavity thinner than itself">
              <Choice
                label={`What ${name} does in a cavity thinner than itself`}
                options={PRESSINGS}
                value={fill.pressing}
                onChange={(pressing) =>
                  change(fill.id, {
                    pressing,
                    thicknessM: pressing === 'takesRest' ? null : (fill.thicknessM ?? BOARD_M),
                  })
                }
              />
            </Labelled>
            <Button
              kind="quiet"
              label="Another material"
              icon="magnify"
              onPress={() => setChosenFor(fill.id)}
            />
          </View>
        );
      })}
      {lies?.state === 'refused' && <FieldMessage message={lies.message} />}
      {lies?.state === 'lies' && (
        <Text role="status" tone={lies.filling.findings.length > 0 ? 'straw' : undefined}>
          {lies.filling.pressedTo < 1 - 1e-9 &&
            `Pressed to ${decimals(lies.filling.pressedTo * 100, 0)} % of its thickness. `}
          {lies.filling.gapM > 0 &&
            `A gap of ${figureWithUnit(lies.filling.gapM, 'thickness', units)} is left, worth ${resistance(lies.filling.gapRsi, units)} as long as no air moves in it. `}
          The cavity comes to {resistance(lies.filling.cavityRsi, units)}.
        </Text>
      )}
      <Button
        label={fills.length === 0 ? 'Say what lies in it' : 'Add a fill'}
        icon="plus"
        disabled={fills.length >= FILLS_MAX}
        onPress={() => setChosenFor('')}
      />
      {chosenFor !== null && (
        <MaterialSheet
          own={own}
          title="What lies in the cavity"
          onPick={pick}
          onClose={() => setChosenFor(null)}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: space.s },
  fill: { gap: space.s, paddingLeft: space.s },
});
