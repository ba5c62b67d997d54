import {
  opening as openingKind,
  OPENING_WORDS,
  type Opening,
  type OpeningUse,
} from '@calvet/contract/plan/opening';
import { memo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Rule } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, GivenField, NumberField } from '../../ui/field';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useDelete } from '../shell/use-delete';
import { openingName, openingSize } from './opening-words';

const { fields } = openingKind;

const USES = optionsOf(OPENING_WORDS);

const GIVEN = [
  { value: 'size', label: 'Size of one' },
  { value: 'total', label: 'Area of all' },
] as const;

/** Usual sizes to begin with, in m. */
const USUAL: Readonly<Record<OpeningUse, readonly [widthM: number, heightM: number]>> = {
  window: [1.2, 1.4],
  door: [0.9, 2.1],
  entrance: [1, 2.1],
  roofWindow: [0.8, 1.2],
  hatch: [0.7, 1.2],
};

function OpeningEditor({ opening }: { readonly opening: Opening }) {
  const keep = useKeep('opening', opening);
  const isTotal = opening.totalM2 !== null;
  const deleteIt = useDelete();
  const remove = (): void => {
    deleteIt('opening', opening, `${OPENING_WORDS[opening.use]} deleted.`);
  };
  return (
    <View style={styles.editor}>
      <Choice label="What it is" options={USES} value={opening.use} onChange={(use) => keep({ use })} />
      <Choice
        label="How it is given"
        options={GIVEN}
        value={isTotal ? 'total' : 'size'}
        onChange={(given) => {
          const [widthM, heightM] = USUAL[opening.use];
          const oneM2 = (opening.widthM ?? widthM) * (opening.heightM ?? heightM);
          keep(
            given === 'total'
              ? { totalM2: opening.totalM2 ?? oneM2 * opening.count, widthM: null, heightM: null }
              : { totalM2: null, widthM: opening.widthM ?? widthM, heightM: opening.heightM ?? heightM },
          );
        }}
      />
      <FieldGrid>
        {isTotal
          ? [
              <NumberField
                key="total"
                label="Area of all"
                quantity="area"
                value={opening.totalM2}
                bounds={fields.totalM2.bounds}
                isRequired
                onCommit={(si, stage) => keep({ totalM2: si }, stage)}
              />,
            ]
          : [
              <NumberField
                key="width"
                label="Width"
                quantity="length"
                value={opening.widthM}
                bounds={fields.widthM.bounds}
                isRequired
                onCommit={(si, stage) => keep({ widthM: si }, stage)}
              />,
              <NumberField
                key="height"
                label="Height"
                quantity="length"
                value={opening.heightM}
                bounds={fields.heightM.bounds}
                isRequired
                onCommit={(si, stage) => keep({ heightM: si }, stage)}
              />,
            ]}
        <GivenField
          key="count"
          label="How many"
          quantity="count"
          value={opening.count}
          bounds={fields.count.bounds}
          onFigure={(si, stage) => keep({ count: si }, stage)}
        />
      </FieldGrid>
      <Button kind="quiet" icon="trash-can-outline" label="Delete it" onPress={remove} />
    </View>
  );
}

interface OpeningsPanelProps {
  readonly view: HouseView;
  /** Id of the wall or the roof that they are in. */
  readonly on: string;
  /** What that is called. */
  readonly where: string;
  /** What one more begins as. */
  readonly use?: OpeningUse;
}

/** The openings of a wall or a roof: one line each, opened to be changed. */
export function OpeningsPanel({ view, ...rest }: OpeningsPanelProps) {
  return <Openings {...rest} houseId={view.house.id} all={view.openings} />;
}

interface OpeningsProps extends Omit<OpeningsPanelProps, 'view'> {
  readonly houseId: string;
  /** Of the house. */
  readonly all: HouseView['openings'];
}

/** The same while nothing but their wall is typed. */
const Openings = memo(function Openings({ houseId, all, on, where, use = 'window' }: OpeningsProps) {
  const { units } = usePreferences();
  const { createRecord } = useStore();
  const [openId, setOpenId] = useState<string | null>(null);
  const openings = all.filter((each) => each.on === on);
  const add = (): void => {
    const [widthM, heightM] = USUAL[use];
    const body = {
      name: null,
      use,
      on,
      widthM,
      heightM,
      totalM2: null,
      count: 1,
      alongM: null,
      buildUp: null,
    };
    setOpenId(createRecord(houseId, 'opening', body));
  };
  return (
    <View style={styles.openings}>
      {openings.map((opening) => (
        <View key={opening.id} style={styles.openings}>
          <View style={styles.line}>
            <View style={styles.words}>
              <Text look="strong">{openingName(opening)}</Text>
              <Text look="figure">{openingSize(opening, units)}</Text>
            </View>
            <Button
              kind="quiet"
              label={openId === opening.id ? 'Close' : 'Change'}
              onPress={() => setOpenId(openId === opening.id ? null : opening.id)}
            />
          </View>
          {openId === opening.id && <OpeningEditor opening={opening} />}
          <Rule />
        </View>
      ))}
      <Button
        label={`Add an opening in ${where.charAt(0).toLowerCase()}${where.slice(1)}`}
        icon="plus"
        onPress={add}
      />
    </View>
  );
});

const styles = StyleSheet.create({
  openings: { gap: space.s },
  editor: { gap: space.m },
  line: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: space.s },
  words: { flex: 1, minWidth: 0 },
});
