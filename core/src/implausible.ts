import type { Building } from './airtightness/building';
import type { LeakageFigures } from './airtightness/figures';
import type { Reading } from './airtightness/reading';
import type { Finding } from './finding';
import type { OperationName, OperationTypes } from './operations';
import type { LayerInput } from './thermal/layer';

/** A figure that may be, and hardly ever is: most likely a slip of the unit. */
export type Doubt = Finding<'implausible'>;

type Place = Pick<Finding, 'run' | 'reading' | 'sample' | 'layer'>;
type DoubtsAbout<Name extends OperationName> = (
  input: OperationTypes[Name]['input'],
  output: OperationTypes[Name]['output'],
) => readonly Doubt[];

/** Beyond these a figure is asked about; our own choice, wide enough for all that is built. */
const LIMITS = {
  volumeM3: 1e6,
  housePressurePa: 200,
  n50PerHour: 100,
  ela4M2: 1,
  rsiOfMetre: 60,
  rsi: 12,
  conductivityWmK: 20,
  framingFraction: 0.6,
  studDepthM: 0.4,
  psiWmK: 1,
  depthM: 2,
  pressedTo: 0.5,
  /** A sample against what was specified: pounds read as kilograms make 2.2. */
  sampleOverSpecified: 1.8,
  bagMassKg: 20,
} as const;

const doubtIf = (
  isDoubtful: boolean,
  value: number,
  limit: number,
  message: string,
  place: Place = {},
): readonly Doubt[] =>
  isDoubtful ? [{ rule: 'implausible', severity: 'warn', message, value, limit, ...place }] : [];

const doubtAbove = (value: number | undefined, limit: number, message: string, place?: Place) =>
  value === undefined ? [] : doubtIf(value > limit, value, limit, message, place);

function doorTestDoubts(
  { volumeM3 }: Building,
  { n50PerHour, ela4M2 }: Pick<LeakageFigures, 'n50PerHour' | 'ela4M2'>,
): readonly Doubt[] {
  return [
    ...doubtAbove(
      volumeM3,
      LIMITS.volumeM3,
      'A million cubic metres is no house: was the volume meant in another unit?',
    ),
    ...doubtAbove(
      n50PerHour,
      LIMITS.n50PerHour,
      'More than 100 air changes an hour: is the volume in the unit that is chosen, and the flow?',
    ),
    ...doubtAbove(
      ela4M2,
      LIMITS.ela4M2,
      'That is a hole of more than a square metre: is a door or a window open, or the flow in another unit?',
    ),
  ];
}

const pressureDoubts = (readings: readonly Reading[], place: Place): readonly Doubt[] =>
  readings.flatMap(({ pressurePa }, reading) =>
    doubtAbove(
      Math.abs(pressurePa),
      LIMITS.housePressurePa,
      'No house is brought to more than 200 Pa: is this the pressure at the fan?',
      { ...place, reading },
    ),
  );

type RunsInput = OperationTypes['airtightness.multiPoint']['input'];

/**
 * What of a door test in runs may be a slip of the unit.
 * @example doubtsOfRuns(examples['airtightness.multiPoint'], { n50PerHour: 250, q50M3h: 100000, eqLA10M2: 0.02, ela4M2: 0.01 }).length > 0 // true
 */
export const doubtsOfRuns = (
  { building, runs }: Pick<RunsInput, 'building' | 'runs'>,
  result: LeakageFigures,
): readonly Doubt[] => [
  ...doorTestDoubts(building, result),
  ...runs.flatMap(({ readings }, run) => pressureDoubts(readings, { run })),
];

function layerDoubts(given: LayerInput, layer: number): readonly Doubt[] {
  const { thicknessM, conductivityWmK, framingFraction } = given;
  const rsi = given.rsi ?? given.cavityRsi;
  const isOfMetre = rsi !== undefined && thicknessM !== undefined && thicknessM > 0;
  const imperial = 'Nothing insulates so well: is this an R in ft²·h·°F/Btu?';
  return [
    ...(isOfMetre
      ? doubtAbove(rsi / thicknessM, LIMITS.rsiOfMetre, imperial, { layer })
      : doubtAbove(rsi, LIMITS.rsi, imperial, { layer })),
    ...doubtAbove(
      conductivityWmK,
      LIMITS.conductivityWmK,
      'Only metals conduct so well: is this in mW/(m·K)?',
      { layer },
    ),
    ...doubtAbove(
      framingFraction,
      LIMITS.framingFraction,
      'More than 60 % of framing: is this the share of the cavity?',
      { layer },
    ),
    ...(framingFraction === undefined
      ? []
      : doubtAbove(
          thicknessM,
          LIMITS.studDepthM,
          'A stud deeper than 0.4 m: was the depth meant in another unit?',
          { layer },
        )),
  ];
}

/**
 * What of the layers of a build-up may be a slip of the unit.
 * @example doubtsOfLayers({ layers: [{ rsi: 21 }] })[0].message // 'Nothing insulates so well: is this an R in ft²·h·°F/Btu?'
 */
export const doubtsOfLayers = ({ layers }: { readonly layers: readonly LayerInput[] }): readonly Doubt[] =>
  layers.flatMap(layerDoubts);

const POUNDS = 'Was this weighed in pounds?';

const DOUBTS: { readonly [Name in OperationName]?: DoubtsAbout<Name> } = {
  'airtightness.multiPoint': (input, { result }) => doubtsOfRuns(input, result),
  'airtightness.yorkRegression': (input, { result }) => doubtsOfRuns(input, result),
  'airtightness.singlePoint': ({ building, repeats }, { result }) => [
    ...doorTestDoubts(building, result),
    ...pressureDoubts(repeats, {}),
  ],
  'thermal.assembly': doubtsOfLayers,
  'thermal.doubleFrames': doubtsOfLayers,
  'moisture.interfaces': doubtsOfLayers,
  'moisture.monthly': doubtsOfLayers,
  'thermal.house': ({ junctions = [] }) =>
    junctions.flatMap(({ psiWmK }) =>
      doubtIf(
        psiWmK < -LIMITS.psiWmK,
        psiWmK,
        -LIMITS.psiWmK,
        'A junction that gains more than 1 W/(m·K): is the sign right, and the unit?',
      ),
    ),
  'thermal.studLayout': ({ heightM, openings = [] }) =>
    openings.flatMap((opening) =>
      doubtAbove(
        opening.heightM,
        heightM,
        'An opening is higher than its wall: is one of them in another unit?',
      ),
    ),
  'insulation.depth': ({ depthsM }) =>
    depthsM.flatMap((depth, reading) =>
      doubtAbove(depth, LIMITS.depthM, 'Deeper than two metres: was this meant in another unit?', {
        reading,
      }),
    ),
  'insulation.battCompression': ({ labelThicknessM, thicknessM }) =>
    doubtIf(
      thicknessM < LIMITS.pressedTo * labelThicknessM,
      thicknessM,
      LIMITS.pressedTo * labelThicknessM,
      'Pressed to less than half: nobody has measured batts like this; are both thicknesses right?',
    ),
  'insulation.densitySamples': ({ specifiedDensityKgM3 }, { samples }) =>
    samples.flatMap(({ densityKgM3 }, sample) =>
      doubtAbove(densityKgM3, LIMITS.sampleOverSpecified * specifiedDensityKgM3, POUNDS, { sample }),
    ),
  'insulation.bags': ({ bagMassKg }) => doubtAbove(bagMassKg, LIMITS.bagMassKg, POUNDS),
};

/**
 * What of an input, or of what follows from it, may be a slip of the unit. It never changes the figures.
 * @example doubtsAbout('air.dewPoint', { temperatureC: 21, relativeHumidity: 0.45 }, { dewPointC: 8.7, vapourPressurePa: 1120 }) // []
 */
export function doubtsAbout<Name extends OperationName>(
  name: Name,
  input: OperationTypes[Name]['input'],
  output: OperationTypes[Name]['output'],
): readonly Doubt[] {
  return DOUBTS[name]?.(input, output) ?? [];
}
