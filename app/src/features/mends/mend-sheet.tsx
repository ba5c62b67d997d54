import { NAME_MAX, SAID_MAX } from '@calvet/contract/limits';
import type { MendHere } from '@calvet/contract/mends/mend-list';
import { TRADE_WORDS } from '@calvet/contract/plan/work-words';
import { LEAK_WORDS, mend as kind, MEND_WORDS, type Leak } from '@calvet/contract/walk/mend';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { HouseView } from '../../data/as-drawn';
import { useStore } from '../../data/store-context';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled, NumberField } from '../../ui/field';
import { OpenButton } from '../../ui/open-button';
import { SaidField } from '../../ui/said-field';
import { Sheet } from '../../ui/sheet';
import { Text } from '../../ui/text';
import { space } from '../../ui/tokens';
import { PhotosCard } from '../record/photos-card';
import { Told } from '../stops/checkpoint-sheet';

const TRADES = optionsOf(TRADE_WORDS);
const STATES = optionsOf(MEND_WORDS);
const LEAKS = optionsOf(LEAK_WORDS);
const { fields } = kind;

interface MendSheetProps {
  readonly view: HouseView;
  readonly mend: MendHere;
  /** Ways in which the catalogue knows it to fail. */
  readonly fails: readonly string[];
  /** Somebody looked again and it is good; null: it has no checkpoint. */
  readonly onGood: (() => void) | null;
  readonly onClose: () => void;
}

/** One mend: what, why and how, whose work, how far it is. What is left alone stays as the catalogue and the rules say. */
export function MendSheet({ view, mend, fails, onGood, onClose }: MendSheetProps) {
  const { record } = mend;
  const keep = useKeep('mend', record);
  const { makeIfNew } = useStore();
  const [isMore, setMore] = useState(false);
  const isAccepted = mend.state === 'accepted';
  return (
    <Sheet title={mend.what} onClose={onClose}>
      <Text tone="soft">{mend.placeName}</Text>
      {mend.why !== '' && <Told label="Why" text={mend.why} />}
      {mend.how !== '' && <Told label="Good" text={mend.how} />}
      {fails.length > 0 && <Told label="Fails by" text={fails.join(' · ')} />}
      {onGood !== null && (
        <Button
          kind="main"
          icon="check"
          label="Looked again: it is good"
          onPress={() => {
            onClose();
            onGood();
          }}
        />
      )}
      <Labelled label="How far it is">
        <Choice
          label="How far it is"
          options={STATES}
          value={mend.state}
          onChange={(state) => keep({ state })}
        />
      </Labelled>
      {(isAccepted || mend.state === 'notYet') && (
        <SaidField
          label="Reason"
          multiline={false}
          maxLength={SAID_MAX}
          value={record.reason}
          message={isAccepted && record.reason === null ? 'Say why it is accepted as it is.' : null}
          onChange={(reason) => keep({ reason })}
        />
      )}
      {isAccepted && (
        <SaidField
          label="Reviewed by"
          multiline={false}
          maxLength={NAME_MAX}
          value={record.reviewer}
          message={record.reviewer === null ? 'Say who decided it.' : null}
          onChange={(reviewer) => keep({ reviewer })}
        />
      )}
      <Labelled label="Whose work">
        <Choice
          label="Whose work"
          options={TRADES}
          value={mend.trade}
          onChange={(trade) => keep({ trade })}
        />
      </Labelled>
      <NumberField
        label="Minutes"
        quantity="duration"
        value={mend.minutes}
        bounds={fields.minutes.bounds}
        hint={record.minutes === null ? 'Our own estimate, until you say another.' : null}
        onCommit={(minutes, stage) => keep({ minutes }, stage)}
      />
      <OpenButton isOpen={isMore} label="More" onToggle={setMore} />
      {isMore && (
        <>
          {(['what', 'why', 'how'] as const).map((name) => (
            <SaidField
              key={name}
              label={`${fields[name].label}, in your words`}
              maxLength={SAID_MAX}
              value={record[name]}
              onChange={(text) => keep({ [name]: text })}
            />
          ))}
          <Labelled label="How much it leaks at 50 Pa">
            <Choice<Leak>
              label="How much it leaks at 50 Pa"
              options={LEAKS}
              value={record.leak}
              onChange={(leak) => keep({ leak })}
            />
          </Labelled>
        </>
      )}
      <PhotosCard
        view={view}
        subject={{ kind: 'mend', id: record.id }}
        hint="Before it is mended, and once it is."
        onBeforeAdding={() => makeIfNew('mend', record)}
      />
      <View style={styles.row}>
        <Button kind={onGood === null ? 'main' : 'plain'} label="Done" onPress={onClose} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
