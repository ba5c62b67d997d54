import type { House } from '@calvet/contract/house/house';
import type { Area } from '@calvet/contract/installation/area';
import {
  defect as kind,
  DEFECT_WORDS,
  type Defect,
  type DefectBody,
} from '@calvet/contract/installation/defect';
import { areaDefects, type PricedDefect } from '@calvet/contract/installation/priced-defects';
import { NAME_MAX, SAID_MAX } from '@calvet/contract/limits';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { usePreferences } from '../../data/preferences';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { FieldGrid, FieldMessage, GivenField, NumberField, TextField } from '../../ui/field';
import { FoldLine } from '../../ui/fold-line';
import { figureWithUnit } from '../../ui/format';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useDelete } from '../shell/use-delete';

const { fields } = kind;
const SORTS = Object.keys(DEFECT_WORDS) as readonly DefectBody['sort'][];

/** What a defect of each sort begins with: a spot as large as a hand, pressed to four fifths, bare as a single board. */
const BEGUN: Readonly<Record<DefectBody['sort'], Pick<DefectBody, 'areaM2' | 'fill' | 'uValue'>>> = {
  void: { areaM2: 0.05, fill: null, uValue: null },
  pressed: { areaM2: 0.05, fill: 0.8, uValue: null },
  bare: { areaM2: 0.5, fill: null, uValue: 2 },
};

interface DefectLineProps {
  readonly defect: Defect;
  readonly price: PricedDefect | undefined;
  readonly isOpen: boolean;
  readonly onToggle: () => void;
}

function DefectLine({ defect, price, isOpen, onToggle }: DefectLineProps) {
  const { units } = usePreferences();
  const keep = useKeep('defect', defect);
  const deleteIt = useDelete();
  const costs =
    price === undefined
      ? 'not priced'
      : `${figureWithUnit(price.deltaUAWK, 'pointTransmittance', units)}${
          price.kwhPerYear === null ? '' : `, ${figureWithUnit(price.kwhPerYear, 'energy', units)} a year`
        }`;
  return (
    <View style={styles.defect}>
      <FoldLine
        label={`${defect.name}: ${isOpen ? 'close' : 'change'}`}
        title={defect.name}
        detail={`${DEFECT_WORDS[defect.sort]}, ${figureWithUnit(defect.areaM2, 'area', units, 2)} · costs ${costs}${defect.place === null ? '' : ` · ${defect.place}`}`}
        isOpen={isOpen}
        onToggle={onToggle}
      />
      {isOpen && (
        <>
          <TextField
            label="What was found"
            maxLength={NAME_MAX}
            value={defect.name}
            onChange={(name) => {
              if (name.trim() !== '') keep({ name });
            }}
          />
          <TextField
            label="Where"
            maxLength={SAID_MAX}
            value={defect.place ?? ''}
            onChange={(place) => keep({ place: place === '' ? null : place })}
          />
          <FieldGrid>
            {[
              <GivenField
                key="area"
                label="Size of the spot"
                quantity="area"
                value={defect.areaM2}
                bounds={fields.areaM2.bounds}
                onFigure={(areaM2, stage) => keep({ areaM2 }, stage)}
              />,
              ...(defect.sort === 'bare'
                ? [
                    <GivenField
                      key="u"
                      label="U of the spot"
                      quantity="transmittance"
                      value={defect.uValue}
                      bounds={fields.uValue.bounds}
                      onFigure={(uValue, stage) => keep({ uValue }, stage)}
                    />,
                  ]
                : []),
              ...(defect.sort === 'pressed'
                ? [
                    <GivenField
                      key="fill"
                      label="Thickness left"
                      quantity="share"
                      value={defect.fill}
                      bounds={fields.fill.bounds}
                      onFigure={(fill, stage) => keep({ fill }, stage)}
                    />,
                  ]
                : []),
              <NumberField
                key="minutes"
                label="Minutes to mend"
                quantity="duration"
                value={defect.minutes}
                bounds={fields.minutes.bounds}
                onCommit={(minutes, stage) => keep({ minutes }, stage)}
              />,
            ]}
          </FieldGrid>
          <Button
            kind="quiet"
            icon="trash-can-outline"
            label={`Take out ${defect.name}`}
            onPress={() => deleteIt('defect', defect, `${defect.name} was taken out.`)}
          />
        </>
      )}
    </View>
  );
}

interface DefectsCardProps {
  readonly house: House;
  /** Of the whole house. */
  readonly defects: readonly Defect[];
  readonly area: Area;
  /** Called before a defect is entered: the area must be there for it. */
  readonly onBeforeAdding: () => void;
}

/** What was found wrong in an area, spot by spot, and what each costs. */
export function DefectsCard({ house, defects, area, onBeforeAdding }: DefectsCardProps) {
  const { units } = usePreferences();
  const { createRecord } = useStore();
  const [openId, setOpenId] = useState<string | null>(null);
  const own = defects.filter((defect) => defect.area === area.id);
  const priced = areaDefects(house, area, own);
  const add = (sort: DefectBody['sort']): void => {
    onBeforeAdding();
    const body = {
      name: DEFECT_WORDS[sort],
      area: area.id,
      sort,
      minutes: null,
      place: null,
      ...BEGUN[sort],
    };
    setOpenId(createRecord(house.id, 'defect', body));
  };
  return (
    <Card title="Defects">
      {own.length === 0 && (
        <Text look="small" tone="soft">
          A void, a pressed spot, a hatch without insulation: each is priced by itself.
        </Text>
      )}
      {own.map((defect) => (
        <DefectLine
          key={defect.id}
          defect={defect}
          price={
            priced?.state === 'figures'
              ? priced.defects.find((each) => each.defect.id === defect.id)
              : undefined
          }
          isOpen={openId === defect.id}
          onToggle={() => setOpenId(openId === defect.id ? null : defect.id)}
        />
      ))}
      {priced?.state === 'refused' && <FieldMessage message={priced.refusal.message} />}
      {priced?.state === 'figures' && (
        <Text role="status">
          Together {figureWithUnit(priced.prices.totalWK, 'heatLoss', units, 2)}
          {priced.likeEmptyM2 !== null &&
            `, as much as ${figureWithUnit(priced.likeEmptyM2, 'area', units)} of it left empty`}
          .
        </Text>
      )}
      <View style={styles.deeds}>
        {SORTS.map((sort) => (
          <Button key={sort} icon="plus" label={DEFECT_WORDS[sort]} onPress={() => add(sort)} />
        ))}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  defect: { gap: space.s },
  deeds: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
