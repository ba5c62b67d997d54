import type { OperationName, OperationTypes } from './operations';
import { calendarExample } from './calendar/calendar-example';
import { traceExample } from './continuity/trace-example';
import { depthMapExample } from './insulation/depth-map-example';
import { photoExamples } from './photo/photo-examples';
import { planExample } from './plan/plan-example';
import { takeOffExamples } from './take-off/take-off-examples';
import { trainingExample } from './training/training-example';

const films = { filmConvention: 'iso', heatFlow: 'horizontal' } as const;
const building = { volumeM3: 410, envelopeAreaM2: 395, floorAreaM2: 152, heightM: 5.4 };
const conditions = { indoorTemperatureC: 20, outdoorTemperatureC: 4, windMs: 2 };
const readings = [
  { pressurePa: -61.2, flowM3h: 742 },
  { pressurePa: -54.0, flowM3h: 684 },
  { pressurePa: -46.5, flowM3h: 621 },
  { pressurePa: -38.8, flowM3h: 553 },
  { pressurePa: -31.1, flowM3h: 479 },
  { pressurePa: -23.4, flowM3h: 398 },
];
const run = {
  direction: 'depressurise',
  baselineBeforePa: [-1.2, -0.8, -1.1],
  baselineAfterPa: [-0.9, -1.4, -1.0],
  readings,
} as const;
const cavity = { widthM: 0.37, heightM: 2.4 };
const observations = [
  { cavity },
  { cavity, regions: [{ areaM2: 0.012, fill: 0 }] },
  { cavity, regions: [{ areaM2: 0.03, fill: 0.8 }], requirements: { behindBoxes: false } },
  { cavity },
];
const framed = { cavityRsi: 3.7, frameRsi: 1.1, framingFraction: 0.15, thicknessM: 0.14 };
const gypsum = { thicknessM: 0.0125, conductivityWmK: 0.25 };
const monthsC = [-5, -4, 0, 6, 11, 15, 17, 16, 12, 7, 2, -3];
const year = monthsC.map((outdoorTemperatureC) => ({
  indoorTemperatureC: 20,
  indoorRelativeHumidity: 0.45,
  outdoorTemperatureC,
  outdoorRelativeHumidity: 0.82,
}));

/** A worked example of each operation: what the methods show, and what a form begins with. */
export const examples: { readonly [Name in OperationName]: OperationTypes[Name]['input'] } = {
  'air.density': { temperatureC: 20, relativeHumidity: 0.5, altitudeM: 300 },
  'air.dewPoint': { temperatureC: 21, relativeHumidity: 0.45 },
  'airtightness.multiPoint': { method: 'iso9972', building, conditions, runs: [run] },
  'airtightness.singlePoint': {
    method: 'iso9972',
    direction: 'depressurise',
    building,
    conditions,
    repeats: [
      { pressurePa: -51, flowM3h: 655, baselineBeforePa: [-1.1], baselineAfterPa: [-0.9] },
      { pressurePa: -49.6, flowM3h: 649, baselineBeforePa: [-1.0], baselineAfterPa: [-1.2] },
    ],
  },
  'airtightness.yorkRegression': { method: 'iso9972', building, conditions, runs: [run] },
  'airtightness.uncertaintyPropagation': {
    q50M3h: 650,
    standardErrorLnQ50: 0.012,
    degreesOfFreedom: 8,
    volumeM3: 410,
    volumeUncertainty: 0.03,
    envelopeAreaM2: 395,
    envelopeAreaUncertainty: 0.04,
  },
  'airtightness.budget': {
    target: { quantity: 'n50', limit: 1.5 },
    building: { volumeM3: 410 },
    q50M3h: 680,
  },
  'airtightness.stageComparison': {
    stageA: { q50M3h: 640, standardErrorLnQ50: 0.012, date: '2031-03-10' },
    stageB: { q50M3h: 720, standardErrorLnQ50: 0.014, date: '2031-04-02' },
    work: [
      { id: 'plumbing', date: '2031-03-18' },
      { id: 'paint', date: '2031-04-20' },
    ],
  },
  'airtightness.zone': {
    houseOutdoorPressurePa: -50,
    houseZonePressurePa: -41,
    closedFlowM3h: 980,
    openFlowM3h: 1130,
  },
  'ventilation.infiltration': {
    ela4M2: 0.022,
    indoorTemperatureC: 20,
    outdoorTemperatureC: -2,
    windMs: 3.5,
    storeys: 2,
    shelterClass: 3,
    volumeM3: 410,
  },
  'ventilation.requirement': {
    floorAreaM2: 152,
    bedrooms: 3,
    ela4M2: 0.022,
    heightM: 5.4,
    weatherFactor: 0.55,
    balanced: false,
    detached: true,
  },
  'thermal.assembly': {
    layers: [gypsum, framed, { rsi: 1.1 }],
    method: 'iso6946',
    ...films,
    gradeAdjustment: { school: 'voidFraction', layer: 1, grade: 'III' },
    areaM2: 96,
    heatingDegreeDaysKd: 3100,
  },
  'thermal.house': {
    areas: [
      { areaM2: 96, uValue: 0.22 },
      { areaM2: 78, uValue: 0.13 },
      { areaM2: 21, uValue: 1.1 },
    ],
    junctions: [{ lengthM: 38, psiWmK: 0.05 }],
    points: [{ count: 2, chiWK: 0.5 }],
  },
  'thermal.requirements': {
    areas: [
      { id: 'walls', kind: 'wall', areaM2: 96, plannedUValue: 0.21, asBuiltUValue: 0.23, grade: 'III' },
      { id: 'ceiling', kind: 'ceiling', areaM2: 78, plannedUValue: 0.12, asBuiltUValue: 0.125, grade: 'II' },
    ],
    requirements: [
      { kind: 'wall', greatestUValue: 0.22 },
      { kind: 'ceiling', leastRsi: 7.5 },
    ],
    leastGrade: 'II',
  },
  'thermal.designHeatLoad': {
    indoorTemperatureC: 20,
    outdoorTemperatureC: -12,
    planned: { transmissionWK: 92, infiltrationM3h: 25, ventilationM3h: 140, heatRecovery: 0.75 },
    asBuilt: { transmissionWK: 97, infiltrationM3h: 48, ventilationM3h: 140, heatRecovery: 0.75 },
  },
  'thermal.iSection': {
    spacingM: 0.6,
    depthM: 0.3,
    flangeWidthM: 0.045,
    flangeDepthM: 0.04,
    flangeConductivityWmK: 0.13,
    webThicknessM: 0.01,
    webConductivityWmK: 0.15,
    fillConductivityWmK: 0.039,
    otherRsi: 0.5,
    method: 'iso6946',
    ...films,
  },
  'thermal.doubleFrames': {
    layers: [framed, { thicknessM: 0.1, conductivityWmK: 0.039 }, framed],
    method: 'parallelPath',
    ...films,
  },
  'thermal.studLayout': {
    lengthM: 9,
    heightM: 2.7,
    spacingM: 0.6,
    studWidthM: 0.045,
    corners: 2,
    cornerKind: 'solid',
    intersections: 2,
    intersectionKind: 'solid',
    openings: [{ widthM: 1.6, heightM: 1.3, headerDepthM: 0.22, headerTimberShare: 1, hasSill: true }],
    cavityRsi: 3.7,
    frameRsi: 1.1,
    restRsi: 0.6,
  },
  'insulation.grade': { netInsulatedAreaM2: 48, observations },
  'insulation.sampling': { netInsulatedAreaM2: 48, observations, everyCavityGlancedAt: true },
  'insulation.battCompression': { labelRsi: 3.35, labelThicknessM: 0.159, thicknessM: 0.14 },
  'insulation.densitySamples': {
    specifiedDensityKgM3: 56,
    samples: [
      { massKg: 0.81, areaM2: 0.1, thicknessM: 0.14 },
      { massKg: 0.78, areaM2: 0.1, thicknessM: 0.14 },
    ],
  },
  'insulation.massPerArea': {
    specifiedMassKgM2: 8,
    atThicknessM: 0.14,
    samples: [{ massKg: 0.83, areaM2: 0.1 }],
  },
  'insulation.bags': {
    bags: 40,
    bagMassKg: 13.6,
    grossAreaM2: 104,
    framingFraction: 0.15,
    depthM: 0.14,
    specifiedDensityKgM3: 56,
  },
  'insulation.coverage': {
    table: [
      { rsi: 5.28, bagsPerM2: 0.54, leastMassKgM2: 5.9, initialDepthM: 0.23, settledDepthM: 0.2 },
      { rsi: 8.63, bagsPerM2: 0.92, leastMassKgM2: 10, initialDepthM: 0.37, settledDepthM: 0.32 },
    ],
    wantedRsi: 8,
    areaM2: 78,
    bagMassKg: 11.3,
    bags: 72,
    depthsM: [0.38, 0.37, 0.35],
  },
  'insulation.depth': {
    kind: 'looseFill',
    depthsM: [0.42, 0.4, 0.33, 0.22],
    conductivityWmK: 0.041,
    specifiedDepthM: 0.4,
    restRsi: 0.3,
    settlingFraction: 0.12,
  },
  'insulation.depthMap': depthMapExample,
  'insulation.hybridFill': {
    cavityDepthM: 0.14,
    foamDepthsM: [0.055, 0.05, 0.042],
    foamConductivityWmK: 0.025,
    batt: { labelRsi: 2.3, labelThicknessM: 0.09 },
    insideRsi: 0.2,
    outsideRsi: 0.25,
    indoorTemperatureC: 20,
    outdoorTemperatureC: -12,
    indoorRelativeHumidity: 0.4,
  },
  'moisture.interfaces': {
    indoorTemperatureC: 20,
    outdoorTemperatureC: -12,
    indoorRelativeHumidity: 0.4,
    layers: [
      { rsi: 0.08, sdM: 0.2 },
      { rsi: 3.3, sdM: 0.2 },
      { rsi: 2.2, sdM: 6 },
      { rsi: 0.1, sdM: 1 },
    ],
    ...films,
    condensingLayer: 2,
  },
  'moisture.monthly': {
    layers: [
      { rsi: 0.06, sdM: 0.3 },
      { rsi: 3.6, sdM: 0.2 },
      { rsi: 0.12, sdM: 2.5 },
    ],
    ...films,
    months: year,
  },
  'moisture.dryAndDamp': {
    layers: [
      { rsi: 0.06, sdDryM: 8, sdDampM: 0.4 },
      { rsi: 3.6, sdM: 0.2 },
      { rsi: 0.12, sdM: 2.5 },
    ],
    ...films,
    months: year,
  },
  'continuity.trace': traceExample,
  'pathToTarget.evaluate': {
    q50M3h: 780,
    standardErrorLnQ50: 0.02,
    limitM3h: 615,
    items: [
      { id: 'hatch', leakM3h: { low: 40, likely: 70, high: 120 }, minutes: 20 },
      { id: 'rim', leakM3h: { low: 80, likely: 130, high: 210 }, minutes: 90 },
      { id: 'sill', leakM3h: { low: 30, likely: 55, high: 90 }, minutes: 45 },
      { id: 'flue', ela4M2: { low: 0.0006, likely: 0.001, high: 0.002 }, minutes: 35 },
    ],
    fixes: ['hatch', 'rim'],
  },
  'photo.voids': photoExamples.voids,
  'photo.regions': photoExamples.regions,
  'climate.degreeDays': { temperaturesC: monthsC },
  'thermal.airSpace': {
    thicknessM: 0.025,
    heatFlow: 'horizontal',
    emissivityInside: 0.05,
    emissivityOutside: 0.9,
  },
  'thermal.ground': {
    kind: 'slab',
    areaM2: 96,
    exposedPerimeterM: 40,
    wallThicknessM: 0.35,
    floorRsi: 1.2,
    groundConductivityWmK: 1.5,
    edge: { position: 'vertical', rsi: 2.9, thicknessM: 0.1, widthM: 0.6 },
  },
  'thermal.mixedFrame': {
    restRsi: 0.4,
    members: [
      { areaM2: 6.2, rsi: 1.167 },
      { areaM2: 1.9, rsi: 1.86 },
    ],
  },
  'thermal.carbon': {
    effectiveRsi: 3.4,
    layers: [
      { thicknessM: 0.0125, carbonKgM3: 210 },
      { thicknessM: 0.14, share: 0.85, carbonKgM3: 140, agent: { kgM3: 2.2, gwp: 5, lostShare: 0.5 } },
      { thicknessM: 0.14, share: 0.15, carbonKgM3: 100, storedKgM3: 740 },
    ],
  },
  'thermal.payback': { extraCost: 2400, savedKwhPerYear: 1500, pricePerKwh: 0.16, discountRate: 0.03 },
  'insulation.cavityFill': {
    depthM: 0.14,
    fills: [
      { pressing: 'fibreLaw', thicknessM: 0.1, conductivityWmK: 0.039 },
      { pressing: 'rigid', thicknessM: 0.05, conductivityWmK: 0.025 },
    ],
  },
  'insulation.defectPrices': {
    layers: [gypsum, framed, { rsi: 0.2 }],
    ...films,
    gradedLayer: 1,
    areaM2: 62,
    observedM2: 16,
    heatingDegreeDaysKd: 3100,
    defects: [
      { id: 'behind the box', kind: 'void', areaM2: 0.03, minutes: 4 },
      { id: 'pushed in', kind: 'pressed', areaM2: 0.2, rsi: 3, minutes: 5 },
      { id: 'attic hatch', kind: 'bare', areaM2: 0.5, uValue: 1.9, minutes: 20 },
    ],
  },
  'moisture.indoorYear': {
    outdoor: monthsC.map((temperatureC) => ({ temperatureC, relativeHumidity: 0.82 })),
    rule: 'humidityClass',
    humidityClass: 3,
  },
  'moisture.vapourPlan': {
    layers: [
      { rsi: 0.06, sdDryM: 0.3 },
      { rsi: 0, sdDryM: 8, sdDampM: 0.3, kind: 'sheet' },
      { rsi: 3.6, sdDryM: 0.2 },
      { rsi: 0.12, sdDryM: 2.5, sdDampM: 0.9, kind: 'board' },
    ],
    ...films,
    months: year,
  },
  'takeOff.packs': takeOffExamples.packs,
  'takeOff.batts': takeOffExamples.batts,
  'takeOff.sheet': takeOffExamples.sheet,
  'takeOff.joint': takeOffExamples.joint,
  'takeOff.fixing': takeOffExamples.fixing,
  'training.agreement': trainingExample,
  'plan.sizes': planExample,
  'calendar.holdPoints': calendarExample,
  'penetration.judge': { what: 'waterPipe', through: 'timber', gapMm: 12, seals: ['softSealant'] },
};
