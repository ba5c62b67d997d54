import type { Plan } from '@calvet/contract/plan/plan';
import { urgentHolds, type CalendarHere } from '@calvet/contract/calendar/calendar-here';
import { isToCome, type Hold } from '@calvet/contract/calendar/hold';
import { startingWorks } from '@calvet/contract/calendar/starting-works';
import { workdaysOf } from '@calvet/contract/calendar/workdays-of';
import { planToBe } from '@calvet/contract/plan/item-key';
import { WEEKDAY_WORDS } from '@calvet/contract/plan/weekdays';
import { newWork, workName, type Work } from '@calvet/contract/plan/work';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import type { WorkKind } from '@calvet/core/calendar/calendar-input';
import { dayNumber, dayText } from '@calvet/core/calendar/day-number';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useWalk } from '../../compute/use-walk';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Card, Rule } from '../../ui/card';
import { optionsOf } from '../../ui/choice';
import { DayField } from '../../ui/day-field';
import { Labelled } from '../../ui/field';
import { FoldLine } from '../../ui/fold-line';
import { ManyChoice } from '../../ui/many-choice';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useToday } from '../../ui/use-today';
import { Screen } from '../shell/screen';
import { Failed, Loading } from '../shell/states';
import { NoWalk } from '../stops/no-walk';
import { counted } from '../stops/words';
import { CalendarFileCard } from './calendar-file-card';
import { TimePicture } from './time-picture';
import { WorkFields } from './work-fields';
import { WorkSheet } from './work-sheet';
import { daysInWords, findingInWords, inStartOrder, weekday } from './work-words';

const WEEKDAYS = optionsOf(WEEKDAY_WORDS);

type Dated = CalendarHere & { readonly state: 'dated' };

const nameIn = (works: readonly Work[], id: string | null | undefined): string => {
  const found = works.find((each) => each.id === id);
  return found === undefined ? 'a work' : workName(found);
};

/** What has to be looked at next, in a sentence. */
function answerOf(holds: readonly Hold[], works: readonly Work[]): string {
  const next = holds.find(isToCome);
  if (next === undefined || next.seeBy === null)
    return works.length === 0 ? 'No dates yet' : 'Nothing to see by a day';
  const what = `${next.checkpoints.length} before “${nameIn(works, next.work)}”`;
  return `${next.state === 'late' ? 'Late since' : 'First hold'} ${weekday(next.seeBy)}: ${what}`;
}

function HoldWords({ hold: { state, seeBy, checkpoints, standIn, workdaysLeft } }: { readonly hold: Hold }) {
  const many = counted(checkpoints.length, 'checkpoint');
  const latest = standIn ? ', at the latest: the work that hides them has no day of its own' : '';
  switch (state) {
    case 'coveredUnseen':
      return <Text tone="ember">{many} covered unseen</Text>;
    case 'late':
      return (
        <Text tone="ember">
          {many} should have been seen by {seeBy === null ? '' : weekday(seeBy)}
          {latest}
        </Text>
      );
    case 'due':
      return (
        <Text>
          {many} to see by {seeBy === null ? '' : weekday(seeBy)}, in {counted(workdaysLeft ?? 0, 'workday')}
          {latest}
        </Text>
      );
    case 'undated':
      return <Text tone="soft">{many} to see before it; it has no day yet</Text>;
    default:
      return null;
  }
}

function Warnings({ calendar, works }: { readonly calendar: Dated; readonly works: readonly Work[] }) {
  const warnings = calendar.findings.map((finding) => findingInWords(finding, (id) => nameIn(works, id)));
  const soon = urgentHolds(calendar.holds).map(
    ({ checkpoints, seeBy, work }) =>
      `Not seen yet, and hidden soon: ${counted(checkpoints.length, 'checkpoint')} by ${seeBy === null ? '' : weekday(seeBy)}, before “${nameIn(works, work)}”.`,
  );
  return [...warnings, ...soon].map((text) => (
    <Text key={text} tone="straw" role="status">
      {text}
    </Text>
  ));
}

/** A day, or the first after it on which there is work. */
function workdayFrom(plan: Plan, day: string): string {
  const workdays = workdaysOf(plan);
  const number = dayNumber(day);
  return workdays.has(number) ? day : dayText(workdays.from(number, 1));
}

/** How a calendar begins: works that follow each other as the house is built, the first on a day. */
function BeginCalendar({
  view,
  walk,
  plan,
}: {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly plan: Plan;
}) {
  const { createRecord } = useStore();
  const [start, setStart] = useState(workdayFrom(plan, useToday()));
  const begin = (): void => {
    const has = (need: string) => walk.features.some((each) => each.need === need);
    for (const { id, body } of startingWorks(plan, has, view.house.id, start))
      createRecord(view.house.id, 'work', body, id);
  };
  return (
    <Card title="Begin with">
      <Text tone="soft">
        The works of a house that is built like this one, each after the one before it. Move, add and delete
        what differs.
      </Text>
      <DayField label="The first begins on" value={start} onChange={setStart} />
      <Button kind="main" label="Begin the calendar" onPress={begin} />
    </Card>
  );
}

function WorkingDays({ plan }: { readonly plan: Plan }) {
  const keep = useKeep('plan', plan);
  const [next, setNext] = useState(useToday());
  return (
    <Card title="Days of work">
      <Labelled label="In a week">
        <ManyChoice
          label="In a week"
          options={WEEKDAYS}
          values={plan.workdays}
          onChange={(workdays) => {
            // A week without a workday has no calendar.
            if (workdays.length > 0) keep({ workdays });
          }}
        />
      </Labelled>
      {plan.closedDays.map((closed) => (
        <View key={closed} style={styles.closed}>
          <Text style={styles.grow}>No work on {weekday(closed)}</Text>
          <Button
            kind="quiet"
            label={`Work on ${weekday(closed)}`}
            onPress={() =>
              keep(({ closedDays }) => ({ closedDays: closedDays.filter((each) => each !== closed) }))
            }
          />
        </View>
      ))}
      <DayField label="A day without work" value={next} onChange={setNext} />
      <Button
        label="Add this day"
        onPress={() => keep(({ closedDays }) => ({ closedDays: [...new Set([...closedDays, next])].sort() }))}
      />
    </Card>
  );
}

interface DatedHouseProps {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly calendar: CalendarHere;
  readonly plan: Plan;
}

function DatedHouse({ view, walk, calendar, plan }: DatedHouseProps) {
  const { createRecord } = useStore();
  const today = useToday();
  const [open, setOpen] = useState<string | null>(null);
  const [isAdding, setAdding] = useState(false);
  const { works } = view;
  const days = calendar.state === 'dated' ? calendar.works : new Map<string, never>();
  const holds = calendar.state === 'dated' ? calendar.holds : [];
  const inOrder = inStartOrder(works, days);
  const unplanned = holds.filter(({ work }) => work === null).flatMap(({ checkpoints }) => checkpoints);
  const add = (what: WorkKind): void => {
    setAdding(false);
    setOpen(createRecord(view.house.id, 'work', newWork(what, view.house.id)));
  };
  return (
    <>
      <Text look="answer" level={2}>
        {calendar.state === 'refused'
          ? `${nameIn(works, calendar.work)}: ${calendar.refusal.message}`
          : answerOf(holds, works)}
      </Text>
      {calendar.state === 'dated' && <Warnings calendar={calendar} works={works} />}
      {works.length === 0 ? (
        <BeginCalendar view={view} walk={walk} plan={plan} />
      ) : (
        <Card>
          <TimePicture works={inOrder} days={days} holds={holds} today={today} onChoose={setOpen} />
        </Card>
      )}
      {works.length > 0 && (
        <Card title="Works">
          {inOrder.map((work) => (
            <View key={work.id} style={styles.work}>
              <FoldLine
                label={`${workName(work)}, ${daysInWords(work, days.get(work.id))}`}
                title={workName(work)}
                detail={daysInWords(work, days.get(work.id))}
                isOpen={open === work.id}
                onToggle={() => setOpen(open === work.id ? null : work.id)}
              />
              {holds
                .filter((hold) => hold.work === work.id)
                .map((hold) => (
                  <HoldWords key={`${hold.state} ${hold.standIn}`} hold={hold} />
                ))}
              {open === work.id && (
                <WorkFields view={view} work={work} start={days.get(work.id)?.start ?? null} />
              )}
              <Rule />
            </View>
          ))}
          {unplanned.length > 0 && (
            <Text tone="soft">
              {counted(unplanned.length, 'checkpoint')} hidden by works that are not in this calendar.
            </Text>
          )}
        </Card>
      )}
      <Button icon="plus" label="Add a work" onPress={() => setAdding(true)} />
      {calendar.state === 'dated' && works.length > 0 && (
        <CalendarFileCard view={view} plan={plan} calendar={calendar} />
      )}
      <WorkingDays plan={plan} />
      {isAdding && <WorkSheet title="What is done?" onChoose={add} onClose={() => setAdding(false)} />}
    </>
  );
}

/** When the works of a house are done, and by when what they hide has to be looked at. */
export function CalendarScreen({ view }: { readonly view: HouseView }) {
  const { house } = view;
  const { walk, calendar, error, retry } = useWalk(view);
  const plan = view.plans[0] ?? planToBe(house.id);
  const content = () => {
    if (error !== undefined) return <Failed error={error} onRetry={retry} />;
    if (walk === undefined) return <Loading what="Finding by when what is looked at" />;
    if (walk.state === 'walked' && calendar != null)
      return <DatedHouse view={view} walk={walk} calendar={calendar} plan={plan} />;
    return (
      <NoWalk
        houseId={house.id}
        walk={walk}
        text="What has to be looked at before which work follows from what is drawn."
      />
    );
  };
  return (
    <Screen
      name={house.name}
      detail="Calendar"
      back={{ pathname: '/houses/[houseId]', params: { houseId: house.id } }}
      backLabel="Back to the house"
    >
      {content()}
    </Screen>
  );
}

const styles = StyleSheet.create({
  work: { gap: space.s },
  closed: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  grow: { flexGrow: 1 },
});
