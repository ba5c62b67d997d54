import type { House } from '@calvet/contract/house/house';
import { checkpointsOf } from '@calvet/contract/calendar/calendar-here';
import { isToCome, isWithin, together, type Hold } from '@calvet/contract/calendar/hold';
import { workName, type Work } from '@calvet/contract/plan/work';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useLookAheads } from '../../compute/use-look-aheads';
import { useHeldHouses, useHouses } from '../../data/hooks';
import type { KeptHouseView } from '../../data/ledger-copy';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { LineMark } from '../../ui/line-mark';
import { LinkArea } from '../../ui/link-area';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useToday } from '../../ui/use-today';
import { weekday } from '../calendar/work-words';

import { Screen } from '../shell/screen';
import { Empty, Failed, Loading } from '../shell/states';
import { counted } from '../stops/words';

/** Farther ahead than that nobody plans a visit. */
const AHEAD_WORKDAYS = 10;
/** So many places are named; of the others it is said how many they are. */
const PLACES = 3;

/** Something to look at in one house, by one day, before one work. */
interface Due {
  readonly house: House;
  readonly hold: Hold;
  readonly work: Work | undefined;
  readonly walk: Walk;
}

/** A work whose day has come, and of which nobody has said that it has begun. */
interface Asked {
  readonly house: House;
  readonly work: Work;
}

function dayWords(seeBy: string, today: string): string {
  if (seeBy < today) return `Should have been seen by ${weekday(seeBy)}`;
  return seeBy === today ? 'Today' : `By ${weekday(seeBy)}`;
}

/** Where the checkpoints of a hold are, in walking order. */
function placesOf({ walk, hold }: Due): string {
  const wanted = new Set(checkpointsOf(walk, hold).map(({ key }) => key));
  const stops = walk.stops.filter(({ checkpoints }) => checkpoints.some(({ key }) => wanted.has(key)));
  const named = stops.slice(0, PLACES).map(({ name }) => name);
  const more = stops.length - named.length;
  return [...named, ...(more > 0 ? [`${counted(more, 'more stop')}`] : [])].join(' · ');
}

function DueLine({ due }: { readonly due: Due }) {
  const { house, hold, work } = due;
  const before = work === undefined ? '' : ` before “${workName(work)}”`;
  return (
    <LinkArea
      href={{ pathname: '/houses/[houseId]/calendar', params: { houseId: house.id } }}
      style={styles.line}
    >
      <LineMark mark={hold.state === 'late' ? 'broken' : 'dotted'} width={28} />
      <View style={styles.names}>
        <Text look="strong">{house.name}</Text>
        <Text>
          {counted(hold.checkpoints.length, 'checkpoint')}
          {before}
          {hold.standIn ? ', at the latest' : ''}
        </Text>
        <Text look="small" tone="soft">
          {placesOf(due)}
        </Text>
      </View>
    </LinkArea>
  );
}

function worksIn(views: readonly KeptHouseView[], id: string): readonly Work[] {
  return views.find(({ house }) => house.id === id)?.works ?? [];
}

function answerOf(dues: readonly Due[], all: readonly Due[], today: string): string {
  const [next] = dues;
  if (next === undefined) {
    const nothing = `Nothing is to be seen within ${AHEAD_WORKDAYS} workdays`;
    const [later] = all;
    return later?.hold.seeBy == null
      ? nothing
      : `${nothing}; then ${later.house.name}, ${weekday(later.hold.seeBy)}`;
  }
  const late = dues.filter(({ hold }) => hold.state === 'late').length;
  const { seeBy, checkpoints } = next.hold;
  if (late > 0) return `${counted(late, 'hold')} late, first at ${next.house.name}`;
  const when = seeBy === null || seeBy <= today ? 'today' : `by ${weekday(seeBy)}`;
  return `${checkpoints.length} to see ${when} at ${next.house.name}`;
}

function Days({ dues, today }: { readonly dues: readonly Due[]; readonly today: string }) {
  const days = [...new Set(dues.map(({ hold }) => hold.seeBy ?? ''))];
  return days.map((seeBy) => (
    <Card key={seeBy} title={dayWords(seeBy, today)}>
      {dues
        .filter(({ hold }) => hold.seeBy === seeBy)
        .map((due) => (
          <DueLine key={`${due.house.id} ${due.hold.work} ${due.hold.standIn}`} due={due} />
        ))}
    </Card>
  ));
}

function Asking({ asked }: { readonly asked: readonly Asked[] }) {
  if (asked.length === 0) return null;
  return (
    <Card title="Has it begun?">
      {asked.map(({ house, work }) => (
        <LinkArea
          key={work.id}
          href={{ pathname: '/houses/[houseId]/calendar', params: { houseId: house.id } }}
          style={styles.line}
        >
          <View style={styles.names}>
            <Text look="strong">{house.name}</Text>
            <Text>{workName(work)}: its day has come. Say there whether it has begun.</Text>
          </View>
        </LinkArea>
      ))}
    </Card>
  );
}

function AllHouses({ houses }: { readonly houses: readonly House[] }) {
  const router = useRouter();
  const today = useToday();
  const { held, elsewhere } = useHeldHouses(houses);
  const { data: ahead, error, retry } = useLookAheads(held);
  if (error !== undefined) return <Failed error={error} onRetry={retry} />;
  if (ahead === undefined) return <Loading what="Finding what is to be seen" />;
  const found = held.flatMap(({ house }) => {
    const { walk, calendar } = ahead.get(house.id) ?? {};
    return walk?.state === 'walked' && calendar?.state === 'dated' ? [{ house, walk, calendar }] : [];
  });
  const all = found
    .flatMap(({ house, walk, calendar }) =>
      together(calendar.holds.filter(isToCome)).map((hold): Due => ({
        house,
        walk,
        hold,
        work: worksIn(held, house.id).find(({ id }) => id === hold.work),
      })),
    )
    .sort((a, b) => ((a.hold.seeBy ?? '') < (b.hold.seeBy ?? '') ? -1 : 1));
  const dues = all.filter(({ hold }) => isWithin(hold, AHEAD_WORKDAYS));
  const asked = found.flatMap(({ house, calendar }) =>
    calendar.findings.flatMap(({ rule, work }): readonly Asked[] => {
      const meant = worksIn(held, house.id).find(({ id }) => id === work);
      return rule === 'has-it-begun' && meant !== undefined ? [{ house, work: meant }] : [];
    }),
  );
  const undated = held.filter(({ works }) => works.length === 0);
  return (
    <>
      <Text look="answer" level={2}>
        {held.length === 0 ? 'No house is on this device yet' : answerOf(dues, all, today)}
      </Text>
      <Days dues={dues} today={today} />
      <Asking asked={asked} />
      {undated.length > 0 && (
        <Text tone="soft">Without a calendar: {undated.map(({ house }) => house.name).join(' · ')}</Text>
      )}
      {elsewhere.length > 0 && (
        <View style={styles.told}>
          <Text tone="straw" role="status">
            Not on this device, so that nothing of it is known here:{' '}
            {elsewhere.map(({ name }) => name).join(' · ')}
          </Text>
          <Button label="Take houses along" onPress={() => router.navigate('/device')} />
        </View>
      )}
    </>
  );
}

/** What has to be seen in all houses of this device before it is covered: what, where, before what. */
export function TodayScreen() {
  const { data: houses, error, retry } = useHouses();
  return (
    <Screen name="Calvet" detail="Today" back="/" backLabel="Back to the houses">
      {error !== undefined && <Failed error={error} onRetry={retry} />}
      {error === undefined && houses === undefined && <Loading what="Fetching the houses" />}
      {houses?.length === 0 && (
        <Empty
          title="No house yet"
          text="What has to be seen, where, and before what, of every house with a calendar."
        />
      )}
      {houses !== undefined && houses.length > 0 && <AllHouses houses={houses} />}
    </Screen>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.m, minHeight: 56 },
  names: { flex: 1, minWidth: 0 },
  told: { gap: space.s, alignItems: 'flex-start' },
});
