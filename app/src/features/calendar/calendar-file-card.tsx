import type { Plan } from '@calvet/contract/plan/plan';
import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import { workdaysOf } from '@calvet/contract/calendar/workdays-of';
import { newWork, workName } from '@calvet/contract/plan/work';
import type { WorkKind } from '@calvet/core/calendar/calendar-input';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { FieldMessage } from '../../ui/field';
import { FileButton } from '../../ui/file-button';
import { saveFile } from '../../ui/save-file';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useNote } from '../../ui/undo';
import { counted } from '../stops/words';
import type { CalendarFile, UnknownEvent } from './calendar-files';
import { WorkSheet } from './work-sheet';
import { weekday } from './work-words';

const fetchFiles = () => import('./calendar-files');
const NOT_HERE = 'This device does not have what reads and writes such a file yet: try again with a signal.';

interface CalendarFileCardProps {
  readonly view: HouseView;
  readonly plan: Plan;
  readonly calendar: CalendarHere & { readonly state: 'dated' };
}

/** What a file would change: works that move at once, events that are none of them one by one. */
function FoundInFile({
  file,
  onMove,
  onAdd,
  onClose,
}: {
  readonly file: CalendarFile;
  readonly onMove: () => void;
  readonly onAdd: (event: UnknownEvent) => void;
  readonly onClose: () => void;
}) {
  const { moved, unknown, same } = file;
  return (
    <Sheet title="What the calendar says" onClose={onClose}>
      {moved.length + unknown.length === 0 && (
        <Text>{counted(same, 'work')} stand as they are here: nothing would change.</Text>
      )}
      {moved.map(({ work, pinnedStart, days }) => (
        <Text key={work.id}>
          {workName(work)}: begins {weekday(pinnedStart)}, {counted(days, 'workday')}
        </Text>
      ))}
      {moved.length > 0 && (
        <Button kind="main" label={`Move ${counted(moved.length, 'work')}`} onPress={onMove} />
      )}
      {unknown.map((event) => (
        <View key={event.id} style={styles.unknown}>
          <Text look="strong">{event.name}</Text>
          <Text look="small" tone="soft">
            {weekday(event.start)}, {counted(event.days, 'workday')}. It is none of the works here: say what
            it is, or leave it.
          </Text>
          <Button label={`Say what ${event.name} is`} onPress={() => onAdd(event)} />
        </View>
      ))}
      <Button kind="quiet" label="Close" onPress={onClose} />
    </Sheet>
  );
}

/** Saves the works of a house as a calendar, and takes in days that others have moved. */
export function CalendarFileCard({ view, plan, calendar }: CalendarFileCardProps) {
  const { createRecord, updateRecord } = useStore();
  const note = useNote();
  const [message, setMessage] = useState<string | null>(null);
  const [file, setFile] = useState<CalendarFile | null>(null);
  const [adding, setAdding] = useState<UnknownEvent | null>(null);
  const { house, works } = view;

  const save = async (): Promise<void> => {
    try {
      const { writeCalendar } = await fetchFiles();
      saveFile(`${house.name}.ics`, writeCalendar(house.name, works, calendar, new Date()), 'text/calendar');
      setMessage(null);
    } catch {
      setMessage(NOT_HERE);
    }
  };
  const take = async (chosen: File): Promise<void> => {
    const files = await fetchFiles().catch(() => null);
    if (files === null) {
      setMessage(NOT_HERE);
      return;
    }
    if (chosen.size > files.CALENDAR_FILE_BYTES_MAX) {
      setMessage(
        `${chosen.name} has ${(chosen.size / 1e6).toFixed(1)} MB. A calendar of one house needs less than ${files.CALENDAR_FILE_BYTES_MAX / 1e6} MB: save that alone.`,
      );
      return;
    }
    try {
      const workdays = workdaysOf(plan);
      const countIn = (first: number, last: number) => workdays.between(first - 1, last);
      setFile(files.readCalendar(await chosen.text(), works, calendar.works, countIn));
      setMessage(null);
    } catch (error) {
      if (!(error instanceof files.NoCalendarFile)) throw error;
      setMessage(error.message);
    }
  };
  const move = (): void => {
    const moved = file?.moved ?? [];
    for (const { work, pinnedStart, days } of moved) updateRecord('work', work, { pinnedStart, days });
    setFile(file === null || file.unknown.length === 0 ? null : { ...file, moved: [] });
    note({
      text: `${counted(moved.length, 'work')} moved.`,
      undo: () => {
        for (const { work, pinnedStart, days } of moved)
          updateRecord(
            'work',
            { ...work, pinnedStart, days },
            { pinnedStart: work.pinnedStart, days: work.days },
          );
      },
    });
  };
  const add = (what: WorkKind): void => {
    if (adding === null || file === null) return;
    const { name, start, days } = adding;
    createRecord(house.id, 'work', { ...newWork(what, house.id), name, pinnedStart: start, days });
    const unknown = file.unknown.filter((each) => each !== adding);
    setAdding(null);
    setFile(unknown.length + file.moved.length === 0 ? null : { ...file, unknown });
  };
  return (
    <Card title="Calendar file">
      <Text look="small" tone="soft">
        As iCalendar, for any calendar that reads it. One that comes back moves the works that it knows.
      </Text>
      <View style={styles.row}>
        <Button
          label="Save as iCalendar"
          icon="file-download-outline"
          // While dates are worked out for works that were just made, the file would lack them.
          disabled={works.some(({ id }) => !calendar.works.has(id))}
          onPress={() => void save()}
        />
        <FileButton
          label="Bring in a calendar"
          icon="file-upload-outline"
          fileLabel="File of a calendar"
          accept="text/calendar,.ics"
          onFile={(chosen) => void take(chosen)}
        />
      </View>
      <FieldMessage message={message} />
      {file !== null && adding === null && (
        <FoundInFile file={file} onMove={move} onAdd={setAdding} onClose={() => setFile(null)} />
      )}
      {adding !== null && (
        <WorkSheet title={`What is ${adding.name}?`} onChoose={add} onClose={() => setAdding(null)} />
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  unknown: { gap: space.xs },
});
