import { wallBounds } from '@calvet/contract/plan/wall-bounds';
import { useState } from 'react';
import { Choice } from '../../ui/choice';
import { Labelled, NumberField } from '../../ui/field';
import type { EntryStage } from '../../data/typing';

const TURNS = [
  { value: '90', label: 'Right' },
  { value: '-90', label: 'Left' },
  { value: '0', label: 'Straight on' },
  { value: '45', label: 'Right 45°' },
  { value: '-45', label: 'Left 45°' },
  { value: 'other', label: 'Other' },
] as const;

type Turn = (typeof TURNS)[number]['value'];

const turnOf = (degrees: number): Turn =>
  TURNS.find(({ value }) => value === String(degrees))?.value ?? 'other';

interface TurnChoiceProps {
  readonly degrees: number;
  readonly onChange: (degrees: number, stage?: EntryStage) => void;
}

/** Which way the next wall goes: the usual turns by a tap, others as a figure. */
export function TurnChoice({ degrees, onChange }: TurnChoiceProps) {
  const [isOther, setOther] = useState(false);
  const shown = isOther ? 'other' : turnOf(degrees);
  return (
    <Labelled label="At its end, seen from above, the next wall goes">
      <Choice
        label="Turn at its end"
        options={TURNS}
        value={shown}
        onChange={(turn) => {
          setOther(turn === 'other');
          if (turn !== 'other') onChange(Number(turn));
        }}
      />
      {shown === 'other' && (
        <NumberField
          label="Degrees to the right, less than 0 to the left"
          quantity="plain"
          unit="°"
          value={degrees}
          bounds={wallBounds.turnDeg}
          isRequired
          onCommit={(si, stage) => {
            if (si !== null) onChange(si, stage);
          }}
        />
      )}
    </Labelled>
  );
}
