import type { BesideWall } from '@calvet/contract/plan/beside-wall';
import { wallFields } from '@calvet/contract/plan/storey';
import type { EntryStage } from '../../data/typing';
import { FieldGrid, GivenField } from '../../ui/field';

interface BesideFieldsProps {
  readonly beside: BesideWall;
  readonly depthLabel: string;
  readonly onChange: (beside: BesideWall, stage: EntryStage) => void;
}

/** Where a rectangle lies against a wall, and how large it is. */
export function BesideFields({ beside, depthLabel, onChange }: BesideFieldsProps) {
  const { fromM, toM, depthM } = beside;
  const { lengthM, groundStartM } = wallFields.members;
  return (
    <FieldGrid>
      <GivenField
        label="Width along the wall"
        quantity="length"
        value={toM - fromM}
        bounds={lengthM.bounds}
        onFigure={(si, stage) => onChange({ ...beside, toM: fromM + si }, stage)}
      />
      <GivenField
        label={depthLabel}
        quantity="length"
        value={depthM}
        bounds={lengthM.bounds}
        onFigure={(si, stage) => onChange({ ...beside, depthM: si }, stage)}
      />
      <GivenField
        label="Begins, from the wall's left end"
        quantity="length"
        value={fromM}
        bounds={groundStartM.bounds}
        onFigure={(si, stage) => onChange({ ...beside, fromM: si, toM: si + toM - fromM }, stage)}
      />
    </FieldGrid>
  );
}
