import type { Checkpoint } from '@calvet/contract/catalogue/catalogue';
import { PHASE_WORDS, type OwnCheckpoint } from '@calvet/contract/plan/own-checkpoint';
import { COVER_WORDS, TRADE_WORDS } from '@calvet/contract/plan/work-words';
import type { CheckpointHere } from '@calvet/contract/walk/generate-walk';
import type { Look } from '@calvet/contract/walk/looks';
import type { Looked, VerdictValue } from '@calvet/contract/walk/verdict';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { VerdictFields } from './verdict-fields';

interface CheckpointSheetProps {
  readonly here: CheckpointHere;
  /** As the catalogue has it; undefined of one that was added to this house. */
  readonly checkpoint: Checkpoint | undefined;
  readonly own: OwnCheckpoint | undefined;
  readonly look: Look | undefined;
  readonly onGive: (value: VerdictValue, looked?: Looked) => void;
  /** Leaves it out: here alone, or everywhere in this house. */
  readonly onLeaveOut: (where: 'here' | 'everywhere') => void;
  readonly onClose: () => void;
}

/** A text under what it is. */
export function Told({ label, text }: { readonly label: string; readonly text: string }) {
  return (
    <View>
      <Text look="small" tone="soft">
        {label}
      </Text>
      <Text>{text}</Text>
    </View>
  );
}

/** What to look at, what good looks like, how it fails and why it matters. */
export function CheckpointTexts({
  checkpoint: { what, good, fails, why },
}: {
  readonly checkpoint: Checkpoint;
}) {
  return (
    <>
      <Told label="Look at" text={what} />
      <Told label="Good" text={good} />
      <Told label="Fails by" text={fails.join(' · ')} />
      <Told label="Why" text={why} />
    </>
  );
}

/** What a checkpoint asks, what good looks like, and how it fails. */
export function CheckpointSheet(props: CheckpointSheetProps) {
  const { here, checkpoint, own, look, onGive, onLeaveOut, onClose } = props;
  const trade = checkpoint?.trade ?? own?.trade;
  return (
    <Sheet title={checkpoint?.title ?? own?.title ?? 'Checkpoint'} onClose={onClose}>
      <Text tone="soft">{here.itemName}</Text>
      {checkpoint?.caution != null && (
        <Text tone="ember" role="note">
          {checkpoint.caution}
        </Text>
      )}
      <VerdictFields look={look} checkpoint={checkpoint} onGive={onGive} />
      {checkpoint !== undefined && <CheckpointTexts checkpoint={checkpoint} />}
      <Told
        label="When, and what hides it"
        text={`${PHASE_WORDS[here.phase]} · ${COVER_WORDS[here.coverEvent].toLowerCase()}`}
      />
      {trade !== undefined && <Told label="Whose work" text={TRADE_WORDS[trade]} />}
      {checkpoint?.beyondMinimum === true && (
        <Text look="small" tone="soft">
          Usually more than the code asks: recorded so, no house fails on it alone.
        </Text>
      )}
      <View style={styles.deeds}>
        <Button
          label={own === undefined ? 'Leave it out here' : 'Take it away'}
          onPress={() => onLeaveOut('here')}
        />
        {own === undefined && (
          <Button label="Leave it out in all of this house" onPress={() => onLeaveOut('everywhere')} />
        )}
        <Button kind="main" label="Close" onPress={onClose} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ deeds: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
