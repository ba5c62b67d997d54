import type { MaterialBody } from '@calvet/contract/installation/material';
import { troubleOf } from '@calvet/contract/installation/material-doubts';
import { NO_MATTER } from '@calvet/contract/installation/matter';
import type { KnownMaterial } from '@calvet/contract/installation/material-library';
import { PRACTICE_ID } from '@calvet/contract/ledger';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 } from 'uuid';
import { usePractice } from '../../data/hooks';
import { useStore } from '../../data/store-context';
import { Button } from '../../ui/button';
import { FieldMessage } from '../../ui/field';
import { space } from '../../ui/tokens';
import { MaterialFields } from './material-fields';

/** A material of which nothing is known yet but what it is called. */
export const unknownMaterial = (name: string): MaterialBody => {
  const { materialId: _none, ...nothing } = NO_MATTER;
  return {
    ...nothing,
    name,
    group: 'other',
    alters: null,
    basis: '',
    conductivityWmK: null,
    rsi: null,
    thicknessM: null,
    muDry: null,
    muDamp: null,
    pressing: 'rigid',
    vapourKind: 'other',
    isAirtight: false,
    traits: null,
  };
};

/** A material of the library with figures of the practice's own: it says anew where they are from. */
export const alteredMaterial = ({
  id,
  conductivityRange: _range,
  basis: _basis,
  isOwn: _isOwn,
  ...figures
}: KnownMaterial): MaterialBody => ({ ...figures, alters: id, basis: '' });

interface NewMaterialProps {
  /** What it begins with. */
  readonly begin: MaterialBody;
  /** Called once it is kept, with its id. */
  readonly onKept: (id: string, body: MaterialBody) => void;
  readonly onCancel: () => void;
}

/** A material that is being described, and is kept for the whole practice once nothing is missing. */
export function NewMaterial({ begin, onKept, onCancel }: NewMaterialProps) {
  const practice = usePractice();
  const { createRecord, makeIfNew } = useStore();
  const [body, setBody] = useState(begin);
  const [wasAsked, setAsked] = useState(false);
  const trouble = troubleOf(body);
  const keep = (): void => {
    setAsked(true);
    if (trouble !== null) return;
    makeIfNew('practice', practice);
    const id = v7();
    createRecord(PRACTICE_ID, 'material', body, id);
    onKept(id, body);
  };
  return (
    <View style={styles.all} role="group" aria-label="New material">
      <MaterialFields
        material={body}
        onChange={(change, stage) => {
          if (stage !== 'typed') setBody((before) => ({ ...before, ...change }));
        }}
      />
      {wasAsked && <FieldMessage message={trouble} />}
      <View style={styles.row}>
        <Button kind="main" label="Keep it in the library" onPress={keep} />
        <Button kind="quiet" label="Do not" onPress={onCancel} />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  all: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
