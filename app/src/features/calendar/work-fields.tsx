import { NAME_MAX } from '@calvet/contract/limits';
import { HALF_WORDS, work as workKind, type Work, workName } from '@calvet/contract/plan/work';
import { TRADE_WORDS } from '@calvet/contract/plan/work-words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Choice, optionsOf } from '../../ui/choice';
import { DayField } from '../../ui/day-field';
import { FieldGrid, GivenField, Labelled, TextField } from '../../ui/field';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useToday } from '../../ui/use-today';
import { PartSheet } from '../built/part-sheet';
import { partNamed } from '../built/parts-of-house';
import { useDelete } from '../shell/use-delete';

const { fields } = workKind;
const lagField = fields.after.item.members.lagDays;
const HALVES = optionsOf(HALF_WORDS);
const TRADES = optionsOf(TRADE_WORDS);

interface DayOrNoneProps {
  readonly label: string;
  readonly value: string | null;
  /** What sets it to a day, and to which. */
  readonly set: string;
  readonly day: string;
  readonly unset: string;
  readonly onChange: (day: string | null) => void;
}

/** A day that there may be none of: one press sets it, another takes it back. */
function DayOrNone({ label, value, set, day, unset, onChange }: DayOrNoneProps) {
  if (value === null) return <Button label={set} onPress={() => onChange(day)} />;
  return (
    <View style={styles.day}>
      <DayField label={label} value={value} onChange={onChange} />
      <Button kind="quiet" label={unset} onPress={() => onChange(null)} />
    </View>
  );
}

interface WorkFieldsProps {
  readonly view: HouseView;
  readonly work: Work;
  /** The day on which it begins as things stand, YYYY-MM-DD; null: none is known. */
  readonly start: string | null;
}

/** What is said of a work: when, after what, on which parts, by whom, and whether it has begun. */
export function WorkFields({ view, work, start }: WorkFieldsProps) {
  const keep = useKeep('work', work);
  const deleteIt = useDelete();
  const today = useToday();
  const [choosing, setChoosing] = useState<'part' | 'work' | null>(null);
  const name = workName(work);
  const others = view.works.filter(({ id }) => id !== work.id && work.after.every((each) => each.id !== id));
  return (
    <>
      <View style={styles.days}>
        <DayOrNone
          label="Begun on"
          value={work.begunOn}
          set="Begun today"
          day={today}
          unset="Not begun"
          onChange={(begunOn) => keep({ begunOn, ...(begunOn === null ? { doneOn: null } : {}) })}
        />
        {work.begunOn !== null && (
          <DayOrNone
            label="Done on"
            value={work.doneOn}
            set="Done today"
            day={today}
            unset="Not done"
            onChange={(doneOn) => keep({ doneOn })}
          />
        )}
        {work.begunOn === null && (
          <DayOrNone
            label="Begins on"
            value={work.pinnedStart}
            set="Set the day on which it begins"
            day={start ?? today}
            unset="Let it follow"
            onChange={(pinnedStart) => keep({ pinnedStart })}
          />
        )}
      </View>
      <FieldGrid>
        {[
          <GivenField
            key="days"
            label="Workdays"
            quantity="count"
            value={work.days}
            bounds={fields.days.bounds}
            onFigure={(days, stage) => keep({ days }, stage)}
          />,
        ]}
      </FieldGrid>
      <Labelled label="Half of its first day">
        <Choice
          label="Half of its first day"
          options={HALVES}
          value={work.half}
          onChange={(half) => keep({ half: half === work.half ? null : half })}
        />
      </Labelled>
      <Labelled label="Follows">
        <View style={styles.list}>
          {work.after.map((each) => {
            const other = view.works.find(({ id }) => id === each.id);
            const otherName = other === undefined ? 'a work that was deleted' : workName(other);
            return (
              <View key={each.id} style={styles.list}>
                <Text look="strong">{otherName}</Text>
                <GivenField
                  label={`Workdays between it and ${otherName}`}
                  quantity="count"
                  value={each.lagDays}
                  bounds={lagField.bounds}
                  onFigure={(lagDays, stage) =>
                    keep(
                      ({ after }) => ({
                        after: after.map((one) => (one.id === each.id ? { ...one, lagDays } : one)),
                      }),
                      stage,
                    )
                  }
                />
                <Button
                  kind="quiet"
                  label={`Do not follow ${otherName}`}
                  onPress={() => keep(({ after }) => ({ after: after.filter(({ id }) => id !== each.id) }))}
                />
              </View>
            );
          })}
          {others.length > 0 && (
            <Button icon="plus" label="Follows another work" onPress={() => setChoosing('work')} />
          )}
        </View>
      </Labelled>
      <Labelled label="On">
        <View style={styles.list}>
          {work.on.map(({ id }) => {
            const part = partNamed(view, id)?.name ?? 'a part that is gone from the drawing';
            return (
              <View key={id} style={styles.part}>
                <Text style={styles.grow}>{part}</Text>
                {work.on.length > 1 && (
                  <Button
                    kind="quiet"
                    label={`Not on ${part}`}
                    onPress={() => keep(({ on }) => ({ on: on.filter((each) => each.id !== id) }))}
                  />
                )}
              </View>
            );
          })}
          <Button icon="plus" label="On another part" onPress={() => setChoosing('part')} />
        </View>
      </Labelled>
      <Labelled label="Who">
        <Choice
          label="Who"
          options={TRADES}
          value={work.trade}
          onChange={(trade) => keep({ trade: trade === work.trade ? null : trade })}
        />
      </Labelled>
      <TextField
        label="Name, if it needs one"
        maxLength={NAME_MAX}
        value={work.name ?? ''}
        onChange={(text) => keep({ name: text.trim() === '' ? null : text })}
      />
      <Button
        kind="quiet"
        icon="trash-can-outline"
        label={`Delete ${name}`}
        onPress={() => deleteIt('work', work, `${name} was deleted.`)}
      />
      {choosing === 'part' && (
        <PartSheet
          view={view}
          title={`What is ${name} on?`}
          suits={({ id }) => work.on.every((each) => each.id !== id)}
          onChoose={({ id, kind }) => {
            setChoosing(null);
            // On all of the house, or on parts of it: both at once say nothing more.
            keep(({ on }) => ({
              on: kind === 'house' ? [{ id }] : [...on.filter((each) => each.id !== view.house.id), { id }],
            }));
          }}
          onClose={() => setChoosing(null)}
        />
      )}
      {choosing === 'work' && (
        <Sheet title={`What does ${name} follow?`} onClose={() => setChoosing(null)}>
          {others.map((other) => (
            <Button
              key={other.id}
              label={workName(other)}
              onPress={() => {
                setChoosing(null);
                keep(({ after }) => ({ after: [...after, { id: other.id, lagDays: 0 }] }));
              }}
            />
          ))}
          <Button kind="quiet" label="Cancel" onPress={() => setChoosing(null)} />
        </Sheet>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  days: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  day: { gap: space.xs, maxWidth: '100%' },
  list: { gap: space.s },
  part: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  grow: { flexGrow: 1 },
});
