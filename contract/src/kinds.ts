import { airtightnessTest } from './airtightness/airtightness-test';
import { house } from './house/house';
import { area } from './installation/area';
import { defect } from './installation/defect';
import { material } from './installation/material';
import { thermalBridge } from './installation/thermal-bridge';
import type { AnyKind } from './kind/kind';
import { photo } from './photos/photo';
import { feature } from './plan/feature';
import { opening } from './plan/opening';
import { plan } from './plan/plan';
import { roof } from './plan/roof';
import { storey } from './plan/storey';
import { work } from './plan/work';
import { zone } from './plan/zone';
import { junction } from './walk/junction';
import { mend } from './walk/mend';
import { penetration } from './walk/penetration';
import { verdict } from './walk/verdict';
import { practice } from './practice/practice';
import type { LedgerKind } from './ledger';
import type { Stored } from './record';

/** Every kind of record. A new one is its own file and one line here. */
export const kinds = {
  house,
  plan,
  storey,
  zone,
  roof,
  opening,
  feature,
  work,
  area,
  thermalBridge,
  defect,
  verdict,
  junction,
  penetration,
  mend,
  airtightnessTest,
  photo,
  practice,
  material,
} as const;

type Kinds = typeof kinds;
export type Kind = keyof Kinds;

/** The body of each kind of record. */
export type Bodies = { [K in Kind]: NonNullable<Kinds[K]['holds']> };

type ListedKind<L extends LedgerKind> = {
  [K in Kind]: Kinds[K] extends { readonly list: string; readonly ledger: L } ? K : never;
}[Kind];

/** The records of a ledger beside its first one, each kind in a list of its own. */
export type Lists<L extends LedgerKind> = {
  readonly [K in ListedKind<L> as Kinds[K]['list'] & string]: readonly Stored<Bodies[K]>[];
};

/** A whole record with its kind. */
export type KindedRecord = {
  readonly [K in Kind]: { readonly kind: K; readonly record: Stored<Bodies[K]> };
}[Kind];

export const KINDS = Object.keys(kinds) as readonly Kind[];

export function isKind(value: unknown): value is Kind {
  return typeof value === 'string' && Object.hasOwn(kinds, value);
}

/** What is known of a kind, whichever it is. */
export const kindNamed = (kind: Kind): AnyKind => kinds[kind] as unknown as AnyKind;

/** Something of each kind, made once. */
export function byKind<T>(make: (kind: Kind) => T): Readonly<Record<Kind, T>> {
  return Object.fromEntries(KINDS.map((kind) => [kind, make(kind)])) as Readonly<Record<Kind, T>>;
}

const FIELDS = byKind((kind) => Object.keys(kinds[kind].fields));

/** Names of the fields of a kind's body. */
export const fieldsOf = (kind: Kind): readonly string[] => FIELDS[kind];

/** True for the kind of a ledger's first record, which bears the ledger's id: a house, or a practice. */
export const isFirstKind = (kind: Kind): boolean => kinds[kind].list === null;

/** True for a kind that photos may show. */
export const isShownKind = (kind: Kind): boolean => kinds[kind].isShown;
