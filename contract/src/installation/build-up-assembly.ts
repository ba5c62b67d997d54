import { cavityFill, type CavityFill } from '@calvet/core/insulation/cavity-fill';
import type { Finding } from '@calvet/core/finding';
import { Refusal } from '@calvet/core/refusal';
import { airSpace } from '@calvet/core/thermal/air-space';
import type { Fasteners } from '@calvet/core/thermal/fasteners';
import { filmsOf, type FilmChoice, type FilmConvention, type HeatFlow } from '@calvet/core/thermal/films';
import { layerOf, type LayerInput } from '@calvet/core/thermal/layer';
import { taperedRsi } from '@calvet/core/thermal/tapered';
import type { BuildUp } from './area';
import { frameOf, type FrameFigures } from './frame-members';
import type { BuildUpLayer, FramedLayer, LayerFill } from './layer';

/** In which surroundings a build-up stands. */
export interface Surroundings {
  readonly filmConvention: FilmConvention;
  readonly heatFlow: HeatFlow;
}

/** A build-up as core's `thermal.assembly` takes it, layer for layer up to an open air space. */
export interface BuildUpAssembly {
  readonly layers: readonly LayerInput[];
  readonly films: FilmChoice;
  readonly fasteners: readonly Fasteners[];
  /** Of the graded layer among them; −1: there is none. */
  readonly gradedLayer: number;
  /** Layer from which on air from outside moves; null: there is none. */
  readonly openFrom: number | null;
  /** What several fills make of each cavity, by the layer's id. */
  readonly fillings: ReadonlyMap<string, CavityFill>;
  /** What each frame comes to whose members are known, by the layer's id. */
  readonly frames: ReadonlyMap<string, FrameFigures>;
  /** What is to be said of them, with the layer that is meant. */
  readonly findings: readonly Finding[];
}

/** The same refusal, at its place in the layers. */
function atLayer<T>(layer: number, compute: () => T): T {
  try {
    return compute();
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const { code, field, message, value, bound } = error;
    throw new Refusal(code, `layers[${layer}].${field}`, message, { value, bound });
  }
}

/** What lies in a cavity, as it lies there; null where only its R is known. */
export function fillingOf(layer: FramedLayer, heatFlow: HeatFlow): CavityFill | null {
  if (layer.fills.length === 0) return null;
  if (layer.thicknessM === null) {
    throw new Refusal(
      'required',
      'thicknessM',
      'Say how deep the cavity is, so that its fills can be laid in.',
    );
  }
  return cavityFill({
    depthM: layer.thicknessM,
    heatFlow,
    fills: layer.fills.map(({ pressing, conductivityWmK, thicknessM }) => ({
      pressing,
      conductivityWmK,
      thicknessM: thicknessM ?? undefined,
    })),
  });
}

/** R that the labels of fills promise together; what takes the rest has the R that it has there. */
function labelledRsi(fills: readonly LayerFill[], filling: CavityFill): number {
  return fills.reduce(
    (sum, { thicknessM, conductivityWmK }, i) =>
      sum + (thicknessM === null ? (filling.fills[i]?.rsi ?? 0) : thicknessM / conductivityWmK),
    0,
  );
}

/** A layer as core takes it. `labelled`: as its labels have it, nothing pressed, no gap and no frame. */
function coreLayer(
  layer: BuildUpLayer,
  heatFlow: HeatFlow,
  filling: CavityFill | null,
  labelled: boolean,
): LayerInput {
  switch (layer.kind) {
    case 'resistance':
      return { rsi: layer.rsi, thicknessM: layer.thicknessM ?? undefined };
    case 'material':
      return { thicknessM: layer.thicknessM, conductivityWmK: layer.conductivityWmK };
    case 'airSpace':
      return {
        rsi: airSpace({
          thicknessM: layer.thicknessM,
          heatFlow,
          emissivityInside: layer.emissivityInside ?? undefined,
          emissivityOutside: layer.emissivityOutside ?? undefined,
        }).rsi,
        thicknessM: layer.thicknessM,
      };
    case 'framed': {
      const inPlaceRsi = filling?.cavityRsi ?? layer.cavityRsi;
      return {
        cavityRsi: labelled && filling !== null ? labelledRsi(layer.fills, filling) : inPlaceRsi,
        frameRsi: layer.frameRsi,
        framingFraction: labelled ? 0 : layer.framingFraction,
        thicknessM: layer.thicknessM ?? undefined,
      };
    }
  }
}

function fastenersOf(layer: BuildUpLayer, at: number): readonly Fasteners[] {
  if (layer.kind !== 'material' && layer.kind !== 'resistance') return [];
  return layer.fixings.map(({ conductivityWmK, areaM2, perM2, missedPerM2 }) => ({
    layer: at,
    conductivityWmK,
    areaM2,
    // One that missed its stud stays in, and leads heat like the others.
    perM2: perM2 + missedPerM2,
  }));
}

const findingsOf = (filling: CavityFill | null, layer: number): readonly Finding[] =>
  (filling?.findings ?? []).map((finding) => ({ ...finding, layer }));

/** R of a layer as a part of all else: cavities and members side by side. */
function meanRsi(layer: LayerInput): number {
  const { cavityRsi, frameRsi, framingFraction } = layerOf(layer, '');
  return framingFraction === 0
    ? cavityRsi
    : 1 / (framingFraction / frameRsi + (1 - framingFraction) / cavityRsi);
}

/** All of a build-up but one layer, films in it, m²·K/W; another frame counts with its mean. */
function restOf(at: number, inputs: readonly LayerInput[], films: FilmChoice): number {
  const { insideRsi, outsideRsi } = filmsOf(films);
  return inputs.reduce((sum, input, i) => (i === at ? sum : sum + meanRsi(input)), insideRsi + outsideRsi);
}

/** A layer that is thinner in places, as it counts against heat: evenly from its thinnest on; null where it is even. */
function unevenIn(
  layer: BuildUpLayer | undefined,
  at: number,
  inputs: readonly LayerInput[],
  films: FilmChoice,
): LayerInput | null {
  if (layer?.kind !== 'material' || layer.lowestM === null || layer.lowestM >= layer.thicknessM) return null;
  const { thicknessM, lowestM, conductivityWmK } = layer;
  const rsi = taperedRsi({
    leastRsi: lowestM / conductivityWmK,
    greatestRsi: (2 * thicknessM - lowestM) / conductivityWmK,
    restRsi: restOf(at, inputs, films),
  });
  return { rsi, thicknessM };
}

/**
 * What a layer's frame comes to in its build-up; null where its share and R are as given. With another frame in the wall, that
 * one counts with its mean.
 */
function frameIn(
  layer: BuildUpLayer,
  at: number,
  inputs: readonly LayerInput[],
  films: FilmChoice,
): FrameFigures | null {
  if (layer.kind !== 'framed' || layer.members === null) return null;
  const { members, thicknessM: depthM } = layer;
  if (depthM === null) {
    throw new Refusal('required', 'thicknessM', 'Say how deep the frame is, so that its members have an R.');
  }
  const restRsi = restOf(at, inputs, films);
  return frameOf(members, { depthM, cavityRsi: inputs[at]?.cavityRsi ?? layer.cavityRsi, restRsi });
}

/** Films of a build-up: behind an open air space that of still air stands for all that is left out. */
function filmsBehind(surroundings: Surroundings, isOpen: boolean): FilmChoice {
  if (!isOpen) return surroundings;
  const { insideRsi } = filmsOf(surroundings);
  return { films: { insideRsi, outsideRsi: insideRsi } };
}

interface AssemblyOptions {
  /** As its labels have it: nothing pressed, no gap, no frame, no fixings. */
  readonly labelled?: boolean;
  /** Of the same build-up in the same surroundings, where they were worked out before. */
  readonly fillings?: BuildUpAssembly['fillings'];
}

/**
 * A build-up as core computes it. An air space that is open to the outside counts nothing, nor does what is outside of it:
 * ISO 6946:2017, 6.9.4.
 * @throws {Refusal} of what lies in a cavity, its `field` from `layers[…]` on
 */
export function buildUpAssembly(
  { layers, gradedLayer }: Pick<BuildUp, 'layers' | 'gradedLayer'>,
  surroundings: Surroundings,
  { labelled = false, fillings: known }: AssemblyOptions = {},
): BuildUpAssembly {
  const { heatFlow } = surroundings;
  const open = layers.findIndex((layer) => layer.kind === 'airSpace' && layer.isOpen);
  const counted = open < 0 ? layers : layers.slice(0, open);
  const fillings = new Map<string, CavityFill>();
  const each = counted.map((layer, i) => {
    const filling =
      layer.kind === 'framed' ? (known?.get(layer.id) ?? atLayer(i, () => fillingOf(layer, heatFlow))) : null;
    if (filling !== null) fillings.set(layer.id, filling);
    return {
      input: atLayer(i, () => coreLayer(layer, heatFlow, filling, labelled)),
      findings: findingsOf(filling, i),
    };
  });
  const films = filmsBehind(surroundings, open >= 0);
  const even = each.map(({ input }) => input);
  const inputs = labelled
    ? even
    : even.map((input, i) => atLayer(i, () => unevenIn(counted[i], i, even, films)) ?? input);
  const frames = new Map<string, FrameFigures>();
  const framed = inputs.map((input, i): LayerInput => {
    const layer = counted[i];
    const frame = layer === undefined || labelled ? null : atLayer(i, () => frameIn(layer, i, inputs, films));
    if (layer === undefined || frame === null) return input;
    frames.set(layer.id, frame);
    const { frameRsi, framingFraction } = frame;
    return { ...input, frameRsi, framingFraction };
  });
  return {
    layers: framed.length === 0 ? [{ rsi: 0 }] : framed,
    films,
    fasteners: labelled ? [] : counted.flatMap(fastenersOf),
    gradedLayer: counted.findIndex(({ id }) => id === gradedLayer),
    openFrom: open < 0 ? null : open,
    fillings,
    frames,
    findings: each.flatMap(({ findings }) => findings),
  };
}
