import { v5 } from 'uuid';
import type { Change } from './changes/change';
import type { Bodies, Kind } from './kinds';

type Body = Readonly<Record<string, unknown>>;

/** So that every device that reads a record of the former form gives its entries the same ids. */
function idFor(recordId: string, path: string, position: number): string {
  return v5(`${recordId}/${path}/${position}`, v5.URL);
}

function baseline(recordId: string, path: string, values: unknown): unknown {
  if (!Array.isArray(values) || !values.some((value) => typeof value === 'number')) return values;
  return values.map((value: unknown, i) =>
    typeof value === 'number' ? { id: idFor(recordId, path, i), pressurePa: value } : value,
  );
}

function run(recordId: string, direction: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  const { baselineBeforePa, baselineAfterPa, ...rest } = value as Body;
  return {
    baselineBeforePa: baseline(recordId, `${direction}.baselineBeforePa`, baselineBeforePa),
    baselineAfterPa: baseline(recordId, `${direction}.baselineAfterPa`, baselineAfterPa),
    ...rest,
  };
}

function buildUp(recordId: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  const { layers, gradedLayer } = value as { readonly layers?: unknown; readonly gradedLayer?: unknown };
  if (!Array.isArray(layers)) return value;
  const withIds = layers.map((layer: unknown, i) =>
    typeof layer === 'object' && layer !== null && !('id' in layer)
      ? { id: idFor(recordId, 'buildUp.layers', i), ...layer }
      : layer,
  ) as readonly { readonly id?: unknown }[];
  return {
    ...value,
    layers: withIds,
    gradedLayer: typeof gradedLayer === 'number' ? (withIds[gradedLayer]?.id ?? null) : gradedLayer,
  };
}

const UPGRADES: Readonly<
  Record<Kind, Readonly<Record<string, (recordId: string, value: unknown) => unknown>>>
> = {
  house: {},
  area: { buildUp },
  airtightnessTest: {
    depressurise: (recordId, value) => run(recordId, 'depressurise', value),
    pressurise: (recordId, value) => run(recordId, 'pressurise', value),
  },
  photo: {},
};

/** Fields that came later, and what they are where an older version of the app says nothing of them. */
const LATER_FIELDS: { readonly [K in Kind]: Partial<Bodies[K]> } = {
  house: {},
  area: { voidFraction: null },
  airtightnessTest: {},
  photo: {},
};

/** A whole body in the form that records have now: what an older version of the app does not know is as it was meant. */
export function wholeInPresentForm<T extends object>(kind: Kind, recordId: string, body: T): T {
  return { ...LATER_FIELDS[kind], ...inPresentForm(kind, recordId, body) };
}

/**
 * A body, or part of one, in the form that records have now. Once, baseline readings were bare figures, layers had no ids,
 * and the graded layer was known by its place. What has the present form is given back as it is.
 */
function inPresentForm<T extends object>(kind: Kind, recordId: string, body: T): T {
  const fields = Object.entries(UPGRADES[kind]).filter(([field]) => field in body);
  if (fields.length === 0) return body;
  const upgraded = fields.map(([field, upgrade]) => [field, upgrade(recordId, (body as Body)[field])]);
  return { ...body, ...(Object.fromEntries(upgraded) as Body) };
}

/** What a change brings, in the form that records have now: a creation brings a whole body, an update a part of one. */
export function broughtInPresentForm({
  op,
  kind,
  id,
  body,
}: Pick<Change, 'op' | 'kind' | 'id' | 'body'>): Change['body'] {
  return op === 'create' ? wholeInPresentForm(kind, id, body) : inPresentForm(kind, id, body);
}
