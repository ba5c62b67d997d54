import { Refusal } from '../refusal';
import { as, nonNegative, optional, positive } from '../schema';
import { filmsOf, type FilmChoice } from '../thermal/films';
import { layerOf } from '../thermal/layer';

/** A layer of a build-up as moisture meets it; resistance given as R or as thickness and conductivity. */
export interface MoistureLayer {
  readonly rsi?: number;
  readonly thicknessM?: number;
  readonly conductivityWmK?: number;
  /** Vapour-diffusion thickness. */
  readonly sdM?: number;
}

/** Resistances from inside to outside, and where the temperature falls. */
export interface TemperatureProfile {
  readonly layerRsi: readonly number[];
  readonly totalRsi: number;
  /** Share of the temperature difference that has fallen at each interface: inside surface, between layers, outside surface. */
  readonly fallen: readonly number[];
}

export const thermalMembers = {
  rsi: as('R', optional(nonNegative('resistance'))),
  thicknessM: optional(positive('thickness')),
  conductivityWmK: optional(positive('conductivity')),
};

/**
 * Where temperature falls through layers and films. ISO 13788, 5.
 * @example temperatureProfile([{ rsi: 1 }, { rsi: 3 }], { filmConvention: 'iso', heatFlow: 'horizontal' }).totalRsi // 4.17
 * @throws {Refusal} `required`, `conflict`, `no-resistance`
 */
export function temperatureProfile(
  layers: readonly MoistureLayer[],
  filmChoice: FilmChoice,
): TemperatureProfile {
  const films = filmsOf(filmChoice);
  const layerRsi = layers.map(
    ({ rsi, thicknessM, conductivityWmK }, i) =>
      layerOf({ rsi, thicknessM, conductivityWmK }, `layers[${i}]`).cavityRsi,
  );
  const totalRsi = layerRsi.reduce((sum, rsi) => sum + rsi, films.insideRsi + films.outsideRsi);
  if (!(totalRsi > 0)) {
    throw new Refusal('no-resistance', 'layers', 'The layers and films have no resistance at all.');
  }
  let crossed = films.insideRsi;
  const fallen = [crossed / totalRsi];
  for (const rsi of layerRsi) {
    crossed += rsi;
    fallen.push(crossed / totalRsi);
  }
  return { layerRsi, totalRsi, fallen };
}

/**
 * Temperature (°C) at each interface of a profile.
 * @example interfaceTemperatures({ fallen: [0.03, 0.5, 0.99] }, 20, 0) // [19.4, 10, 0.2]
 */
export function interfaceTemperatures(
  profile: TemperatureProfile,
  indoorC: number,
  outdoorC: number,
): readonly number[] {
  return profile.fallen.map((share) => indoorC - share * (indoorC - outdoorC));
}
