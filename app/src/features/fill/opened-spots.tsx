import type { AreaInHand } from '@calvet/contract/installation/area';
import type { BuildUpMoisture, HeldAt } from '@calvet/contract/installation/moisture-of-build-up';
import {
  DAMP_WOOD_SHARE,
  monthOf,
  openedSpots,
  type OpenedSpot,
} from '@calvet/contract/installation/opened-spot';
import { OPENED_SPOTS_MAX, SAID_MAX } from '@calvet/contract/limits';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import { usePreferences } from '../../data/preferences';
import type { EntryStage } from '../../data/typing';
import { Button } from '../../ui/button';
import { DayField } from '../../ui/day-field';
import { NumberField, TextField } from '../../ui/field';
import { entryWithUnit, figureWithUnit, today } from '../../ui/format';
import { MONTHS } from '../../ui/months';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';

const { moistureShare } = openedSpots.item.members;

/** What is worked out to be held over all places at the end of a month, kg/m², dry and damp. */
function heldIn(moisture: BuildUpMoisture | null, month: number): readonly [number, number] | null {
  if (moisture?.state !== 'figures') return null;
  const { held } = moisture;
  const sum = (of: (place: HeldAt) => readonly number[]): number =>
    held.reduce((total, place) => total + (of(place)[month] ?? 0), 0);
  return [sum(({ dryKgM2 }) => dryKgM2), sum(({ dampKgM2 }) => dampKgM2)];
}

/** What becomes of spots. */
export type NextSpots = (spots: readonly OpenedSpot[]) => readonly OpenedSpot[];

interface SpotProps {
  readonly spot: OpenedSpot;
  readonly name: string;
  readonly moisture: BuildUpMoisture | null;
  readonly onChange: (change: Partial<OpenedSpot>, stage?: EntryStage) => void;
  readonly onRemove: () => void;
}

function Spot({ spot, name, moisture, onChange, onRemove }: SpotProps) {
  const { units } = usePreferences();
  const month = monthOf(spot);
  const held = heldIn(moisture, month);
  const share = spot.moistureShare;
  const isDamp = share !== null && share > DAMP_WOOD_SHARE;
  return (
    <View style={styles.spot} role="group" aria-label={name}>
      <DayField label="Opened on" value={spot.day} onChange={(day) => onChange({ day })} />
      <NumberField
        label="Moisture, by mass of the dry wood"
        quantity="share"
        value={share}
        bounds={moistureShare.bounds}
        onCommit={(read, stage) => onChange({ moistureShare: read }, stage)}
      />
      <TextField
        label="Where"
        maxLength={SAID_MAX}
        value={spot.place ?? ''}
        onChange={(place) => onChange({ place: place === '' ? null : place })}
      />
      <Text tone={isDamp ? 'ember' : undefined} role="status">
        {share === null
          ? `Not read yet in ${MONTHS[month] ?? ''}.`
          : `Found ${entryWithUnit(share, 'share', units)} in ${MONTHS[month] ?? ''}.`}
        {held === null
          ? ''
          : ` Worked out to hold ${figureWithUnit(held[0], 'massPerArea', units)} dry, ${figureWithUnit(held[1], 'massPerArea', units)} damp at its end.`}
        {isDamp ? ' Wood that stays so damp rots: find where the water comes from.' : ''}
      </Text>
      {spot.day > today() && (
        <Text tone="straw" role="status">
          That day is still to come: on which day was it opened?
        </Text>
      )}
      <Button
        kind="quiet"
        icon="trash-can-outline"
        label={`Take out ${name.toLowerCase()}`}
        onPress={onRemove}
      />
    </View>
  );
}

interface OpenedSpotsProps {
  readonly area: AreaInHand;
  readonly moisture: BuildUpMoisture | null;
  /** Called with what becomes of the spots, as they are by then. */
  readonly onChange: (next: NextSpots, stage?: EntryStage) => void;
}

/** Spots that were opened to look inside, each beside what its month is worked out to hold. */
export function OpenedSpots({ area, moisture, onChange }: OpenedSpotsProps) {
  const { openedSpots: spots } = area;
  return (
    <>
      {spots.map((spot, i) => (
        <Spot
          key={spot.id}
          spot={spot}
          name={`Opened spot ${i + 1}`}
          moisture={moisture}
          onChange={(change, stage) =>
            onChange((now) => now.map((each) => (each.id === spot.id ? { ...each, ...change } : each)), stage)
          }
          onRemove={() => onChange((now) => now.filter(({ id }) => id !== spot.id))}
        />
      ))}
      <Button
        label="A spot was opened"
        icon="plus"
        disabled={spots.length >= OPENED_SPOTS_MAX}
        onPress={() =>
          onChange((now) => [...now, { id: v7(), day: today(), moistureShare: null, place: null }])
        }
      />
    </>
  );
}

const styles = StyleSheet.create({ spot: { gap: space.s, paddingLeft: space.s } });
