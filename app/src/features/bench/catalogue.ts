import { FORMER_NAMES } from '@calvet/core/former-names';
import { operationNamed, operationNames, type OperationName } from '@calvet/core/operations';

/** What can be worked out, in the words of who needs it. */
export interface Entry {
  readonly title: string;
  /** What it tells, in one sentence. */
  readonly tells: string;
  /** Paths of the figures that are the answer; the first is the largest. */
  readonly answers: readonly string[];
  /** Where somebody can get hurt. */
  readonly caution?: string;
}

const FOAM =
  'Freshly sprayed foam: nobody inside until the maker’s re-entry time is over. Cores and cuts make dust: protect eyes and lungs.';
const COMBUSTION =
  'Before a fan runs: combustion appliances off, no ash in the fireplace, no suspect asbestos. Local code and licensed trades decide.';
const DRAUGHT =
  'In a tight house combustion appliances must not draw on indoor air. Local code and licensed trades decide.';
const SCREENING = 'This screens a build-up; it is no design. Local code and the designer decide.';
const HOT =
  'Keep fill clear of flues, chimneys and lights that are not made to be covered, as local code says. Old fill may hold asbestos: do not disturb it.';

export const CATALOGUE: Readonly<Record<OperationName, Entry>> = {
  'insulation.bags': {
    title: 'Bags of blown fill',
    tells: 'Bags that an area takes, and the density that the bags used come to.',
    answers: ['bagsNeeded', 'achievedDensityKgM3', 'volumeM3'],
    caution: HOT,
  },
  'insulation.coverage': {
    title: 'Blown fill by the table on its bag',
    tells: 'Bags, depth and mass that a wanted R takes, and whether what was blown reaches it.',
    answers: ['bagsNeeded', 'accepted', 'initialDepthM', 'massKgM2'],
    caution: HOT,
  },
  'insulation.battCompression': {
    title: 'Compressed batt',
    tells: 'R of a fibrous batt in a cavity thinner than its label.',
    answers: ['rsi', 'conductivityWmK', 'densityKgM3'],
  },
  'insulation.densitySamples': {
    title: 'Density from samples',
    tells: 'Whether samples of dense-packed or sprayed fill reach the density that was specified.',
    answers: ['meanDensityKgM3', 'accepted', 'overfill'],
    caution: FOAM,
  },
  'insulation.massPerArea': {
    title: 'Mass per area from samples',
    tells: 'Whether samples reach the mass per area that was specified for a thickness.',
    answers: ['meanMassKgM2', 'accepted', 'overfill'],
  },
  'insulation.depth': {
    title: 'Depths of fill or foam',
    tells: 'R of an uneven or settling layer from depths taken over the area.',
    answers: ['effectiveRsi', 'meanDepthM', 'lowestDepthM', 'accepted'],
    caution: FOAM,
  },
  'insulation.hybridFill': {
    title: 'Batt over sprayed foam',
    tells: 'R of a cavity with uneven foam and a batt over it, and whether the foam stays warm enough.',
    answers: ['effectiveRsi', 'atLowest.temperatureC', 'dewPointC', 'atLowest.safe'],
    caution: FOAM,
  },
  'insulation.grade': {
    title: 'Grade of the work',
    tells: 'Grade I, II or III from the voids and the workmanship seen in cavities.',
    answers: ['grade', 'voidFraction', 'compressedFraction', 'shareObserved'],
    caution:
      'A pipe on the cold side of its insulation can freeze and burst: have it moved before it is closed in.',
  },
  'insulation.sampling': {
    title: 'How many cavities to look at',
    tells: 'What the cavities seen so far say of the whole area, and how many more settle its grade.',
    answers: ['moreCavities', 'supportedGrade', 'voidFraction', 'settled'],
  },
  'air.dewPoint': {
    title: 'Dew point',
    tells: 'Temperature at which water begins to condense from air.',
    answers: ['dewPointC', 'vapourPressurePa'],
  },
  'moisture.interfaces': {
    title: 'Temperature at a plane',
    tells: 'Temperatures between the layers of a build-up, and whether a plane stays above the dew point.',
    answers: [
      'condensingPlane.temperatureC',
      'dewPointC',
      'condensingPlane.safe',
      'condensingPlane.leastShareOutside',
    ],
    caution: SCREENING,
  },
  'moisture.monthly': {
    title: 'Condensation through a year',
    tells: 'Water that gathers between layers month by month, and whether it dries.',
    answers: ['dries', 'peakKgM2', 'peakMonth', 'endKgM2'],
    caution: SCREENING,
  },
  'moisture.dryAndDamp': {
    title: 'Layers that open when damp',
    tells: 'The year of a build-up whose layers pass vapour differently when dry and when damp.',
    answers: ['driesInBoth', 'dry.peakKgM2', 'damp.peakKgM2'],
    caution: SCREENING,
  },
  'air.density': {
    title: 'Air density',
    tells: 'Density, viscosity and vapour of air at a temperature, humidity and height.',
    answers: ['densityKgM3', 'pressurePa', 'vapourPressurePa'],
  },
  'ventilation.requirement': {
    title: 'Ventilation need',
    tells: 'Outdoor air that a dwelling needs, and what its fan must move after credit for leaks.',
    answers: ['fanFlowM3h', 'totalM3h', 'creditM3h'],
    caution: DRAUGHT,
  },
  'ventilation.infiltration': {
    title: 'Infiltration from leaks',
    tells: 'Air that wind and warmth drive through a leak area.',
    answers: ['flowM3h', 'airChangesPerHour'],
    caution: DRAUGHT,
  },
  'thermal.assembly': {
    title: 'R and U of a build-up',
    tells: 'Effective R and U with framing, fasteners and the grade of the work, and what the grade costs.',
    answers: ['effectiveRsi', 'uValue', 'deltaUVoids', 'price.deltaUAWK'],
  },
  'thermal.studLayout': {
    title: 'Framing share of a wall',
    tells: 'Share of timber from studs, plates, corners and headers, and what leaner framing gains.',
    answers: ['framingFraction', 'leanFramingFraction', 'effectiveRsi', 'leanEffectiveRsi'],
    caution: 'Framing carries loads: a leaner layout is for the structural designer and local code to allow.',
  },
  'thermal.doubleFrames': {
    title: 'Two frames: aligned or offset',
    tells: 'Effective R with the studs of two frames in line and out of line.',
    answers: ['offset.effectiveRsi', 'aligned.effectiveRsi', 'gainedRsi', 'gainedShare'],
  },
  'thermal.iSection': {
    title: 'I-section members',
    tells: 'Effective R with members of flanges and a thin web, against solid ones.',
    answers: ['effectiveRsi', 'solidEffectiveRsi', 'gainedRsi'],
  },
  'thermal.house': {
    title: 'Heat loss of an envelope',
    tells: 'Heat loss and average U of areas and junctions together.',
    answers: ['transmissionWK', 'averageUValue', 'effectiveRsi'],
  },
  'thermal.requirements': {
    title: 'Areas against requirements',
    tells: 'Whether each area and the house keep to what is asked, as planned and as built.',
    answers: ['house.asBuilt', 'house.asBuiltWK', 'house.plannedWK'],
  },
  'thermal.designHeatLoad': {
    title: 'Design heat load',
    tells: 'Heat that the coldest day takes, as planned and as built.',
    answers: ['asBuilt.totalW', 'planned.totalW', 'differenceW'],
    caution: 'Heating is sized by a licensed trade to local code; this shows what the work changes.',
  },
  'airtightness.multiPoint': {
    title: 'Door test, several pressures',
    tells: 'The fit of a test with its intervals and findings.',
    answers: ['result.n50PerHour', 'result.q50M3h', 'result.qE50M3hM2', 'result.ela4M2'],
    caution: COMBUSTION,
  },
  'airtightness.singlePoint': {
    title: 'Door test at one pressure',
    tells: 'q50 from one pressure, with the range that an assumed exponent leaves.',
    answers: ['result.n50PerHour', 'result.q50M3h', 'result.q50RangeLowM3h', 'result.q50RangeHighM3h'],
    caution: COMBUSTION,
  },
  'airtightness.yorkRegression': {
    title: 'Door test in wind',
    tells: 'The fit with each reading weighed by the uncertainty of its pressure and its flow.',
    answers: ['result.q50M3h', 'result.q50Low95M3h', 'result.q50High95M3h', 'result.n50PerHour'],
    caution: COMBUSTION,
  },
  'airtightness.budget': {
    title: 'Room to the target',
    tells: 'How far a test is from its limit, and the hole that is left to close.',
    answers: ['verdict', 'excessM3h', 'holeAreaM2', 'limitFlowM3h'],
  },
  'airtightness.uncertaintyPropagation': {
    title: 'Uncertainty with that of the sizes',
    tells: 'Intervals of n50 and qE50 when volume and areas are uncertain too.',
    answers: ['n50.value', 'n50.low95', 'n50.high95', 'qE50.value'],
  },
  'airtightness.stageComparison': {
    title: 'Two tests compared',
    tells: 'Whether the house became tighter or looser between two tests, and which work fell between.',
    answers: ['verdict', 'changeM3h', 'uncertaintyM3h', 'suspects'],
  },
  'airtightness.zone': {
    title: 'Zone beside the house',
    tells:
      'Whether an attic, garage or crawl space is coupled to indoors or outdoors, and by how large a leak.',
    answers: ['state', 'leakageRatio', 'paths.houseZoneEqLA10M2', 'paths.zoneOutdoorEqLA10M2'],
    caution: 'A garage coupled to the house lets exhaust gas in: close that path first. Local code decides.',
  },
  'continuity.trace': {
    title: 'Continuity of the air barrier',
    tells: 'Breaks in the chain of areas, junctions and penetrations.',
    answers: ['continuous', 'continuityByLength', 'sealedLengthM', 'neededLengthM'],
  },
  'pathToTarget.evaluate': {
    title: 'Shortest way to the target',
    tells: 'The mends that reach the limit in the least time, and the chance that they do.',
    answers: ['list.chance', 'list.ids', 'list.minutes', 'chanceNow'],
    caution: DRAUGHT,
  },
  'photo.voids': {
    title: 'Voids from points on a photo',
    tells: 'Areas of voids outlined on a photo of a cavity of known size.',
    answers: ['voidFraction', 'voidAreaM2', 'cavityAreaM2'],
  },
};

export interface Shelf {
  readonly title: string;
  readonly names: readonly OperationName[];
}

/** The order in which they are needed on a site. */
export const SHELVES: readonly Shelf[] = [
  {
    title: 'Insulation',
    names: [
      'insulation.bags',
      'insulation.coverage',
      'insulation.battCompression',
      'insulation.depth',
      'insulation.densitySamples',
      'insulation.massPerArea',
      'insulation.hybridFill',
      'insulation.grade',
      'insulation.sampling',
      'photo.voids',
    ],
  },
  {
    title: 'Moisture and air',
    names: ['air.dewPoint', 'moisture.interfaces', 'moisture.monthly', 'moisture.dryAndDamp', 'air.density'],
  },
  { title: 'Ventilation', names: ['ventilation.requirement', 'ventilation.infiltration'] },
  {
    title: 'R, U and heat',
    names: [
      'thermal.assembly',
      'thermal.studLayout',
      'thermal.doubleFrames',
      'thermal.iSection',
      'thermal.house',
      'thermal.requirements',
      'thermal.designHeatLoad',
    ],
  },
  {
    title: 'Airtightness',
    names: [
      'airtightness.budget',
      'airtightness.multiPoint',
      'airtightness.singlePoint',
      'airtightness.yorkRegression',
      'airtightness.stageComparison',
      'airtightness.zone',
      'airtightness.uncertaintyPropagation',
      'continuity.trace',
      'pathToTarget.evaluate',
    ],
  },
];

/** The last part of a page's address: `insulation.battCompression` → `insulation-batt-compression`. */
export function slugOf(name: string): string {
  return name.replace('.', '-').replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
}

const BY_SLUG = new Map(
  [...operationNames, ...Object.keys(FORMER_NAMES)].map((name) => [slugOf(name), operationNamed(name)]),
);

/** The operation that an address means, if any. */
export function nameOfSlug(slug: string): OperationName | null {
  return BY_SLUG.get(slug) ?? null;
}
