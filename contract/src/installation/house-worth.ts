import { thermalRequirements, type Judgement, type KindRequirement } from '@calvet/core/thermal/requirements';
import { houseThermalOperation, type HouseThermal } from '@calvet/core/thermal/house';
import { designHeatLoad, type DesignHeatLoad } from '@calvet/core/thermal/design-heat-load';
import type { EnvelopeKind } from '@calvet/core/envelope-kind';
import { designAirOf } from '../house/design-air';
import type { HouseBody } from '../house/house';
import { isJudged, type Area } from './area';
import { areaFigures, gradedLayerOf, type AreaFigures } from './area-figures';
import type { ThermalBridge } from './thermal-bridge';

type Figures = Extract<AreaFigures, { readonly state: 'figures' }>;

/** An area as it counts in what a house is worth. */
export interface AreaWorth {
  readonly area: Area;
  readonly figures: Figures;
  /** Its work was judged, or it has none that could be. */
  readonly isKnown: boolean;
  /** What is asked of it; null: nothing is. */
  readonly greatestUValue: number | null;
  readonly planned: Judgement;
  readonly asBuilt: Judgement;
  readonly grade: Judgement;
}

/** A house seen one way: as labelled, as planned, as built. */
export interface HouseSide {
  readonly areasWK: number;
  /** With thermal bridges. */
  readonly transmissionWK: number;
  readonly averageUValue: number;
}

/** What a house is worth, and whether that is what is asked. */
export interface HouseWorth {
  readonly areas: readonly AreaWorth[];
  /** Areas without a size, or that cannot be computed: they are in no sum. */
  readonly leftOut: readonly Area[];
  readonly labelled: HouseSide | null;
  readonly planned: HouseSide | null;
  /** Null until every area is graded whose work can be. */
  readonly built: HouseSide | null;
  readonly bridgesWK: number;
  readonly house: { readonly planned: Judgement; readonly asBuilt: Judgement };
  /** Null without areas. */
  readonly load: DesignHeatLoad | null;
}

/** A requirement that is no kind's: of one area alone. */
interface Asked {
  readonly use: EnvelopeKind;
  readonly own: { readonly leastRsi?: number; readonly greatestUValue?: number } | null;
}

/** As core takes a limit: a least R, or else a greatest U; null where nothing is said. */
function limitOf({
  leastRsi,
  greatestUValue,
}: {
  readonly leastRsi: number | null;
  readonly greatestUValue: number | null;
}): Asked['own'] {
  if (greatestUValue !== null) return { greatestUValue };
  return leastRsi === null ? null : { leastRsi };
}

/** What is asked of an area: something of its own, what is asked of another kind, or of its own kind. */
function askedOf({ kind, requirement }: Area): Asked {
  if (requirement === null) return { use: kind, own: null };
  return { use: requirement.asKind ?? kind, own: limitOf(requirement) };
}

interface Counted {
  readonly area: Area;
  readonly areaM2: number;
  readonly figures: Figures;
  readonly isKnown: boolean;
}

/** What is asked of each kind of area of a house; of a kind that stands there twice, the first. */
function askedOfKinds({ requirements }: HouseBody): readonly KindRequirement[] {
  const seen = new Set<string>();
  return requirements.flatMap((term) => {
    const limit = limitOf(term);
    if (limit === null || seen.has(term.use)) return [];
    seen.add(term.use);
    return [{ kind: term.use, ...limit }];
  });
}

function judged(
  house: HouseBody,
  ofKinds: readonly KindRequirement[],
  { area, areaM2, figures, isKnown }: Counted,
) {
  const { use, own } = askedOf(area);
  const { areas } = thermalRequirements({
    areas: [
      {
        id: area.id,
        kind: use,
        areaM2,
        plannedUValue: figures.framed.uValue,
        ...(isKnown ? { asBuiltUValue: figures.built.uValue } : {}),
        ...(area.voidFraction !== null ? { grade: 'none' as const } : {}),
        ...(area.grade !== null ? { grade: area.grade } : {}),
      },
    ],
    requirements: own === null ? ofKinds : [{ kind: use, ...own }],
    leastGrade: gradedLayerOf(area.buildUp) === null ? undefined : (house.leastGrade ?? undefined),
  });
  return areas[0];
}

/** Σψ·L and Σχ·n of the bridges that are known. */
function bridgesOf(bridges: readonly ThermalBridge[]) {
  return {
    junctions: bridges.flatMap(({ lengthM, psiWmK }) =>
      lengthM === null || psiWmK === null ? [] : [{ lengthM, psiWmK }],
    ),
    points: bridges.flatMap(({ count, chiWK }) =>
      count === null || chiWK === null ? [] : [{ count, chiWK }],
    ),
  };
}

const sideOf = ({ areasWK, transmissionWK, averageUValue }: HouseThermal): HouseSide => ({
  areasWK,
  transmissionWK,
  averageUValue,
});

function judgeHouse(limit: number | null, wk: number | null, areas: readonly Counted[]): Judgement {
  if (limit === null) return 'not-asked';
  if (wk === null || areas.length === 0) return 'open';
  const { house } = thermalRequirements({
    // The sum is made already, with every bridge: it is held against the limit as one area.
    areas: [{ id: 'house', kind: 'wall', areaM2: 1, plannedUValue: wk }],
    greatestTransmissionWK: limit,
  });
  return house.planned;
}

/**
 * What a house is worth: every area and all together, as its labels have it, as it was planned and as it was built, held
 * against what is asked (ISO 13789; the limits are the project's own), and the heat that its coldest day takes.
 * @param infiltrationM3h air that comes in by itself on that day, as it was planned and as it was measured
 */
export function houseWorth(
  house: HouseBody,
  areas: readonly Area[],
  bridges: readonly ThermalBridge[],
  infiltrationM3h: { readonly planned: number; readonly built: number | null },
): HouseWorth {
  const leftOut: Area[] = [];
  const counted = areas.flatMap((area): Counted[] => {
    const figures = areaFigures(house, area);
    if (area.areaM2 === null || figures.state !== 'figures') {
      leftOut.push(area);
      return [];
    }
    const isKnown = isJudged(area) || gradedLayerOf(area.buildUp) === null;
    return [{ area, areaM2: area.areaM2, figures, isKnown }];
  });
  const { junctions, points } = bridgesOf(bridges);
  const sum = (uOf: (figures: Figures) => number): HouseThermal | null =>
    counted.length === 0
      ? null
      : houseThermalOperation.run({
          areas: counted.map(({ areaM2, figures }) => ({ areaM2, uValue: uOf(figures) })),
          junctions,
          points,
        });
  const labelled = sum((figures) => figures.labelled.uValue);
  const planned = sum((figures) => figures.framed.uValue);
  const built = counted.every(({ isKnown }) => isKnown) ? sum((figures) => figures.built.uValue) : null;
  const { indoorC, outdoorC } = designAirOf(house);
  const ofKinds = askedOfKinds(house);
  const air = { ventilationM3h: house.ventilationM3h ?? 0, heatRecovery: house.heatRecovery ?? 0 };
  return {
    areas: counted.flatMap((each) => {
      const judgement = judged(house, ofKinds, each);
      if (judgement === undefined) return [];
      const { greatestUValue, planned: ofPlan, asBuilt, grade } = judgement;
      const { area, figures, isKnown } = each;
      return [{ area, figures, isKnown, greatestUValue, planned: ofPlan, asBuilt, grade }];
    }),
    leftOut,
    labelled: labelled === null ? null : sideOf(labelled),
    planned: planned === null ? null : sideOf(planned),
    built: built === null ? null : sideOf(built),
    bridgesWK: (planned?.junctionsWK ?? 0) + (planned?.pointsWK ?? 0),
    house: {
      planned: judgeHouse(house.greatestHeatLossWK, planned?.transmissionWK ?? null, counted),
      asBuilt: judgeHouse(house.greatestHeatLossWK, built?.transmissionWK ?? null, counted),
    },
    load:
      planned === null || indoorC <= outdoorC
        ? null
        : designHeatLoad({
            indoorTemperatureC: indoorC,
            outdoorTemperatureC: outdoorC,
            planned: {
              transmissionWK: Math.max(0, planned.transmissionWK),
              infiltrationM3h: infiltrationM3h.planned,
              ...air,
            },
            ...(built === null
              ? {}
              : {
                  asBuilt: {
                    transmissionWK: Math.max(0, built.transmissionWK),
                    infiltrationM3h: infiltrationM3h.built ?? infiltrationM3h.planned,
                    ...air,
                  },
                }),
          }),
  };
}
