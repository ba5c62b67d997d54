import { house, HOUSE_TARGET_QUANTITIES, type HouseBody } from '@calvet/contract/house/house';
import { NO_HEAT_TERMS } from '@calvet/contract/house/heat-terms';
import { NAME_MAX } from '@calvet/contract/limits';
import type { PracticeBody } from '@calvet/contract/practice/practice';
import { misfit, type NumberSchema } from '@calvet/core/schema';
import { Controller, type Control, type FieldErrors, type Resolver } from 'react-hook-form';
import { usePreferences } from '../../data/preferences';
import { Button } from '../../ui/button';
import { Card } from '../../ui/card';
import { FieldGrid, NumberField, TextField } from '../../ui/field';
import { figureWithUnit } from '../../ui/format';
import { ConventionChoice, conventionOptions, ConventionsCard, isConvention } from './conventions';
import { LIMIT, TargetFields, type TargetDraft } from './target-fields';

/** The form's own state: what was not entered yet is null. */
export type HouseDraft = { readonly [K in Exclude<keyof HouseBody, 'target'>]: HouseBody[K] | null } & {
  readonly target: TargetDraft;
};

/** A house to be, as its practice begins one. */
export const newHouse = ({
  target,
  referenceMethod,
  assemblyMethod,
  filmConvention,
  gradeSchool,
}: PracticeBody): HouseDraft => ({
  name: '',
  place: '',
  builder: '',
  volumeM3: null,
  floorAreaM2: null,
  envelopeAreaM2: null,
  heightM: null,
  storeys: null,
  bedrooms: null,
  target: target ?? { quantity: 'n50', limit: null },
  referenceMethod,
  assemblyMethod,
  filmConvention,
  gradeSchool,
  ...NO_HEAT_TERMS,
});

const FIELDS = Object.keys(house.fields) as readonly (keyof HouseBody)[];

/** Sizes that a house may leave to its drawing. */
const DRAWN = [
  'volumeM3',
  'envelopeAreaM2',
  'floorAreaM2',
  'heightM',
  'storeys',
] as const satisfies readonly (keyof HouseBody)[];

const NUMBERS = [...DRAWN, 'bedrooms'] as const;

type DrawnSize = (typeof DRAWN)[number];
type Figure = (typeof NUMBERS)[number];

const isFigure = (name: string): name is Figure => NUMBERS.some((each) => each === name);
const isDrawnSize = (name: string): name is DrawnSize => DRAWN.some((each) => each === name);

/** Sizes of a house as they follow from its drawing; empty where it has none that can be measured. */
export type DrawnSizes = Readonly<Partial<Record<DrawnSize, number>>>;

/** A draft of what was kept of one: what does not fit any more is as in a new one. */
export function houseDraftOf(kept: Readonly<Record<string, unknown>>, begun: HouseDraft): HouseDraft {
  const fits = (name: string): boolean => {
    const value = kept[name];
    if (isFigure(name)) return value === null || misfit(house.fields[name].bounds, value) === null;
    if (isConvention(name)) return conventionOptions(name).some((option) => option.value === value);
    return typeof value === 'string' && value.length <= NAME_MAX;
  };
  const names = FIELDS.filter((name) => name !== 'target' && name in kept && fits(name));
  const { quantity, limit } = (kept['target'] ?? {}) as Readonly<Record<string, unknown>>;
  const known = HOUSE_TARGET_QUANTITIES.find((each) => each === quantity);
  const target = {
    quantity: known ?? begun.target.quantity,
    limit: misfit(LIMIT.bounds, limit) === null ? (limit as number) : null,
  };
  return { ...begun, ...Object.fromEntries(names.map((name) => [name, kept[name]])), target };
}

const needed = (value: number | null, bounds: NumberSchema): string | null =>
  value === null ? 'Enter this.' : (misfit(bounds, value)?.message ?? null);

/** What keeps a field of a draft from being one of a house, in words; null where nothing does. */
export function faultOf(draft: HouseDraft, name: keyof HouseBody): string | null {
  if (name === 'name') return (draft.name ?? '').trim() === '' ? 'Give the house a name.' : null;
  if (name === 'target') return needed(draft.target.limit, LIMIT.bounds);
  if (!isFigure(name) || (isDrawnSize(name) && draft[name] === null)) return null;
  return needed(draft[name], house.fields[name].bounds);
}

/** Checks a draft field by field, for the form library. */
export const houseResolver: Resolver<HouseDraft, unknown, HouseBody> = (draft) => {
  const errors: Record<string, unknown> = {};
  for (const name of FIELDS) {
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
  /** Sizes as the drawing has them, and those that are entered otherwise. */
  readonly drawn?: { readonly sizes: DrawnSizes; readonly entered: ReadonlySet<string> };
  /** Told of each field after it changed. */
  readonly onField?: (name: keyof HouseBody) => void;
  /** Told of a field, by its label, that holds what cannot be read or does not fit, and when that is over. */
  readonly onWrong?: (label: string, isWrong: boolean) => void;
}

/** Everything that is asked about a house, for a new one and for one that is changed. */
export function HouseForm({ control, errors, isRequired, drawn, onField, onWrong }: HouseFormProps) {
  const { units } = usePreferences();
  /** What a size has to do with the drawing, in words. */
  const sizeHint = (name: Figure, isEmpty: boolean): string | null => {
    if (!isDrawnSize(name)) return null;
    const size = drawn?.sizes[name];
    if (size === undefined) return isEmpty ? 'Empty: as it will be drawn' : null;
    return drawn?.entered.has(name) === true
      ? `Drawn: ${figureWithUnit(size, house.fields[name].quantity, units)}`
      : 'As drawn';
  };
  const targetErrors = errors.target as { readonly limit?: { readonly message?: string } } | undefined;
  const textField = (name: 'name' | 'place' | 'builder', label: string) => (
    <Controller
      key={name}
      control={control}
      name={name}
      render={({ field }) => (
        <TextField
          label={label}
          maxLength={NAME_MAX}
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
        {textField('place', 'Location')}
        {textField('builder', 'Builder')}
      </Card>
      <Card title="Sizes">
        <FieldGrid>
          {NUMBERS.map((name) => (
            <Controller
              key={name}
              control={control}
              name={name}
              render={({ field }) => (
                <NumberField
                  label={house.fields[name].label}
                  quantity={house.fields[name].quantity}
                  value={field.value}
                  bounds={house.fields[name].bounds}
                  message={errors[name]?.message}
                  onTroubleChange={(message) => onWrong?.(house.fields[name].label, message !== null)}
                  isRequired={isRequired === true && !isDrawnSize(name)}
                  hint={sizeHint(name, field.value === null)}
                  below={
                    drawn?.entered.has(name) === true &&
                    isDrawnSize(name) &&
                    drawn.sizes[name] !== undefined && (
                      <Button
                        label="As drawn"
                        onPress={() => {
                          field.onChange(null);
                          onField?.(name);
                        }}
                      />
                    )
                  }
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
          render={({ field }) => (
            <TargetFields
              target={field.value}
              message={targetErrors?.limit?.message}
              isRequired={isRequired}
              onWrong={onWrong}
              onChange={(target, stage) => {
                field.onChange(target);
                if (stage === 'entered') onField?.('target');
              }}
            />
          )}
        />
      </Card>
      <ConventionsCard>
        {(name) => (
          <Controller
            key={name}
            control={control}
            name={name}
            render={({ field }) => (
              <ConventionChoice
                name={name}
                value={field.value}
                onChange={(value) => {
                  field.onChange(value);
                  onField?.(name);
                }}
              />
            )}
          />
        )}
      </ConventionsCard>
    </>
  );
}
