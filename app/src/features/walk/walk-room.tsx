import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import { itemId, planToBe } from '@calvet/contract/plan/item-key';
import { PHASE_WORDS } from '@calvet/contract/plan/own-checkpoint';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import { partOf } from '@calvet/contract/walk/round';
import { ITEM_SUBJECT } from '@calvet/contract/photos/photo';
import type { VerdictValue } from '@calvet/contract/walk/verdict';
import { useRouter } from 'expo-router';
import { useDeferredValue, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useWalk } from '../../compute/use-walk';
import type { HouseView } from '../../data/as-drawn';
import { Button } from '../../ui/button';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { useIsWide } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { usePageKeys } from '../../ui/use-page-keys';
import { useBarrier } from '../continuity/use-barrier';
import { useAddPhotos } from '../record/use-add-photos';
import { Screen } from '../shell/screen';
import { Failed, Loading } from '../shell/states';
import { NoWalk } from '../stops/no-walk';
import { useCatalogue } from '../stops/use-catalogue';
import type { HowToGive } from '../stops/use-verdicts';
import { AroundPlace, type SettledPlace } from './around-place';
import { CheckpointCard } from './checkpoint-card';
import { holesDue } from './hole-words';
import { HolesCard } from './holes-card';
import { KeysSheet } from './keys-sheet';
import { LeaksCard } from './leaks-card';
import { PlaceBar } from './place-bar';
import { partName, PlaceList } from './place-list';
import { RecordSheets } from './record-sheets';
import { Here } from './this-place';
import { usePlaceRecords } from './use-place-records';
import { useWalking } from './use-walking';
import { KEY_OF, VerdictKeys } from './verdict-keys';
import { answerOf } from './walk-words';

/** How somebody knows what was covered unseen, at one checkpoint. */
interface HowKnown {
  readonly key: string;
  readonly how: HowToGive;
}

interface WalkedProps {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly calendar: CalendarHere | null;
}

function Walked(props: WalkedProps) {
  const { view, walk, calendar } = props;
  const router = useRouter();
  const isWide = useIsWide();
  const { checkpointOf, words, error, retry } = useCatalogue();
  const walking = useWalking(view, walk, calendar);
  const { stop, number, current, looks, isTelling, said, goneStop, leftOnPart, leftOnRound } = walking;
  const [isChoosing, setChoosing] = useState(false);
  const [areKeysShown, setKeysShown] = useState(false);
  const [known, setKnown] = useState<HowKnown | null>(null);
  const look = current === null ? undefined : looks.get(current.key);
  const counts = look?.standing?.counts;
  const adding = useAddPhotos(
    view.house.id,
    counts === undefined
      ? { kind: ITEM_SUBJECT, id: itemId(view.house.id, current?.key ?? stop.key) }
      : { kind: 'verdict', id: counts.id },
    { isSaid: true },
  );
  const records = usePlaceRecords(view, walk, walking);
  // All round what is looked at follows once that is shown.
  const settled = useDeferredValue<SettledPlace>({ view, walking, onJunction: records.openJunction });
  const isBehind = settled.walking !== walking;
  const barrier = useBarrier(settled.view, walk, settled.walking.looks);
  const knownHere = known !== null && known.key === current?.key ? known : null;
  const give = (value: VerdictValue): void => walking.give(value, knownHere?.how);
  usePageKeys({
    [KEY_OF.good]: () => give('good'),
    [KEY_OF.mend]: () => give('mend'),
    [KEY_OF.notSeen]: () => give('notSeen'),
    [KEY_OF.notHere]: () => give('notHere'),
    Enter: () => isTelling && walking.goOn(),
    ArrowUp: () => walking.stepHere(-1),
    ArrowDown: () => walking.stepHere(1),
    ArrowLeft: () => walking.step(-1),
    ArrowRight: () => walking.step(1),
    '?': () => setKeysShown(true),
  });
  const photo = async (goesOn: boolean): Promise<void> => {
    const added = await adding.add({ camera: !isWide });
    if (added > 0 && goesOn) walking.goOn();
  };
  const choose = (to: string): void => {
    setChoosing(false);
    walking.goTo(to);
  };
  const part = partOf(stop);
  const phase = walking.round.phases.get(part);
  const { subject } = walking.round;
  const roundWords = [
    ...(walking.isByPhoto ? ['by photo'] : []),
    ...(phase === undefined ? [] : [PHASE_WORDS[phase].toLowerCase()]),
    ...(subject === null ? [] : [`only ${(words?.subject[subject] ?? '…').toLowerCase()}`]),
  ].join(' · ');
  const plan = view.plans[0] ?? planToBe(view.house.id);
  if (error !== undefined) {
    return (
      <WalkScreen view={view}>
        <Failed error={error} onRetry={retry} />
      </WalkScreen>
    );
  }
  const list = (
    <PlaceList
      view={settled.view}
      walk={walk}
      round={settled.walking.round}
      looks={settled.walking.looks}
      here={settled.walking.stop.key}
      onChoose={choose}
    />
  );
  const answer = (
    <>
      <Text look="answer" level={2}>
        {answerOf(props, walking, holesDue(records.holes, records.phase))}
      </Text>
      {leftOnRound > 0 && (
        <Text look="small" tone="soft">
          {partName(view, part)}: {leftOnPart} left · this round: {leftOnRound}
        </Text>
      )}
      {goneStop !== null && (
        <Text tone="straw" role="status">
          “{goneStop}”, where you were, is no longer in the drawing. What was recorded there is kept, and
          named under “Stops and checkpoints”.
        </Text>
      )}
      {leftOnRound === 0 && (
        <View style={styles.deeds}>
          <Button kind="main" label="Begin the next round" onPress={walking.beginNextRound} />
          <Button
            label="Stops and checkpoints"
            onPress={() =>
              router.navigate({ pathname: '/houses/[houseId]/stops', params: { houseId: view.house.id } })
            }
          />
        </View>
      )}
    </>
  );
  const card = current !== null && (
    <CheckpointCard
      view={view}
      here={current}
      checkpoint={checkpointOf(current.checkpoint)}
      own={plan.checkpointsAdded.find(({ id }) => id === current.checkpoint)}
      look={look}
      adding={adding}
      onPhoto={() => void photo(false)}
      known={knownHere?.how ?? null}
      onKnown={(how) => setKnown(how === null ? null : { key: current.key, how })}
    />
  );
  const here = <Here view={settled.view} walk={walk} walking={settled.walking} />;
  const around = (
    <>
      <HolesCard holes={records.holes} phase={records.phase} onOpen={records.openHole} />
      <LeaksCard leaks={records.leaks} />
      <AroundPlace walk={walk} settled={settled} barrier={barrier} />
    </>
  );
  return (
    <WalkScreen
      view={view}
      pinned={
        <PlaceBar
          stop={stop}
          number={number}
          of={walk.stops.length}
          detail={roundWords}
          onStep={walking.step}
          onChoose={() => setChoosing(true)}
        />
      }
      footer={
        <>
          {!isTelling && (
            <View style={styles.tools}>
              <Button kind="quiet" icon="plus" label="Hole" onPress={records.beginHole} />
              <Button kind="quiet" icon="plus" label="Leak" onPress={records.leaks.begin} />
              {said !== null && (
                <View role="status" style={styles.said}>
                  <Button kind="quiet" icon="undo" label={`Undo: ${said.text}`} onPress={walking.takeBack} />
                </View>
              )}
            </View>
          )}
          {current === null ? (
            <Button kind="main" grow label="Go on" onPress={walking.goOn} />
          ) : isTelling ? (
            <>
              <Button
                grow
                icon="camera-outline"
                label={isWide ? 'Choose a photo, go on' : 'Take a photo, go on'}
                onPress={() => void photo(true)}
              />
              <Button
                kind="main"
                grow
                label="Go on"
                shortcut={isWide ? 'Enter' : undefined}
                onPress={walking.goOn}
              />
            </>
          ) : (
            <VerdictKeys value={counts?.value ?? null} onGive={give} />
          )}
        </>
      }
    >
      {isWide ? (
        <View style={styles.desk}>
          <View style={styles.places}>{list}</View>
          <View style={styles.detail}>
            {answer}
            {card}
          </View>
          <View aria-busy={isBehind} style={[styles.around, styles.beside]}>
            {here}
            {around}
          </View>
        </View>
      ) : (
        <>
          {answer}
          {here}
          {card}
          <View aria-busy={isBehind} style={styles.around}>
            {around}
          </View>
        </>
      )}
      {isChoosing && (
        <Sheet title="All places" onClose={() => setChoosing(false)}>
          {list}
        </Sheet>
      )}
      <RecordSheets view={view} walk={walk} walking={walking} barrier={barrier} records={records} />
      {areKeysShown && <KeysSheet onClose={() => setKeysShown(false)} />}
    </WalkScreen>
  );
}

function WalkScreen({
  view,
  pinned,
  footer,
  children,
}: {
  readonly view: HouseView;
  readonly pinned?: ReactNode;
  readonly footer?: ReactNode;
  readonly children: ReactNode;
}) {
  return (
    <Screen
      name={view.house.name}
      detail="Walk"
      back="/"
      backLabel="Back to the houses"
      pinned={pinned}
      footer={footer}
    >
      {children}
    </Screen>
  );
}

/** The walk of a house, one place at a time: what is looked at there, and what was found, in one tap each. */
export function WalkRoom({ view }: { readonly view: HouseView }) {
  const { walk, calendar, error, retry } = useWalk(view);
  if (walk?.state === 'walked' && error === undefined)
    return <Walked view={view} walk={walk} calendar={calendar ?? null} />;
  return (
    <WalkScreen view={view}>
      {error !== undefined ? (
        <Failed error={error} onRetry={retry} />
      ) : walk === undefined ? (
        <Loading what="Finding what has to be looked at" />
      ) : (
        <NoWalk
          houseId={view.house.id}
          walk={walk}
          text="From its walls, roofs and openings follow the places of the walk, and what is looked at from each."
        />
      )}
    </WalkScreen>
  );
}

const styles = StyleSheet.create({
  desk: { flexDirection: 'row', gap: space.l, alignItems: 'flex-start' },
  places: { width: 290 },
  detail: { flexGrow: 1, flexShrink: 1, flexBasis: 0, minWidth: 0, gap: space.m },
  around: { gap: space.m },
  beside: { width: 360 },
  tools: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    width: '100%',
    marginVertical: -space.s,
  },
  said: { flexShrink: 1, minWidth: 0, marginLeft: 'auto' },
  deeds: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
