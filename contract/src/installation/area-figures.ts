import { computeWith } from '@calvet/core/operation';
import { assemblyOperation, type AssemblyInput } from '@calvet/core/thermal/assembly';
import { doubtsOfLayers } from '@calvet/core/implausible';
import { houseThermalOperation, type HouseThermal } from '@calvet/core/thermal/house';
import { Refusal } from '@calvet/core/refusal';
import type { Finding } from '@calvet/core/finding';
import type { GradeAdjustment } from '@calvet/core/thermal/grade-adjustment';
import type { LayerInput } from '@calvet/core/thermal/layer';
import type { HouseBody } from '../house/house';
import { refusalFromCore, type FieldRefusal } from '../refusal-of';
import { heatFlowOf, isJudged, type AreaInHand, type BuildUp, type BuildUpLayer } from './area';

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
      readonly framed: Worth;
      /** Equal to `framed` while nobody judged the area. */
      readonly built: Worth;
      /** What the work costs, W/K; null where nobody judged it, or the area has no size yet. */
      readonly gradeCostWK: number | null;
      /** Area of the same build-up left empty that would lose as much, m². */
      readonly equivalentEmptyAreaM2: number | null;
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

function coreLayer(layer: BuildUpLayer): LayerInput {
  switch (layer.kind) {
    case 'resistance':
      return { rsi: layer.rsi };
    case 'material':
      return { thicknessM: layer.thicknessM, conductivityWmK: layer.conductivityWmK };
    case 'framed':
      return {
        cavityRsi: layer.cavityRsi,
        frameRsi: layer.frameRsi,
        framingFraction: layer.framingFraction,
        thicknessM: layer.thicknessM ?? undefined,
      };
  }
}

function withoutFraming(layer: LayerInput): LayerInput {
  return layer.framingFraction === undefined ? layer : { ...layer, framingFraction: 0 };
}

/** The layer whose installation is graded, or null where none is or it was taken out. */
export function gradedLayerOf({ layers, gradedLayer }: BuildUp): BuildUpLayer | null {
  return layers.find(({ id }) => id === gradedLayer) ?? null;
}

function ungradedInput(house: HouseBody, area: AreaInHand): AssemblyInput {
  return {
    layers: area.buildUp.layers.map(coreLayer),
    method: house.assemblyMethod,
    frameAlignment: area.buildUp.frameAlignment ?? undefined,
    filmConvention: house.filmConvention,
    heatFlow: heatFlowOf(area.kind),
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

/** An area as the computation of build-ups takes it, by the conventions that its house follows. */
export function assemblyInput(house: HouseBody, area: AreaInHand): AssemblyInput {
  const gradedLayer = area.buildUp.layers.findIndex(({ id }) => id === area.buildUp.gradedLayer);
  const gradeAdjustment = gradedLayer < 0 ? undefined : adjustmentOf(house, area, gradedLayer);
  return { ...ungradedInput(house, area), gradeAdjustment };
}

/** The figures of one area, by the conventions that its house follows. */
export function areaFigures(house: HouseBody, area: AreaInHand): AreaFigures {
  const input = ungradedInput(house, area);
  try {
    const labelled = computeWith(assemblyOperation, { ...input, layers: input.layers.map(withoutFraming) });
    const built = computeWith(assemblyOperation, assemblyInput(house, area));
    return {
      state: 'figures',
      labelled: worth(labelled),
      framed: worth({ uValue: built.plainUValue }),
      built: worth(built),
      gradeCostWK: built.price?.deltaUAWK ?? null,
      equivalentEmptyAreaM2: built.price?.equivalentEmptyAreaM2 ?? null,
      findings: [...built.findings, ...doubtsOfLayers(input)],
    };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { state: 'refused', refusal: refusalFromCore(error) };
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
