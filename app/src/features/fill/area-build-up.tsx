import { type Area, type BuildUp } from '@calvet/contract/installation/area';
import { AREA_WORDS } from '@calvet/contract/installation/area-words';
import { framesBothWays, type AreaFigures } from '@calvet/contract/installation/area-figures';
import { withoutDrawn } from '@calvet/contract/plan/undrawn';
import { planToBe } from '@calvet/contract/plan/item-key';
import { withPlannedBuildUp } from '@calvet/contract/plan/planned-build-ups';
import { dequal } from 'dequal';
import { useRouter } from 'expo-router';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import useLatestCallback from 'use-latest-callback';
import type { HouseView } from '../../data/as-drawn';
import { useMaterials } from '../../data/hooks';
import { useStore } from '../../data/store-context';
import type { EntryStage } from '../../data/typing';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, type Option } from '../../ui/choice';
import { Text } from '../../ui/text';
import { BuildUpPicker } from './build-up-picker';
import { LayerEditor } from './layer-editor';
import { MoistureCard } from './moisture-card';
import type { NextSpots } from './opened-spots';
import { SectionPicture } from './section-picture';

/** Other areas with a build-up of their own that is the same as an area's. */
function builtAlike(areas: readonly Area[], area: Area): readonly Area[] {
  const { buildUp } = withoutDrawn(area);
  if (buildUp === null) return [];
  return areas.filter((other) => other.id !== area.id && dequal(withoutDrawn(other).buildUp, buildUp));
}

// Both follow once what is typed is drawn.
const Section = memo(SectionPicture);
const Moisture = memo(MoistureCard);

/** Each of several build-ups once. */
const distinct = (buildUps: readonly BuildUp[]): readonly BuildUp[] =>
  buildUps.filter((buildUp, i) => buildUps.findIndex((other) => dequal(other, buildUp)) === i);

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
  const laterArea = useDeferredValue(area);
  const house = useDeferredValue(view.house);
  const setSpots = useLatestCallback((next: NextSpots, stage?: EntryStage) =>
    keepArea(({ openedSpots }) => ({ openedSpots: next(openedSpots) }), stage),
  );
  const router = useRouter();
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
        ofHouse={() => distinct(view.areas.map(({ buildUp }) => buildUp))}
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
        <Section house={house} area={laterArea} openId={openId} onOpen={setOpenId} />
        {view.areas.some(({ id }) => id === area.id) && (
          <Button
            label="Compare with another"
            icon="compare-horizontal"
            onPress={() =>
              router.navigate({
                pathname: '/houses/[houseId]/areas/[areaId]/compare',
                params: { houseId: view.house.id, areaId: area.id },
              })
            }
          />
        )}
      </Card>
      <Moisture house={house} area={laterArea} onSpots={setSpots} />
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
