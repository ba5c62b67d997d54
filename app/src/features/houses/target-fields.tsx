import { house, HOUSE_TARGET_QUANTITIES, type HouseTarget } from '@calvet/contract/house/house';
import type { UnitSystem } from '@calvet/core/units/quantity';
import { usePreferences } from '../../data/preferences';
import type { EntryStage } from '../../data/typing';
import { Choice, type Option } from '../../ui/choice';
import { messageOf } from '../../ui/entry-message';
import { NumberField } from '../../ui/field';
import { targetWords } from '../door-test/words';

/** A target whose limit may not be entered yet. */
export interface TargetDraft {
  readonly quantity: HouseTarget['quantity'];
  readonly limit: number | null;
}

export const { limit: LIMIT } = house.fields.target.members;

function targetsIn(units: UnitSystem): readonly Option<HouseTarget['quantity']>[] {
  return HOUSE_TARGET_QUANTITIES.map((quantity) => {
    const { symbol, per } = targetWords(quantity, units);
    return { value: quantity, label: `${symbol}, ${per}` };
  });
}

interface TargetFieldsProps {
  readonly target: TargetDraft;
  /** What is wrong with the limit, where that is known outside. */
  readonly message?: string;
  /** There is a target: a limit that is left empty goes back to the one before. */
  readonly isRequired?: boolean;
  readonly onWrong?: (label: string, isWrong: boolean) => void;
  readonly onChange: (target: TargetDraft, stage: EntryStage) => void;
}

/** A figure of airtightness, and its greatest value. */
export function TargetFields({ target, message, isRequired, onWrong, onChange }: TargetFieldsProps) {
  const { units } = usePreferences();
  const { quantity, unit } = targetWords(target.quantity, units);
  return (
    <>
      <Choice
        label="Quantity of the target"
        options={targetsIn(units)}
        value={target.quantity}
        onChange={(next) => onChange({ quantity: next, limit: null }, 'entered')}
      />
      <NumberField
        key={target.quantity}
        label="Limit"
        unit={unit}
        quantity={quantity}
        value={target.limit}
        bounds={LIMIT.bounds}
        message={
          message === undefined
            ? null
            : messageOf({ code: 'required', field: 'limit', message }, { quantity, units })
        }
        onTroubleChange={(trouble) => onWrong?.('Limit', trouble !== null)}
        isRequired={isRequired}
        onCommit={(limit, stage) => onChange({ ...target, limit }, stage)}
      />
    </>
  );
}
