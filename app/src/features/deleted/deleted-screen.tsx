import { StyleSheet, View } from 'react-native';
import { useDeletedThings, type DeletedThing } from '../../data/hooks';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { useNote } from '../../ui/undo';
import { timeWords } from '../shell/disputes';
import { Screen } from '../shell/screen';
import { titleWords } from '../shell/value-words';

function DeletedLine({ thing }: { readonly thing: DeletedThing }) {
  const { restoreRecord } = useStore();
  const note = useNote();
  const { item, houseName, deletedAt } = thing;
  const { record, kind } = item;
  const title = titleWords(item);
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
            restoreRecord(record.ledgerId, kind, record.id);
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
