import { carbon, type Carbon, type CarbonLayer } from '@calvet/core/thermal/carbon';
import type { LayerInput } from '@calvet/core/thermal/layer';
import type { BuildUp } from './area';
import { buildUpAssembly, type Surroundings } from './build-up-assembly';
import type { BuildUpLayer } from './layer';
import { MATERIALS } from './material-library';
import type { Matter } from './matter';

/** Greenhouse gases of a build-up, and the names of the layers of which nobody knows them: they are in no sum. */
export interface BuildUpCarbon {
  /** Null where nothing is known of any layer. */
  readonly carbon: Carbon | null;
  readonly unknown: readonly string[];
}

/** What frames are made of, where nobody says another. */
const TIMBER = MATERIALS.find(({ id }) => id === 'softwood');

type Part = CarbonLayer | string;

function partOf(
  name: string,
  { carbonKgM3, storedKgM3, agent }: Pick<Matter, 'carbonKgM3' | 'storedKgM3' | 'agent'>,
  thicknessM: number | null,
  share: number,
): Part {
  if (carbonKgM3 === null || thicknessM === null || !(thicknessM > 0)) return name;
  return {
    thicknessM,
    share,
    carbonKgM3,
    storedKgM3: storedKgM3 ?? undefined,
    agent: agent ?? undefined,
  };
}

function partsOf(
  layer: BuildUpLayer,
  at: number,
  framingFraction: number,
  fillsM: readonly number[] | null,
): readonly Part[] {
  const name = layer.name === '' ? `layer ${at + 1}` : layer.name;
  if (layer.kind === 'airSpace') return [];
  if (layer.kind !== 'framed') return [partOf(name, layer, layer.thicknessM, 1)];
  const beside = 1 - framingFraction;
  const frame =
    TIMBER === undefined
      ? `${name}, frame`
      : partOf(`${name}, frame`, TIMBER, layer.thicknessM, framingFraction);
  if (fillsM === null) return [partOf(name, layer, layer.thicknessM, beside), frame];
  return [
    ...layer.fills.map((fill, i) =>
      partOf(fill.name === '' ? name : fill.name, fill, fillsM[i] ?? null, beside),
    ),
    frame,
  ];
}

/** Share of frame as it is computed; of a layer that counts against no heat, as it is given. */
const framingOf = (layer: BuildUpLayer, computed: LayerInput | undefined): number =>
  computed?.framingFraction ?? (layer.kind === 'framed' ? layer.framingFraction : 0);

/**
 * Greenhouse gases of a build-up, kg CO₂e for each m²: fills by the room beside the frame, the frame as softwood. What is
 * pressed together keeps what it is made of by the thickness on its label.
 * @throws {Refusal} of what lies in a cavity
 */
export function carbonOf(
  buildUp: Pick<BuildUp, 'layers' | 'gradedLayer'>,
  surroundings: Surroundings,
  effectiveRsi: number | null,
): BuildUpCarbon {
  const { layers, fillings } = buildUpAssembly(buildUp, surroundings);
  const parts = buildUp.layers.flatMap((layer, at) => {
    const filling = fillings.get(layer.id);
    const fillsM =
      layer.kind === 'framed' && filling !== undefined
        ? layer.fills.map(({ thicknessM }, i) => thicknessM ?? filling.fills[i]?.thicknessM ?? 0)
        : null;
    return partsOf(layer, at, framingOf(layer, layers[at]), fillsM);
  });
  const known = parts.filter((part) => typeof part !== 'string');
  return {
    carbon: known.length === 0 ? null : carbon({ layers: known, effectiveRsi: effectiveRsi ?? undefined }),
    unknown: parts.filter((part) => typeof part === 'string'),
  };
}
