import { NAME_MAX, ZONE_WORDS, type Storey, type Wall, type Zone } from '@calvet/contract';
import { layOutline } from '@calvet/contract/plan/lay-outline';
import { wallFields } from '@calvet/contract/plan/storey';
import { besideOf, outlineBeside, type BesideWall } from '@calvet/contract/plan/zone-beside';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import type { EntryStage } from '../../data/typing';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { FieldGrid, GivenField, TextField } from '../../ui/field';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useNote } from '../../ui/undo';

/** Of a room that nobody has measured yet, in m. */
const USUAL_DEPTH_M = 3.5;

interface ZonePanelProps {
  readonly view: HouseView;
  readonly storey: Storey;
  readonly wall: Wall;
}

interface ZoneEditorProps {
  readonly zone: Zone;
  readonly beside: BesideWall;
  /** Its corners where it lies so. */
  readonly cornersOf: (beside: BesideWall) => Zone['outline'];
}

function ZoneEditor({ zone, beside, cornersOf }: ZoneEditorProps) {
  const keep = useKeep('zone', zone);
  const { deleteRecord, restoreRecord } = useStore();
  const note = useNote();
  const set = (more: Partial<BesideWall>, stage: EntryStage): void =>
    keep({ outline: cornersOf({ ...beside, ...more }) }, stage);
  const remove = (): void => {
    deleteRecord(zone.ledgerId, 'zone', zone.id);
    note({
      text: `${zone.name} was deleted.`,
      undo: () => restoreRecord(zone.ledgerId, 'zone', zone.id),
    });
  };
  return (
    <View style={styles.zone}>
      <TextField
        label="Room beyond it"
        maxLength={NAME_MAX}
        value={zone.name}
        onChange={(text) => {
          if (text.trim() !== '') keep({ name: text });
        }}
      />
      <FieldGrid>
        <GivenField
          label="Width along the wall"
          quantity="length"
          value={beside.toM - beside.fromM}
          bounds={wallFields.members.lengthM.bounds}
          onFigure={(si, stage) => set({ toM: beside.fromM + si }, stage)}
        />
        <GivenField
          label="Depth away from it"
          quantity="length"
          value={beside.depthM}
          bounds={wallFields.members.lengthM.bounds}
          onFigure={(si, stage) => set({ depthM: si }, stage)}
        />
        <GivenField
          label="Begins, from the wall's left end"
          quantity="length"
          value={beside.fromM}
          bounds={wallFields.members.groundStartM.bounds}
          onFigure={(si, stage) => set({ fromM: si, toM: si + beside.toM - beside.fromM }, stage)}
        />
      </FieldGrid>
      <Button kind="quiet" icon="trash-can-outline" label={`Delete ${zone.name}`} onPress={remove} />
    </View>
  );
}

/** The garage or the unheated room that a wall stands against: drawn, so that floors over it are known. */
export function ZonePanel({ view, storey, wall }: ZonePanelProps) {
  const { createRecord } = useStore();
  const laid = layOutline(storey).find((each) => each.wall.id === wall.id);
  const use = wall.boundary;
  if (laid === undefined || (use !== 'garage' && use !== 'unheated')) return null;
  const cornersOf = (beside: BesideWall) => outlineBeside(laid, beside);
  const [here] = view.zones
    .filter((zone) => zone.storeyId === storey.id && zone.use === use)
    .flatMap((zone) => {
      const beside = besideOf(laid, zone.outline);
      return beside === null ? [] : [{ zone, beside }];
    });
  if (here !== undefined) return <ZoneEditor zone={here.zone} beside={here.beside} cornersOf={cornersOf} />;
  const word = ZONE_WORDS[use];
  return (
    <View style={styles.zone}>
      <Text look="small" tone="soft">
        Drawn, it shows in the plan, and a floor over it is told apart.
      </Text>
      <Button
        icon="plus"
        label={`Draw the ${word.toLowerCase()} beyond it`}
        onPress={() =>
          createRecord(view.house.id, 'zone', {
            name: word,
            storeyId: storey.id,
            use,
            outline: cornersOf({ fromM: 0, toM: wall.lengthM, depthM: USUAL_DEPTH_M }),
          })
        }
      />
    </View>
  );
}

const styles = StyleSheet.create({ zone: { gap: space.m } });
