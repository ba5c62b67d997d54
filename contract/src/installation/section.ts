import { dewPoint } from '@calvet/core/air/dew-point';
import { filmsOf } from '@calvet/core/thermal/films';
import { layersOf } from '@calvet/core/thermal/layer';
import { interfaceTemperatures, temperatureProfile } from '@calvet/core/moisture/layers';
import type { BuildUp } from './area';
import { buildUpAssembly, type Surroundings } from './build-up-assembly';
import type { BuildUpLayer } from './layer';

/** Air on both sides of a build-up on its coldest day. */
export interface DesignAir {
  readonly indoorC: number;
  readonly indoorHumidity: number;
  readonly outdoorC: number;
}

/** A layer, or one of several fills of its cavity, as it lies in a cut from inside to outside. */
export interface SectionPart {
  readonly layer: BuildUpLayer;
  /** Position among the fills of its cavity; null: the layer as a whole. */
  readonly fill: number | null;
  readonly name: string;
  readonly fromM: number;
  readonly toM: number;
  /** Nobody said how thick it is: it is drawn as thick as is usual. */
  readonly isThicknessKnown: boolean;
  /** Left open between the fills of a cavity. */
  readonly isGap: boolean;
  /** Air from outside moves in it or inside of it: it counts nothing. */
  readonly isOpen: boolean;
}

/** A place in a cut and how warm it is there. */
export interface SectionPoint {
  readonly atM: number;
  readonly temperatureC: number;
}

/** A build-up cut through, with how warm it is within. */
export interface Section {
  readonly thicknessM: number;
  readonly parts: readonly SectionPart[];
  /** Through the cavities, from the inner surface to the outer one. */
  readonly cavity: readonly SectionPoint[];
  /** Through the members; null where there are none. */
  readonly frame: readonly SectionPoint[] | null;
  readonly dewPointC: number;
  /** From where to where the cavity is colder than the dew point of the rooms; null: nowhere. */
  readonly cold: { readonly fromM: number; readonly toM: number } | null;
}

/** Of a layer of which only the R is known, m. */
const NOMINAL_M = 0.012;

interface Slice {
  readonly part: Omit<SectionPart, 'fromM' | 'toM'>;
  readonly thicknessM: number;
  readonly rsi: number;
}

/** Points of a line through slices: one at each face between them. */
function lineThrough(
  slices: readonly { readonly thicknessM: number; readonly rsi: number }[],
  films: { readonly insideRsi: number; readonly outsideRsi: number },
  { indoorC, outdoorC }: DesignAir,
): readonly SectionPoint[] {
  const profile = temperatureProfile(
    slices.map(({ rsi }) => ({ rsi })),
    { films },
  );
  let atM = 0;
  return interfaceTemperatures(profile, indoorC, outdoorC).map((temperatureC, i) => {
    if (i > 0) atM += slices[i - 1]?.thicknessM ?? 0;
    return { atM, temperatureC };
  });
}

/** Where a line falls below a temperature, to its outer end; null: nowhere. */
function below(line: readonly SectionPoint[], limitC: number): Section['cold'] {
  const last = line.at(-1);
  const at = line.findIndex(({ temperatureC }) => temperatureC < limitC);
  const [before, first] = [line[at - 1], line[at]];
  if (at < 0 || first === undefined || last === undefined) return null;
  if (before === undefined) return { fromM: 0, toM: last.atM };
  const share = (before.temperatureC - limitC) / (before.temperatureC - first.temperatureC);
  const fromM = before.atM + share * (first.atM - before.atM);
  return { fromM, toM: last.atM };
}

/**
 * A build-up cut through from inside to outside, with its temperatures through cavities and members on a design day.
 * ISO 13788, 5 (steady state).
 * @throws {Refusal} as `thermal.assembly`, and of what lies in a cavity
 */
export function sectionOf(
  buildUp: Pick<BuildUp, 'layers' | 'gradedLayer'>,
  surroundings: Surroundings,
  air: DesignAir,
): Section {
  const assembly = buildUpAssembly(buildUp, surroundings);
  const films = filmsOf(assembly.films);
  const openFrom = assembly.openFrom ?? buildUp.layers.length;
  const resistances = layersOf(assembly.layers).slice(0, openFrom);
  const slices = buildUp.layers.flatMap(slicesOf);

  function slicesOf(layer: BuildUpLayer, at: number): readonly Slice[] {
    const isOpen = at >= openFrom;
    const filling = assembly.fillings.get(layer.id);
    const common = { layer, isOpen, isGap: false, isThicknessKnown: true };
    if (layer.kind !== 'framed' || filling === undefined) {
      const thicknessM = layer.thicknessM;
      return [
        {
          part: { ...common, fill: null, name: layer.name, isThicknessKnown: thicknessM !== null },
          thicknessM: thicknessM ?? NOMINAL_M,
          rsi: resistances[at]?.cavityRsi ?? 0,
        },
      ];
    }
    const fills = filling.fills.map((fill, index): Slice => ({
      part: { ...common, fill: index, name: layer.fills[index]?.name ?? layer.name },
      thicknessM: fill.thicknessM,
      rsi: fill.rsi,
    }));
    if (filling.gapM === 0) return fills;
    const gap: Slice = {
      part: { ...common, fill: null, name: 'Gap', isGap: true },
      thicknessM: filling.gapM,
      rsi: filling.gapRsi,
    };
    return [...fills, gap];
  }

  let reachedM = 0;
  const parts = slices.map(({ part, thicknessM }): SectionPart => {
    const fromM = reachedM;
    reachedM += thicknessM;
    return { ...part, fromM, toM: reachedM };
  });
  const counted = slices.filter(({ part }) => !part.isOpen);
  const cavity = lineThrough(counted, films, air);
  const isFramed = buildUp.layers.some(({ kind }, i) => kind === 'framed' && i < openFrom);
  const members = buildUp.layers.slice(0, openFrom).map((layer, i) => {
    const own = counted.filter(({ part }) => part.layer === layer);
    return {
      thicknessM: own.reduce((sum, { thicknessM }) => sum + thicknessM, 0),
      rsi: resistances[i]?.frameRsi ?? 0,
    };
  });
  const { dewPointC } = dewPoint({ temperatureC: air.indoorC, relativeHumidity: air.indoorHumidity });
  return {
    thicknessM: reachedM,
    parts,
    cavity,
    frame: isFramed ? lineThrough(members, films, air) : null,
    dewPointC,
    cold: below(cavity, dewPointC),
  };
}
