import { exceeds } from '../finding';
import { DEFECTS_MAX, LAYERS_MAX } from '../limits';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import {
  as,
  fields,
  figure,
  list,
  nonNegative,
  number,
  option,
  optional,
  outcome,
  part,
  positive,
  text,
} from '../schema';
import { filmMembers, filmsOf, type FilmChoice } from '../thermal/films';
import { DEFAULT_VOID_RSI } from '../thermal/grade-adjustment';
import { heatPaths, parallelPathU, type FrameAlignment } from '../thermal/heat-paths';
import { layerInput, layersOf, type LayerInput } from '../thermal/layer';

/**
 * What is wrong at one spot: a `void` in the fill, fill that is `pressed` (or thin), or a spot that was left `bare`, with
 * a U of its own (a hatch, a boxed-over light, a forgotten small roof).
 */
export interface Defect {
  readonly id: string;
  readonly kind: 'void' | 'pressed' | 'bare';
  readonly areaM2: number;
  /** Left in the cavity; of what is pressed. */
  readonly rsi?: number;
  /** Of the spot; of what is bare. */
  readonly uValue?: number;
  /** That mending takes. */
  readonly minutes?: number;
}

export interface DefectPricesInput extends FilmChoice {
  readonly layers: readonly LayerInput[];
  readonly frameAlignment?: FrameAlignment;
  /** Index of the layer whose cavities were looked at. */
  readonly gradedLayer: number;
  readonly voidRsi?: number;
  /** Gross, frames in it. */
  readonly areaM2: number;
  /** Of cavities that were seen; without it, all that was found is all there is. */
  readonly observedM2?: number;
  readonly defects: readonly Defect[];
  readonly heatingDegreeDaysKd?: number;
  /** How many mends are named; 5 where left out. */
  readonly most?: number;
}

export interface DefectPrice {
  readonly id: string;
  readonly deltaUAWK: number;
  /** Null without heating degree days. */
  readonly kwhPerYear: number | null;
  /** Null without minutes. */
  readonly perMinuteWK: number | null;
}

export interface DefectPrices {
  /** With every cavity as it is meant. */
  readonly soundUValue: number;
  /** With every cavity of the layer empty. */
  readonly voidUValue: number;
  readonly defects: readonly DefectPrice[];
  readonly observedWK: number;
  /** The like in what nobody saw; null without the area that was seen. */
  readonly elsewhereWK: number | null;
  readonly totalWK: number;
  /** Ids of the mends that save most for each minute. */
  readonly best: readonly string[];
}

/** kWh that 1 W/K loses over a degree day. */
const KWH_PER_WK_AND_DAY = 24 / 1000;
const MOST = 5;

function gradedShare(layers: ReturnType<typeof layersOf>, index: number): number {
  const layer = layers[index];
  const refuse = (message: string): never => {
    throw new Refusal('out-of-range', 'gradedLayer', message, { value: index, bound: layers.length - 1 });
  };
  if (layer === undefined) return refuse('There is no such layer.');
  if (layer.framingFraction === 1) return refuse('This layer is all frame: it has no cavity.');
  return 1 - layer.framingFraction;
}

function neededOf(defect: Defect, member: 'rsi' | 'uValue', i: number): number {
  const value = defect[member];
  if (value !== undefined) return value;
  throw new Refusal(
    'required',
    `defects[${i}].${member}`,
    member === 'rsi' ? 'Say which R is left in the cavity.' : 'Say which U the bare spot has.',
  );
}

function refuseDoubled(defects: readonly Defect[]): void {
  const known = new Set<string>();
  defects.forEach(({ id }, i) => {
    if (known.has(id)) {
      throw new Refusal('duplicate-id', `defects[${i}].id`, 'Another defect has this id already.', {
        value: id,
      });
    }
    known.add(id);
  });
}

function bestMends(prices: readonly DefectPrice[], most: number): readonly string[] {
  return prices
    .flatMap(({ id, deltaUAWK, perMinuteWK }) =>
      perMinuteWK !== null && deltaUAWK > 0 ? [{ id, perMinuteWK }] : [],
    )
    .sort((a, b) => b.perMinuteWK - a.perMinuteWK)
    .slice(0, most)
    .map(({ id }) => id);
}

/**
 * What each defect of an area costs, W/K: the difference of two parallel-path U's, with the layer's cavities as they are
 * at that spot and as they are meant (ISO 6946, 6.7.2.3), as a grade is priced (ANSI 301, appendix A). What was found in
 * the cavities that were seen is taken to be alike in those that nobody saw.
 * @example defectPrices(examples['insulation.defectPrices']).best // ['attic hatch', 'behind the box', 'pushed in']
 * @throws {Refusal} `duplicate-id`, `regions-exceed-cavity`, `out-of-range`, `required`, and as {@link heatPaths}
 */
export function defectPrices(input: DefectPricesInput): DefectPrices {
  const { gradedLayer, voidRsi = DEFAULT_VOID_RSI, areaM2, observedM2, defects, most = MOST } = input;
  const { heatingDegreeDaysKd } = input;
  const films = filmsOf(input);
  const layers = layersOf(input.layers);
  const paths = heatPaths(layers, input.frameAlignment);
  const share = gradedShare(layers, gradedLayer);
  refuseDoubled(defects);
  const uWith = (rsi: number): number => parallelPathU(paths, layers, films, { layer: gradedLayer, rsi });
  const soundUValue = parallelPathU(paths, layers, films);
  const voidUValue = uWith(voidRsi);

  const cavitiesM2 = areaM2 * share;
  const inCavities = defects.filter(({ kind }) => kind !== 'bare');
  const marked = inCavities.reduce((sum, defect) => sum + defect.areaM2, 0);
  if (exceeds(marked, observedM2 ?? cavitiesM2)) {
    throw new Refusal(
      'regions-exceed-cavity',
      'defects',
      'The defects together are larger than the cavities that were seen.',
      { value: marked, bound: observedM2 ?? cavitiesM2 },
    );
  }

  const deltaOf = (defect: Defect, i: number): number => {
    switch (defect.kind) {
      case 'void':
        return (defect.areaM2 / share) * (voidUValue - soundUValue);
      case 'pressed':
        return (defect.areaM2 / share) * (uWith(neededOf(defect, 'rsi', i)) - soundUValue);
      case 'bare':
        return defect.areaM2 * (neededOf(defect, 'uValue', i) - soundUValue);
    }
  };
  const prices = defects.map((defect, i): DefectPrice => {
    const deltaUAWK = deltaOf(defect, i);
    return {
      id: defect.id,
      deltaUAWK,
      kwhPerYear:
        heatingDegreeDaysKd === undefined ? null : deltaUAWK * KWH_PER_WK_AND_DAY * heatingDegreeDaysKd,
      perMinuteWK: defect.minutes === undefined ? null : deltaUAWK / defect.minutes,
    };
  });
  const observedWK = prices.reduce((sum, { deltaUAWK }) => sum + deltaUAWK, 0);
  const inCavitiesWK = prices.reduce(
    (sum, { deltaUAWK }, i) => (defects[i]?.kind === 'bare' ? sum : sum + deltaUAWK),
    0,
  );
  const elsewhereWK =
    observedM2 === undefined ? null : (inCavitiesWK * Math.max(0, cavitiesM2 - observedM2)) / observedM2;
  return {
    soundUValue,
    voidUValue,
    defects: prices,
    observedWK,
    elsewhereWK,
    totalWK: observedWK + (elsewhereWK ?? 0),
    best: bestMends(prices, most),
  };
}

export const defectPricesOperation: Operation<DefectPricesInput, DefectPrices> = {
  words: {
    shelf: 'insulation',
    title: 'What defects cost',
    tells: 'Heat lost through voids, pressed and bare spots, and which mends save most in a minute.',
    alsoCalled: 'void, gap, missing insulation, compression, punch list, cost, priority, repair',
    mainFigures: ['totalWK', 'observedWK', 'elsewhereWK', 'best'],
  },
  schema: fields<DefectPricesInput>({
    layers: list(layerInput, 1, LAYERS_MAX),
    frameAlignment: optional(option('aligned', 'offset')),
    ...filmMembers,
    gradedLayer: as('Layer that was looked at', number({ quantity: 'position', min: 0, whole: true })),
    voidRsi: as('R of a void', optional(positive('resistance'))),
    areaM2: as('Area, frames in it', positive('area')),
    observedM2: as('Cavities that were seen', optional(positive('area'))),
    defects: list(
      fields<Defect>({
        id: as('Name', text()),
        kind: option('void', 'pressed', 'bare'),
        areaM2: positive('area'),
        rsi: as('R left in the cavity', optional(positive('resistance'))),
        uValue: as('U of the bare spot', optional(nonNegative('transmittance'))),
        minutes: as('Minutes to mend', optional(positive('duration'))),
      }),
      0,
      DEFECTS_MAX,
    ),
    heatingDegreeDaysKd: optional(nonNegative('degreeDays')),
    most: as('Mends to name', optional(number({ quantity: 'count', min: 1, max: DEFECTS_MAX, whole: true }))),
  }),
  run: defectPrices,
  output: outcome<DefectPrices>({
    soundUValue: as('U with sound insulation', figure('transmittance')),
    voidUValue: as('U with empty cavities', figure('transmittance')),
    defects: list(
      part({
        id: as('Name', text()),
        deltaUAWK: as('Heat loss added', figure('pointTransmittance')),
        kwhPerYear: as('Extra heat a year', optional(figure('energy'))),
        perMinuteWK: as('Saved in a minute', optional(figure('heatLossPerMinute'))),
      }),
    ),
    observedWK: as('Where it was seen', figure('pointTransmittance')),
    elsewhereWK: as('The like where nobody saw', optional(figure('pointTransmittance'))),
    totalWK: as('Heat loss added in all', figure('pointTransmittance')),
    best: as('Mends that save most', list(text())),
  }),
};
