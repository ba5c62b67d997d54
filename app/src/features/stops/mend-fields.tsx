import type { Checkpoint, Evidence } from '@calvet/contract/catalogue/catalogue';
import { VERDICT_NOTE_MAX, READING_MAX, type ReadingOf, type Verdict } from '@calvet/contract/walk/verdict';
import type { Quantity } from '@calvet/core/units/quantity';
import { v7 } from 'uuid';
import { useKeep } from '../../data/use-keep';
import { Labelled, NumberField } from '../../ui/field';
import { ManyChoice } from '../../ui/many-choice';
import { SaidField } from '../../ui/said-field';

/** What is read off as evidence, and as what figure. */
const READINGS: Readonly<
  Partial<Record<Evidence, { readonly of: ReadingOf; readonly quantity: Quantity; readonly label: string }>>
> = {
  gapWidth: { of: 'gap', quantity: 'gap', label: 'Width of the gap' },
  count: { of: 'count', quantity: 'count', label: 'How many' },
  depth: { of: 'thickness', quantity: 'thickness', label: 'Depth' },
  density: { of: 'density', quantity: 'density', label: 'Density' },
  reading: { of: 'share', quantity: 'share', label: 'Moisture' },
};

const READING_BOUNDS = { kind: 'number', min: 0, max: READING_MAX } as const;

interface MendFieldsProps {
  readonly verdict: Verdict;
  /** As the catalogue has it; undefined of one that was added to this house. */
  readonly checkpoint: Checkpoint | undefined;
}

/** In what it fails, of what the catalogue offers and what was said before; what was read off, and a note. */
export function MendFields({ verdict, checkpoint }: MendFieldsProps) {
  const keep = useKeep('verdict', verdict);
  const said = verdict.reasons.map(({ name }) => name);
  const offered = [...new Set([...(checkpoint?.fails ?? []), ...said])].map((name) => ({
    value: name,
    label: name,
  }));
  const evidence = (checkpoint?.evidence ?? []).flatMap((each) => READINGS[each] ?? []);
  return (
    <>
      {offered.length > 0 && (
        <Labelled label="How it fails">
          <ManyChoice
            label="How it fails"
            options={offered}
            values={said}
            onChange={(names) => keep({ reasons: names.map((name) => ({ name })) })}
          />
        </Labelled>
      )}
      {evidence.map(({ of, quantity, label }) => {
        const reading = verdict.readings.find((each) => each.of === of);
        return (
          <NumberField
            key={of}
            label={label}
            quantity={quantity}
            value={reading?.value ?? null}
            bounds={READING_BOUNDS}
            onCommit={(value, stage) =>
              keep(({ readings }) => {
                const others = readings.filter((each) => each.of !== of);
                return {
                  readings: value === null ? others : [...others, { id: reading?.id ?? v7(), of, value }],
                };
              }, stage)
            }
          />
        );
      })}
      <SaidField
        label="Note"
        maxLength={VERDICT_NOTE_MAX}
        value={verdict.note}
        onChange={(note) => keep({ note })}
      />
    </>
  );
}
