import { examples } from '../src/examples';
import {
  AREAS_MAX,
  CORNERS_MAX,
  JUNCTIONS_MAX,
  PLACES_MAX,
  PLAN_OPENINGS_MAX,
  ROOFS_MAX,
  STOREYS_MAX,
  WALLS_MAX,
  WINGS_MAX,
  WORKS_MAX,
  ZONES_MAX,
} from '../src/limits';
import { operations, type OperationName } from '../src/operations';
import type { Schema } from '../src/schema';

type Fields = Readonly<Record<string, unknown>>;

/** A name that no other entry has. */
const named = (value: unknown, place: string): unknown =>
  typeof value === 'string' ? `${value}${place}` : value;

/**
 * An input with every list as long as it may be: what an example has in it over and over, under names of its own.
 * @param place is part of the names, so that each is another
 */
function greatest(schema: Schema, value: unknown, place = ''): unknown {
  switch (schema.kind) {
    case 'list': {
      const entries = value as readonly unknown[];
      if (entries.length === 0) return entries;
      return Array.from({ length: schema.most }, (_, i) =>
        greatest(schema.item, entries[i % entries.length], `${place} ${Math.floor(i / entries.length)}`),
      );
    }
    case 'named': {
      const [first] = Object.values(value as Fields);
      return Object.fromEntries(
        Array.from({ length: schema.most }, (_, i) => [`place ${i}`, greatest(schema.item, first, place)]),
      );
    }
    case 'fields': {
      const known = value as Fields;
      return Object.fromEntries(
        schema.members.flatMap(({ name, schema: member }): [string, unknown][] =>
          known[name] === undefined ? [] : [[name, greatest(member, known[name], place)]],
        ),
      );
    }
    case 'text':
      return schema.format === 'day' ? value : named(value, place);
    default:
      return value;
  }
}

type Entries = readonly Fields[];
const entriesOf = (input: Fields, name: string) => input[name] as Entries;

/** What else has to be changed so that the greatest input of an operation is one that it can answer. */
const FITTING: Readonly<Partial<Record<OperationName, (input: Fields) => Fields>>> = {
  'insulation.coverage': (input) => ({
    ...input,
    wantedRsi: 4,
    table: entriesOf(input, 'table').map((line, i) => ({
      ...line,
      rsi: 3 + i / 50,
      settledDepthM: 0.1 + i / 500,
    })),
  }),
  'insulation.cavityFill': (input) => ({ ...input, depthM: 0.5 }),
  'insulation.defectPrices': (input) => ({
    ...input,
    frameAlignment: 'offset',
    layers: leanlyFramed(input),
    areaM2: 5000,
    observedM2: 4000,
  }),
  'insulation.grade': (input) => withSmallRegions(input),
  'insulation.sampling': (input) => withSmallRegions(input),
  'photo.voids': (input) => ({
    ...input,
    outlines: (input.outlines as readonly Entries[]).map((outline) => outline.slice(0, 20)),
  }),
  'photo.regions': (input) => ({
    ...input,
    regions: entriesOf(input, 'regions').map((region) => ({
      ...region,
      outline: entriesOf(region, 'outline').slice(0, 10),
    })),
  }),
  'insulation.depthMap': (input) => ({
    ...input,
    readings: entriesOf(input, 'readings').map((reading, i) => ({
      ...reading,
      xM: (i % 25) / 3,
      yM: Math.floor(i / 25) / 5,
    })),
  }),
  'thermal.assembly': (input) => ({ ...input, frameAlignment: 'offset', layers: leanlyFramed(input) }),
  'thermal.doubleFrames': (input) => ({ ...input, layers: leanlyFramed(input) }),
  'thermal.studLayout': (input) => ({
    ...input,
    lengthM: 1000,
    openings: entriesOf(input, 'openings').map((opening) => ({ ...opening, widthM: 0.9, heightM: 1.2 })),
  }),
  'thermal.requirements': (input) => ({
    ...input,
    requirements: entriesOf(input, 'requirements').slice(0, 2),
  }),
  'continuity.trace': () => wallsInARing(),
  'plan.sizes': () => largePlan(),
  'calendar.holdPoints': (input) => eachAfterAll(input),
  'pathToTarget.evaluate': (input) => ({ ...input, fixes: entriesOf(input, 'items').map(({ id }) => id) }),
  'airtightness.multiPoint': (input) => bothWays(input),
  'airtightness.yorkRegression': (input) => bothWays(input),
};

const WALLS = Array.from({ length: AREAS_MAX }, (_, i) => `wall ${i}`);
const openings = Array.from({ length: PLACES_MAX }, (_, i) => `window ${i}`);

/** Walls side by side, each joined to the next many times over, with a window at every place. */
function wallsInARing(): Fields {
  const at = (i: number) => WALLS[i % AREAS_MAX];
  return {
    areas: WALLS.map((id) => ({ id, kind: 'wall', airBarrierLayer: 'sheathing', verified: true, openings })),
    junctions: Array.from({ length: JUNCTIONS_MAX }, (_, i) => ({
      id: `seam ${i}`,
      ends: [
        { areaId: at(i), place: 'right' },
        { areaId: at(i + 1), place: 'left' },
      ],
      lengthM: 2.5,
      state: 'sealed',
    })),
    penetrations: Array.from({ length: JUNCTIONS_MAX }, (_, i) => ({
      id: `pipe ${i}`,
      areaId: at(i),
      state: 'open',
    })),
  };
}

/** A plan of 48 m by 24 m with every list full: each side in 50 walls, each roof a strip of 2 m in wings of 1 m. */
function largePlan(): Fields {
  const sides = [48, 24, 48, 24];
  const at = (x: number, y: number) => [x, y];
  /** A rectangle with corners on its sides too. */
  const outline = (x: number, width: number) => [
    at(x, 0),
    ...Array.from({ length: CORNERS_MAX - 3 }, (_, i) => at(x + width, (-24 * i) / (CORNERS_MAX - 3))),
    at(x + width, -24),
    at(x, -24),
  ];
  const strip = 48 / ROOFS_MAX;
  const storeys = Array.from({ length: STOREYS_MAX }, (_, s) => ({
    id: `storey ${s}`,
    heightM: 2.5,
    floorDepthM: 0.3,
    under: 'ground',
    walls: sides.flatMap((side, k) =>
      Array.from({ length: WALLS_MAX / 4 }, (_, i) => ({
        id: `wall ${s} ${k} ${i}`,
        lengthM: side / (WALLS_MAX / 4),
        turnDeg: i === WALLS_MAX / 4 - 1 ? 90 : 0,
        thicknessM: 0.3,
      })),
    ),
    zones: Array.from({ length: ZONES_MAX }, (_, z) => ({
      id: `zone ${s} ${z}`,
      kind: 'garage',
      outlineM: outline(50 + 2 * z, 1),
    })),
  }));
  const roofs = Array.from({ length: ROOFS_MAX }, (_, r) => ({
    id: `roof ${r}`,
    storeyId: `storey ${STOREYS_MAX - 1}`,
    kind: 'slope',
    pitch: 1,
    outlineM: outline(r * strip, strip),
    wings: Array.from({ length: WINGS_MAX }, (_, w) => ({
      id: `wing ${w}`,
      rectM: [r * strip, (r + 1) * strip, (-24 * (w + 1)) / WINGS_MAX, (-24 * w) / WINGS_MAX],
      ridge: 'x',
      ends: ['gable', 'gable'],
    })),
  }));
  const openings = Array.from({ length: PLAN_OPENINGS_MAX }, (_, i) => ({
    id: `opening ${i}`,
    on: `wall ${i % STOREYS_MAX} 0 ${i % (WALLS_MAX / 4)}`,
    widthM: 0.05,
    heightM: 0.05,
  }));
  return { face: 'inside', drawnAt: 'outside', storeys, roofs, openings };
}

/** Works of which each follows all that stand before it, as often as it may. */
function eachAfterAll(input: Fields): Fields {
  const works = entriesOf(input, 'works').map(({ after: _, pinnedStart: __, ...work }, i, all) => ({
    ...work,
    ...(i === 0
      ? { pinnedStart: input.today }
      : { after: Array.from({ length: WORKS_MAX }, (___, j) => ({ id: all[j % i]?.id, lagDays: 3 })) }),
  }));
  return { ...input, works };
}

const leanlyFramed = (input: Fields): Entries =>
  entriesOf(input, 'layers').map((layer) =>
    'framingFraction' in layer ? { ...layer, framingFraction: 0.03 } : layer,
  );

function withSmallRegions(input: Fields): Fields {
  const observations = entriesOf(input, 'observations').map((observation) => {
    const { regions = [] } = observation as { readonly regions?: Entries };
    return { ...observation, regions: regions.map((region) => ({ ...region, areaM2: 1e-4 })) };
  });
  return { ...input, netInsulatedAreaM2: 20_000, observations };
}

/** Two runs, each the other way. */
function bothWays(input: Fields): Fields {
  const [first] = entriesOf(input, 'runs');
  if (first === undefined) throw new Error('The example has no run.');
  const turned = (name: string, entries: Entries) =>
    entries.map((each) => ({ ...each, [name]: -Number(each[name]) }));
  const { readings } = first as { readonly readings: Entries };
  const other = { ...first, direction: 'pressurise', readings: turned('pressurePa', readings) };
  return { ...input, runs: [{ ...first, direction: 'depressurise' }, other] };
}

/** The greatest input that an operation takes. */
export function greatestInput(name: OperationName): Fields {
  const input = greatest(operations[name].schema, examples[name]) as Fields;
  return FITTING[name]?.(input) ?? input;
}
