import { isFirstKind, kindNamed, type Kind, type KindedRecord } from '@calvet/contract/kinds';
import { useRouter, type Href } from 'expo-router';
import { ScrollView, StyleSheet, View } from 'react-native';
import { useHeldNames, useHeldRecord, useOutbox } from '../../data/hooks';
import { isOfDeletedHouse, type Choice, type Troubled } from '../../data/outbox-rules';
import { usePreferences } from '../../data/preferences';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Text } from '../../ui/text';
import { usePalette } from '../../ui/theme';
import { space } from '../../ui/tokens';
import { disputesIn, editsIn, timeWords } from './disputes';
import { deedOf, labelOf, subjectOf } from './field-words';

/** The screen on which a record is entered. */
function hrefOfRecord({ ledgerId, change: { kind, id } }: Troubled): Href {
  const { page, ledger } = kindNamed(kind);
  const at = ledger === 'practice' ? '/practice' : `/houses/${ledgerId}`;
  if (isFirstKind(kind)) return (kind === 'house' ? `${at}/edit` : at) as Href;
  return `${at}/${page}/${id}` as Href;
}

/** The field that a refusal is about, as it is called on the screen. */
function refusedFieldWords(kind: Kind, path: string): string {
  const [, field] = /body\.([A-Za-z0-9]+)/.exec(path) ?? [];
  return field === undefined ? '' : `${labelOf(kind, field)}: `;
}

interface TroubleProps {
  readonly troubled: Troubled;
  readonly name: string;
}

interface DecidingProps {
  /** All that is settled together. */
  readonly group: readonly Troubled[];
  readonly choices: readonly (readonly [label: string, choice: Choice])[];
}

function Deciding({ group, choices }: DecidingProps) {
  const { decide } = useStore();
  return (
    <View style={styles.row}>
      {choices.map(([label, choice]) => (
        <Button key={label} label={label} onPress={() => decide(group, choice)} />
      ))}
    </View>
  );
}

/** What another did to the record, against what was entered here. */
function Conflict({ troubled, name }: TroubleProps) {
  const { trouble, change, ledgerId } = troubled;
  const { units } = usePreferences();
  const held = useHeldRecord(ledgerId, change.id);
  if (trouble.kind !== 'conflict') return null;
  const { record } = trouble.current;
  if (change.op === 'delete') {
    const edits = editsIn(troubled);
    return (
      <>
        <Text look="strong">You deleted {name}, which was changed on another device meanwhile.</Text>
        {edits !== null && (
          <Text>
            Changed: {edits.fields} ({edits.by}, {edits.at}).
          </Text>
        )}
        <Deciding
          group={[troubled]}
          choices={[
            ['Delete it all the same', 'mine'],
            ['Leave it there', 'theirs'],
          ]}
        />
      </>
    );
  }
  if (record.deletedAt !== null) {
    return (
      <>
        <Text look="strong">{name} was deleted on another device meanwhile.</Text>
        <Text>
          Deleted by {record.updatedBy}, {timeWords(record.updatedAt)}. Yours: {deedOf(change)}.
        </Text>
        <Deciding
          group={[troubled]}
          choices={[
            ['Put it back, with mine', 'mine'],
            ['Leave it deleted', 'theirs'],
          ]}
        />
      </>
    );
  }
  return (
    <>
      <Text look="strong">{name} was changed on another device meanwhile.</Text>
      {disputesIn(troubled, units, held).map(({ key, label, mine, theirs, by, at }) => (
        <View key={key}>
          <Text look="small" tone="soft">
            {label}
          </Text>
          <Text>Yours: {mine}</Text>
          <Text>
            Theirs: {theirs} ({by}, {at})
          </Text>
        </View>
      ))}
      <Deciding
        group={[troubled]}
        choices={[
          ['Keep mine', 'mine'],
          ['Take theirs', 'theirs'],
        ]}
      />
    </>
  );
}

interface DeletedHouseProps {
  readonly group: readonly Troubled[];
  readonly record: KindedRecord['record'];
  readonly name: string;
}

/** A house that another deleted while things were entered in it: one question, however much waits. */
function DeletedHouse({ group, record, name }: DeletedHouseProps) {
  return (
    <>
      <Text look="strong">{name} was deleted on another device meanwhile.</Text>
      <Text>
        Deleted by {record.updatedBy}, {timeWords(record.updatedAt)}.{' '}
        {group.length === 1
          ? 'One entry of yours waits in it.'
          : `${group.length} entries of yours wait in it.`}
      </Text>
      <Deciding
        group={group}
        choices={[
          ['Put the house back, with mine', 'mine'],
          ['Leave it deleted', 'theirs'],
        ]}
      />
    </>
  );
}

function Refused({ troubled, name }: TroubleProps) {
  const router = useRouter();
  const { decide } = useStore();
  const { trouble } = troubled;
  if (trouble.kind !== 'refused') return null;
  return (
    <>
      <Text look="strong">{name} could not be stored.</Text>
      <Text>
        {refusedFieldWords(troubled.change.kind, trouble.field)}
        {trouble.message} Put it right where it stands, and it is sent again.
      </Text>
      <View style={styles.row}>
        <Button label="Open it" onPress={() => router.navigate(hrefOfRecord(troubled))} />
        <Button label="Send again" onPress={() => decide([troubled], 'again')} />
        <Button label="Let go of it" onPress={() => decide([troubled], 'let go')} />
      </View>
    </>
  );
}

/** What the server did not take, until a person decides. */
export function TroubleBanner() {
  const palette = usePalette();
  const names = useHeldNames();
  const { troubled } = useOutbox();
  if (troubled.length === 0) return null;
  return (
    <ScrollView
      role="alert"
      // What can be scrolled can be reached by keys.
      tabIndex={0}
      style={[styles.banner, { backgroundColor: palette.strawTint, borderBottomColor: palette.straw }]}
      contentContainerStyle={styles.troubles}
    >
      {[...groups(troubled).values()].map((group) => {
        const [first] = group;
        if (first === undefined) return null;
        return (
          <View key={first.change.changeId} style={styles.trouble}>
            <Question group={group} first={first} names={names} />
          </View>
        );
      })}
    </ScrollView>
  );
}

interface QuestionProps {
  readonly group: readonly Troubled[];
  readonly first: Troubled;
  readonly names: ReadonlyMap<string, string>;
}

function Question({ group, first, names }: QuestionProps) {
  const name = subjectOf(first.change, names.get(first.change.id));
  if (first.trouble.kind === 'refused') return <Refused troubled={first} name={name} />;
  if (!isOfDeletedHouse(first)) return <Conflict troubled={first} name={name} />;
  const { record } = first.trouble.current;
  return <DeletedHouse group={group} record={record} name={houseName(record)} />;
}

const houseName = (record: KindedRecord['record']): string =>
  'name' in record ? `House “${record.name}”` : 'The house';

/** What waits in a house that was deleted stands together; all else for itself. */
function groups(troubled: readonly Troubled[]): ReadonlyMap<string, readonly Troubled[]> {
  const found = new Map<string, Troubled[]>();
  for (const each of troubled) {
    const key = isOfDeletedHouse(each) ? each.ledgerId : each.change.changeId;
    found.set(key, [...(found.get(key) ?? []), each]);
  }
  return found;
}

const styles = StyleSheet.create({
  // However many there are, the page beneath stays in reach.
  banner: { flexGrow: 0, maxHeight: '50%', borderBottomWidth: 1 },
  troubles: { padding: space.l, gap: space.l },
  trouble: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
