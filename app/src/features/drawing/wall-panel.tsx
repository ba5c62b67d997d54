import { BOUNDARY_WORDS, type Storey, type Wall } from '@calvet/contract/plan/storey';
import { NAME_MAX } from '@calvet/contract/limits';
import {
  isCutAfter,
  placedStretches,
  withCut,
  withJoin,
  withLength,
  withoutWall,
  withWall,
  withWallAfter,
} from '@calvet/contract/plan/outline-edits';
import { wallFields } from '@calvet/contract/plan/storey';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { useStore } from '../../data/store-context';
import type { EntryStage } from '../../data/typing';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, GivenField, Labelled, NumberField, TextField } from '../../ui/field';
import { figureWithUnit } from '../../ui/format';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { BuiltOf } from './built-of';
import { OpeningsPanel } from './openings-panel';
import { TurnChoice } from './turn-choice';
import { useOutlineKeep } from './use-outline-keep';
import { ZonePanel } from './zone-panel';

const BEYOND = optionsOf(BOUNDARY_WORDS);

const YES_NO = [
  { value: 'no', label: 'No' },
  { value: 'yes', label: 'Yes' },
] as const;

interface WallPanelProps {
  readonly view: HouseView;
  readonly storey: Storey;
  readonly wall: Wall;
  readonly at: number;
  readonly onChoose: (wall: Wall) => void;
}

interface PartProps {
  readonly wall: Wall;
  /** Changes the wall as something in it is typed, or entered. */
  readonly set: (more: Partial<Wall>, stage?: EntryStage) => void;
}

/** Ground outside, concrete, what runs through the floor above. */
function GroundAndConcrete({ wall, set }: PartProps) {
  // One end without the other says nothing: the other is level with it until it is given.
  const setGround = (startM: number | null, endM: number | null, stage: EntryStage): void =>
    set(
      startM === null && endM === null
        ? { groundStartM: null, groundEndM: null }
        : { groundStartM: startM ?? endM, groundEndM: endM ?? startM },
      stage,
    );
  return (
    <>
      <FieldGrid>
        <NumberField
          label="Concrete, height"
          quantity="length"
          value={wall.concreteM}
          bounds={wallFields.members.concreteM.bounds}
          onCommit={(si, stage) => set({ concreteM: si }, stage)}
        />
        <NumberField
          label="Ground at its left end"
          quantity="length"
          value={wall.groundStartM}
          bounds={wallFields.members.groundStartM.bounds}
          onCommit={(si, stage) => setGround(si, wall.groundEndM, stage)}
        />
        <NumberField
          label="Ground at its right end"
          quantity="length"
          value={wall.groundEndM}
          bounds={wallFields.members.groundStartM.bounds}
          onCommit={(si, stage) => setGround(wall.groundStartM, si, stage)}
        />
      </FieldGrid>
      <Text look="small" tone="soft">
        Left and right as seen from indoors; the ground is measured up from the finished floor. Empty: below
        it.
      </Text>
      <Labelled label="Runs through the floor above">
        <Choice
          label="Runs through the floor above"
          options={YES_NO}
          value={wall.throughFloor ? 'yes' : 'no'}
          onChange={(answer) => set({ throughFloor: answer === 'yes' })}
        />
      </Labelled>
    </>
  );
}

/** Which rooms lie along a wall, from its left end. */
function Rooms({ wall, set }: PartProps) {
  const { stretches } = wall;
  const change = (id: string, more: Partial<Wall['stretches'][number]>, stage?: EntryStage): void =>
    set({ stretches: stretches.map((each) => (each.id === id ? { ...each, ...more } : each)) }, stage);
  const placed = placedStretches(wall);
  const { units } = usePreferences();
  return (
    <>
      {stretches.map(({ id, room, lengthM }, i) => (
        <View key={id} style={styles.room}>
          <View style={styles.roomName}>
            <TextField
              label={`Room ${i + 1}`}
              maxLength={NAME_MAX}
              value={room}
              onChange={(text) => {
                if (text.trim() !== '') change(id, { room: text });
              }}
            />
          </View>
          <View style={styles.roomLength}>
            <NumberField
              label="Along"
              quantity="length"
              value={lengthM}
              bounds={wallFields.members.lengthM.bounds}
              hint={
                lengthM === null
                  ? `the rest, ${figureWithUnit((placed[i]?.toM ?? 0) - (placed[i]?.fromM ?? 0), 'length', units)}`
                  : null
              }
              onCommit={(si, stage) => change(id, { lengthM: si }, stage)}
            />
          </View>
          <Button
            kind="quiet"
            iconOnly
            icon="close"
            label={`Take ${room} away`}
            onPress={() => set({ stretches: stretches.filter((each) => each.id !== id) })}
          />
        </View>
      ))}
      <Button
        label="Add a room along it"
        onPress={() =>
          set({
            stretches: [...stretches, { id: v7(), room: `Room ${stretches.length + 1}`, lengthM: null }],
          })
        }
      />
    </>
  );
}

/** What is said of openings whose wall goes. */
function waiting(openings: number): string {
  if (openings === 0) return '';
  return openings === 1
    ? '; its opening waits to be put elsewhere'
    : `; its ${openings} openings wait to be put elsewhere`;
}

/** Cuts a wall where something along it changes, joins it again, puts one more in or takes it out. */
function Restructure({ view, storey, wall, at, onChoose }: WallPanelProps) {
  const { change } = useOutlineKeep(storey);
  const { updateRecord } = useStore();
  const { units } = usePreferences();
  const [cutM, setCutM] = useState<number | null>(null);
  const cutAtM = cutM !== null && cutM < wall.lengthM ? cutM : wall.lengthM / 2;
  const openings = view.openings.filter(({ on }) => on === wall.id);
  const cut = (): void => {
    const next = withCut(storey.outline, at, cutAtM);
    if (next === null) return;
    change(`${wallWords(wall, at)} was cut.`, () => ({ outline: next.outline }));
    const [first, second] = next.parts;
    for (const opening of openings) {
      const alongM = opening.alongM ?? 0;
      const on = alongM < next.atM ? first : second;
      updateRecord('opening', opening, {
        on,
        alongM: opening.alongM === null || alongM < next.atM ? opening.alongM : alongM - next.atM,
      });
    }
  };
  const join = (): void => {
    const next = withJoin(storey.outline, at);
    if (next === null) return;
    change(`${wallWords(wall, at)} was joined with the next.`, () => ({ outline: next.outline }));
    for (const opening of view.openings.filter(({ on }) => on === next.gone || on === next.kept)) {
      const shiftM = opening.on === next.gone ? next.goneShiftM : next.keptShiftM;
      updateRecord('opening', opening, {
        on: next.kept,
        alongM: opening.alongM === null ? null : opening.alongM + shiftM,
      });
    }
  };
  return (
    <>
      <View style={styles.cut}>
        <View style={styles.cutAt}>
          <NumberField
            label="Cut it, from its left end"
            quantity="length"
            value={cutM}
            bounds={{ ...wallFields.members.lengthM.bounds, max: wall.lengthM }}
            hint={cutM === null ? `empty: in the middle, ${figureWithUnit(cutAtM, 'length', units)}` : null}
            onCommit={(si) => setCutM(si)}
          />
        </View>
        <Button label="Cut in two" onPress={cut} />
      </View>
      <View style={styles.buttons}>
        {isCutAfter(storey.outline, at) && <Button label="Join with the next" onPress={join} />}
        <Button
          label="A wall more after it"
          icon="plus"
          onPress={() => {
            const outline = withWallAfter(storey.outline, at, 1);
            change('A wall was put in.', () => ({ outline }));
            const added = outline[at + 1];
            if (added !== undefined) onChoose(added);
          }}
        />
        <Button
          label="Take it out"
          icon="trash-can-outline"
          disabled={storey.outline.length <= 3}
          onPress={() => {
            const next = storey.outline[at === 0 ? 1 : at - 1];
            change(`${wallWords(wall, at)} was taken out${waiting(openings.length)}.`, ({ outline }) => ({
              outline: withoutWall(outline, at),
            }));
            if (next !== undefined) onChoose(next);
          }}
        />
      </View>
    </>
  );
}

const wallWords = ({ name }: Wall, at: number): string =>
  name === null ? `Wall ${at + 1}` : name.charAt(0).toUpperCase() + name.slice(1);

/** One wall of a storey: how long it is, which way the next one goes, and what it is like. */
export function WallPanel(props: WallPanelProps) {
  const { view, storey, wall, at, onChoose } = props;
  const { type } = useOutlineKeep(storey);
  const [isOpen, setOpen] = useState(false);
  const count = storey.outline.length;
  const step = (by: number): void => {
    const next = storey.outline[(at + by + count) % count];
    if (next !== undefined) onChoose(next);
  };
  const set = (more: Partial<Wall>, stage?: EntryStage): void =>
    type(({ outline }) => ({ outline: withWall(outline, wall.id, more) }), stage);
  return (
    <Card
      title={`${wallWords(wall, at)} · ${at + 1} of ${count}`}
      right={
        <View style={styles.steps}>
          <Button
            kind="quiet"
            iconOnly
            icon="chevron-left"
            label="The wall before"
            onPress={() => step(-1)}
          />
          <Button kind="quiet" iconOnly icon="chevron-right" label="The next wall" onPress={() => step(1)} />
        </View>
      }
    >
      <FieldGrid>
        <GivenField
          key={`length ${wall.id}`}
          label="Length"
          quantity="length"
          value={wall.lengthM}
          bounds={wallFields.members.lengthM.bounds}
          onFigure={(si, stage) => type((drawn) => ({ outline: withLength(drawn, at, si) }), stage)}
        />
        <GivenField
          key={`thickness ${wall.id}`}
          label="Thickness"
          quantity="thickness"
          value={wall.thicknessM}
          bounds={wallFields.members.thicknessM.bounds}
          onFigure={(si, stage) => set({ thicknessM: si }, stage)}
        />
      </FieldGrid>
      <TurnChoice
        key={`turn ${wall.id}`}
        degrees={wall.turnDeg}
        onChange={(turnDeg, stage) => set({ turnDeg }, stage)}
      />
      <Labelled label="Beyond it">
        <Choice
          label="Beyond it"
          options={BEYOND}
          value={wall.boundary}
          onChange={(boundary) => set({ boundary })}
        />
      </Labelled>
      <ZonePanel key={`zone ${wall.id}`} view={view} storey={storey} wall={wall} />
      <OpeningsPanel view={view} on={wall.id} where={wallWords(wall, at)} />
      <BuiltOf view={view} part={wall.id} />
      <OpenButton isOpen={isOpen} label="Ground, concrete, rooms, cut" onToggle={setOpen} />
      {isOpen && (
        <>
          <TextField
            label="Name"
            maxLength={NAME_MAX}
            value={wall.name ?? ''}
            placeholder={`wall ${at + 1}`}
            onChange={(text) => set({ name: text.trim() === '' ? null : text })}
          />
          <GroundAndConcrete wall={wall} set={set} />
          <Rooms wall={wall} set={set} />
          <Restructure {...props} />
        </>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  steps: { flexDirection: 'row' },
  buttons: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  room: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: space.s },
  roomName: { flexGrow: 2, flexShrink: 1, flexBasis: 140, minWidth: 0 },
  roomLength: { flexGrow: 1, flexShrink: 1, flexBasis: 110, minWidth: 0 },
  cut: { flexDirection: 'row', alignItems: 'flex-end', gap: space.s, flexWrap: 'wrap' },
  cutAt: { flexGrow: 1, flexShrink: 1, flexBasis: 140, minWidth: 0 },
});
