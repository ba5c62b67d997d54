import { HOUSE_BOUNDS, HOUSE_TARGET_QUANTITIES, TARGET_LIMIT_BOUNDS, type HouseBody } from '@calvet/contract';
import type { Quantity, UnitSystem } from '@calvet/core';
import { misfit, type NumberSchema } from '@calvet/core/schema';
import { Controller, type Control, type FieldErrors, type Resolver } from 'react-hook-form';
import { usePreferences } from '../../data/preferences';
import type { EntryStage } from '../../data/typing';
import { Card } from '../../ui/card';
import { Choice, type Option } from '../../ui/choice';
import { messageOf } from '../../ui/entry-message';
import { FieldGrid, Labelled, NumberField, TextField } from '../../ui/field';
import { Text } from '../../ui/text';
import { targetWords } from '../airtightness/words';

const TEXT_MAX = 120;

/** The form's own state: what was not entered yet is null. */
export type HouseDraft = { readonly [K in Exclude<keyof HouseBody, 'target'>]: HouseBody[K] | null } & {
  readonly target: { readonly quantity: HouseBody['target']['quantity']; readonly limit: number | null };
};

export const EMPTY_HOUSE: HouseDraft = {
  name: '',
  place: '',
  builder: '',
  volumeM3: null,
  floorAreaM2: null,
  envelopeAreaM2: null,
  heightM: null,
  storeys: null,
  bedrooms: null,
  target: { quantity: 'n50', limit: null },
  referenceMethod: 'iso9972',
  assemblyMethod: 'iso6946',
  filmConvention: 'iso',
  gradeSchool: 'voidFraction',
};

const NUMBERS = [
  ['volumeM3', 'Volume', 'volume'],
  ['envelopeAreaM2', 'Envelope area', 'area'],
  ['floorAreaM2', 'Floor area', 'area'],
  ['heightM', 'Height', 'length'],
  ['storeys', 'Storeys', 'count'],
  ['bedrooms', 'Bedrooms', 'count'],
] as const satisfies readonly (readonly [keyof HouseBody, string, Quantity])[];

function targetsIn(units: UnitSystem): readonly Option<HouseBody['target']['quantity']>[] {
  return HOUSE_TARGET_QUANTITIES.map((quantity) => {
    const { symbol, per } = targetWords(quantity, units);
    return { value: quantity, label: `${symbol}, ${per}` };
  });
}

const CONVENTIONS = {
  referenceMethod: {
    label: 'Reference conditions of a test',
    options: [
      { value: 'iso9972', label: 'ISO 9972' },
      { value: 'astmE779', label: 'ASTM E779' },
    ],
  },
  assemblyMethod: {
    label: 'How build-ups are computed',
    options: [
      { value: 'iso6946', label: 'Combined, ISO 6946' },
      { value: 'parallelPath', label: 'Parallel paths' },
      { value: 'isothermalPlanes', label: 'Isothermal planes' },
    ],
  },
  filmConvention: {
    label: 'Surface films',
    options: [
      { value: 'iso', label: 'ISO' },
      { value: 'na', label: 'North American' },
    ],
  },
  gradeSchool: {
    label: 'What a grade means',
    options: [
      { value: 'voidFraction', label: 'Share of void, ANSI 301' },
      { value: 'airVoid', label: 'Air-void level, ISO 6946' },
    ],
  },
} as const;

type Figure = keyof typeof HOUSE_BOUNDS;

const isFigure = (name: string): name is Figure => Object.hasOwn(HOUSE_BOUNDS, name);
const isConvention = (name: string): name is keyof typeof CONVENTIONS => Object.hasOwn(CONVENTIONS, name);

/** A draft of what was kept of one: what does not fit any more is left out. */
export function houseDraftOf(kept: Readonly<Record<string, unknown>>): HouseDraft {
  const fits = (name: string): boolean => {
    const value = kept[name];
    if (isFigure(name)) return value === null || misfit(HOUSE_BOUNDS[name], value) === null;
    if (isConvention(name)) return CONVENTIONS[name].options.some((option) => option.value === value);
    return typeof value === 'string' && value.length <= TEXT_MAX;
  };
  const names = Object.keys(EMPTY_HOUSE).filter((name) => name !== 'target' && name in kept && fits(name));
  const { quantity, limit } = (kept['target'] ?? {}) as Readonly<Record<string, unknown>>;
  const known = HOUSE_TARGET_QUANTITIES.find((each) => each === quantity);
  const target = {
    quantity: known ?? EMPTY_HOUSE.target.quantity,
    limit: misfit(TARGET_LIMIT_BOUNDS, limit) === null ? (limit as number) : null,
  };
  return { ...EMPTY_HOUSE, ...Object.fromEntries(names.map((name) => [name, kept[name]])), target };
}

const needed = (value: number | null, bounds: NumberSchema): string | null =>
  value === null ? 'Enter this.' : (misfit(bounds, value)?.message ?? null);

/** What keeps a field of a draft from being one of a house, in words; null where nothing does. */
export function faultOf(draft: HouseDraft, name: keyof HouseBody): string | null {
  if (name === 'name') return (draft.name ?? '').trim() === '' ? 'Give the house a name.' : null;
  if (name === 'target') return needed(draft.target.limit, TARGET_LIMIT_BOUNDS);
  return isFigure(name) ? needed(draft[name], HOUSE_BOUNDS[name]) : null;
}

/** Checks a draft field by field, for the form library. */
export const houseResolver: Resolver<HouseDraft, unknown, HouseBody> = (draft) => {
  const errors: Record<string, unknown> = {};
  for (const name of Object.keys(EMPTY_HOUSE) as (keyof HouseBody)[]) {
    const message = faultOf(draft, name);
    if (message === null) continue;
    const error = { type: 'fault', message };
    errors[name] = name === 'target' ? { limit: error } : error;
  }
  return Object.keys(errors).length > 0
    ? { values: {}, errors: errors as FieldErrors<HouseDraft> }
    : { values: draft as HouseBody, errors: {} };
};

interface HouseFormProps {
  readonly control: Control<HouseDraft, unknown, HouseBody>;
  readonly errors: FieldErrors<HouseDraft>;
  /** The house is there: a figure that is left empty goes back to the one before. */
  readonly isRequired?: boolean;
  /** Told of each field after it changed. */
  readonly onField?: (name: keyof HouseBody) => void;
  /** Told of a field, by its label, that holds what cannot be read or does not fit, and when that is over. */
  readonly onWrong?: (label: string, isWrong: boolean) => void;
}

/** Everything that is asked about a house, for a new one and for one that is changed. */
export function HouseForm({ control, errors, isRequired, onField, onWrong }: HouseFormProps) {
  const { units } = usePreferences();
  const targetErrors = errors.target as { readonly limit?: { readonly message?: string } } | undefined;
  const textField = (name: 'name' | 'place' | 'builder', label: string) => (
    <Controller
      key={name}
      control={control}
      name={name}
      render={({ field }) => (
        <TextField
          label={label}
          maxLength={TEXT_MAX}
          value={field.value ?? ''}
          message={errors[name]?.message}
          onChange={(text) => {
            field.onChange(text);
            onField?.(name);
          }}
        />
      )}
    />
  );
  return (
    <>
      <Card title="House">
        {textField('name', 'Name')}
        {textField('place', 'Place')}
        {textField('builder', 'Builder')}
      </Card>
      <Card title="Sizes">
        <FieldGrid>
          {NUMBERS.map(([name, label, quantity]) => (
            <Controller
              key={name}
              control={control}
              name={name}
              render={({ field }) => (
                <NumberField
                  label={label}
                  quantity={quantity}
                  value={field.value}
                  bounds={HOUSE_BOUNDS[name]}
                  message={errors[name]?.message}
                  onTroubleChange={(message) => onWrong?.(label, message !== null)}
                  isRequired={isRequired}
                  onCommit={(si, stage) => {
                    field.onChange(si);
                    if (stage === 'entered') onField?.(name);
                  }}
                />
              )}
            />
          ))}
        </FieldGrid>
      </Card>
      <Card title="Airtightness target">
        <Controller
          control={control}
          name="target"
          render={({ field }) => {
            const { quantity, unit } = targetWords(field.value.quantity, units);
            const change = (target: HouseDraft['target'], stage: EntryStage = 'entered') => {
              field.onChange(target);
              if (stage === 'entered') onField?.('target');
            };
            return (
              <>
                <Choice
                  label="Quantity of the target"
                  options={targetsIn(units)}
                  value={field.value.quantity}
                  onChange={(next) => change({ quantity: next, limit: null })}
                />
                <NumberField
                  key={field.value.quantity}
                  label="Limit"
                  unit={unit}
                  quantity={quantity}
                  value={field.value.limit}
                  bounds={TARGET_LIMIT_BOUNDS}
                  message={
                    targetErrors?.limit?.message === undefined
                      ? null
                      : messageOf(
                          { code: 'required', field: 'limit', message: targetErrors.limit.message },
                          { quantity, units },
                        )
                  }
                  onTroubleChange={(message) => onWrong?.('Limit', message !== null)}
                  isRequired={isRequired}
                  onCommit={(limit, stage) => change({ ...field.value, limit }, stage)}
                />
              </>
            );
          }}
        />
      </Card>
      <Card title="Conventions">
        <Text look="small" tone="soft">
          Follow what your programme asks for. Results name the way that was used.
        </Text>
        {(Object.keys(CONVENTIONS) as (keyof typeof CONVENTIONS)[]).map((name) => {
          const { label, options } = CONVENTIONS[name];
          return (
            <Controller
              key={name}
              control={control}
              name={name}
              render={({ field }) => (
                <Labelled label={label}>
                  <Choice
                    label={label}
                    options={options as readonly Option<string>[]}
                    value={field.value}
                    onChange={(value) => {
                      field.onChange(value);
                      onField?.(name);
                    }}
                  />
                </Labelled>
              )}
            />
          );
        })}
      </Card>
    </>
  );
}
