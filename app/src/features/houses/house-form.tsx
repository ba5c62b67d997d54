import { HOUSE_TARGET_QUANTITIES, houseBody, refusalOf, type HouseBody } from '@calvet/contract';
import type { Quantity, UnitSystem } from '@calvet/core';
import { Controller, type Control, type FieldErrors, type Resolver } from 'react-hook-form';
import { usePreferences } from '../../data/preferences';
import type { EntryStage } from '../../data/typing';
import { Card } from '../../ui/card';
import { Choice, type Option } from '../../ui/choice';
import { messageOf } from '../../ui/entry-message';
import { FieldGrid, Labelled, NumberField, TextField } from '../../ui/field';
import { Text } from '../../ui/text';
import { targetWords } from '../airtightness/words';

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

/** A draft of what was kept of one: what does not fit any more is left out. */
export function houseDraftOf(kept: Readonly<Record<string, unknown>>): HouseDraft {
  const fits = (name: string): boolean =>
    kept[name] === null ||
    houseBody.extract(name).validate(kept[name], { convert: false }).error === undefined;
  const names = Object.keys(EMPTY_HOUSE).filter(
    (name) => name !== 'target' && name in kept && (kept[name] === '' || fits(name)),
  );
  const { quantity, limit } = (kept['target'] ?? {}) as Readonly<Record<string, unknown>>;
  const known = HOUSE_TARGET_QUANTITIES.find((each) => each === quantity);
  const fitsLimit = houseBody.extract('target.limit').validate(limit, { convert: false }).error === undefined;
  const target = {
    quantity: known ?? EMPTY_HOUSE.target.quantity,
    limit: fitsLimit ? (limit as number) : null,
  };
  return { ...EMPTY_HOUSE, ...Object.fromEntries(names.map((name) => [name, kept[name]])), target };
}

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

const REQUIRED_WORDS: Readonly<Record<string, string>> = {
  required: 'Enter this.',
  empty: 'Give the house a name.',
};

/** Checks a draft against the schema of the record, field by field, for the form library. */
export const houseResolver: Resolver<HouseDraft, unknown, HouseBody> = (draft) => {
  const filled = Object.fromEntries(Object.entries(draft).filter(([, value]) => value !== null));
  const limit = draft.target.limit;
  const target = limit === null ? { quantity: draft.target.quantity } : draft.target;
  const { error, value } = houseBody.validate({ ...filled, target }, { convert: false, abortEarly: false });
  if (error === undefined) return { values: value, errors: {} };
  const errors: Record<string, unknown> = {};
  for (const detail of error.details) {
    const refusal = refusalOf({ ...error, details: [detail] });
    const message = REQUIRED_WORDS[refusal.code] ?? refusal.message;
    const [name = '', inner] = detail.path.map(String);
    errors[name] =
      inner === undefined ? { type: refusal.code, message } : { [inner]: { type: refusal.code, message } };
  }
  return { values: {}, errors: errors as FieldErrors<HouseDraft> };
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
          maxLength={120}
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
                  schema={houseBody.extract(name)}
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
                  schema={houseBody.extract('target.limit')}
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
