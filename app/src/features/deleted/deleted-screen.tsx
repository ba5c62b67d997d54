import type { KindedRecord } from '@calvet/contract';
import { StyleSheet, View } from 'react-native';
import { useDeletedThings, type DeletedThing } from '../../data/hooks';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { day } from '../../ui/format';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useNote } from '../../ui/undo';
import { STAGE_WORDS } from '../airtightness/words';
import { timeWords } from '../shell/disputes';
import { KIND_WORDS } from '../shell/field-words';
import { Screen } from '../shell/screen';

/** What a record is told apart by. */
function titleOf(item: KindedRecord): string {
  switch (item.kind) {
    case 'house':
    case 'area':
      return `${KIND_WORDS[item.kind]} “${item.record.name}”`;
    case 'airtightnessTest':
      return `${KIND_WORDS[item.kind]}, ${STAGE_WORDS[item.record.stage]}, ${day(item.record.performedOn)}`;
    case 'photo':
      return item.record.caption === '' ? KIND_WORDS.photo : `${KIND_WORDS.photo} “${item.record.caption}”`;
  }
}

function DeletedLine({ thing }: { readonly thing: DeletedThing }) {
  const { restoreRecord } = useStore();
  const note = useNote();
  const { item, houseName, deletedAt } = thing;
  const { record, kind } = item;
  const title = titleOf(item);
  const where = kind === 'house' || houseName === undefined ? '' : `${houseName} · `;
  const when =
    deletedAt === null
      ? 'deleted here, not sent yet'
      : `deleted by ${record.updatedBy}, ${timeWords(deletedAt)}`;
  return (
    <Card>
      <View style={styles.line}>
        <View style={styles.words}>
          <Text look="strong">{title}</Text>
          <Text look="small" tone="soft">
            {where}
            {when}
          </Text>
        </View>
        <Button
          label="Put it back"
          onPress={() => {
            restoreRecord(record.houseId, kind, record.id);
            note({ text: `${title} is back.` });
          }}
        />
      </View>
    </Card>
  );
}

/** What was deleted within the last 30 days, and the way to have it back. */
export function DeletedScreen() {
  const things = useDeletedThings();
  return (
    <Screen name="Deleted of late" back="/" backLabel="Back to the houses">
      <Text look="answer" level={2}>
        {things.length === 0
          ? 'Nothing was deleted of late'
          : `${things.length} ${things.length === 1 ? 'thing' : 'things'} can be put back`}
      </Text>
      <Text tone="soft">
        What was deleted stays here for 30 days: of houses that are on this device, and whole houses.
      </Text>
      {things.map((thing) => (
        <DeletedLine key={thing.item.record.id} thing={thing} />
      ))}
    </Screen>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: space.m },
  words: { flexGrow: 1, flexShrink: 1, flexBasis: 180, minWidth: 0 },
});
