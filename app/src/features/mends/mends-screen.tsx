import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import { mendList, type MendHere } from '@calvet/contract/mends/mend-list';
import { planToBe } from '@calvet/contract/plan/item-key';
import { workName } from '@calvet/contract/plan/work';
import { TRADE_WORDS, type Trade } from '@calvet/contract/plan/work-words';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import { isOpenMend, MEND_WORDS } from '@calvet/contract/walk/mend';
import { rulesHere } from '@calvet/contract/walk/rules-here';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice } from '../../ui/choice';
import { FieldMessage } from '../../ui/field';
import { LineMark } from '../../ui/line-mark';
import { LongList } from '../../ui/long-list';
import { printTable } from '../../ui/print-table';
import { saveFile } from '../../ui/save-file';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { weekday } from '../calendar/work-words';
import { Screen } from '../shell/screen';
import { useCatalogue } from '../stops/use-catalogue';
import { useVerdicts } from '../stops/use-verdicts';
import { WithWalk } from '../stops/with-walk';
import { counted } from '../stops/words';
import { MARK_OF_MEND } from '../walk/leaks-card';
import { useLeakWords } from './leak-words';
import { MendSheet } from './mend-sheet';
import { PathCard } from './path-card';

const fetchCsvFiles = () => import('../csv-files');

const ALL = 'all';

function dueWords({ cover }: MendHere): string {
  return cover === null ? 'no date covers it' : `before “${workName(cover.work)}”, ${weekday(cover.start)}`;
}

function MendLine({ mend, onOpen }: { readonly mend: MendHere; readonly onOpen: () => void }) {
  const { range } = useLeakWords();
  const { what, placeName, trade, minutes, visit, isUnvisited, state, leak, cover } = mend;
  return (
    <Pressable
      role="button"
      aria-label={`${what}, ${placeName}, ${MEND_WORDS[state]}`}
      onPress={onOpen}
      style={styles.line}
    >
      <LineMark mark={MARK_OF_MEND[state]} width={28} />
      <View style={styles.names}>
        <Text look="strong">{what}</Text>
        <Text>{placeName}</Text>
        <Text look="small" tone="soft">
          {TRADE_WORDS[trade]} · {minutes} min · {range(leak)}
        </Text>
        <Text look="small" tone={isUnvisited ? 'ember' : 'soft'}>
          {dueWords(mend)}
          {isUnvisited
            ? `: no visit of this trade is planned before`
            : cover === null || visit === null
              ? ''
              : `: on site with “${workName(visit)}”`}
        </Text>
      </View>
      {state !== 'open' && <Text look="strong">{MEND_WORDS[state]}</Text>}
    </Pressable>
  );
}

function answerOf(open: readonly MendHere[]): string {
  if (open.length === 0) return 'Nothing is to be mended';
  const [first] = open;
  const minutes = open.reduce((sum, mend) => sum + mend.minutes, 0);
  const due =
    first?.cover == null
      ? ''
      : `, first before “${workName(first.cover.work)}” on ${weekday(first.cover.start)}`;
  return `${counted(open.length, 'mend')}, ${minutes} min${due}`;
}

interface WalkedProps {
  readonly view: HouseView;
  readonly walk: Walk;
  readonly calendar: CalendarHere | null;
}

function Walked({ view, walk, calendar }: WalkedProps) {
  const { checkpointOf } = useCatalogue();
  const { standing, give } = useVerdicts(view, walk);
  const { house, penetrations, mends: records, works, plans } = view;
  const { checkpointsAdded: own } = plans[0] ?? planToBe(house.id);
  const rules = rulesHere(plans[0]);
  const mends = useMemo(
    () =>
      mendList(walk, {
        houseId: house.id,
        standing,
        penetrations,
        mends: records,
        works,
        calendar,
        own,
        checkpointOf,
        rules,
      }),
    [walk, house.id, standing, penetrations, records, works, calendar, own, checkpointOf, rules],
  );
  const [trade, setTrade] = useState<Trade | null>(null);
  const [openId, setOpenId] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const trades = [...new Set(mends.map((mend) => mend.trade))];
  const shown = trade === null ? mends : mends.filter((mend) => mend.trade === trade);
  const open = shown.filter(isOpenMend);
  const settled = shown.filter((mend) => !isOpenMend(mend));
  const opened = mends.find(({ record }) => record.id === openId);
  const here = walk.stops
    .flatMap(({ checkpoints }) => checkpoints)
    .find(({ key }) => key === opened?.checkpoint);
  const save = async (): Promise<void> => {
    try {
      const { writeMendsCsv } = await fetchCsvFiles();
      saveFile(`${house.name} mends.csv`, writeMendsCsv(shown), 'text/csv');
      setTrouble(null);
    } catch {
      setTrouble('This device does not have what writes such a file yet: try again with a signal.');
    }
  };
  const print = (): void =>
    printTable({
      title: `${house.name}: ${trade === null ? 'all mends' : `mends, ${TRADE_WORDS[trade].toLowerCase()}`}`,
      detail: `${answerOf(open)}. Cautions stand: local code and licensed trades decide.`,
      columns: ['Where', 'What', 'Why', 'How', 'Whose', 'Minutes', 'Before', 'On site with', 'State'],
      rows: shown.map((mend) => [
        mend.placeName,
        mend.what,
        mend.why,
        mend.how,
        TRADE_WORDS[mend.trade],
        String(mend.minutes),
        mend.cover === null ? '' : `${workName(mend.cover.work)}, ${weekday(mend.cover.start)}`,
        mend.visit === null ? '' : workName(mend.visit),
        MEND_WORDS[mend.state],
      ]),
    });
  return (
    <>
      <Text look="answer" level={2}>
        {answerOf(open)}
      </Text>
      {trades.length > 1 && (
        <Choice<string>
          label="Whose work"
          options={[
            { value: ALL, label: 'All trades' },
            ...trades.map((value) => ({ value, label: TRADE_WORDS[value] })),
          ]}
          value={trade ?? ALL}
          onChange={(value) => setTrade(trades.find((each) => each === value) ?? null)}
        />
      )}
      {open.length > 0 && (
        <Card title={`To mend · ${open.length}`}>
          <LongList items={open} what="mends">
            {(mend) => <MendLine key={mend.record.id} mend={mend} onOpen={() => setOpenId(mend.record.id)} />}
          </LongList>
        </Card>
      )}
      {settled.length > 0 && (
        <Card title={`Settled · ${settled.length}`}>
          <LongList items={settled} what="mends">
            {(mend) => <MendLine key={mend.record.id} mend={mend} onOpen={() => setOpenId(mend.record.id)} />}
          </LongList>
        </Card>
      )}
      {(mends.length > 0 || penetrations.length > 0) && <PathCard view={view} walk={walk} mends={mends} />}
      {shown.length > 0 && (
        <View style={styles.deeds}>
          <Button icon="file-download-outline" label="Save as a table" onPress={() => void save()} />
          <Button icon="printer-outline" label="Print this list" onPress={print} />
        </View>
      )}
      <FieldMessage message={trouble} />
      {shown.length === 0 && (
        <Text tone="soft">
          What is found to be mended on the walk, each hole that is closed wrongly and each leak stand here,
          for each trade what comes first.
        </Text>
      )}
      {opened !== undefined && (
        <MendSheet
          key={opened.record.id}
          view={view}
          mend={opened}
          fails={here === undefined ? [] : (checkpointOf(here.checkpoint)?.fails ?? [])}
          onGood={here === undefined ? null : () => give(here, 'good', { isAnew: true })}
          onClose={() => setOpenId(null)}
        />
      )}
    </>
  );
}

/** All that is to be mended in a house, in the order that matters. */
export function MendsScreen({ view }: { readonly view: HouseView }) {
  const { house } = view;
  return (
    <Screen
      name={house.name}
      detail="Mends"
      back={{ pathname: '/houses/[houseId]/walk', params: { houseId: house.id } }}
      backLabel="Back to the walk"
    >
      <WithWalk
        view={view}
        what="Finding what is to be mended"
        text="From its walls, roofs and openings follow the places of the walk, and what is to be mended there."
      >
        {(walk, calendar) => <Walked view={view} walk={walk} calendar={calendar} />}
      </WithWalk>
    </Screen>
  );
}

const styles = StyleSheet.create({
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    minHeight: 72,
    paddingVertical: space.xs,
  },
  names: { flex: 1, minWidth: 0 },
  deeds: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
