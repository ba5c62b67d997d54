import { workName } from '@calvet/contract/plan/work';
import type { Plan } from '@calvet/contract/plan/plan';
import { SERVICE_WORDS } from '@calvet/core/penetrations/service-words';
import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import { inLevels } from '@calvet/contract/plan/plan-input';
import { isToCome } from '@calvet/contract/calendar/hold';
import { itemKey, planToBe } from '@calvet/contract/plan/item-key';
import { OUTSIDE_WORDS, TURNING_WORDS } from '@calvet/contract/plan/walking';
import type { CheckpointHere, StopHere, Walk } from '@calvet/contract/walk/generate-walk';
import { isLeft } from '@calvet/contract/walk/looks';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
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
import { useNote } from '../../ui/undo';
import { partNamed } from '../built/parts-of-house';
import { weekday } from '../calendar/work-words';
import { Screen } from '../shell/screen';
import { Failed } from '../shell/states';
import { AddCheckpoint } from './add-checkpoint';
import { ChangedSince } from './changed-since';
import { CheckpointSheet } from './checkpoint-sheet';
import { OrphansCard } from './orphans-card';
import { StopLine } from './stop-line';
import { StopPicture } from './stop-picture';
import { useCatalogue } from './use-catalogue';
import { markOfAll } from './look-mark';
import { useLooks } from './use-looks';
import { useVerdicts } from './use-verdicts';
import { useWalkChange } from './walk-change';
import { WithWalk } from './with-walk';
import { counted } from './words';

const TURNINGS = optionsOf(TURNING_WORDS);
const OUTSIDES = optionsOf(OUTSIDE_WORDS);

const ON_THE_PHONE = 220;
const ON_THE_DESK = 420;

/** The item that a checkpoint of somebody's own is put at, where a stop is opened. */
const itemAt = ({ kind, wall, storeyId }: StopHere): string => {
  if (kind === 'stretch' && wall !== null) return itemKey.wall(wall);
  return kind === 'middle' && storeyId !== null ? itemKey.storey(storeyId) : 'house';
};

function Settings({ plan }: { readonly plan: Plan }) {
  const keep = useKeep('plan', plan);
  const { walking } = plan;
  return (
    <Card title="How you walk">
      <Labelled label="Round the walls, turning">
        <Choice
          label="Turning"
          options={TURNINGS}
          value={walking.turning}
          onChange={(turning) => keep({ walking: { ...walking, turning } })}
        />
      </Labelled>
      <Labelled label="Round the house">
        <Choice
          label="Outside"
          options={OUTSIDES}
          value={walking.outside}
          onChange={(outside) => keep({ walking: { ...walking, outside } })}
        />
      </Labelled>
    </Card>
  );
}

function Holes({ view, walk: { holes } }: { readonly view: HouseView; readonly walk: Walk }) {
  const { units } = usePreferences();
  if (holes.length === 0) return null;
  return (
    <Card title="Holes to come">
      {holes.map(({ key, what, name, count, widthM, at }) => (
        <View key={key}>
          <Text look="strong">{count > 1 ? `${count} × ${name}` : name}</Text>
          <Text look="small" tone="soft">
            {[
              ...(name === SERVICE_WORDS[what] ? [] : [SERVICE_WORDS[what]]),
              ...(widthM === null ? [] : [figureWithUnit(widthM, 'thickness', units)]),
              partNamed(view, at.wall ?? at.roof ?? at.storeyId ?? view.house.id)?.name ?? '',
            ].join(' · ')}
          </Text>
        </View>
      ))}
    </Card>
  );
}

function LeftOut({ plan, titleOf }: { readonly plan: Plan; readonly titleOf: (id: string) => string }) {
  const keep = useKeep('plan', plan);
  if (plan.checkpointsOff.length === 0) return null;
  return (
    <Card title="Left out">
      {plan.checkpointsOff.map(({ name }) => {
        const [id = '', key] = name.split('@');
        return (
          <View key={name} style={styles.leftOut}>
            <Text style={styles.grow}>
              {titleOf(id)}, {key === undefined ? 'in all of this house' : 'at one place'}
            </Text>
            <Button
              kind="quiet"
              label={`Ask for it again: ${titleOf(id)}`}
              onPress={() =>
                keep(({ checkpointsOff }) => ({
                  checkpointsOff: checkpointsOff.filter((each) => each.name !== name),
                }))
              }
            />
          </View>
        );
      })}
    </Card>
  );
}

function WalkedHouse({
  view,
  walk,
  calendar,
  plan,
}: {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly calendar: CalendarHere | null;
  readonly plan: Plan;
}) {
  const keep = useKeep('plan', plan);
  const note = useNote();
  const router = useRouter();
  const isWide = useIsWide();
  const { checkpointOf, error, retry } = useCatalogue();
  const { standing, give } = useVerdicts(view, walk);
  const looks = useLooks(view, walk, calendar, standing);
  const { change, takeNote } = useWalkChange(view.house.id, walk, plan);
  const [open, setOpen] = useState<string | null>(null);
  const [shown, setShown] = useState<CheckpointHere | null>(null);
  const [adding, setAdding] = useState<StopHere | null>(null);
  const junctions = useMemo(() => new Map(walk.junctions.map((item) => [item.key, item])), [walk]);
  const { stops } = walk;
  const count = stops.reduce((sum, { checkpoints }) => sum + checkpoints.length, 0);
  const chosen = stops.find(({ key }) => key === open) ?? stops.find(({ kind }) => kind === 'stretch');
  const storey = view.storeys.find(({ id }) => id === chosen?.storeyId) ?? inLevels(view.storeys)[0];
  const holds = calendar?.state === 'dated' ? calendar.holds : [];
  const next = holds.find(isToCome);
  const nextWork = view.works.find(({ id }) => id === next?.work);
  const ownOf = (id: string) => plan.checkpointsAdded.find((each) => each.id === id);
  const titleOf = (id: string): string => checkpointOf(id)?.title ?? ownOf(id)?.title ?? '…';
  const leaveOut = (here: CheckpointHere, where: 'here' | 'everywhere'): void => {
    setShown(null);
    const { checkpointsAdded, checkpointsOff } = plan;
    const name = where === 'here' ? here.key : here.checkpoint;
    if (ownOf(here.checkpoint) === undefined)
      keep(({ checkpointsOff: off }) => ({
        checkpointsOff: [...off.filter((each) => each.name !== name), { name }],
      }));
    else
      keep(({ checkpointsAdded: added }) => ({
        checkpointsAdded: added.filter(({ id }) => id !== here.checkpoint),
      }));
    note({
      text: `${titleOf(here.checkpoint)} was left out.`,
      undo: () => keep({ checkpointsAdded, checkpointsOff }),
    });
  };
  if (error !== undefined) return <Failed error={error} onRetry={retry} />;
  const list = (
    <View style={isWide && styles.grow}>
      {stops.map((stop, i) => (
        <StopLine
          key={stop.key}
          stop={stop}
          number={i + 1}
          isOpen={stop.key === open}
          junctions={junctions}
          checkpointOf={checkpointOf}
          ownOf={ownOf}
          looks={looks}
          onToggle={() => setOpen(stop.key === open ? null : stop.key)}
          onCheckpoint={setShown}
          onAdd={() => setAdding(stop)}
        />
      ))}
    </View>
  );
  const picture = storey !== undefined && (
    <Card title={storey.name} style={isWide && styles.picture}>
      <StopPicture
        storey={storey}
        stops={stops}
        chosen={chosen?.key ?? null}
        markOf={({ checkpoints }) => markOfAll(checkpoints.map(({ key }) => looks.get(key)?.state ?? 'left'))}
        onChoose={setOpen}
        height={isWide ? ON_THE_DESK : ON_THE_PHONE}
      />
    </Card>
  );
  return (
    <>
      <Text look="answer" level={2}>
        {counted(stops.length, 'stop')}, {counted(count, 'checkpoint')}
      </Text>
      {next?.seeBy != null && (
        <Text>
          First hold {weekday(next.seeBy)}: {counted(next.checkpoints.length, 'checkpoint')} before “
          {nextWork === undefined ? 'a work' : workName(nextWork)}”
        </Text>
      )}
      {plan.schools.airBarrier === null && (
        <View style={styles.told}>
          <Text tone="straw" role="status">
            Nobody has said yet how this house is built: only what every house needs is listed.
          </Text>
          <Button
            label="Say how it is built"
            onPress={() =>
              router.navigate({ pathname: '/houses/[houseId]/built', params: { houseId: view.house.id } })
            }
          />
        </View>
      )}
      {walk.contradictions.map(({ id, text }) => (
        <Text key={`${id} ${text}`} tone="straw" role="status">
          {text}
        </Text>
      ))}
      {change !== null && <ChangedSince change={change} titleOf={titleOf} onNoted={takeNote} />}
      {isWide ? (
        <View style={styles.beside}>
          {picture}
          {list}
        </View>
      ) : (
        <>
          {picture}
          {list}
        </>
      )}
      <Holes view={view} walk={walk} />
      <OrphansCard view={view} walk={walk} standing={standing} titleOf={titleOf} />
      <LeftOut plan={plan} titleOf={titleOf} />
      <Settings plan={plan} />
      {shown !== null && (
        <CheckpointSheet
          here={shown}
          checkpoint={checkpointOf(shown.checkpoint)}
          own={ownOf(shown.checkpoint)}
          look={looks.get(shown.key)}
          onGive={(value, looked) => give(shown, value, { looked, isAnew: isLeft(looks.get(shown.key)) })}
          onLeaveOut={(where) => leaveOut(shown, where)}
          onClose={() => setShown(null)}
        />
      )}
      {adding !== null && (
        <AddCheckpoint
          plan={plan}
          item={itemAt(adding)}
          itemName={itemAt(adding) === 'house' ? 'the whole house' : adding.name}
          onClose={() => setAdding(null)}
        />
      )}
    </>
  );
}

/** All that has to be looked at in a house, stop by stop in the order in which it is walked. */
export function StopsScreen({ view }: { readonly view: HouseView }) {
  const { house } = view;
  const plan = view.plans[0] ?? planToBe(house.id);
  return (
    <Screen
      name={house.name}
      detail="What to look at"
      back={{ pathname: '/houses/[houseId]', params: { houseId: house.id } }}
      backLabel="Back to the house"
    >
      <WithWalk
        view={view}
        what="Finding what has to be looked at"
        text="From its walls, roofs and openings follow the stops of the walk, and what is looked at from each."
      >
        {(walk, calendar) => <WalkedHouse view={view} walk={walk} calendar={calendar} plan={plan} />}
      </WithWalk>
    </Screen>
  );
}

const styles = StyleSheet.create({
  told: { gap: space.s, alignItems: 'flex-start' },
  beside: { flexDirection: 'row', gap: space.l, alignItems: 'flex-start' },
  picture: { width: 420 },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 0, minWidth: 0 },
  leftOut: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
});
