import { type Area, type BuildUp } from '@calvet/contract/installation/area';
import { AREA_WORDS } from '@calvet/contract/installation/area-words';
import { buildUpOf, kindsSuiting, libraryFor } from '@calvet/contract/installation/build-up-library';
import { framesBothWays, type AreaFigures } from '@calvet/contract/installation/area-figures';
import { withoutDrawn } from '@calvet/contract/plan/undrawn';
import { planToBe } from '@calvet/contract/plan/item-key';
import { withPlannedBuildUp } from '@calvet/contract/plan/planned-build-ups';
import { dequal } from 'dequal';
import { useMemo, useState, type ReactNode } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useMaterials } from '../../data/hooks';
import { usePreferences } from '../../data/preferences';
import { useStore } from '../../data/store-context';
import type { EntryStage } from '../../data/typing';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, type Option } from '../../ui/choice';
import { OpenButton } from '../../ui/open-button';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { CORNER, space } from '../../ui/tokens';
import { LayerEditor } from './layer-editor';
import { MoistureCard } from './moisture-card';
import { SectionPicture } from './section-picture';

interface BuildUpPickerProps {
  readonly area: Area;
  /** Build-ups that other areas of the house have. */
  readonly inHouse: readonly BuildUp[];
  readonly onPick: (buildUp: BuildUp) => void;
  /** Said above what can be chosen. */
  readonly children?: ReactNode;
}

/** Said where the build-up was begun for another kind of area than this one has become; null where it fits. */
function misfitOf({ kind, buildUp }: Area): string | null {
  const suits = kindsSuiting(buildUp);
  if (suits === null || suits.includes(kind)) return null;
  const others = suits.map((each) => AREA_WORDS[each].toLowerCase()).join(' or ');
  return `This build-up is one of a ${others}; the area is a ${AREA_WORDS[kind].toLowerCase()} now. Choose one that fits, or keep it.`;
}

const layersInWords = (count: number): string => (count === 1 ? '1 layer' : `${count} layers`);

function BuildUpPicker({ area, inHouse, onPick, children }: BuildUpPickerProps) {
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
      {children}
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

/** Other areas with a build-up of their own that is the same as an area's. */
function builtAlike(areas: readonly Area[], area: Area): readonly Area[] {
  const { buildUp } = withoutDrawn(area);
  if (buildUp === null) return [];
  return areas.filter((other) => other.id !== area.id && dequal(withoutDrawn(other).buildUp, buildUp));
}

/** Whose build-up is changed: that of the area, or of all that are drawn of its kind. */
type Whose = 'area' | 'drawing';

interface AreaBuildUpProps {
  readonly view: HouseView;
  readonly area: Area;
  readonly figures: AreaFigures;
}

/** What an area is built of: its own, or, of one that was drawn, what is planned for all of its kind. */
export function AreaBuildUp({ view, area, figures }: AreaBuildUpProps) {
  const keepArea = useKeep('area', area);
  const plan = view.plans[0] ?? planToBe(view.house.id);
  const keepPlan = useKeep('plan', plan);
  const drawn = area.item === null ? undefined : view.drawn.get(area.item);
  const hasOwn = withoutDrawn(area).buildUp !== null;
  const own = useMaterials();
  const [openId, setOpenId] = useState<string | null>(null);
  const [wanted, setWanted] = useState<Whose>('area');
  const whose: Whose = drawn === undefined || hasOwn ? 'area' : wanted;
  const { updateRecord } = useStore();
  const alike = useMemo(() => builtAlike(view.areas, area), [view.areas, area]);
  /** Areas built like this one that are changed with it: once they were chosen, whatever becomes of this one. */
  const [together, setTogether] = useState<readonly string[]>([]);
  const set = (buildUp: BuildUp, stage?: EntryStage): void => {
    if (whose === 'area') {
      keepArea({ buildUp }, stage);
      if (stage === 'typed') return;
      for (const other of view.areas)
        if (together.includes(other.id)) updateRecord('area', withoutDrawn(other), { buildUp });
    } else keepPlan({ buildUps: withPlannedBuildUp(plan.buildUps, area.kind, buildUp) }, stage);
  };
  const kindWord = AREA_WORDS[area.kind].toLowerCase();
  const options: readonly Option<Whose>[] = [
    { value: 'area', label: 'This one' },
    { value: 'drawing', label: `Every ${kindWord} drawn` },
  ];
  return (
    <>
      <BuildUpPicker
        area={area}
        inHouse={view.areas
          .filter(({ kind, id }) => kind === area.kind && id !== area.id)
          .map(({ buildUp }) => buildUp)}
        onPick={set}
      >
        {drawn !== undefined && !hasOwn && (
          <>
            <Text look="small" tone="soft">
              As planned for every {kindWord} of the drawing. What is changed here is changed for:
            </Text>
            <Choice label="Build-up of" options={options} value={whose} onChange={setWanted} />
          </>
        )}
        {hasOwn && (alike.length > 0 || together.length > 0) && (
          <>
            <Text look="small" tone="soft">
              Other areas are built like this one. What is changed here is changed for:
            </Text>
            <Choice
              label="Changed for"
              options={[
                { value: 'here', label: 'This one' },
                { value: 'all', label: `All ${Math.max(alike.length, together.length) + 1} built like it` },
              ]}
              value={together.length > 0 ? 'all' : 'here'}
              onChange={(value) => setTogether(value === 'all' ? alike.map(({ id }) => id) : [])}
            />
          </>
        )}
        {drawn !== undefined && hasOwn && (
          <Button label="As planned" onPress={() => keepArea({ buildUp: null })} />
        )}
      </BuildUpPicker>
      <Card title="Section">
        <SectionPicture house={view.house} area={area} openId={openId} onOpen={setOpenId} />
      </Card>
      <MoistureCard house={view.house} area={area} />
      <LayerEditor
        buildUp={area.buildUp}
        own={own}
        figures={figures}
        both={framesBothWays(view.house, area)}
        openId={openId}
        onOpen={setOpenId}
        onChange={set}
      />
    </>
  );
}

const styles = StyleSheet.create({
  option: { borderWidth: 1, borderRadius: CORNER, padding: space.m, minHeight: 56, gap: 2 },
});
