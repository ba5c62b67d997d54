import { NAME_MAX } from '@calvet/contract/limits';
import { storey as storeyKind, UNDER_WORDS, type Storey } from '@calvet/contract/plan/storey';
import { useState } from 'react';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { Choice, optionsOf } from '../../ui/choice';
import { FieldGrid, GivenField, Labelled, TextField } from '../../ui/field';
import { useKeep } from '../../data/use-keep';
import { useDelete } from '../shell/use-delete';

const { fields } = storeyKind;

const UNDERS = optionsOf(UNDER_WORDS);

const COUNTS = [
  { value: 'yes', label: 'Counts' },
  { value: 'no', label: 'Does not count' },
] as const;

/** What a storey is beside its outline: name, heights, what is below. */
export function StoreyPanel({ storey, onGone }: { readonly storey: Storey; readonly onGone: () => void }) {
  const keep = useKeep('storey', storey);
  const [noName, setNoName] = useState<string | null>(null);
  const deleteIt = useDelete();
  const remove = (): void => {
    deleteIt('storey', storey, `${storey.name} was deleted. What was recorded on it stays.`);
    onGone();
  };
  return (
    <Card title={storey.name}>
      <TextField
        label="Name"
        maxLength={NAME_MAX}
        value={noName ?? storey.name}
        message={noName === null ? null : 'Give the storey a name.'}
        onChange={(text) => {
          const isName = text.trim() !== '';
          setNoName(isName ? null : text);
          if (isName) keep({ name: text });
        }}
      />
      <FieldGrid>
        <GivenField
          label="Clear height"
          quantity="length"
          value={storey.heightM}
          bounds={fields.heightM.bounds}
          onFigure={(si, stage) => keep({ heightM: si }, stage)}
        />
        <GivenField
          label="Floor frame"
          hint="0 for a slab"
          quantity="thickness"
          value={storey.floorDepthM}
          bounds={fields.floorDepthM.bounds}
          onFigure={(si, stage) => keep({ floorDepthM: si }, stage)}
        />
        <GivenField
          label="Opening in its floor"
          quantity="area"
          value={storey.floorVoidM2}
          bounds={fields.floorVoidM2.bounds}
          onFigure={(si, stage) => keep({ floorVoidM2: si }, stage)}
        />
      </FieldGrid>
      <Labelled label="Below its floor, where no storey and no unheated room is">
        <Choice
          label="Below its floor"
          options={UNDERS}
          value={storey.under}
          onChange={(under) => keep({ under })}
        />
      </Labelled>
      <Labelled label="Floor area">
        <Choice
          label="Floor area"
          options={COUNTS}
          value={storey.countsAsFloor ? 'yes' : 'no'}
          onChange={(answer) => keep({ countsAsFloor: answer === 'yes' })}
        />
      </Labelled>
      <Button kind="quiet" icon="trash-can-outline" label="Delete this storey" onPress={remove} />
    </Card>
  );
}
