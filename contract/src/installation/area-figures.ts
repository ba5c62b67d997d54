import { computeWith } from '@calvet/core/operation';
import { assembly, assemblyOperation, type AssemblyInput } from '@calvet/core/thermal/assembly';
import { doubtsOfLayers } from '@calvet/core/implausible';
import { houseThermalOperation, type HouseThermal } from '@calvet/core/thermal/house';
import { Refusal } from '@calvet/core/refusal';
import type { Finding } from '@calvet/core/finding';
import type { GradeAdjustment } from '@calvet/core/thermal/grade-adjustment';
import { doubleFrames, type DoubleFrames } from '@calvet/core/thermal/double-frames';
import { filmsOf, type FilmChoice } from '@calvet/core/thermal/films';
import type { CavityFill } from '@calvet/core/insulation/cavity-fill';
import type { HouseBody } from '../house/house';
import { refusalFromCore, type FieldRefusal } from '../refusal-of';
import { heatFlowOf, isJudged, type AreaInHand, type BuildUp } from './area';
import { groundInputOf, inGround } from './area-in-ground';
import { buildUpAssembly, type BuildUpAssembly, type Surroundings } from './build-up-assembly';
import type { FrameFigures } from './frame-members';
import type { BuildUpLayer } from './layer';
import { sheetsWithR } from './claim';

/** U and R of an area seen one way. */
export interface Worth {
  readonly uValue: number;
  readonly effectiveRsi: number;
}

/** What an area is worth: by its labels alone, with its framing, and as it was built. */
export type AreaFigures =
  | {
      readonly state: 'figures';
      readonly labelled: Worth;
      /** Beside the frame, with fills pressed and gaps left as they lie; null where nothing says how they lie. */
      readonly inPlace: Worth | null;
      /** As framed, without what fixings lead away. */
      readonly unfixed: Worth;
      readonly framed: Worth;
      /** Equal to `framed` while nobody judged the area. */
      readonly built: Worth;
      /** What the work costs, W/K; null where nobody judged it, or the area has no size yet. */
      readonly gradeCostWK: number | null;
      /** Area of the same build-up left empty that would lose as much, m². */
      readonly equivalentEmptyAreaM2: number | null;
      /** It lies in the ground, and its figures are with it. */
      readonly isInGround: boolean;
      /** What several fills make of a cavity, by the layer's id. */
      readonly fillings: ReadonlyMap<string, CavityFill>;
      /** What each frame comes to whose members are known, by the layer's id. */
      readonly frames: ReadonlyMap<string, FrameFigures>;
      /** Layer from which on nothing counts, since air from outside moves in it. */
      readonly openFrom: number | null;
      /** What the computation has to say, and what is asked about since it may be a slip of a unit. */
      readonly findings: readonly Finding[];
    }
  | { readonly state: 'refused'; readonly refusal: FieldRefusal };

/** What all areas together are worth. */
export interface EnvelopeFigures {
  /** As built, areas without a grade counted with their framing. Null without areas. */
  readonly built: HouseThermal | null;
  readonly framed: HouseThermal | null;
  readonly gradeCostWK: number;
  /** Areas whose work can be graded and is not yet. */
  readonly ungraded: number;
  /** Areas that have no size yet and are left out. */
  readonly unsized: number;
  /** Areas that could not be computed and are left out. */
  readonly refused: number;
  /** What is in here of the envelope that the house states; 1 is all of it, more is more than it states. Null: it states none. */
  readonly shareOfEnvelope: number | null;
}

/** The layer whose installation is graded, or null where none is or it was taken out. */
export function gradedLayerOf({ layers, gradedLayer }: BuildUp): BuildUpLayer | null {
  return layers.find(({ id }) => id === gradedLayer) ?? null;
}

const surroundingsOf = ({ filmConvention }: HouseBody, { kind }: AreaInHand): Surroundings => ({
  filmConvention,
  heatFlow: heatFlowOf(kind),
});

function inputOf(
  house: HouseBody,
  area: AreaInHand,
  { layers, films, fasteners }: BuildUpAssembly,
): AssemblyInput {
  return {
    layers,
    method: house.assemblyMethod,
    frameAlignment: area.buildUp.frameAlignment ?? undefined,
    ...films,
    ...(fasteners.length === 0 ? {} : { fasteners }),
    areaM2: area.areaM2 ?? undefined,
  };
}

function worth({ uValue }: { readonly uValue: number }): Worth {
  return { uValue, effectiveRsi: 1 / uValue };
}

/** What the work does to the build-up. A share of void is reckoned as one, whatever the house's school makes of grades. */
function adjustmentOf(house: HouseBody, area: AreaInHand, layer: number): GradeAdjustment | undefined {
  const { grade, voidFraction } = area;
  if (voidFraction !== null)
    return { school: 'voidFraction', layer, measured: { voidFraction, compressedFraction: 0 } };
  return grade === null ? undefined : { school: house.gradeSchool, layer, grade };
}

function gradedInput(house: HouseBody, area: AreaInHand, built: BuildUpAssembly): AssemblyInput {
  const { gradedLayer } = built;
  const gradeAdjustment = gradedLayer < 0 ? undefined : adjustmentOf(house, area, gradedLayer);
  return { ...inputOf(house, area, built), gradeAdjustment };
}

/**
 * An area as the computation of build-ups takes it, by the conventions that its house follows.
 * @throws {Refusal} of what lies in a cavity
 */
export const assemblyInput = (house: HouseBody, area: AreaInHand): AssemblyInput =>
  gradedInput(house, area, buildUpAssembly(area.buildUp, surroundingsOf(house, area)));

/** U of an area in the ground, from the U of its layers, and what is to be said of that; as it is, of one that lies in none. */
function throughGround(
  area: AreaInHand,
  films: FilmChoice,
): (uValue: number) => { readonly uValue: number; readonly findings: readonly Finding[] } {
  const { ground: lies, kind, areaM2 } = area;
  const ofLayers = lies === null ? null : groundInputOf(lies, kind, areaM2);
  if (ofLayers === null) return (uValue) => ({ uValue, findings: [] });
  const { insideRsi, outsideRsi } = filmsOf(films);
  return (uValue) => inGround(ofLayers(Math.max(0, 1 / uValue - insideRsi - outsideRsi)), kind);
}

/** U of a build-up beside its frame, W/(m²·K). */
function besideFrame({ layers, ...input }: AssemblyInput): number {
  const unframed = layers.map((layer) =>
    layer.framingFraction === undefined ? layer : { ...layer, framingFraction: 0 },
  );
  const { fasteners: _fasteners, gradeAdjustment: _grade, ...rest } = input;
  return assembly({ ...rest, layers: unframed }).uValue;
}

/** The figures of one area, by the conventions that its house follows. */
export function areaFigures(house: HouseBody, area: AreaInHand): AreaFigures {
  const surroundings = surroundingsOf(house, area);
  try {
    const inPlace = buildUpAssembly(area.buildUp, surroundings);
    const { fillings } = inPlace;
    const byLabels = buildUpAssembly(area.buildUp, surroundings, { labelled: true, fillings });
    const input = gradedInput(house, area, inPlace);
    const labelled = computeWith(assemblyOperation, inputOf(house, area, byLabels));
    const built = computeWith(assemblyOperation, input);
    const isInGround = area.ground !== null;
    const of = throughGround(area, inPlace.films);
    const worthOf = (uValue: number): Worth => worth(of(uValue));
    const inItsGround = of(built.uValue);
    const framed = worthOf(built.plainUValue);
    const asBuilt = worth(inItsGround);
    return {
      state: 'figures',
      labelled: worthOf(labelled.uValue),
      inPlace: inPlace.fillings.size === 0 ? null : worthOf(besideFrame(input)),
      unfixed: worthOf(1 / built.totalRsi),
      framed,
      built: asBuilt,
      gradeCostWK:
        built.price === null || area.areaM2 === null
          ? null
          : isInGround
            ? (asBuilt.uValue - framed.uValue) * area.areaM2
            : built.price.deltaUAWK,
      equivalentEmptyAreaM2: isInGround ? null : (built.price?.equivalentEmptyAreaM2 ?? null),
      isInGround,
      fillings: inPlace.fillings,
      frames: inPlace.frames,
      openFrom: inPlace.openFrom,
      findings: [
        ...built.findings,
        ...inPlace.findings,
        ...inItsGround.findings,
        ...doubtsOfLayers(input),
        ...sheetsWithR(area.buildUp),
      ],
    };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { state: 'refused', refusal: refusalFromCore(error) };
  }
}

/**
 * An area of two frames or more with their studs one behind the other, and never: `thermal.doubleFrames` of core. Null where it
 * has fewer, or cannot be computed.
 */
export function framesBothWays(house: HouseBody, area: AreaInHand): DoubleFrames | null {
  if (area.buildUp.layers.filter(({ kind }) => kind === 'framed').length < 2) return null;
  try {
    const { layers, films } = buildUpAssembly(area.buildUp, surroundingsOf(house, area));
    return doubleFrames({ layers, ...films, method: house.assemblyMethod });
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return null;
  }
}

/** Heat loss and area-weighted R of the whole envelope, and what the grades of the work cost. */
export function envelopeFigures(house: HouseBody, areas: readonly AreaInHand[]): EnvelopeFigures {
  const sized = areas.flatMap((area) => (area.areaM2 === null ? [] : [{ area, areaM2: area.areaM2 }]));
  const computed = sized.flatMap(({ area, areaM2 }) => {
    const figures = areaFigures(house, area);
    return figures.state === 'figures' ? [{ areaM2, figures }] : [];
  });
  const thermal = (uOf: (item: (typeof computed)[number]) => number): HouseThermal | null =>
    computed.length === 0
      ? null
      : // As many as the house has: how long the list of a request may be is no matter of what is kept.
        houseThermalOperation.run({
          areas: computed.map((item) => ({ areaM2: item.areaM2, uValue: uOf(item) })),
        });
  return {
    built: thermal(({ figures }) => figures.built.uValue),
    framed: thermal(({ figures }) => figures.framed.uValue),
    gradeCostWK: computed.reduce((sum, { figures }) => sum + (figures.gradeCostWK ?? 0), 0),
    ungraded: areas.filter((area) => !isJudged(area) && gradedLayerOf(area.buildUp) !== null).length,
    unsized: areas.length - sized.length,
    refused: sized.length - computed.length,
    shareOfEnvelope:
      house.envelopeAreaM2 === null
        ? null
        : computed.reduce((sum, { areaM2 }) => sum + areaM2, 0) / house.envelopeAreaM2,
  };
}
