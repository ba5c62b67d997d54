import { LAYERS_MAX } from '../limits';
import { SCREENING } from '../cautions';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, boolean, fields, list, optional, outcome, part, positive } from '../schema';
import type { FilmChoice } from '../thermal/films';
import { thermalMembers, type MoistureLayer } from './layers';
import { monthly, yearFigures, yearMembers, type ClimateMonth, type Monthly } from './monthly';

/** A layer whose vapour resistance changes with the humidity about it. */
export interface TwoStateLayer extends Omit<MoistureLayer, 'sdM'> {
  readonly sdM?: number;
  readonly sdDryM?: number;
  readonly sdDampM?: number;
}

export interface DryAndDampInput extends FilmChoice {
  readonly layers: readonly TwoStateLayer[];
  readonly months: readonly ClimateMonth[];
}

export interface DryAndDamp {
  readonly dry: Monthly;
  readonly damp: Monthly;
  /** True where the build-up dries within the year in both states. */
  readonly driesInBoth: boolean;
}

type State = 'sdDryM' | 'sdDampM';

function sdIn(layer: TwoStateLayer, state: State, field: string): number {
  if (layer.sdM !== undefined) {
    const other = layer.sdDryM !== undefined ? 'sdDryM' : layer.sdDampM !== undefined ? 'sdDampM' : null;
    if (other === null) return layer.sdM;
    throw new Refusal('conflict', `${field}.sdM`, 'Give one vapour resistance, or a dry and a damp one.');
  }
  const sd = layer[state];
  if (sd !== undefined) return sd;
  const missing = layer.sdDryM === undefined && layer.sdDampM === undefined ? 'sdM' : state;
  throw new Refusal(
    'required',
    `${field}.${missing}`,
    'Give the vapour resistance, or a dry and a damp one.',
  );
}

/**
 * The monthly balance of a build-up with layers of two vapour resistances (a variable membrane, timber sheets): run
 * once with each, because the truth of a winter lies between the two. ISO 13788, 6.
 * @example dryAndDamp(examples['moisture.dryAndDamp']).driesInBoth // true
 * @throws {Refusal} `required`, `conflict`, and as {@link monthly}
 */
export function dryAndDamp(input: DryAndDampInput): DryAndDamp {
  const balance = (state: State): Monthly =>
    monthly({
      ...input,
      layers: input.layers.map(({ rsi, thicknessM, conductivityWmK, ...sds }, i) => ({
        rsi,
        thicknessM,
        conductivityWmK,
        sdM: sdIn(sds, state, `layers[${i}]`),
      })),
    });
  const [dry, damp] = [balance('sdDryM'), balance('sdDampM')];
  return { dry, damp, driesInBoth: dry.dries && damp.dries };
}

export const dryAndDampOperation: Operation<DryAndDampInput, DryAndDamp> = {
  words: {
    shelf: 'moisture',
    title: 'Layers that open when damp',
    tells: 'The year of a build-up whose layers pass vapour differently when dry and when damp.',
    alsoCalled: 'smart membrane, variable, vapour retarder, vapor retarder, perm, mould, mold',
    mainFigures: ['driesInBoth', 'dry.peakKgM2', 'damp.peakKgM2'],
    caution: SCREENING,
  },
  schema: fields<DryAndDampInput>({
    layers: list(
      fields<TwoStateLayer>({
        ...thermalMembers,
        sdM: as('sd value', optional(positive('vapourThickness'))),
        sdDryM: as('sd value, dry', optional(positive('vapourThickness'))),
        sdDampM: as('sd value, damp', optional(positive('vapourThickness'))),
      }),
      2,
      LAYERS_MAX,
    ),
    ...yearMembers,
  }),
  run: dryAndDamp,
  output: outcome<DryAndDamp>({
    dry: part(yearFigures),
    damp: part(yearFigures),
    driesInBoth: as('Dries in both states', boolean()),
  }),
};
