import {
  BUILD_UP_LIBRARY,
  buildUpOf,
  type AirtightnessTestBody,
  MADE_BY_HAND,
  type AreaInHand,
  type BuildUp,
  type BuildUpLayer,
  type HouseBody,
  type NamedFanRange,
} from '@calvet/contract';
import { idOf } from './ids';
import { readingsFrom, type LeakageLaw } from './leakage-law';

/** A house of the scenario: all of it invented, its figures fitting together. */
export interface DemoHouse {
  readonly key: string;
  /** Day on which the house was taken in hand. */
  readonly begun: string;
  readonly house: HouseBody;
  readonly areas: readonly AreaInHand[];
  readonly tests: readonly AirtightnessTestBody[];
}

const PLACE = 'Ellendrift, Vale of Osk';
/** The scenario's plateau: cool, dry, 340 m up. */
const ALTITUDE_M = 340;

const conventions = {
  referenceMethod: 'iso9972',
  assemblyMethod: 'iso6946',
  filmConvention: 'iso',
  gradeSchool: 'voidFraction',
} as const;

function fromLibrary(id: string): BuildUp {
  const found = BUILD_UP_LIBRARY.find((entry) => entry.id === id);
  if (found === undefined) throw new Error(`The library has no build-up "${id}".`);
  return buildUpOf(found);
}

function window(rsi: number, name: string): BuildUp {
  const unit: BuildUpLayer = { id: idOf(`window ${name}`, '2026-09-01'), kind: 'resistance', name, rsi };
  return { name, layers: [unit], frameAlignment: null, gradedLayer: null };
}

const area = (
  name: string,
  kind: AreaInHand['kind'],
  areaM2: number,
  buildUp: BuildUp,
  grade: AreaInHand['grade'] = null,
): AreaInHand => ({ name, kind, areaM2, buildUp, grade, voidFraction: null, ...MADE_BY_HAND });

interface TestPlan {
  readonly key: string;
  readonly stage: AirtightnessTestBody['stage'];
  readonly day: string;
  readonly law: LeakageLaw;
  readonly indoorTemperatureC: number;
  readonly outdoorTemperatureC: number;
  readonly windMs: number;
  readonly baselinePa: number;
  readonly pressuresPa: readonly number[];
  readonly scatter: number;
  readonly seed: number;
  readonly bothDirections?: boolean;
  readonly range?: NamedFanRange;
  readonly note?: string;
}

function test(plan: TestPlan): AirtightnessTestBody {
  const run = (direction: 'depressurise' | 'pressurise', law: LeakageLaw, seed: number) =>
    readingsFrom({ ...plan, testName: plan.key, altitudeM: ALTITUDE_M, direction, law, seed });
  return {
    stage: plan.stage,
    performedOn: plan.day,
    indoorTemperatureC: plan.indoorTemperatureC,
    outdoorTemperatureC: plan.outdoorTemperatureC,
    altitudeM: ALTITUDE_M,
    airPressurePa: null,
    windMs: plan.windMs,
    fanRanges: plan.range === undefined ? [] : [plan.range],
    depressurise: run('depressurise', plan.law, plan.seed),
    // Flaps and loose sheets leak a little more when pressed outwards.
    pressurise:
      plan.bothDirections === true
        ? run('pressurise', { ...plan.law, q50M3h: plan.law.q50M3h * 1.03 }, plan.seed + 0.01)
        : null,
    note: plan.note ?? '',
  };
}

/** Strikes out one reading of a run, after it was disturbed by a share of its flow. */
function disturbed(
  body: AirtightnessTestBody,
  index: number,
  share: number,
  reason: string,
): AirtightnessTestBody {
  const run = body.depressurise;
  if (run === null) return body;
  const readings = run.readings.map((reading, i) =>
    i === index && reading.flowM3h !== null
      ? { ...reading, flowM3h: Number((reading.flowM3h * (1 + share)).toFixed(1)), struckOut: reason }
      : reading,
  );
  return { ...body, depressurise: { ...run, readings } };
}

const STEPS = [12, 18, 24, 30, 37, 44, 51, 58, 65];

const wrenfold: DemoHouse = {
  key: 'wrenfold',
  begun: '2026-05-04',
  house: {
    name: 'Wrenfold 4',
    place: PLACE,
    builder: 'Harlow-Denn Joiners',
    volumeM3: 392,
    floorAreaM2: 148,
    envelopeAreaM2: 430,
    heightM: 5.7,
    storeys: 2,
    bedrooms: 4,
    target: { quantity: 'n50', limit: 1 },
    ...conventions,
  },
  areas: [
    area('Walls, ground floor', 'wall', 78, fromLibrary('framed-wall-140-board'), 'I'),
    area('Walls, upper floor', 'wall', 81, fromLibrary('framed-wall-140-board'), 'II'),
    area('Rim, all round', 'rim', 16, fromLibrary('rim-board'), 'II'),
    area('Roof slopes', 'roof', 118, fromLibrary('roof-slope-220'), 'I'),
    area('Ground floor', 'floor', 97, fromLibrary('slab-board-150'), 'I'),
    area('Windows and doors', 'opening', 40, window(0.95, 'Triple glazing in timber')),
  ],
  tests: [
    test({
      key: 'wrenfold bare',
      stage: 'bareBarrier',
      day: '2026-07-16',
      law: { q50M3h: 302, exponent: 0.66 },
      indoorTemperatureC: 21,
      outdoorTemperatureC: 17,
      windMs: 1.8,
      baselinePa: -0.7,
      pressuresPa: STEPS,
      scatter: 0.008,
      seed: 0.1701,
      note: 'Shell only, windows in, no services through the barrier yet.',
    }),
    test({
      key: 'wrenfold services',
      stage: 'servicesIn',
      day: '2026-09-22',
      law: { q50M3h: 380, exponent: 0.65 },
      indoorTemperatureC: 19.5,
      outdoorTemperatureC: 11,
      windMs: 2.3,
      baselinePa: -1.2,
      pressuresPa: STEPS,
      scatter: 0.028,
      seed: 0.2702,
      bothDirections: true,
      note: 'Exhaust stub in the bath taped for the test, tape taken off afterwards.',
    }),
  ],
};

const tamsel: DemoHouse = {
  key: 'tamsel',
  begun: '2026-06-11',
  house: {
    name: 'Tamsel Row 3',
    place: PLACE,
    builder: 'Obry and Daughters',
    volumeM3: 318,
    floorAreaM2: 121,
    envelopeAreaM2: 352,
    heightM: 5.4,
    storeys: 2,
    bedrooms: 3,
    target: { quantity: 'n50', limit: 2 },
    ...conventions,
  },
  areas: [
    area('Walls, street side', 'wall', 62, fromLibrary('framed-wall-140'), 'III'),
    area('Walls, garden side', 'wall', 66, fromLibrary('framed-wall-140'), 'II'),
    area('Rim, all round', 'rim', 14, fromLibrary('rim-board')),
    area('Ceiling under the attic', 'ceiling', 91, fromLibrary('ceiling-loose-fill')),
    area('Floor over the crawl space', 'floor', 88, fromLibrary('floor-joists-220'), 'III'),
    area('Windows and doors', 'opening', 31, window(0.6, 'Double glazing in timber')),
  ],
  tests: [
    disturbed(
      test({
        key: 'tamsel openings',
        stage: 'openingsIn',
        day: '2026-10-06',
        law: { q50M3h: 1195, exponent: 0.62 },
        indoorTemperatureC: 16,
        outdoorTemperatureC: 8.5,
        windMs: 3.1,
        baselinePa: -1.6,
        pressuresPa: STEPS,
        scatter: 0.012,
        seed: 0.3703,
        note: 'Attic hatch held shut with a prop.',
      }),
      4,
      0.21,
      'Back door was opened',
    ),
  ],
};

const pallow: DemoHouse = {
  key: 'pallow',
  begun: '2026-03-02',
  house: {
    name: 'Pallow House',
    place: PLACE,
    builder: 'Stonewright Teal',
    volumeM3: 511,
    floorAreaM2: 192,
    envelopeAreaM2: 489,
    heightM: 6.1,
    storeys: 2,
    bedrooms: 4,
    target: { quantity: 'qE50', limit: 3 },
    ...conventions,
  },
  areas: [
    area('Cavity walls', 'wall', 196, fromLibrary('masonry-cavity'), 'II'),
    area('Ceiling under the attic', 'ceiling', 112, fromLibrary('ceiling-loose-fill'), 'I'),
    area('Ground floor', 'floor', 124, fromLibrary('slab-board-150'), 'I'),
    area('Windows and doors', 'opening', 57, window(0.72, 'Double glazing, warm edge')),
  ],
  tests: [
    test({
      key: 'pallow finished',
      stage: 'finished',
      day: '2026-10-19',
      law: { q50M3h: 1168, exponent: 0.6 },
      indoorTemperatureC: 20.5,
      outdoorTemperatureC: 6,
      windMs: 1.4,
      baselinePa: -1.3,
      pressuresPa: STEPS,
      scatter: 0.006,
      seed: 0.4704,
      bothDirections: true,
    }),
  ],
};

const smallRing: NamedFanRange = {
  name: 'Ring C',
  coefficient: 3.92,
  exponent: 0.502,
  minPa: 15,
  maxPa: 320,
};

const nettle: DemoHouse = {
  key: 'nettle',
  begun: '2026-06-23',
  house: {
    name: 'Nettle Cabin',
    place: 'Upper Osk',
    builder: 'Harlow-Denn Joiners',
    volumeM3: 108,
    floorAreaM2: 43,
    envelopeAreaM2: 174,
    heightM: 3.1,
    storeys: 1,
    bedrooms: 1,
    target: { quantity: 'n50', limit: 0.6 },
    ...conventions,
  },
  areas: [
    area('Walls', 'wall', 71, fromLibrary('double-frame'), 'I'),
    area('Roof slopes', 'roof', 50, fromLibrary('roof-slope-220'), 'I'),
    area('Floor', 'floor', 43, fromLibrary('slab-board-150'), 'I'),
    area('Windows and door', 'opening', 10, window(1.15, 'Triple glazing, insulated frame')),
  ],
  tests: [
    test({
      key: 'nettle finished',
      stage: 'finished',
      day: '2026-11-03',
      law: { q50M3h: 45, exponent: 0.68 },
      indoorTemperatureC: 20,
      outdoorTemperatureC: 4,
      windMs: 1.1,
      baselinePa: -0.5,
      pressuresPa: STEPS,
      scatter: 0.009,
      seed: 0.5705,
      bothDirections: true,
      range: smallRing,
      note: 'Ring C throughout.',
    }),
  ],
};

/** The made-up scenario: four houses at different moments of their making. */
export const demoHouses: readonly DemoHouse[] = [wrenfold, tamsel, pallow, nettle];
