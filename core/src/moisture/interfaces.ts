import { LAYERS_MAX } from '../limits';
import { SCREENING } from '../cautions';
import { dewPoint } from '../air/dew-point';
import { exceeds, fallsBelow, type Finding } from '../finding';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import {
  as,
  boolean,
  fields,
  figure,
  list,
  nonNegative,
  number,
  optional,
  outcome,
  part,
  positive,
  temperatureC,
} from '../schema';
import { filmMembers, type FilmChoice } from '../thermal/films';
import {
  interfaceTemperatures,
  temperatureProfile,
  thermalMembers,
  type MoistureLayer,
  type TemperatureProfile,
} from './layers';

export interface InterfacesInput extends FilmChoice {
  readonly indoorTemperatureC: number;
  readonly outdoorTemperatureC: number;
  readonly indoorRelativeHumidity: number;
  /** Inside → outside. */
  readonly layers: readonly MoistureLayer[];
  /** Index of the layer whose inside face is the condensing plane. */
  readonly condensingLayer?: number;
  /** Index of the layer that controls vapour. */
  readonly controlLayer?: number;
  /** From this sd on a layer counts as tight; 3.5 m where left out. */
  readonly tightSdM?: number;
}

export interface CondensingPlane {
  readonly temperatureC: number;
  readonly safe: boolean;
  /** Share of the resistance that lies outside of the plane. */
  readonly shareOutside: number;
  /** The least such share at which the plane stays at the dew point. */
  readonly leastShareOutside: number;
}

export interface Interfaces {
  readonly totalRsi: number;
  /** Inside surface, between layers, outside surface. */
  readonly interfaceTemperaturesC: readonly number[];
  /** Of indoor air. */
  readonly dewPointC: number;
  readonly condensingPlane: CondensingPlane | null;
  readonly findings: readonly Finding<'condensing-plane-cold' | 'outer-layer-tighter' | 'vapour-trap'>[];
}

export const TIGHT_SD_M = 3.5;

/** Vapour resistances of all layers, or null where none has any. */
function vapourResistances({ layers, controlLayer }: InterfacesInput): readonly number[] | null {
  if (controlLayer === undefined && layers.every(({ sdM }) => sdM === undefined)) return null;
  return layers.map(({ sdM }, i) => {
    if (sdM !== undefined) return sdM;
    throw new Refusal(
      'required',
      `layers[${i}].sdM`,
      'Give the vapour resistance of every layer, or of none.',
    );
  });
}

function refuseUnknownLayer(index: number | undefined, count: number, field: string): void {
  if (index !== undefined && index >= count) {
    throw new Refusal('out-of-range', field, 'There is no such layer.', { value: index, bound: count - 1 });
  }
}

function planeOf(
  input: InterfacesInput,
  profile: TemperatureProfile,
  dewPointC: number,
): CondensingPlane | null {
  const { condensingLayer, indoorTemperatureC, outdoorTemperatureC } = input;
  if (condensingLayer === undefined) return null;
  const fallen = profile.fallen[condensingLayer] ?? 0;
  const plane = indoorTemperatureC - fallen * (indoorTemperatureC - outdoorTemperatureC);
  return {
    temperatureC: plane,
    safe: !fallsBelow(plane, dewPointC),
    shareOutside: 1 - fallen,
    leastShareOutside: (dewPointC - outdoorTemperatureC) / (indoorTemperatureC - outdoorTemperatureC),
  };
}

function tightnessFindings(input: InterfacesInput, sds: readonly number[]): Interfaces['findings'] {
  const { controlLayer, tightSdM = TIGHT_SD_M } = input;
  const findings: Interfaces['findings'][number][] = [];
  const control = controlLayer === undefined ? undefined : sds[controlLayer];
  const tighter = sds.findIndex(
    (sd, i) => control !== undefined && i > (controlLayer ?? 0) && exceeds(sd, control),
  );
  if (tighter >= 0) {
    findings.push({
      rule: 'outer-layer-tighter',
      severity: 'warn',
      message:
        'A layer outside of the one that controls vapour is tighter than it: in the cold it holds moisture.',
      value: sds[tighter],
      limit: control,
      layer: tighter,
    });
  }
  const tight = sds.flatMap((sd, i) => (fallsBelow(sd, tightSdM) ? [] : [i]));
  const trap = tight.find((layer, i) => i > 0 && layer - (tight[i - 1] ?? layer) > 1);
  if (trap !== undefined) {
    findings.push({
      rule: 'vapour-trap',
      severity: 'warn',
      message: 'Two tight layers hold what lies between them: moisture that gets in cannot dry out.',
      limit: tightSdM,
      layer: trap,
    });
  }
  return findings;
}

/**
 * Temperatures through a build-up at design conditions, and whether the plane on which indoor air could condense stays
 * at or above its dew point. Temperatures in °C; ISO 13788, 5 (steady state), limits of sd are a setting.
 * @example interfaces(examples['moisture.interfaces']).dewPointC // 6.002
 * @throws {Refusal} `not-warmer-than-outdoors`, `no-resistance`, `required`, `out-of-range`
 */
export function interfaces(input: InterfacesInput): Interfaces {
  const { indoorTemperatureC, outdoorTemperatureC, indoorRelativeHumidity, layers } = input;
  if (indoorTemperatureC <= outdoorTemperatureC) {
    throw new Refusal(
      'not-warmer-than-outdoors',
      'indoorTemperatureC',
      'This looks at winter: it must be warmer indoors than outdoors.',
      { value: indoorTemperatureC, bound: outdoorTemperatureC },
    );
  }
  refuseUnknownLayer(input.condensingLayer, layers.length, 'condensingLayer');
  refuseUnknownLayer(input.controlLayer, layers.length, 'controlLayer');
  const sds = vapourResistances(input);
  const profile = temperatureProfile(layers, input);
  const { dewPointC } = dewPoint({
    temperatureC: indoorTemperatureC,
    relativeHumidity: indoorRelativeHumidity,
  });
  const condensingPlane = planeOf(input, profile, dewPointC);
  const coldPlane: Interfaces['findings'] =
    condensingPlane === null || condensingPlane.safe
      ? []
      : [
          {
            rule: 'condensing-plane-cold',
            severity: 'fail',
            message:
              'The condensing plane is colder than the dew point of indoor air: put more insulation outside of it.',
            value: condensingPlane.temperatureC,
            limit: dewPointC,
            layer: input.condensingLayer,
          },
        ];
  return {
    totalRsi: profile.totalRsi,
    interfaceTemperaturesC: interfaceTemperatures(profile, indoorTemperatureC, outdoorTemperatureC),
    dewPointC,
    condensingPlane,
    findings: [...coldPlane, ...(sds === null ? [] : tightnessFindings(input, sds))],
  };
}

export const interfacesOperation: Operation<InterfacesInput, Interfaces> = {
  words: {
    shelf: 'moisture',
    title: 'Temperature at a plane',
    tells: 'Temperatures between the layers of a build-up, and whether a plane stays above the dew point.',
    alsoCalled: 'surface temperature, condensing plane, sheathing, mould, mold, dew point, ISO 13788',
    mainFigures: [
      'condensingPlane.temperatureC',
      'dewPointC',
      'condensingPlane.safe',
      'condensingPlane.leastShareOutside',
    ],
    caution: SCREENING,
  },
  schema: fields<InterfacesInput>({
    indoorTemperatureC: temperatureC(),
    outdoorTemperatureC: temperatureC(),
    indoorRelativeHumidity: number({ quantity: 'share', above: 0, max: 1 }),
    layers: list(
      fields<MoistureLayer>({
        ...thermalMembers,
        sdM: as('sd value', optional(nonNegative('vapourThickness'))),
      }),
      1,
      LAYERS_MAX,
    ),
    ...filmMembers,
    condensingLayer: as(
      'Layer on whose inside water may condense',
      optional(number({ quantity: 'position', min: 0, whole: true })),
    ),
    controlLayer: as(
      'Layer that controls vapour',
      optional(number({ quantity: 'position', min: 0, whole: true })),
    ),
    tightSdM: as('sd value that counts as tight', optional(positive('vapourThickness'))),
  }),
  run: interfaces,
  output: outcome<Interfaces>({
    totalRsi: as('R of all layers and films', figure('resistance')),
    interfaceTemperaturesC: list(figure('temperature')),
    dewPointC: figure('temperature'),
    condensingPlane: optional(
      part({
        temperatureC: figure('temperature'),
        safe: boolean(),
        shareOutside: as('Share of R outside of it', figure('share')),
        leastShareOutside: as('Least share of R outside of it', figure('share')),
      }),
    ),
  }),
};
