import { wallFields } from '@calvet/contract/plan/storey';
import { useState } from 'react';
import { Choice } from '../../ui/choice';
import { GivenField, Labelled } from '../../ui/field';
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
        <GivenField
          label="Degrees to the right, less than 0 to the left"
          quantity="plain"
          unit="°"
          value={degrees}
          bounds={wallFields.members.turnDeg.bounds}
          onFigure={(si, stage) => onChange(si, stage)}
        />
      )}
    </Labelled>
  );
}
