import { NAME_MAX } from '@calvet/contract/limits';
import { ZONE_WORDS, type Zone } from '@calvet/contract/plan/zone';
import type { Storey, Wall } from '@calvet/contract/plan/storey';
import { layOutline } from '@calvet/contract/plan/lay-outline';
import { besideOf, outlineBeside, spanAlong, type BesideWall } from '@calvet/contract/plan/beside-wall';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { TextField } from '../../ui/field';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { BesideFields } from './beside-fields';
import { useDelete } from '../shell/use-delete';

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
  const deleteIt = useDelete();
  const remove = (): void => {
    deleteIt('zone', zone, `${zone.name} was deleted.`);
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
      <BesideFields
        beside={beside}
        depthLabel="Depth away from it"
        onChange={(next, stage) => keep({ outline: cornersOf(next) }, stage)}
      />
      <Button kind="quiet" icon="trash-can-outline" label={`Delete ${zone.name}`} onPress={remove} />
    </View>
  );
}

/** Rooms drawn beside a storey that stand against none of its walls any more. */
function strayZones({ zones }: HouseView, storey: Storey, use: Zone['use']): readonly Zone[] {
  const walls = layOutline(storey);
  return zones.filter(
    (zone) =>
      zone.storeyId === storey.id &&
      zone.use === use &&
      walls.every((wall) => besideOf(wall, zone.outline) === null),
  );
}

/** The garage or the unheated room that a wall stands against: drawn, so that floors over it are known. */
export function ZonePanel({ view, storey, wall }: ZonePanelProps) {
  const { createRecord, updateRecord } = useStore();
  const laid = layOutline(storey).find((each) => each.wall.id === wall.id);
  if (laid === undefined) return null;
  const cornersOf = (beside: BesideWall) => outlineBeside(laid, beside);
  const here = view.zones.flatMap((zone) => {
    const beside = zone.storeyId === storey.id ? besideOf(laid, zone.outline) : null;
    return beside === null ? [] : [{ zone, beside }];
  });
  const use = wall.boundary;
  const isMissing =
    (use === 'garage' || use === 'unheated') && here.every(({ zone }) => zone.use !== use) ? use : null;
  const beyond: BesideWall = { fromM: 0, toM: wall.lengthM, depthM: USUAL_DEPTH_M };
  return (
    <>
      {here.map(({ zone, beside }) => (
        <ZoneEditor key={zone.id} zone={zone} beside={beside} cornersOf={cornersOf} />
      ))}
      {isMissing !== null && (
        <View style={styles.zone}>
          {strayZones(view, storey, isMissing).map((zone) => (
            <View key={zone.id} style={styles.zone}>
              <Text tone="ember" role="alert">
                {zone.name} stands against no wall: the outline has changed.
              </Text>
              <Button
                label={`Set ${zone.name} against this wall`}
                onPress={() =>
                  updateRecord('zone', zone, {
                    outline: cornersOf(spanAlong(laid, zone.outline)),
                  })
                }
              />
            </View>
          ))}
          <Text look="small" tone="soft">
            Drawn, it shows in the plan, and a floor over it is told apart.
          </Text>
          <Button
            icon="plus"
            label={`Draw the ${ZONE_WORDS[isMissing].toLowerCase()} beyond it`}
            onPress={() =>
              createRecord(view.house.id, 'zone', {
                name: ZONE_WORDS[isMissing],
                storeyId: storey.id,
                use: isMissing,
                outline: cornersOf(beyond),
              })
            }
          />
        </View>
      )}
    </>
  );
}

const styles = StyleSheet.create({ zone: { gap: space.m } });
