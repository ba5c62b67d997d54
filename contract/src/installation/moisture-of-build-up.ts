import { dryAndDamp, type DryAndDamp } from '@calvet/core/moisture/dry-and-damp';
import type { ClimateMonth, Monthly } from '@calvet/core/moisture/monthly';
import type { VapourLayer } from '@calvet/core/moisture/vapour-layer';
import { vapourPlan, type VapourPlan } from '@calvet/core/moisture/vapour-plan';
import { layerOf } from '@calvet/core/thermal/layer';
import type { BuildUp } from './area';
import { buildUpAssembly, type BuildUpAssembly, type Surroundings } from './build-up-assembly';
import type { BuildUpLayer } from './layer';
import { lookOf } from './layer-group';
import { MATERIALS } from './material-library';
import type { Matter } from './matter';

/** Layers over this R are divided, m²·K/W. ISO 13788, 6.4.2. */
const SLICE_RSI = 0.25;
/** Over this, kg/m², what is held in winter is warned of: our own. */
export const MUCH_WATER_KGM2 = 0.5;
/** sd of what lets vapour through as if it were not there, m; no line can be drawn through nothing. */
const LEAST_SD_M = 0.001;

/** What lies beside the frame, from inside to outside, as moisture meets it. */
interface MoistPart extends VapourLayer {
  readonly name: string;
  readonly sdDampM: number;
}

/** Water between two parts of a build-up, or within one, at the end of each month, kg/m². */
export interface HeldAt {
  /** Names of the parts that it lies between; alike where it lies within one. */
  readonly inner: string;
  readonly outer: string;
  /** January first. */
  readonly dryKgM2: readonly number[];
  readonly dampKgM2: readonly number[];
  readonly peakKgM2: number;
}

/** Whether water gathers in a build-up, and how it is kept dry. */
export type BuildUpMoisture =
  | {
      readonly state: 'figures';
      readonly year: DryAndDamp;
      /** Where water is held in some month, from inside to outside. */
      readonly held: readonly HeldAt[];
      /** The most over all places, dry or damp, kg/m². */
      readonly peakKgM2: number;
      /** It dries within the year in both states. */
      readonly dries: boolean;
      readonly plan: VapourPlan;
      /** Names of the parts that the plan counts. */
      readonly parts: readonly string[];
    }
  /** Nobody said how tight some layers are to vapour. */
  | { readonly state: 'unknown'; readonly layers: readonly string[] }
  /** Less than two layers: nothing lies between them. */
  | { readonly state: 'too-little' };

function kindOfLook(look: ReturnType<typeof lookOf>): NonNullable<VapourLayer['kind']> {
  return look === 'sheet' || look === 'board' || look === 'foam' ? look : 'other';
}

function vapourKind(of: Pick<Matter, 'materialId'>, look: ReturnType<typeof lookOf>): VapourLayer['kind'] {
  return MATERIALS.find(({ id }) => id === of.materialId)?.vapourKind ?? kindOfLook(look);
}

interface Raw extends Pick<Matter, 'sdDryM' | 'sdDampM'> {
  readonly name: string;
  readonly rsi: number;
  readonly kind: VapourLayer['kind'];
}

const AIR = { sdDryM: LEAST_SD_M, sdDampM: LEAST_SD_M, kind: 'other' } as const;

/** What of a layer lies beside its frame. Foam of uneven depth counts where it is thinnest. */
function rawOf(layer: BuildUpLayer, at: number, assembly: BuildUpAssembly): readonly Raw[] {
  const core = assembly.layers[at];
  const rsi = core === undefined ? 0 : layerOf(core, `layers[${at}]`).cavityRsi;
  const name = layer.name === '' ? `layer ${at + 1}` : layer.name;
  const look = (fill: number | null, thicknessM: number) =>
    lookOf({
      layer,
      fill,
      name,
      fromM: 0,
      toM: thicknessM,
      isGap: false,
      isOpen: false,
      isThicknessKnown: true,
    });
  if (layer.kind === 'airSpace') return [{ name, rsi, ...AIR }];
  const filling = assembly.fillings.get(layer.id);
  if (layer.kind === 'framed' && filling !== undefined) {
    const fills = layer.fills.map((fill, i): Raw => {
      const inPlace = filling.fills[i] ?? { thicknessM: 0, rsi: 0 };
      const isUneven = fill.lowestM !== null && inPlace.thicknessM > 0;
      const share = isUneven ? Math.min(1, (fill.lowestM ?? 0) / inPlace.thicknessM) : 1;
      const { sdDryM, sdDampM } = fill;
      return {
        name: fill.name === '' ? name : fill.name,
        rsi: inPlace.rsi * share,
        sdDryM: sdDryM === null ? null : sdDryM * share,
        sdDampM: sdDampM === null ? null : sdDampM * share,
        kind: vapourKind(fill, look(i, inPlace.thicknessM)),
      };
    });
    return filling.gapM > 0 ? [...fills, { name: 'gap', rsi: filling.gapRsi, ...AIR }] : fills;
  }
  const { sdDryM, sdDampM } = layer;
  const thicknessM = layer.thicknessM ?? 0.012;
  const share =
    layer.kind === 'material' && layer.lowestM !== null ? Math.min(1, layer.lowestM / layer.thicknessM) : 1;
  return [{ name, rsi: rsi * share, sdDryM, sdDampM, kind: vapourKind(layer, look(null, thicknessM)) }];
}

/** Parts divided where their R is large, each with its place among them. */
function sliced(parts: readonly MoistPart[]) {
  return parts.flatMap(({ rsi, sdDryM, sdDampM }, part) => {
    const count = Math.max(1, Math.ceil(rsi / SLICE_RSI - 1e-9));
    const slice = {
      part,
      rsi: rsi / count,
      sdDryM: Math.max(LEAST_SD_M, sdDryM / count),
      sdDampM: Math.max(LEAST_SD_M, sdDampM / count),
    };
    return Array.from({ length: count }, () => slice);
  });
}

/** What is held at each place over the year: between parts, and all of it within one part together. */
function heldAt(year: DryAndDamp, slices: readonly { readonly part: number }[], parts: readonly MoistPart[]) {
  const places = new Map<string, { inner: number; outer: number; at: number[] }>();
  slices.slice(1).forEach(({ part: outer }, i) => {
    const inner = slices[i]?.part ?? outer;
    const key = `${inner}/${outer}`;
    const place = places.get(key) ?? { inner, outer, at: [] };
    place.at.push(i);
    places.set(key, place);
  });
  return [...places.values()].flatMap(({ inner, outer, at }): HeldAt[] => {
    const monthsOf = ({ months }: Monthly): readonly number[] =>
      months.map(({ heldKgM2 }) => at.reduce((sum, i) => sum + (heldKgM2[i] ?? 0), 0));
    const [dryKgM2, dampKgM2] = [monthsOf(year.dry), monthsOf(year.damp)];
    const peakKgM2 = Math.max(...dryKgM2, ...dampKgM2);
    if (!(peakKgM2 > 1e-6)) return [];
    return [
      { inner: parts[inner]?.name ?? '', outer: parts[outer]?.name ?? '', dryKgM2, dampKgM2, peakKgM2 },
    ];
  });
}

/**
 * Whether water gathers between the layers of a build-up over a year, beside its frame, and how it is kept dry. ISO 13788,
 * 6: it screens, it designs nothing; rain and air leaks are left out.
 * @throws {Refusal} of what lies in a cavity
 */
export function moistureOf(
  buildUp: Pick<BuildUp, 'layers' | 'gradedLayer'>,
  surroundings: Surroundings,
  months: readonly ClimateMonth[],
): BuildUpMoisture {
  const assembly = buildUpAssembly(buildUp, surroundings);
  const counted = buildUp.layers.slice(0, assembly.openFrom ?? buildUp.layers.length);
  const raw = counted.flatMap((layer, at) => rawOf(layer, at, assembly));
  const unknown = raw.filter(({ sdDryM }) => sdDryM === null);
  if (unknown.length > 0) return { state: 'unknown', layers: unknown.map(({ name }) => name) };
  const parts = raw.map(({ sdDryM, sdDampM, ...rest }): MoistPart => {
    const dry = Math.max(LEAST_SD_M, sdDryM ?? 0);
    return { ...rest, sdDryM: dry, sdDampM: Math.min(dry, Math.max(LEAST_SD_M, sdDampM ?? dry)) };
  });
  const slices = sliced(parts);
  if (slices.length < 2) return { state: 'too-little' };
  const layers = slices.map(({ rsi, sdDryM, sdDampM }) => ({ rsi, sdDryM, sdDampM }));
  const year = dryAndDamp({ layers, months, ...assembly.films });
  const plan = vapourPlan({
    layers: parts.map(({ rsi, sdDryM, sdDampM, kind }) => ({ rsi, sdDryM, sdDampM, kind })),
    months,
    ...assembly.films,
  });
  return {
    state: 'figures',
    year,
    held: heldAt(year, slices, parts),
    peakKgM2: Math.max(year.dry.peakKgM2, year.damp.peakKgM2),
    dries: year.driesInBoth,
    plan,
    parts: parts.map(({ name }) => name),
  };
}
