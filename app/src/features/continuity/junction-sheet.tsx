import { SAID_MAX } from '@calvet/contract/limits';
import type { BarrierHere, JunctionHere } from '@calvet/contract/continuity/barrier-here';
import { sidesOf } from '@calvet/contract/continuity/joint-drawing';
import { itemId } from '@calvet/contract/plan/item-key';
import {
  CARRIED_WORDS,
  DONE_WORDS,
  junction as kind,
  newJunction,
  type JunctionBody,
  WAY_WORDS,
} from '@calvet/contract/walk/junction';
import { joiningOf, sheetDepthMm, waysFor, type Joining } from '@calvet/contract/walk/joining';
import { JUDGED_WORDS } from '@calvet/contract/walk/penetration';
import { useMemo } from 'react';
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
import { JudgedMark } from '../walk/judged-mark';
import { BARRIER_WORDS, MARK_OF_BARRIER } from './barrier-mark';
import { JointPicture } from './joint-picture';

const DONE = optionsOf(DONE_WORDS);
const CARRIED = optionsOf(CARRIED_WORDS);
const { fields } = kind;

interface JunctionSheetProps {
  readonly view: HouseView;
  readonly item: JunctionHere;
  /** Of the whole house. */
  readonly barrier: BarrierHere;
  readonly onClose: () => void;
}

/** How well it is joined, as far as that can be said from what is written of it: with every tap. */
function Joined({ joining: { held, said } }: { readonly joining: Joining }) {
  if (held === null) return null;
  return (
    <View style={styles.joined} role="status">
      <JudgedMark judged={held} word={JUDGED_WORDS[held]} />
      {said.map(({ held: heldThere, where, reason, instead }) => (
        <Text key={`${where} ${reason}`}>
          {where !== null && `${where}: `}
          {heldThere === 'fits' ? 'it holds.' : `${reason}. Instead: ${instead}.`}
        </Text>
      ))}
    </View>
  );
}

/** How a junction is made: how it is joined, its sheets, whether insulation goes on across it. Each tap is kept. */
export function JunctionSheet({ view, item, barrier, onClose }: JunctionSheetProps) {
  const { units } = usePreferences();
  const { makeIfNew } = useStore();
  const id = itemId(view.house.id, item.key);
  const toBe = useRecordToBe<JunctionBody>({ id, ledgerId: view.house.id }, () =>
    newJunction(item.key, item.name),
  );
  const record = view.junctions.find((each) => each.id === id) ?? toBe;
  const keep = useKeep('junction', record);
  const sides = useMemo(() => sidesOf(item, barrier.areas, view.areas), [item, barrier.areas, view.areas]);
  const joining = useMemo(() => joiningOf(record, sides), [record, sides]);
  const ways = useMemo(() => waysFor(sides).map((value) => ({ value, label: WAY_WORDS[value] })), [sides]);
  const depthMm = sheetDepthMm(sides);
  const width = (name: 'lapMm' | 'tapeMm' | 'fixingMm') => (
    <NumberField
      label={fields[name].label}
      quantity="gap"
      value={record[name]}
      bounds={fields[name].bounds}
      hint={
        name === 'fixingMm' && depthMm !== null
          ? `The sheet lies ${figureWithUnit(depthMm, 'gap', units)} deep.`
          : null
      }
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
      <JointPicture item={item} sides={sides} barrier={barrier} />
      <Labelled label="How it is joined">
        <ManyChoice
          label="How it is joined"
          options={ways}
          values={record.ways.map(({ name }) => name)}
          onChange={(names) => keep({ ways: names.map((name) => ({ name })) })}
        />
      </Labelled>
      <Joined joining={joining} />
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
  joined: { gap: space.xs },
  state: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
});
