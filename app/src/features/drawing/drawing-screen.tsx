import { FACE_WORDS } from '@calvet/contract/plan/plan';
import type { Storey, Wall } from '@calvet/contract/plan/storey';
import { gapOf, layOutline } from '@calvet/contract/plan/lay-outline';
import { closedByLastTwo } from '@calvet/contract/plan/outline-edits';
import { inLevels } from '@calvet/contract/plan/plan-input';
import { wallName } from '@calvet/contract/plan/planned-areas';
import { planToBe } from '@calvet/contract/plan/item-key';
import { OUTLINE_OPEN_M } from '@calvet/core/limits';
import type { Face as PlanFace } from '@calvet/core/plan/plan-input';
import type { UnitSystem } from '@calvet/core/units/quantity';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { memo, useDeferredValue, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import useLatestCallback from 'use-latest-callback';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled } from '../../ui/field';
import { figureWithUnit } from '../../ui/format';
import { Text } from '../../ui/text';
import { useIsWide } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { Screen } from '../shell/screen';
import { BeginStorey } from './begin-storey';
import { CopyHouse } from './copy-house';
import { BringDrawing, SaveDrawing } from './drawing-file';
import { LostOpenings } from './lost-openings';
import { OutlinePicture } from './outline-picture';
import { RoofPanel } from './roof-panel';
import { SectionPicture } from './section-picture';
import { StoreyPanel } from './storey-panel';
import { chosenWall, useOutlineKeep } from './use-outline-keep';
import { WallPanel } from './wall-panel';
import { WallsTable } from './walls-table';

const FACES = optionsOf(FACE_WORDS);

const ON_THE_PHONE = 232;
const ON_THE_DESK = 380;

/** Where a drawing is at fault, in words: the storey, and the wall of it. */
function faultPlace({ drawing }: HouseView, storeys: readonly Storey[]): string {
  if (drawing.state !== 'refused' || drawing.at === null) return '';
  const { kind, id } = drawing.at;
  for (const storey of storeys) {
    if (kind === 'storey' && storey.id === id) return `${storey.name}: `;
    const wall = storey.outline.find((each) => each.id === id);
    if (wall !== undefined) return `${storey.name}, ${wallName(storey, wall)}: `;
  }
  return '';
}

function answerOf(view: HouseView, storeys: readonly Storey[], units: UnitSystem): string {
  const { drawing } = view;
  switch (drawing.state) {
    case 'none':
      return 'Draw the lowest storey first';
    case 'measured': {
      const { floorAreaM2, volumeM3 } = drawing.house;
      return `${figureWithUnit(floorAreaM2, 'area', units)} of floor, ${figureWithUnit(volumeM3, 'volume', units)}`;
    }
    case 'refused': {
      const open = storeys.find((storey) => gapOf(storey) !== null);
      const gap = open === undefined ? null : gapOf(open);
      if (open !== undefined && gap !== null && drawing.refusal.code === 'does-not-close') {
        return gap.lengthM > OUTLINE_OPEN_M
          ? `${open.name} is open by ${figureWithUnit(gap.lengthM, 'length', units)}`
          : `${open.name} turns ${Math.abs(gap.turnDeg).toFixed(1)}° too ${gap.turnDeg > 0 ? 'little' : 'far'}`;
      }
      return `${faultPlace(view, storeys)}${drawing.refusal.message}`;
    }
  }
}

/** What the drawing comes to, and at which side of the walls that is. */
const Figures = memo(function Figures({ view }: { readonly view: HouseView }) {
  const { units } = usePreferences();
  const { drawing, house } = view;
  const plan = view.plans[0] ?? planToBe(house.id);
  const keep = useKeep('plan', plan);
  const sizes = drawing.state === 'measured' ? drawing.house : null;
  const items: readonly (readonly [string, string])[] =
    sizes === null
      ? []
      : [
          ['volume', figureWithUnit(sizes.volumeM3, 'volume', units)],
          ['envelope', figureWithUnit(sizes.envelopeAreaM2, 'area', units)],
          ['floor', figureWithUnit(sizes.floorAreaM2, 'area', units)],
          ['height', figureWithUnit(sizes.heightM, 'length', units)],
        ];
  const face = (name: 'face' | 'drawnAt', label: string) => (
    <Labelled label={label}>
      <Choice
        label={label}
        options={FACES}
        value={plan[name]}
        onChange={(value: PlanFace) => keep({ [name]: value })}
      />
    </Labelled>
  );
  return (
    <Card title="Sizes as drawn">
      <View style={styles.sizes}>
        {items.map(([label, value]) => (
          <View key={label} style={styles.size}>
            <Text look="small" tone="soft">
              {label}, {plan.face}
            </Text>
            <Text look="figureStrong">{value}</Text>
          </View>
        ))}
      </View>
      {face('drawnAt', 'Lengths are typed at the side of the walls')}
      {face('face', 'Figures are taken at the side of the walls')}
      <Text look="small" tone="soft">
        Inside is what ISO 9972 asks for: volume by clear heights, envelope by overall inside dimensions.
      </Text>
    </Card>
  );
});

interface FrontProps {
  readonly view: HouseView;
  /** Id of the storey that is chosen; null: none. */
  readonly chosen: string | null;
  readonly onChoose: (storeyId: string) => void;
}

/** The house from the front. */
const Front = memo(function Front({ view, chosen, onChoose }: FrontProps) {
  const isWide = useIsWide();
  return (
    <SectionPicture
      storeys={inLevels(view.storeys)}
      roofs={view.roofs}
      zones={view.zones}
      chosen={chosen}
      onChoose={({ id }) => onChoose(id)}
      height={isWide ? ON_THE_DESK : ON_THE_PHONE}
    />
  );
});

/** What is done with a drawing as a whole. */
const WithAll = memo(function WithAll({ view }: { readonly view: HouseView }) {
  return (
    <>
      {view.storeys.length > 0 ? <SaveDrawing view={view} /> : <BringDrawing view={view} />}
      <CopyHouse key={view.house.id} view={view} />
    </>
  );
});

interface StoreyDrawingProps {
  readonly view: HouseView;
  readonly storey: Storey;
  readonly chosen: { readonly wall: Wall; readonly at: number };
  readonly choose: (storeyId: string | undefined, wallId?: string) => void;
}

/** What is drawn of one storey: its wall that is chosen, the storey, what closes it above. */
function StoreyDrawing({ view, storey, chosen, choose }: StoreyDrawingProps) {
  const { change } = useOutlineKeep(storey);
  const isOpen = gapOf(storey) !== null;
  const closed = isOpen ? closedByLastTwo(storey) : null;
  const laid = layOutline(storey)[chosen.at];
  const roofs = view.roofs.filter(({ storeyId }) => storeyId === storey.id);
  return (
    <>
      {isOpen && (
        <Card>
          <Text tone="ember" role="alert">
            {closed === null
              ? 'It does not close. Its last two walls cannot be set so that it does: look at the turns.'
              : 'It does not close. Its last two walls can be set so that it does.'}
          </Text>
          {closed !== null && (
            <Button
              kind="main"
              grow
              label="Close it by its last two walls"
              onPress={() => change('The outline was closed.', () => ({ outline: closed }))}
            />
          )}
        </Card>
      )}
      <LostOpenings view={view} wall={{ id: chosen.wall.id, name: wallName(storey, chosen.wall) }} />
      <WallPanel
        key={storey.id}
        view={view}
        storey={storey}
        wall={chosen.wall}
        at={chosen.at}
        onChoose={(wall) => choose(storey.id, wall.id)}
      />
      {laid !== undefined &&
        roofs.map((roof) => <RoofPanel key={roof.id} view={view} roof={roof} storey={storey} wall={laid} />)}
      <StoreyPanel key={`storey ${storey.id}`} storey={storey} onGone={() => choose(undefined)} />
    </>
  );
}

/** The drawing of a house: its storeys from above and from the front, and what each wall is. */
export function DrawingScreen({ view }: { readonly view: HouseView }) {
  const router = useRouter();
  const isWide = useIsWide();
  const { units } = usePreferences();
  const params = useLocalSearchParams<{ storey?: string; wall?: string }>();
  const [isAdding, setAdding] = useState(false);
  const storeys = inLevels(view.storeys);
  const storey = storeys.find(({ id }) => id === params.storey) ?? storeys[0] ?? null;
  const chosen = storey === null ? null : chosenWall(storey, params.wall ?? null);
  const choose = (storeyId: string | undefined, wallId?: string): void => {
    setAdding(false);
    router.setParams({ storey: storeyId, wall: wallId });
  };
  const chooseStorey = useLatestCallback((id: string) => choose(id));
  // What stands further off follows once the wall and its storey are shown as they were typed.
  const settled = useDeferredValue(view);
  const isBeginning = storey === null || isAdding;
  const lower = storey === null ? null : (storeys[storeys.indexOf(storey) - 1] ?? null);
  const picture = storey !== null && chosen !== null && !isBeginning && (
    <OutlinePicture
      storey={storey}
      lower={lower}
      zones={view.zones.filter(({ storeyId }) => storeyId === storey.id)}
      roofs={view.roofs.filter(({ storeyId }) => storeyId === storey.id)}
      chosen={chosen.wall.id}
      onChoose={(wall) => choose(storey.id, wall.id)}
      height={isWide ? ON_THE_DESK : ON_THE_PHONE}
    />
  );
  const section = storeys.length > 0 && (
    <Front view={settled} chosen={isBeginning ? null : (storey?.id ?? null)} onChoose={chooseStorey} />
  );
  const storeyTabs = storeys.length > 0 && (
    <View style={styles.tabs}>
      <View style={styles.choice}>
        <Choice
          label="Storey"
          options={[...storeys].reverse().map(({ id, name }) => ({ value: id, label: name }))}
          value={isBeginning ? null : (storey?.id ?? null)}
          onChange={(id) => choose(id)}
        />
      </View>
      {!isAdding && <Button kind="quiet" icon="plus" label="Storey" onPress={() => setAdding(true)} />}
    </View>
  );
  return (
    <Screen
      name={view.house.name}
      detail="Drawing"
      back={{ pathname: '/houses/[houseId]', params: { houseId: view.house.id } }}
      backLabel="Back to the plan"
      pinned={!isWide && picture !== false ? <View style={styles.pinned}>{picture}</View> : undefined}
    >
      <Text look="answer" level={2} tone={view.drawing.state === 'refused' ? 'ember' : undefined}>
        {answerOf(view, storeys, units)}
      </Text>
      {storeyTabs}
      {isWide && storeys.length > 0 && (
        <View style={styles.pictures}>
          {picture !== false && (
            <Card style={styles.picture} title="From above">
              {picture}
            </Card>
          )}
          <Card style={styles.picture} title="From the front">
            {section}
          </Card>
        </View>
      )}
      {isWide && !isBeginning && chosen !== null && (
        <Card title={`Walls of ${storey.name.toLowerCase()}`}>
          <WallsTable storey={storey} chosen={chosen.wall.id} />
        </Card>
      )}
      {isBeginning ? (
        <BeginStorey
          house={view.house}
          storeys={storeys}
          onBegun={(id) => choose(id)}
          onCancel={storeys.length === 0 ? undefined : () => setAdding(false)}
        />
      ) : (
        chosen !== null && <StoreyDrawing view={view} storey={storey} chosen={chosen} choose={choose} />
      )}
      {!isWide && section !== false && <Card title="From the front">{section}</Card>}
      {storeys.length > 0 && <Figures view={settled} />}
      <WithAll view={settled} />
    </Screen>
  );
}

const styles = StyleSheet.create({
  pinned: { paddingHorizontal: space.s },
  tabs: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  choice: { flexShrink: 1 },
  pictures: { flexDirection: 'row', gap: space.l, flexWrap: 'wrap' },
  picture: { flexGrow: 1, flexBasis: 320, minWidth: 0 },
  sizes: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  size: { flexGrow: 1, flexShrink: 1, flexBasis: 124, gap: 2 },
});
