import type { Pressing } from '@calvet/core/insulation/cavity-fill';
import type { VapourLayer } from '@calvet/core/moisture/vapour-layer';
import type { BlowingAgent } from '@calvet/core/thermal/carbon';
import type { BuildUpLayer, LayerFill } from './layer';
import type { Material, MaterialBody, MaterialGroup } from './material';
import file from './materials.json';
import type { Matter } from './matter';
import { materialLayer, resistanceLayer } from './plain-layer';

/** A material to build with: of the library, or of a practice. */
export interface KnownMaterial {
  readonly id: string;
  readonly name: string;
  readonly group: MaterialGroup;
  readonly conductivityWmK: number | null;
  /** Within which most of what is sold lies. */
  readonly conductivityRange: readonly [low: number, high: number] | null;
  /** Of one that comes in one thickness. */
  readonly rsi: number | null;
  readonly thicknessM: number | null;
  readonly muDry: number | null;
  readonly muDamp: number | null;
  readonly sdDryM: number | null;
  readonly sdDampM: number | null;
  readonly densityKgM3: number | null;
  readonly carbonKgM3: number | null;
  readonly storedKgM3: number | null;
  readonly agent: BlowingAgent | null;
  readonly pressing: Pressing;
  readonly vapourKind: NonNullable<VapourLayer['kind']>;
  readonly isAirtight: boolean;
  readonly traits: string | null;
  /** Where its figures are from: of heat, of vapour, of making it, and what is to be heeded of them; of a practice's own one all in one. */
  readonly basis: readonly string[];
  /** A practice's own, or one of the library with other figures. */
  readonly isOwn: boolean;
}

interface FileMaterial {
  readonly id: string;
  readonly name: string;
  readonly group: string;
  readonly conductivityWmK?: number;
  readonly conductivityRange?: readonly number[];
  readonly rsi?: number;
  readonly thicknessM?: number;
  readonly vapour: {
    readonly muDry?: number;
    readonly muDamp?: number;
    readonly sdDryM?: number;
    readonly sdDampM?: number;
  };
  readonly densityKgM3: number;
  readonly carbonKgM3: number;
  readonly storedKgM3: number;
  readonly agent?: BlowingAgent;
  readonly pressing: string;
  readonly kind: string;
  readonly airImpermeable: boolean;
  readonly traits?: string;
  readonly note?: string;
  readonly basis: { readonly thermal: string; readonly vapour: string; readonly carbon: string };
}

function rangeOf(range: readonly number[] | undefined): readonly [number, number] | null {
  const [low, high] = range ?? [];
  return low === undefined || high === undefined ? null : [low, high];
}

function ofFile(each: FileMaterial): KnownMaterial {
  const { vapour, basis } = each;
  return {
    id: each.id,
    name: each.name,
    group: each.group as MaterialGroup,
    conductivityWmK: each.conductivityWmK ?? null,
    conductivityRange: rangeOf(each.conductivityRange),
    rsi: each.rsi ?? null,
    thicknessM: each.thicknessM ?? null,
    muDry: vapour.muDry ?? null,
    muDamp: vapour.muDamp ?? null,
    sdDryM: vapour.sdDryM ?? null,
    sdDampM: vapour.sdDampM ?? null,
    densityKgM3: each.densityKgM3,
    carbonKgM3: each.carbonKgM3,
    storedKgM3: each.storedKgM3,
    agent: each.agent ?? null,
    pressing: each.pressing as Pressing,
    vapourKind: each.kind as KnownMaterial['vapourKind'],
    isAirtight: each.airImpermeable,
    traits: each.traits ?? null,
    basis: [basis.thermal, basis.vapour, basis.carbon, ...(each.note === undefined ? [] : [each.note])],
    isOwn: false,
  };
}

/** Generic materials, no makers: figures to start from. A label or a declared value goes before them. */
export const MATERIALS: readonly KnownMaterial[] = (file.materials as readonly FileMaterial[]).map(ofFile);

/** A material of a practice as it is built with. */
export function ownMaterial({
  id,
  alters,
  basis,
  ...figures
}: MaterialBody & { readonly id: string }): KnownMaterial {
  const { name, group, conductivityWmK, rsi, thicknessM, muDry, muDamp, sdDryM, sdDampM } = figures;
  const { densityKgM3, carbonKgM3, storedKgM3, agent, pressing, vapourKind, isAirtight, traits } = figures;
  return {
    id: alters ?? id,
    name,
    group,
    conductivityWmK,
    conductivityRange: MATERIALS.find((each) => each.id === alters)?.conductivityRange ?? null,
    rsi,
    thicknessM,
    muDry,
    muDamp,
    sdDryM,
    sdDampM,
    densityKgM3,
    carbonKgM3,
    storedKgM3,
    agent,
    pressing,
    vapourKind,
    isAirtight,
    traits,
    basis: [basis],
    isOwn: true,
  };
}

/** The library as a practice has it: its own materials first, those that it altered in place of what they stand for. */
export function materialsOf(own: readonly Material[]): readonly KnownMaterial[] {
  const ofOwn = own.map(ownMaterial);
  const altered = new Set(ofOwn.map(({ id }) => id));
  return [...ofOwn, ...MATERIALS.filter(({ id }) => !altered.has(id))];
}

/** Words that a search takes for others. */
const ALSO: Readonly<Record<string, string>> = {
  drywall: 'plasterboard',
  gypsum: 'plasterboard gypsum',
  fiberglass: 'glass fibre',
  fibreglass: 'glass fibre',
  rockwool: 'stone fibre',
  mineral: 'glass stone',
  styrofoam: 'eps xps',
  ply: 'plywood',
  vapor: 'vapour',
  poly: 'polyethylene',
  foil: 'aluminium bright',
};

/** Materials that a search means, those whose name begins with it first; all of them, where nothing is asked. */
export function findMaterials(all: readonly KnownMaterial[], asked: string): readonly KnownMaterial[] {
  const words = asked.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const matches = ({ name, group, traits }: KnownMaterial): boolean => {
    const text = `${name} ${group} ${traits ?? ''}`.toLowerCase();
    return words.every((word) =>
      [word, ...(ALSO[word] ?? '').split(' ').filter(Boolean)].some((each) => text.includes(each)),
    );
  };
  const [first = ''] = words;
  const rank = ({ name }: KnownMaterial): number => (name.toLowerCase().startsWith(first) ? 0 : 1);
  return all.filter(matches).sort((a, b) => rank(a) - rank(b));
}

/** sd at a thickness: of a sheet its own, of what is thick by its µ. */
function vapourAt(
  { muDry, muDamp, sdDryM, sdDampM }: KnownMaterial,
  thicknessM: number | null,
): Pick<Matter, 'sdDryM' | 'sdDampM'> {
  const by = (mu: number | null, sd: number | null): number | null =>
    sd ?? (mu === null || thicknessM === null ? null : mu * thicknessM);
  return { sdDryM: by(muDry, sdDryM), sdDampM: by(muDamp, sdDampM) };
}

/** What something made of it is of, at a thickness: its own copy of the figures. */
export function matterOf(material: KnownMaterial, thicknessM: number | null): Matter {
  const { id, densityKgM3, carbonKgM3, storedKgM3, agent } = material;
  return {
    materialId: id,
    ...vapourAt(material, thicknessM),
    densityKgM3,
    carbonKgM3,
    storedKgM3,
    agent,
  };
}

/** Thickness to begin with, where nothing says another, m. */
const USUAL_THICKNESS_M: Readonly<Partial<Record<MaterialGroup, number>>> = {
  board: 0.0125,
  masonry: 0.1,
  sheet: 0.0005,
  metal: 0.001,
  timber: 0.02,
};
const OTHER_THICKNESS_M = 0.1;

/**
 * A layer made of a material in place of another: it keeps its place, its role and its thickness, where the material comes in
 * more than one.
 */
export function layerOfMaterial(material: KnownMaterial, instead: BuildUpLayer): BuildUpLayer {
  const { id, role } = instead;
  const { name, rsi, conductivityWmK, group } = material;
  const fixings = 'fixings' in instead ? instead.fixings : [];
  if (conductivityWmK === null) {
    const thicknessM = material.thicknessM ?? instead.thicknessM;
    return {
      id,
      ...resistanceLayer(name, rsi ?? 0),
      ...matterOf(material, thicknessM),
      thicknessM,
      role,
      fixings,
    };
  }
  const kept = instead.kind === 'airSpace' ? null : instead.thicknessM;
  const thicknessM = material.thicknessM ?? kept ?? USUAL_THICKNESS_M[group] ?? OTHER_THICKNESS_M;
  return {
    id,
    ...materialLayer(name, thicknessM, conductivityWmK),
    ...matterOf(material, thicknessM),
    role,
    fixings,
  };
}

/** A fill of a material, as thick as it is given; what takes the rest has no thickness. */
export function fillOfMaterial(material: KnownMaterial, id: string, thicknessM: number): LayerFill {
  const { name, pressing, conductivityWmK, rsi } = material;
  const labelM = material.thicknessM ?? thicknessM;
  return {
    id,
    name,
    pressing,
    conductivityWmK: conductivityWmK ?? labelM / Math.max(rsi ?? 0, 1e-3),
    thicknessM: pressing === 'takesRest' ? null : labelM,
    lowestM: null,
    ...matterOf(material, labelM),
  };
}

/** A layer at another thickness: what lets vapour through goes with it, where that follows from the thickness. */
export function atThickness<L extends BuildUpLayer>(layer: L, thicknessM: number): L {
  const before = layer.thicknessM;
  if (layer.kind !== 'material' || before === null || before === 0) return { ...layer, thicknessM };
  const scaled = (sd: number | null): number | null => (sd === null ? null : (sd * thicknessM) / before);
  return { ...layer, thicknessM, sdDryM: scaled(layer.sdDryM), sdDampM: scaled(layer.sdDampM) };
}

/** Conductivity that a library has now for what a layer was made of; null where it is the layer's own, or it has none. */
export function changedConductivity(
  layer: { readonly materialId: string | null; readonly conductivityWmK: number },
  all: readonly KnownMaterial[],
): number | null {
  const now = all.find(({ id }) => id === layer.materialId)?.conductivityWmK ?? null;
  return now === null || Math.abs(now - layer.conductivityWmK) < 1e-9 ? null : now;
}
