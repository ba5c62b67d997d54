import {
  area as areaKind,
  AREA_WORDS,
  areaFigures,
  buildUpOf,
  gradedLayerOf,
  isJudged,
  kindsSuiting,
  libraryFor,
  NAME_MAX,
  ownFields,
  type Area,
  type AreaBody,
  type BuildUp,
  withoutDrawn,
} from '@calvet/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled, NumberField, TextField } from '../../ui/field';
import { figureWithUnit, resistance } from '../../ui/format';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { CORNER, space } from '../../ui/tokens';
import { useNote } from '../../ui/undo';
import { PhotosCard } from '../record/photos-card';
import { DeleteAtEnd, Screen } from '../shell/screen';
import { GradeChoice } from './grade-choice';
import { LayerEditor } from './layer-editor';
import { TieToDrawing } from './tie-to-drawing';
import { GRADE_WORDS, judgementWords } from './words';
import { WorthBars } from './worth-bars';

const KINDS = optionsOf(AREA_WORDS);

interface BuildUpPickerProps {
  readonly area: Area;
  /** Build-ups that other areas of the house have. */
  readonly inHouse: readonly BuildUp[];
  readonly onPick: (buildUp: BuildUp) => void;
}

/** Said where the build-up was begun for another kind of area than this one has become; null where it fits. */
function misfitOf({ kind, buildUp }: Area): string | null {
  const suits = kindsSuiting(buildUp);
  if (suits === null || suits.includes(kind)) return null;
  const others = suits.map((each) => AREA_WORDS[each].toLowerCase()).join(' or ');
  return `This build-up is one of a ${others}; the area is a ${AREA_WORDS[kind].toLowerCase()} now. Choose one that fits, or keep it.`;
}

function explanationOf({ grade, voidFraction }: Area): string {
  if (voidFraction !== null)
    return 'So much void has no grade. It costs what it costs: have it corrected before it is covered.';
  if (grade !== null) return `Grade ${grade}: ${GRADE_WORDS[grade]}.`;
  return 'Tap what you found. Over 5 % void there is no grade: have it corrected before it is covered.';
}

const layersInWords = (count: number): string => (count === 1 ? '1 layer' : `${count} layers`);

function BuildUpPicker({ area, inHouse, onPick }: BuildUpPickerProps) {
  const palette = usePalette();
  const { units } = usePreferences();
  const [isWanted, setWanted] = useState<boolean | null>(null);
  const [keptFor, setKeptFor] = useState<Area['kind'] | null>(null);
  const misfit = keptFor === area.kind ? null : misfitOf(area);
  const isOpen = isWanted ?? misfit !== null;
  const setOpen = (next: boolean): void => setWanted(next);
  const library = libraryFor(area.kind).map((entry) => buildUpOf(entry, units));
  const others = inHouse.filter(
    ({ name }) => name !== area.buildUp.name && !library.some((each) => each.name === name),
  );
  const item = (buildUp: BuildUp, note: string) => (
    <Pressable
      key={`${note} ${buildUp.name}`}
      role="button"
      aria-label={`Use ${buildUp.name}`}
      onPress={() => {
        onPick(buildUp);
        setWanted(null);
      }}
      style={({ hovered }: { pressed: boolean; hovered?: boolean }) => [
        styles.option,
        { borderColor: palette.line },
        hovered === true && { backgroundColor: palette.lakeTint },
      ]}
    >
      <Text look="strong">{buildUp.name}</Text>
      <Text look="small" tone="soft">
        {note}
      </Text>
    </Pressable>
  );
  return (
    <Card title="Build-up" right={<OpenButton isOpen={isOpen} label="Choose" onToggle={setOpen} />}>
      <Text>{area.buildUp.name === '' ? 'Unnamed' : area.buildUp.name}</Text>
      {misfit !== null && (
        <>
          <Text tone="straw" role="status">
            {misfit}
          </Text>
          <Button
            label="Keep it"
            onPress={() => {
              setKeptFor(area.kind);
              setWanted(null);
            }}
          />
        </>
      )}
      {isOpen && others.map((buildUp) => item(buildUp, 'used in this house'))}
      {isOpen &&
        library.map((buildUp) => item(buildUp, `${layersInWords(buildUp.layers.length)}, to start from`))}
    </Card>
  );
}

interface AreaScreenProps {
  readonly view: HouseView;
  readonly area: Area;
  /** It stands on the screen alone until something is entered. */
  readonly isNew?: boolean;
}

/** One area of the envelope: what it is worth, the grade of its work, its build-up. */
export function AreaScreen({ view, area, isNew = false }: AreaScreenProps) {
  const { house, areas } = view;
  const router = useRouter();
  const note = useNote();
  const { units } = usePreferences();
  /** What was typed and cannot be a name. */
  const [noName, setNoName] = useState<string | null>(null);
  const figures = areaFigures(house, area);
  const isGradable = gradedLayerOf(area.buildUp) !== null;
  /** Its work can be judged and is not yet. */
  const isOpen = isGradable && !isJudged(area);
  const { deleteRecord, restoreRecord, updateRecord, makeIfNew } = useStore();
  const keep = useKeep('area', area);
  const drawn = area.item === null ? undefined : view.drawn.get(area.item);
  const kept = withoutDrawn(area);
  /** The way back to what the drawing says, where something else was entered. */
  const backToDrawing = (name: 'name' | 'kind' | 'areaM2') =>
    drawn !== undefined && kept[name] !== null ? (
      <Button label="As drawn" onPress={() => keep({ [name]: null })} />
    ) : undefined;
  const sizeHint =
    drawn === undefined || drawn.areaM2 === null
      ? null
      : kept.areaM2 === null
        ? 'As drawn, without its openings'
        : `Drawn: ${figureWithUnit(drawn.areaM2, 'area', units)}`;
  const forget = (): void => {
    const nothing = { name: null, kind: null, areaM2: null, buildUp: null, grade: null, voidFraction: null };
    const before = ownFields(kept) as Partial<AreaBody>;
    keep(nothing);
    note({
      text: `${area.name} is as it was drawn.`,
      undo: () => updateRecord('area', { ...kept, ...nothing }, before),
    });
  };
  const remove = (): void => {
    deleteRecord(house.id, 'area', area.id);
    note({ text: `${area.name} was deleted.`, undo: () => restoreRecord(house.id, 'area', area.id) });
    router.replace({ pathname: '/houses/[houseId]', params: { houseId: house.id } });
  };
  return (
    <Screen
      name={area.name}
      detail={`${house.name} · ${AREA_WORDS[area.kind]}`}
      back={{ pathname: '/houses/[houseId]', params: { houseId: house.id } }}
      backLabel="Back to the plan"
    >
      {figures.state === 'figures' ? (
        <>
          <Text look="answer" level={2}>
            {isOpen
              ? `Worth ${resistance(figures.framed.effectiveRsi, units)} once its work is Grade I`
              : `Worth ${resistance(figures.built.effectiveRsi, units)} as built`}
          </Text>
          <Card>
            <WorthBars figures={figures} isGraded={!isOpen} showU />
            {figures.gradeCostWK !== null && figures.gradeCostWK > 0 && (
              <Text>
                {judgementWords(area)} costs {figureWithUnit(figures.gradeCostWK, 'heatLoss', units)}
                {figures.equivalentEmptyAreaM2 !== null &&
                  `, as much as ${figureWithUnit(figures.equivalentEmptyAreaM2, 'area', units)} of it left empty`}
                .
              </Text>
            )}
            {figures.findings.map(({ rule, message, layer }, i) => (
              <Text key={`${rule} ${i}`} tone="straw">
                {layer !== undefined && `${area.buildUp.layers[layer]?.name || `Layer ${layer + 1}`}: `}
                {message}
              </Text>
            ))}
          </Card>
        </>
      ) : (
        <Text look="answer" tone="ember" level={2}>
          {figures.refusal.message}
        </Text>
      )}
      {isGradable && (
        <Card title="Grade of the work">
          <GradeChoice areaName={area.name} judged={area} onChange={keep} />
          <Text look="small" tone="soft">
            {explanationOf(area)}
          </Text>
        </Card>
      )}
      <PhotosCard
        view={view}
        subject={{ kind: 'area', id: area.id }}
        onBeforeAdding={() => makeIfNew('area', area)}
        hint="Show the work before it is covered: the cavity as it was filled, a void with a tape beside it."
      />
      <Card title="Area">
        <TextField
          label="Name"
          maxLength={NAME_MAX}
          value={noName ?? area.name}
          message={noName === null ? null : 'Give the area a name.'}
          onChange={(text) => {
            const isName = text.trim() !== '';
            setNoName(isName ? null : text);
            if (isName) keep({ name: text });
          }}
        />
        {backToDrawing('name')}
        <Labelled label="Kind">
          <Choice
            label="Kind of area"
            options={KINDS}
            value={area.kind}
            onChange={(kind) => keep({ kind })}
          />
          {backToDrawing('kind')}
        </Labelled>
        <NumberField
          label="Size"
          quantity="area"
          value={area.areaM2}
          bounds={areaKind.fields.areaM2.bounds}
          message={area.areaM2 === null && !isNew ? 'Without its size it is in no sum of the house.' : null}
          hint={sizeHint}
          below={backToDrawing('areaM2')}
          onCommit={(si, stage) => keep({ areaM2: si }, stage)}
        />
      </Card>
      <BuildUpPicker
        area={area}
        inHouse={areas
          .filter(({ kind, id }) => kind === area.kind && id !== area.id)
          .map(({ buildUp }) => buildUp)}
        onPick={(buildUp) => keep({ buildUp })}
      />
      <LayerEditor buildUp={area.buildUp} onChange={(buildUp, stage) => keep({ buildUp }, stage)} />
      {drawn === undefined && !isNew && <TieToDrawing view={view} area={area} />}
      {!isNew && drawn === undefined && <DeleteAtEnd label="Delete area" onPress={remove} />}
      {drawn?.isKept === true && <DeleteAtEnd label="Forget what was entered here" onPress={forget} />}
    </Screen>
  );
}

const styles = StyleSheet.create({
  option: { borderWidth: 1, borderRadius: CORNER, padding: space.m, minHeight: 56, gap: 2 },
});
