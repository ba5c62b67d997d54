import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import { isOpenBreak, junctionOf, type BarrierHere } from '@calvet/contract/continuity/barrier-here';
import { breakName, brokenFirst, BREAK_WORDS } from '@calvet/contract/continuity/broken-first';
import { BARRIER_CHECKPOINT } from '@calvet/contract/continuity/junction-states';
import { itemKey } from '@calvet/contract/plan/item-key';
import { inLevels } from '@calvet/contract/plan/plan-input';
import type { StopHere, Walk } from '@calvet/contract/walk/generate-walk';
import { fromSi, unitOf } from '@calvet/core/units/quantity';
import type { Break } from '@calvet/core/continuity/trace';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { usePreferences } from '../../data/preferences';
import { keepWalkPlace } from '../../data/walk-place';
import { Card } from '../../ui/card';
import { Choice } from '../../ui/choice';
import { LineMark } from '../../ui/line-mark';
import { LongList } from '../../ui/long-list';
import { Text } from '../../ui/text';
import { useIsWide } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { Screen } from '../shell/screen';
import { useLooks } from '../stops/use-looks';
import { useVerdicts } from '../stops/use-verdicts';
import { WithWalk } from '../stops/with-walk';
import { JunctionSheet } from './junction-sheet';
import { OutlineOfBarrier } from './outline-of-barrier';
import { SectionOfBarrier } from './section-of-barrier';
import { useBarrier } from './use-barrier';

const SECTION_PX = 220;
const OUTLINE_PX = 180;
const DESK_PX = 300;
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/** Pieces that hang together, lettered; more than letters, or one alone, are not. */
function lettersOf({ trace: { pieces } }: BarrierHere): ReadonlyMap<string, string> {
  const several = pieces.filter((areas) => areas.length > 1);
  if (pieces.length < 2 || several.length === 0) return new Map();
  return new Map(
    several
      .slice(0, LETTERS.length)
      .flatMap((areas, i) => areas.map((area): [string, string] => [area, LETTERS.charAt(i)])),
  );
}

/** The place of the walk from which a part is seen. */
function stopOf({ stops }: Walk, broken: Break): StopHere | undefined {
  const junction = junctionOf(broken);
  if (junction !== undefined) return stops.find(({ junctions }) => junctions.includes(junction));
  const shown = itemKey.checkpoint(BARRIER_CHECKPOINT, broken.areaId);
  return stops.find(({ checkpoints }) => checkpoints.some(({ key }) => key === shown));
}

function Breaks({
  title,
  breaks,
  barrier,
  onOpen,
}: {
  readonly title: string;
  readonly breaks: readonly Break[];
  readonly barrier: BarrierHere;
  readonly onOpen: (broken: Break) => void;
}) {
  if (breaks.length === 0) return null;
  return (
    <Card title={`${title} · ${breaks.length}`}>
      <LongList items={breaks} what="places">
        {(broken) => {
          const name = breakName(barrier, broken);
          return (
            <Pressable
              key={`${broken.kind} ${broken.junctionId ?? broken.penetrationId ?? broken.areaId}`}
              role="button"
              aria-label={`${name}: ${BREAK_WORDS[broken.kind]}`}
              onPress={() => onOpen(broken)}
              style={styles.line}
            >
              <LineMark mark={isOpenBreak(broken) ? 'broken' : 'dotted'} width={28} />
              <View style={styles.names}>
                <Text>{name}</Text>
                <Text look="small" tone={isOpenBreak(broken) ? 'ember' : 'soft'}>
                  {BREAK_WORDS[broken.kind]}
                </Text>
              </View>
            </Pressable>
          );
        }}
      </LongList>
    </Card>
  );
}

function Figures({ barrier: { trace } }: { readonly barrier: BarrierHere }) {
  const { units } = usePreferences();
  const share = trace.continuityByLength;
  const { symbol } = unitOf('length', units);
  const length = (m: number): string => fromSi(m, 'length', units).toFixed(0);
  return (
    <Text>
      {share === null
        ? 'Nothing has to be joined.'
        : `${(share * 100).toFixed(0)} % by length: ${length(trace.sealedLengthM)} of ${length(trace.neededLengthM)} ${symbol} of junctions seen and sealed.`}{' '}
      {trace.pieces.length === 1
        ? 'All parts hang together.'
        : `${trace.pieces.length} pieces that do not hang together yet.`}
    </Text>
  );
}

interface WalkedProps {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly calendar: CalendarHere | null;
}

function Walked({ view, walk, calendar }: WalkedProps) {
  const router = useRouter();
  const isWide = useIsWide();
  const { standing } = useVerdicts(view, walk);
  const looks = useLooks(view, walk, calendar, standing);
  const barrier = useBarrier(view, walk, looks);
  const storeys = useMemo(() => inLevels(view.storeys), [view.storeys]);
  const [storeyId, setStoreyId] = useState(storeys[0]?.id ?? '');
  const [wall, setWall] = useState<string | null>(null);
  const [junction, setJunction] = useState<string | null>(null);
  const letters = useMemo(() => lettersOf(barrier), [barrier]);
  const storey = storeys.find(({ id }) => id === storeyId) ?? storeys[0];
  const chosen = wall ?? storey?.outline[0]?.id ?? '';
  const { breaks } = barrier.trace;
  const goTo = (stop: StopHere | undefined): void => {
    if (stop === undefined) return;
    keepWalkPlace(view.house.id, { stop: stop.key, name: stop.name, checkpoint: null });
    router.navigate({ pathname: '/houses/[houseId]/walk', params: { houseId: view.house.id } });
  };
  const open = (key: string): void => {
    if (barrier.junctions.some((each) => each.key === key)) setJunction(key);
    else goTo(stopOf(walk, { kind: 'area-not-verified', areaId: key }));
  };
  const shown = barrier.junctions.find(({ key }) => key === junction);
  const pictures = (
    <View style={isWide && styles.pictures}>
      <Card title="Cut">
        <SectionOfBarrier
          storeys={storeys}
          barrier={barrier}
          wall={chosen}
          letters={letters}
          onChoose={open}
          height={isWide ? DESK_PX : SECTION_PX}
        />
      </Card>
      {storey !== undefined && (
        <Card title={storey.name}>
          {storeys.length > 1 && (
            <Choice
              label="Storey"
              options={storeys.map(({ id, name }) => ({ value: id, label: name }))}
              value={storey.id}
              onChange={(id) => {
                setStoreyId(id);
                setWall(null);
              }}
            />
          )}
          <OutlineOfBarrier
            storey={storey}
            barrier={barrier}
            chosen={chosen}
            onChoose={setWall}
            height={isWide ? DESK_PX : OUTLINE_PX}
          />
          <Text look="small" tone="soft">
            Tap a wall: the house is cut there.
          </Text>
        </Card>
      )}
    </View>
  );
  const lists = (
    <View style={isWide ? styles.lists : styles.below}>
      <Breaks
        title="Open"
        breaks={breaks.filter(isOpenBreak)}
        barrier={barrier}
        onOpen={(broken) => goTo(stopOf(walk, broken))}
      />
      <Breaks
        title="Not shown yet"
        breaks={breaks.filter((each) => !isOpenBreak(each))}
        barrier={barrier}
        onOpen={(broken) => goTo(stopOf(walk, broken))}
      />
    </View>
  );
  return (
    <>
      <Text look="answer" level={2}>
        {brokenFirst(barrier)}
      </Text>
      <Figures barrier={barrier} />
      {isWide ? (
        <View style={styles.desk}>
          {pictures}
          {lists}
        </View>
      ) : (
        <>
          {pictures}
          {lists}
        </>
      )}
      {shown !== undefined && (
        <JunctionSheet view={view} item={shown} barrier={barrier} onClose={() => setJunction(null)} />
      )}
    </>
  );
}

/** Whether the air barrier of a house is one unbroken skin, and where it is not. */
export function ContinuityScreen({ view }: { readonly view: HouseView }) {
  const { house } = view;
  return (
    <Screen
      name={house.name}
      detail="Air barrier"
      back={{ pathname: '/houses/[houseId]', params: { houseId: house.id } }}
      backLabel="Back to the house"
    >
      <WithWalk
        view={view}
        what="Finding how the air barrier hangs together"
        text="From its walls, roofs and openings follow the parts of the air barrier, and what has to be joined."
      >
        {(walk, calendar) => <Walked view={view} walk={walk} calendar={calendar} />}
      </WithWalk>
    </Screen>
  );
}

const styles = StyleSheet.create({
  desk: { flexDirection: 'row', gap: space.l, alignItems: 'flex-start' },
  pictures: { flexGrow: 1, flexShrink: 1, flexBasis: 0, minWidth: 0, gap: space.m },
  lists: { width: 360, gap: space.m },
  below: { gap: space.m },
  line: { flexDirection: 'row', alignItems: 'center', gap: space.m, minHeight: 52 },
  names: { flex: 1, minWidth: 0 },
});
