import type { Plan } from '@calvet/contract/plan/plan';
import { ownCheckpointFields, PHASE_WORDS, type Phase } from '@calvet/contract/plan/own-checkpoint';
import { COVER_WORDS, TRADE_WORDS, type CoverEvent, type Trade } from '@calvet/contract/plan/work-words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import { useKeep } from '../../data/use-keep';
import { Button } from '../../ui/button';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled, TextField } from '../../ui/field';
import { Sheet } from '../../ui/sheet';
import { space } from '../../ui/tokens';

const PHASES = optionsOf(PHASE_WORDS);
const COVERS = optionsOf(COVER_WORDS);
const TRADES = optionsOf(TRADE_WORDS);

interface AddCheckpointProps {
  readonly plan: Plan;
  /** Key of the item that it will be at, and what that is called. */
  readonly item: string;
  readonly itemName: string;
  readonly onClose: () => void;
}

/** A checkpoint of somebody's own, at one item of a house. */
export function AddCheckpoint({ plan, item, itemName, onClose }: AddCheckpointProps) {
  const keep = useKeep('plan', plan);
  const [title, setTitle] = useState('');
  const [phase, setPhase] = useState<Phase>('beforeFill');
  const [coverEvent, setCoverEvent] = useState<CoverEvent>('lining');
  const [trade, setTrade] = useState<Trade>('airSealer');
  const [isAsked, setAsked] = useState(false);
  const add = (): void => {
    if (title.trim() === '') {
      setAsked(true);
      return;
    }
    keep(({ checkpointsAdded }) => ({
      checkpointsAdded: [
        ...checkpointsAdded,
        { id: v7(), title: title.trim(), at: item, phase, trade, coverEvent },
      ],
    }));
    onClose();
  };
  return (
    <Sheet title={`A checkpoint at ${itemName}`} onClose={onClose}>
      <TextField
        label="What should be true there"
        maxLength={ownCheckpointFields.title.max}
        value={title}
        message={isAsked && title.trim() === '' ? 'Say what is to be looked at.' : null}
        onChange={setTitle}
        autoFocus
      />
      <Labelled label="When">
        <Choice label="When" options={PHASES} value={phase} onChange={setPhase} />
      </Labelled>
      <Labelled label="Hidden by">
        <Choice label="Hidden by" options={COVERS} value={coverEvent} onChange={setCoverEvent} />
      </Labelled>
      <Labelled label="Whose work">
        <Choice label="Whose work" options={TRADES} value={trade} onChange={setTrade} />
      </Labelled>
      <View style={styles.deeds}>
        <Button kind="main" label="Add it" onPress={add} />
        <Button kind="quiet" label="Cancel" onPress={onClose} />
      </View>
    </Sheet>
  );
}

const styles = StyleSheet.create({ deeds: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
