import {
  BRIDGED_WORDS,
  OFFERED_CHI_WK,
  OFFERED_PSI_WMK,
  thermalBridge as kind,
  type ThermalBridge,
} from '@calvet/contract/installation/thermal-bridge';
import { NAME_MAX } from '@calvet/contract/limits';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, GivenField, Labelled, TextField } from '../../ui/field';
import { FoldLine } from '../../ui/fold-line';
import { figureWithUnit } from '../../ui/format';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useDelete } from '../shell/use-delete';

const INSULATION = optionsOf(BRIDGED_WORDS);
const { fields } = kind;

const lossOf = ({ lengthM, psiWmK, count, chiWK }: ThermalBridge): number =>
  (lengthM ?? 0) * (psiWmK ?? 0) + (count ?? 0) * (chiWK ?? 0);

interface BridgeProps {
  readonly bridge: ThermalBridge;
  readonly isOpen: boolean;
  readonly onToggle: () => void;
}

function Bridge({ bridge, isOpen, onToggle }: BridgeProps) {
  const { units } = usePreferences();
  const keep = useKeep('thermalBridge', bridge);
  const deleteIt = useDelete();
  const isPoint = bridge.count !== null;
  return (
    <View style={styles.bridge}>
      <FoldLine
        label={`${bridge.name}: ${isOpen ? 'close' : 'change'}`}
        title={bridge.name}
        detail={figureWithUnit(lossOf(bridge), 'heatLoss', units)}
        isOpen={isOpen}
        onToggle={onToggle}
      />
      {isOpen && (
        <>
          <TextField
            label="What it is"
            maxLength={NAME_MAX}
            value={bridge.name}
            onChange={(name) => {
              if (name.trim() !== '') keep({ name });
            }}
          />
          {!isPoint && (
            <Labelled label="The insulation there is">
              <Choice
                label="The insulation there is"
                options={INSULATION}
                value={bridge.insulation}
                onChange={(insulation) => keep({ insulation, psiWmK: OFFERED_PSI_WMK[insulation] })}
              />
            </Labelled>
          )}
          <FieldGrid>
            {isPoint
              ? [
                  <GivenField
                    key="count"
                    label="How many"
                    quantity="count"
                    value={bridge.count}
                    bounds={fields.count.bounds}
                    onFigure={(si, stage) => keep({ count: si }, stage)}
                  />,
                  <GivenField
                    key="chi"
                    label="χ of one"
                    quantity="pointTransmittance"
                    value={bridge.chiWK}
                    bounds={fields.chiWK.bounds}
                    onFigure={(si, stage) => keep({ chiWK: si }, stage)}
                  />,
                ]
              : [
                  <GivenField
                    key="length"
                    label="Length"
                    quantity="length"
                    value={bridge.lengthM}
                    bounds={fields.lengthM.bounds}
                    onFigure={(si, stage) => keep({ lengthM: si }, stage)}
                  />,
                  <GivenField
                    key="psi"
                    label="ψ"
                    quantity="linearTransmittance"
                    value={bridge.psiWmK}
                    bounds={fields.psiWmK.bounds}
                    onFigure={(si, stage) => keep({ psiWmK: si }, stage)}
                  />,
                ]}
          </FieldGrid>
          <Text look="small" tone="soft">
            The figures that are offered are our own order of magnitude: take a calculated one where there is
            one.
          </Text>
          <Button
            kind="quiet"
            icon="trash-can-outline"
            label={`Take out ${bridge.name}`}
            onPress={() => deleteIt('thermalBridge', bridge, `${bridge.name} was taken out.`)}
          />
        </>
      )}
    </View>
  );
}

/** Where more heat gets out than through the areas. */
export function BridgesCard({ view }: { readonly view: HouseView }) {
  const { createRecord } = useStore();
  const [openId, setOpenId] = useState<string | null>(null);
  const nothing = { insulation: null, lengthM: null, psiWmK: null, count: null, chiWK: null };
  const { thermalBridges, house } = view;
  return (
    <Card title="Thermal bridges">
      {thermalBridges.map((bridge) => (
        <Bridge
          key={bridge.id}
          bridge={bridge}
          isOpen={openId === bridge.id}
          onToggle={() => setOpenId(openId === bridge.id ? null : bridge.id)}
        />
      ))}
      <View style={styles.deeds}>
        <Button
          label="Along a line"
          icon="plus"
          onPress={() =>
            setOpenId(
              createRecord(house.id, 'thermalBridge', {
                ...nothing,
                name: 'Junction',
                insulation: 'thinned',
                lengthM: 10,
                psiWmK: OFFERED_PSI_WMK.thinned,
              }),
            )
          }
        />
        <Button
          label="At points"
          icon="plus"
          onPress={() =>
            setOpenId(
              createRecord(house.id, 'thermalBridge', {
                ...nothing,
                name: 'Steel through the wall',
                count: 1,
                chiWK: OFFERED_CHI_WK,
              }),
            )
          }
        />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  bridge: { gap: space.s },
  deeds: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
