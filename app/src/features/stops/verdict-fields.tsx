import type { Checkpoint } from '@calvet/contract/catalogue/catalogue';
import type { Look } from '@calvet/contract/walk/looks';
import { VERDICT_WORDS, type Looked, type VerdictValue } from '@calvet/contract/walk/verdict';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Choice, optionsOf } from '../../ui/choice';
import { Labelled } from '../../ui/field';
import { ManyChoice } from '../../ui/many-choice';
import { space } from '../../ui/tokens';
import { LookSaid } from './look-said';
import { MendFields } from './mend-fields';

const VALUES = optionsOf(VERDICT_WORDS);
const OPENED_UP = [{ value: 'openedUp', label: 'It was opened up' }] as const;

/** Says of what was covered unseen that it was opened up. */
export function OpenedUp({
  isOpen,
  onChange,
}: {
  readonly isOpen: boolean;
  readonly onChange: (isOpen: boolean) => void;
}) {
  return (
    <ManyChoice
      label="How you know"
      options={OPENED_UP}
      values={isOpen ? ['openedUp'] : []}
      onChange={(values) => onChange(values.length > 0)}
    />
  );
}

interface VerdictFieldsProps {
  readonly look: Look | undefined;
  /** As the catalogue has it; undefined of one that was added to this house. */
  readonly checkpoint: Checkpoint | undefined;
  readonly onGive: (value: VerdictValue, looked?: Looked) => void;
}

/** What was found at a checkpoint: one tap says it; what is to be mended is told beside. */
export function VerdictFields({ look, checkpoint, onGive }: VerdictFieldsProps) {
  const [isOpenedUp, setOpenedUp] = useState(false);
  const counts = look?.standing?.counts;
  return (
    <View style={styles.fields}>
      <Labelled label="What you found">
        <Choice
          label="What you found"
          options={VALUES}
          value={counts?.value ?? null}
          onChange={(value) => onGive(value, isOpenedUp ? 'openedUp' : undefined)}
        />
      </Labelled>
      <LookSaid look={look} />
      {look?.state === 'covered' && <OpenedUp isOpen={isOpenedUp} onChange={setOpenedUp} />}
      {counts?.value === 'mend' && <MendFields key={counts.id} verdict={counts} checkpoint={checkpoint} />}
    </View>
  );
}

const styles = StyleSheet.create({ fields: { gap: space.m } });
