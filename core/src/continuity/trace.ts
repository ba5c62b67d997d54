import { AREAS_MAX, JUNCTIONS_MAX, PLACES_MAX } from '../limits';
import { envelopeKind } from '../envelope-kind';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import {
  as,
  boolean,
  fields,
  figure,
  list,
  named,
  number,
  option,
  optional,
  outcome,
  part,
  positive,
  text,
} from '../schema';
import { demandedPlaces, type AreaEdges } from './demanded-places';
import { connectedPieces } from './pieces';

export interface BarrierArea extends AreaEdges {
  readonly id: string;
  /** The layer that is the air barrier; left out where none is named. */
  readonly airBarrierLayer?: string;
  readonly verified: boolean;
  /** Known lengths of places, for edges that nobody has recorded. */
  readonly lengthsM?: Readonly<Record<string, number>>;
}

export type JunctionState = 'sealed' | 'open' | 'notSeen' | 'notNeeded';
export type PenetrationState = 'sealed' | 'open' | 'notSeen';

export interface JunctionEnd {
  readonly areaId: string;
  readonly place: string;
}

export interface Junction {
  readonly id: string;
  readonly ends: readonly JunctionEnd[];
  readonly lengthM: number;
  readonly state: JunctionState;
}

export interface Penetration {
  readonly id: string;
  readonly areaId: string;
  readonly state: PenetrationState;
}

export interface TraceInput {
  /** In the order in which one meets them round the section. */
  readonly areas: readonly BarrierArea[];
  readonly junctions: readonly Junction[];
  readonly penetrations?: readonly Penetration[];
}

export type BreakKind =
  | 'no-air-barrier'
  | 'area-not-verified'
  | 'loose-edge'
  | 'junction-open'
  | 'junction-not-seen'
  | 'penetration-open'
  | 'penetration-not-seen';

/** Where the air barrier is not shown to be whole. */
export interface Break {
  readonly kind: BreakKind;
  readonly areaId: string;
  readonly place?: string;
  readonly junctionId?: string;
  readonly penetrationId?: string;
}

export interface Trace {
  readonly continuous: boolean;
  /** In the order in which one meets them. */
  readonly breaks: readonly Break[];
  /** Ids of areas that hang together over sealed junctions. */
  readonly pieces: readonly (readonly string[])[];
  readonly sealedLengthM: number;
  readonly neededLengthM: number;
  /** Sealed over needed; null where nothing is needed. */
  readonly continuityByLength: number | null;
  readonly looseEdgesWithoutLength: number;
}

/** The input with what its references point to. */
interface Section {
  readonly input: TraceInput;
  /** Demanded places of each area. */
  readonly places: ReadonlyMap<string, readonly string[]>;
  /** Junctions of each area by its places, in the order of the input. */
  readonly junctionsAt: ReadonlyMap<string, ReadonlyMap<string, readonly Junction[]>>;
  readonly penetrationsOf: ReadonlyMap<string, readonly Penetration[]>;
}

function refuseTwice(ids: readonly string[], field: (index: number) => string): void {
  const seen = new Set<string>();
  ids.forEach((id, i) => {
    if (seen.has(id)) {
      throw new Refusal('duplicate-id', field(i), 'This is in the list already.', { value: id });
    }
    seen.add(id);
  });
}

function refuseDuplicates({ areas, junctions, penetrations = [] }: TraceInput): void {
  const ids = (items: readonly { readonly id: string }[]): readonly string[] => items.map(({ id }) => id);
  refuseTwice(ids(areas), (i) => `areas[${i}].id`);
  areas.forEach(({ openings = [], abutments = [] }, a) => {
    refuseTwice(openings, (i) => `areas[${a}].openings[${i}]`);
    refuseTwice(abutments, (i) => `areas[${a}].abutments[${i}]`);
  });
  refuseTwice(ids(junctions), (i) => `junctions[${i}].id`);
  refuseTwice(ids(penetrations), (i) => `penetrations[${i}].id`);
}

function unknown(field: string, value: string, what: string): Refusal {
  return new Refusal('unknown-reference', field, what, { value });
}

function byArea(penetrations: readonly Penetration[]): ReadonlyMap<string, readonly Penetration[]> {
  const groups = new Map<string, Penetration[]>();
  for (const penetration of penetrations) {
    const members = groups.get(penetration.areaId);
    if (members === undefined) groups.set(penetration.areaId, [penetration]);
    else members.push(penetration);
  }
  return groups;
}

/** Junctions of each area by the places at which they lie; one whose both ends lie at the same place is there once. */
function junctionsByPlace(junctions: readonly Junction[]): Section['junctionsAt'] {
  const areas = new Map<string, Map<string, Junction[]>>();
  for (const junction of junctions) {
    for (const { areaId, place } of junction.ends) {
      const ofArea = areas.get(areaId) ?? new Map<string, Junction[]>();
      areas.set(areaId, ofArea);
      const there = ofArea.get(place);
      if (there === undefined) ofArea.set(place, [junction]);
      else if (there.at(-1) !== junction) there.push(junction);
    }
  }
  return areas;
}

function resolve(input: TraceInput): Section {
  refuseDuplicates(input);
  const places = new Map(input.areas.map((area) => [area.id, demandedPlaces(area)]));
  const isPlace = new Map([...places].map(([id, demanded]) => [id, new Set(demanded)]));
  input.areas.forEach(({ id, lengthsM = {} }, i) => {
    const stray = Object.keys(lengthsM).find((place) => isPlace.get(id)?.has(place) !== true);
    if (stray !== undefined)
      throw unknown(`areas[${i}].lengthsM.${stray}`, stray, 'The area has no such place.');
  });
  input.junctions.forEach(({ ends }, i) =>
    ends.forEach(({ areaId, place }, e) => {
      const demanded = isPlace.get(areaId);
      const field = `junctions[${i}].ends[${e}]`;
      if (demanded === undefined) throw unknown(`${field}.areaId`, areaId, 'There is no such area.');
      if (!demanded.has(place)) throw unknown(`${field}.place`, place, 'The area has no such place.');
    }),
  );
  const penetrations = input.penetrations ?? [];
  penetrations.forEach(({ areaId }, i) => {
    if (!places.has(areaId)) throw unknown(`penetrations[${i}].areaId`, areaId, 'There is no such area.');
  });
  return {
    input,
    places,
    junctionsAt: junctionsByPlace(input.junctions),
    penetrationsOf: byArea(penetrations),
  };
}

const JUNCTION_BREAK: Readonly<Record<JunctionState, BreakKind | null>> = {
  sealed: null,
  open: 'junction-open',
  notSeen: 'junction-not-seen',
  notNeeded: null,
};
const PENETRATION_BREAK: Readonly<Record<PenetrationState, BreakKind | null>> = {
  sealed: null,
  open: 'penetration-open',
  notSeen: 'penetration-not-seen',
};

function areaBreaks(area: BarrierArea, section: Section, met: Set<string>): readonly Break[] {
  const areaId = area.id;
  const breaks: Break[] = [];
  if (area.airBarrierLayer === undefined) breaks.push({ kind: 'no-air-barrier', areaId });
  else if (!area.verified) breaks.push({ kind: 'area-not-verified', areaId });
  for (const place of section.places.get(areaId) ?? []) {
    const junctions = section.junctionsAt.get(areaId)?.get(place);
    if (junctions === undefined) breaks.push({ kind: 'loose-edge', areaId, place });
    for (const { id, state } of junctions ?? []) {
      const kind = JUNCTION_BREAK[state];
      if (kind === null || met.has(id)) continue;
      met.add(id);
      breaks.push({ kind, areaId, place, junctionId: id });
    }
  }
  for (const { id, state } of section.penetrationsOf.get(areaId) ?? []) {
    const kind = PENETRATION_BREAK[state];
    if (kind !== null) breaks.push({ kind, areaId, penetrationId: id });
  }
  return breaks;
}

/** Lengths of the edges that nobody has recorded, where they are known. */
function looseLengths(section: Section, breaks: readonly Break[]): readonly (number | undefined)[] {
  const areas = new Map(section.input.areas.map((area) => [area.id, area]));
  return breaks.flatMap(({ kind, areaId, place }) =>
    kind === 'loose-edge' && place !== undefined ? [areas.get(areaId)?.lengthsM?.[place]] : [],
  );
}

/**
 * Whether the air barrier of a house is one unbroken skin: every area verified, every place at which it must be joined
 * recorded and sealed, every penetration sealed, and all areas one connected piece. Lengths in metres.
 * @example trace(examples['continuity.trace']).continuityByLength // 0.5376
 * @throws {Refusal} `duplicate-id`, `unknown-reference`
 */
export function trace(input: TraceInput): Trace {
  const section = resolve(input);
  const met = new Set<string>();
  const breaks = input.areas.flatMap((area) => areaBreaks(area, section, met));
  const pieces = connectedPieces(
    input.areas.map(({ id }) => id),
    input.junctions
      .filter(({ state }) => state === 'sealed')
      .map(({ ends }) => ends.map(({ areaId }) => areaId)),
  );
  const total = (junctions: readonly Junction[]): number =>
    junctions.reduce((sum, { lengthM }) => sum + lengthM, 0);
  const sealedLengthM = total(input.junctions.filter(({ state }) => state === 'sealed'));
  const loose = looseLengths(section, breaks);
  const neededLengthM =
    total(input.junctions.filter(({ state }) => state !== 'notNeeded')) +
    loose.reduce<number>((sum, lengthM = 0) => sum + lengthM, 0);
  return {
    continuous: breaks.length === 0 && pieces.length === 1,
    breaks,
    pieces,
    sealedLengthM,
    neededLengthM,
    continuityByLength: neededLengthM > 0 ? sealedLengthM / neededLengthM : null,
    looseEdgesWithoutLength: loose.filter((lengthM) => lengthM === undefined).length,
  };
}

export const traceOperation: Operation<TraceInput, Trace> = {
  words: {
    shelf: 'airtightness',
    title: 'Continuity of the air barrier',
    tells: 'Breaks in the chain of areas, junctions and penetrations.',
    alsoCalled: 'air barrier, red line, penetrations, junctions, sealed, membrane, air sealing',
    mainFigures: ['continuous', 'continuityByLength', 'sealedLengthM', 'neededLengthM'],
  },
  schema: fields<TraceInput>({
    areas: list(
      fields<BarrierArea>({
        id: as('Name', text()),
        kind: envelopeKind,
        airBarrierLayer: as('Layer that is the air barrier', optional(text())),
        verified: as('Seen and verified', boolean()),
        sides: optional(number({ quantity: 'count', min: 1, max: 100, whole: true })),
        openings: optional(list(text(), 0, PLACES_MAX)),
        abutments: optional(list(text(), 0, PLACES_MAX)),
        lengthsM: as('Lengths of places', optional(named(positive('length'), PLACES_MAX)), 'place'),
      }),
      1,
      AREAS_MAX,
    ),
    junctions: list(
      fields<Junction>({
        id: as('Name', text()),
        ends: as(
          'Where it lies',
          list(fields<JunctionEnd>({ areaId: as('Area', text()), place: text() }), 1, 2),
          'end',
        ),
        lengthM: positive('length'),
        state: option('sealed', 'open', 'notSeen', 'notNeeded'),
      }),
      0,
      JUNCTIONS_MAX,
    ),
    penetrations: as(
      'Penetrations',
      optional(
        list(
          fields<Penetration>({
            id: as('Name', text()),
            areaId: as('Area', text()),
            state: option('sealed', 'open', 'notSeen'),
          }),
          0,
          JUNCTIONS_MAX,
        ),
      ),
      'penetration',
    ),
  }),
  run: trace,
  output: outcome<Trace>({
    continuous: boolean(),
    breaks: list(
      part({
        kind: text(),
        areaId: as('Area', text()),
        place: optional(text()),
        junctionId: as('Junction', optional(text())),
        penetrationId: as('Penetration', optional(text())),
      }),
    ),
    pieces: list(list(text())),
    sealedLengthM: as('Length sealed', figure('length')),
    neededLengthM: as('Length needed', figure('length')),
    continuityByLength: optional(figure('share')),
    looseEdgesWithoutLength: as('Loose edges of unknown length', figure('count')),
  }),
};
