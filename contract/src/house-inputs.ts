import type { OperationName, OperationTypes } from '@calvet/core/operations';
import { layersOf } from '@calvet/core/thermal/layer';
import type { AirtightnessTest } from './airtightness/airtightness-test';
import { budgetInput, countedRuns, testFigures, type TestFigures } from './airtightness/test-figures';
import type { House } from './house/house';
import { isJudged, type Area } from './installation/area';
import type { BuildUpLayer } from './installation/layer';
import { areaFigures, assemblyInput, envelopeFigures } from './installation/area-figures';
import { planInputOf, type Drawing } from './plan/plan-input';

/** A house with what it holds. */
interface HouseWithRecords extends Drawing {
  readonly house: House;
  readonly tests: readonly AirtightnessTest[];
  readonly areas: readonly Area[];
}

/** What of a house figures are taken from. */
export type HouseSource =
  | { readonly of: 'house' }
  | { readonly of: 'area'; readonly area: Area }
  | { readonly of: 'test'; readonly test: AirtightnessTest }
  | { readonly of: 'tests'; readonly earlier: AirtightnessTest; readonly later: AirtightnessTest };

/** What is given of an input; null where there must be nothing. What is not in it is not known. */
type Given<T> = T extends readonly (infer Item)[]
  ? readonly Given<Item>[]
  : T extends object
    ? { readonly [K in keyof T]?: Given<T[K]> | null }
    : T;
type GivenTo<Name extends OperationName> = Given<OperationTypes[Name]['input']>;

/** Part of an operation's input, and what of a house it was taken from. */
export interface HouseInput {
  readonly source: HouseSource;
  readonly given: object;
}

type Finished = Extract<TestFigures, { readonly state: 'figures' }>;

/** What was entered of the air and the weather of a test. */
function conditionsOf(test: AirtightnessTest) {
  const { indoorTemperatureC, outdoorTemperatureC, altitudeM, airPressurePa, windMs } = test;
  return { indoorTemperatureC, outdoorTemperatureC, altitudeM, pressurePa: airPressurePa, windMs };
}

const known = <T extends object>(record: T): Partial<{ readonly [K in keyof T]: NonNullable<T[K]> }> =>
  Object.fromEntries(Object.entries(record).filter(([, value]) => value !== null)) as never;

/** What is known of the sizes of a house. */
const sizesOf = ({ volumeM3, envelopeAreaM2, floorAreaM2, heightM }: House) =>
  known({ volumeM3, envelopeAreaM2, floorAreaM2, heightM });

function readingsOf(house: House, test: AirtightnessTest): GivenTo<'airtightness.multiPoint'> | null {
  const runs = countedRuns(test).map(({ input }) => input);
  if (runs.length === 0) return null;
  return { method: house.referenceMethod, building: sizesOf(house), conditions: conditionsOf(test), runs };
}

/** What computations take of a test with readings, whether or not they make a fit yet. */
const FROM_TEST: {
  readonly [N in OperationName]?: (house: House, test: AirtightnessTest) => GivenTo<N> | null;
} = {
  'airtightness.multiPoint': readingsOf,
  'airtightness.yorkRegression': readingsOf,
  'airtightness.singlePoint': (house, test) => ({
    method: house.referenceMethod,
    building: sizesOf(house),
    conditions: conditionsOf(test),
  }),
};

/** What computations take of a test that has figures. */
const FROM_FINISHED_TEST: {
  readonly [N in OperationName]?: (house: House, figures: Finished, test: AirtightnessTest) => GivenTo<N>;
} = {
  'airtightness.uncertaintyPropagation': (_, { building, fit: { result } }) => {
    const { q50M3h, standardErrorLnQ50, degreesOfFreedom } = result;
    const { volumeM3, envelopeAreaM2 } = building;
    return { q50M3h, standardErrorLnQ50, degreesOfFreedom, volumeM3, envelopeAreaM2 };
  },
  'airtightness.budget': (house, { building, fit }) => budgetInput(house, building, fit),
  'ventilation.infiltration': (house, { building, fit: { result } }, test) => {
    const { indoorTemperatureC, outdoorTemperatureC, windMs } = test;
    const storeys = ([1, 2, 3] as const).find((each) => each === house.storeys);
    return {
      ela4M2: result.ela4M2,
      ...known({ indoorTemperatureC, outdoorTemperatureC, windMs }),
      ...(storeys === undefined ? {} : { storeys }),
      volumeM3: building.volumeM3,
    };
  },
  'ventilation.requirement': ({ bedrooms }, { building, fit: { result } }) => ({
    floorAreaM2: building.floorAreaM2,
    bedrooms,
    heightM: building.heightM,
    ela4M2: result.ela4M2,
  }),
  'pathToTarget.evaluate': (_, { fit: { result }, budget }) => ({
    q50M3h: result.q50M3h,
    standardErrorLnQ50: result.standardErrorLnQ50,
    limitM3h: budget.limitFlowM3h,
  }),
};

const framedOf = ({ buildUp }: Area): Extract<BuildUpLayer, { readonly kind: 'framed' }> | undefined =>
  buildUp.layers.find((layer) => layer.kind === 'framed');

/** The layers of an area by their resistance, through the cavity where it is framed; what vapour meets is not known. */
function cavityOf(house: House, area: Area) {
  const { layers, filmConvention, heatFlow } = assemblyInput(house, area);
  return { layers: layersOf(layers).map(({ cavityRsi }) => ({ rsi: cavityRsi })), filmConvention, heatFlow };
}

/** Net of its framing. */
function insulatedAreaOf(area: Area): { readonly netInsulatedAreaM2: number } | null {
  if (area.areaM2 === null) return null;
  return { netInsulatedAreaM2: area.areaM2 * (1 - (framedOf(area)?.framingFraction ?? 0)) };
}

/** What computations take of an area. */
const FROM_AREA: { readonly [N in OperationName]?: (house: House, area: Area) => GivenTo<N> | null } = {
  'thermal.assembly': (house, area) => {
    const { gradeAdjustment, frameAlignment, areaM2, ...input } = assemblyInput(house, area);
    return {
      ...input,
      gradeAdjustment: gradeAdjustment ?? null,
      frameAlignment: frameAlignment ?? null,
      areaM2: areaM2 ?? null,
    };
  },
  'thermal.doubleFrames': (house, area) => {
    if (area.buildUp.layers.filter(({ kind }) => kind === 'framed').length < 2) return null;
    const { layers, filmConvention, heatFlow } = assemblyInput(house, area);
    return { layers, filmConvention, heatFlow };
  },
  'insulation.grade': (_, area) => insulatedAreaOf(area),
  'insulation.sampling': (_, area) => insulatedAreaOf(area),
  'insulation.battCompression': (_, area) => {
    const thicknessM = framedOf(area)?.thicknessM ?? null;
    return thicknessM === null ? null : { thicknessM };
  },
  'insulation.bags': (_, area) => {
    const framed = framedOf(area);
    if (framed === undefined) return null;
    const { framingFraction, thicknessM } = framed;
    return { framingFraction, ...known({ grossAreaM2: area.areaM2, depthM: thicknessM }) };
  },
  'insulation.coverage': (_, area) => {
    const framed = framedOf(area);
    if (framed === undefined) return null;
    return { wantedRsi: framed.cavityRsi, ...known({ areaM2: area.areaM2 }) };
  },
  'insulation.hybridFill': (_, area) => {
    const cavityDepthM = framedOf(area)?.thicknessM ?? null;
    return cavityDepthM === null ? null : { cavityDepthM };
  },
  'moisture.interfaces': cavityOf,
  'moisture.monthly': cavityOf,
  'moisture.dryAndDamp': cavityOf,
};

interface NamedFigures {
  /** Its name, with a number behind it where others are called so too. */
  readonly id: string;
  readonly area: Area;
  readonly areaM2: number;
  readonly plannedUValue: number;
  /** As planned while nobody judged the work. */
  readonly builtUValue: number;
}

/** Every area that has a size and can be computed, each under a name of its own. */
function figuresOfAreas({ house, areas }: HouseWithRecords): readonly NamedFigures[] {
  const taken = new Set<string>();
  return areas.flatMap((area): NamedFigures[] => {
    const figures = areaFigures(house, area);
    if (area.areaM2 === null || figures.state !== 'figures') return [];
    let id = area.name;
    for (let i = 2; taken.has(id); i++) id = `${area.name} (${i})`;
    taken.add(id);
    const { framed, built } = figures;
    return [{ id, area, areaM2: area.areaM2, plannedUValue: framed.uValue, builtUValue: built.uValue }];
  });
}

const orNull = <T>(items: readonly T[]): readonly T[] | null => (items.length === 0 ? null : items);

/** What computations take of a house as a whole. */
const FROM_HOUSE: { readonly [N in OperationName]?: (whole: HouseWithRecords) => GivenTo<N> | null } = {
  'plan.sizes': planInputOf,
  'thermal.house': (whole) => {
    const areas = orNull(
      figuresOfAreas(whole).map(({ areaM2, builtUValue: uValue }) => ({ areaM2, uValue })),
    );
    return areas && { areas };
  },
  'thermal.requirements': (whole) => {
    const areas = orNull(
      figuresOfAreas(whole).map(({ id, area, areaM2, plannedUValue, builtUValue }) => ({
        id,
        kind: area.kind,
        areaM2,
        plannedUValue,
        ...(isJudged(area) && { asBuiltUValue: builtUValue, grade: area.grade ?? ('none' as const) }),
      })),
    );
    return areas && { areas };
  },
  'thermal.designHeatLoad': ({ house, areas }) => {
    const { framed, built } = envelopeFigures(house, areas);
    if (framed === null || built === null) return null;
    return {
      planned: { transmissionWK: framed.transmissionWK },
      asBuilt: { transmissionWK: built.transmissionWK },
    };
  },
};

const STAGES = 'airtightness.stageComparison';

function stageOf(test: AirtightnessTest, { fit: { result } }: Finished) {
  const { q50M3h, standardErrorLnQ50, degreesOfFreedom } = result;
  return { q50M3h, standardErrorLnQ50, degreesOfFreedom, date: test.performedOn };
}

/** Each finished test and the one before it, the latest pair first. */
function pairsOf({ house, tests }: HouseWithRecords): readonly HouseInput[] {
  const finished = [...tests]
    .sort((a, b) => a.performedOn.localeCompare(b.performedOn) || a.id.localeCompare(b.id))
    .flatMap((test) => {
      const figures = testFigures(house, test);
      return figures.state === 'figures' ? [{ test, stage: stageOf(test, figures) }] : [];
    });
  return finished
    .slice(1)
    .map((later, i): HouseInput => {
      const earlier = finished[i] ?? later;
      const given: GivenTo<typeof STAGES> = { stageA: earlier.stage, stageB: later.stage };
      return { source: { of: 'tests', earlier: earlier.test, later: later.test }, given };
    })
    .reverse();
}

/** True for an operation that figures of a house fit into. */
export function takesFromHouse(name: OperationName): boolean {
  return (
    name === STAGES || [FROM_TEST, FROM_FINISHED_TEST, FROM_AREA, FROM_HOUSE].some((table) => name in table)
  );
}

/**
 * What a house gives to an operation, once for each test, area or pair of tests that it can be taken from. What a house
 * does not know (a bag's mass, a vapour resistance) is not in it.
 */
export function inputsFromHouse(name: OperationName, whole: HouseWithRecords): readonly HouseInput[] {
  const { house, tests, areas } = whole;
  if (name === STAGES) return pairsOf(whole);
  const one = (source: HouseSource, given: object | null | undefined): readonly HouseInput[] =>
    given == null ? [] : [{ source, given }];
  return [
    ...one({ of: 'house' }, FROM_HOUSE[name]?.(whole)),
    ...tests.flatMap((test) => {
      const finished = FROM_FINISHED_TEST[name];
      const figures = finished === undefined ? null : testFigures(house, test);
      return [
        ...one({ of: 'test', test }, FROM_TEST[name]?.(house, test)),
        ...(figures?.state === 'figures' ? one({ of: 'test', test }, finished?.(house, figures, test)) : []),
      ];
    }),
    ...areas.flatMap((area) => one({ of: 'area', area }, FROM_AREA[name]?.(house, area))),
  ];
}
