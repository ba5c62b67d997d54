import { SAID_MAX } from '@calvet/contract/limits';
import type { JunctionHere } from '@calvet/contract/continuity/barrier-here';
import { itemId } from '@calvet/contract/plan/item-key';
import {
  CARRIED_WORDS,
  DONE_WORDS,
  junction as kind,
  newJunction,
  type JunctionBody,
  WAY_WORDS,
} from '@calvet/contract/walk/junction';
import { StyleSheet, View } from 'react-native';
import { useRecordToBe } from '../../data/hooks';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, Labelled, NumberField } from '../../ui/field';
import { figureWithUnit } from '../../ui/format';
import { LineMark } from '../../ui/line-mark';
import { ManyChoice } from '../../ui/many-choice';
import { SaidField } from '../../ui/said-field';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { PhotosCard } from '../record/photos-card';
import { BARRIER_WORDS, MARK_OF_BARRIER } from './barrier-mark';

const WAYS = optionsOf(WAY_WORDS);
const DONE = optionsOf(DONE_WORDS);
const CARRIED = optionsOf(CARRIED_WORDS);
const { fields } = kind;

interface JunctionSheetProps {
  readonly view: HouseView;
  readonly item: JunctionHere;
  readonly onClose: () => void;
}

/** How a junction is made: how it is joined, its sheets, whether insulation goes on across it. Each tap is kept. */
export function JunctionSheet({ view, item, onClose }: JunctionSheetProps) {
  const { units } = usePreferences();
  const { makeIfNew } = useStore();
  const id = itemId(view.house.id, item.key);
  const toBe = useRecordToBe<JunctionBody>({ id, ledgerId: view.house.id }, () =>
    newJunction(item.key, item.name),
  );
  const record = view.junctions.find((each) => each.id === id) ?? toBe;
  const keep = useKeep('junction', record);
  const width = (name: 'lapMm' | 'tapeMm' | 'fixingMm') => (
    <NumberField
      label={fields[name].label}
      quantity="gap"
      value={record[name]}
      bounds={fields[name].bounds}
      onCommit={(value, stage) => keep({ [name]: value }, stage)}
    />
  );
  return (
    <Sheet title={item.name} onClose={onClose}>
      <View style={styles.state}>
        <LineMark mark={MARK_OF_BARRIER[item.state]} />
        <Text look="section">{BARRIER_WORDS[item.state]}</Text>
        {item.lengthM !== null && <Text look="figure">{figureWithUnit(item.lengthM, 'length', units)}</Text>}
      </View>
      {item.changes !== null && (
        <Text tone="straw">
          The air barrier changes here: {item.changes[0].toLowerCase()} to {item.changes[1].toLowerCase()}.
        </Text>
      )}
      <Labelled label="How it is joined">
        <ManyChoice
          label="How it is joined"
          options={WAYS}
          values={record.ways.map(({ name }) => name)}
          onChange={(names) => keep({ ways: names.map((name) => ({ name })) })}
        />
      </Labelled>
      <Labelled label="Insulation">
        <Choice
          label="Insulation"
          options={CARRIED}
          value={record.insulation}
          onChange={(insulation) => keep({ insulation })}
        />
      </Labelled>
      <FieldGrid>
        {width('lapMm')}
        {width('tapeMm')}
        {width('fixingMm')}
        <NumberField
          label={fields.psiWMK.label}
          quantity="linearTransmittance"
          value={record.psiWMK}
          bounds={fields.psiWMK.bounds}
          onCommit={(psiWMK, stage) => keep({ psiWMK }, stage)}
        />
      </FieldGrid>
      {(['pressed', 'cornersTight'] as const).map((name) => (
        <Labelled key={name} label={fields[name].label}>
          <Choice
            label={fields[name].label}
            options={DONE}
            value={record[name]}
            onChange={(value) => keep({ [name]: value })}
          />
        </Labelled>
      ))}
      <SaidField label="Note" maxLength={SAID_MAX} value={record.note} onChange={(note) => keep({ note })} />
      <PhotosCard
        view={view}
        subject={{ kind: 'junction', id }}
        hint="How it is joined, before it is covered."
        onBeforeAdding={() => makeIfNew('junction', record)}
      />
      <Button kind="main" label="Done" onPress={onClose} />
    </Sheet>
  );
}

const styles = StyleSheet.create({
  state: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
});
