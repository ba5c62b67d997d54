import type { Assembly, AssemblyInput, AssemblyMethod } from '../thermal/assembly';
import { totalResistance } from '../thermal/assembly';
import { fastenersDeltaU } from '../thermal/fasteners';
import { filmsOf, type FilmChoice, type Films } from '../thermal/films';
import { AIR_VOID_DELTA_U, cavityShares } from '../thermal/grade-adjustment';
import {
  heatPaths,
  isothermalPlanesRsi,
  parallelPathU,
  planeRsi,
  unbridgedTotalRsi,
  type FrameAlignment,
} from '../thermal/heat-paths';
import { layersOf, type Layer, type LayerInput } from '../thermal/layer';
import { eachTerm, found, step, sumOf, type Step } from './step';

const R = 'm²·K/W';
const U = 'W/(m²·K)';

const FILMS = { Rsi: 'film inside', Rse: 'film outside' } as const;
const TOTALS: Readonly<Record<AssemblyMethod, readonly [what: string, formula: string]>> = {
  parallelPath: ['Resistance', 'RT = R′'],
  isothermalPlanes: ['Resistance', 'RT = R″'],
  iso6946: ['Resistance, mean of both bounds', 'RT = (R′ + R″) / 2'],
};
const siText = (rsi: number): string => String(Number(rsi.toPrecision(4)));

/** The ways of heat through a build-up, each summed, and the parallel-path U of them all. */
function pathSteps(
  layers: readonly Layer[],
  films: Films,
  alignment: FrameAlignment | undefined,
): readonly Step[] {
  const paths = heatPaths(layers, alignment);
  const sums = paths.map((path) => {
    const resistances = layers.map((layer, i) => (path.framed.has(i) ? layer.frameRsi : layer.cavityRsi));
    const { terms, values } = sumOf('R', resistances);
    return {
      terms,
      values,
      total: resistances.reduce((sum, rsi) => sum + rsi, films.insideRsi + films.outsideRsi),
      words:
        path.framed.size === 0
          ? 'between the frames'
          : `through the frame of layer ${[...path.framed].map((i) => i + 1).join(' and ')}`,
    };
  });
  const shares = sumOf(
    'f',
    paths.map(({ share }) => share),
  );
  const totals = sumOf(
    'R',
    sums.map(({ total }) => total),
  );
  const u = parallelPathU(paths, layers, films);
  return [
    ...sums.map(({ terms, values, total, words }) =>
      step(
        `R ${words}`,
        `R = Rsi + ${terms} + Rse`,
        { ...values, Rsi: films.insideRsi, Rse: films.outsideRsi },
        total,
        R,
        {
          ...eachTerm(values, (i) => `layer ${i}; thickness over conductivity where no R is given`),
          ...FILMS,
        },
      ),
    ),
    step(
      'U by parallel paths',
      `U = ${paths.map((_, i) => `f${i + 1} / R${i + 1}`).join(' + ')}`,
      { ...shares.values, ...totals.values },
      u,
      U,
      eachTerm(shares.values, (i) => `share of the face that path ${i} has`),
    ),
    step('R by parallel paths', 'R′ = 1 / U', { U: u }, 1 / u, R),
  ];
}

function planesStep(layers: readonly Layer[], films: Films): Step {
  const { terms, values } = sumOf('R', layers.map(planeRsi));
  return step(
    'R by isothermal planes',
    `R″ = Rsi + ${terms} + Rse`,
    { ...values, Rsi: films.insideRsi, Rse: films.outsideRsi },
    isothermalPlanesRsi(layers, films),
    R,
    {
      ...eachTerm(values, (i) => `layer ${i}; a framed one as 1 / (f / Rframe + (1 − f) / Rcavity)`),
      ...FILMS,
    },
  );
}

/** Resistance of a build-up before corrections, from its ways of heat on. */
export function resistanceSteps(
  inputs: readonly LayerInput[],
  choice: FilmChoice & { readonly method: AssemblyMethod },
  alignment: FrameAlignment | undefined,
): readonly Step[] {
  const [layers, films] = [layersOf(inputs), filmsOf(choice)];
  const paths = pathSteps(layers, films, alignment);
  const planes = planesStep(layers, films);
  const [upperRsi, lowerRsi] = [paths.at(-1)?.result ?? NaN, planes.result];
  return [...paths, planes, totalStep(choice.method, upperRsi, lowerRsi)];
}

function totalStep(method: AssemblyMethod, upperRsi: number, lowerRsi: number): Step {
  const [what, formula] = TOTALS[method];
  const bounds = { 'R′': upperRsi, 'R″': lowerRsi };
  const values = Object.fromEntries(Object.entries(bounds).filter(([symbol]) => formula.includes(symbol)));
  return step(what, formula, values, totalResistance(method, upperRsi, lowerRsi), R);
}

/** R of the build-up with every layer as its cavity, to which what goes wrong in one layer is reckoned. */
function unbridgedStep(layers: readonly Layer[], films: Films): Step {
  const { terms, values } = sumOf(
    'R',
    layers.map(({ cavityRsi }) => cavityRsi),
  );
  return step(
    'R without the frames',
    `RTh = Rsi + ${terms} + Rse`,
    { ...values, Rsi: films.insideRsi, Rse: films.outsideRsi },
    unbridgedTotalRsi(layers, films),
    R,
    { ...eachTerm(values, (i) => `layer ${i}, as its cavity`), ...FILMS },
  );
}

function fastenerSteps(
  { fasteners = [] }: AssemblyInput,
  layers: readonly Layer[],
  RTh: number,
  deltaUFasteners: number,
): readonly Step[] {
  const each = fasteners.map((some, i): Step => {
    const { thicknessM: d0 = NaN, cavityRsi: R1 = NaN } = layers[some.layer] ?? {};
    const { penetrationM: d1 = d0, conductivityWmK: λ, areaM2: A, perM2: n } = some;
    return step(
      `Fasteners ${i + 1}`,
      'ΔU = 0.8·d1 / d0·λ·A·n / d0·(R1 / RTh)^2',
      { d1, d0, λ, A, n, R1, RTh },
      fastenersDeltaU(some, layers, RTh, `fasteners[${i}]`),
      U,
      { R1: 'the layer that they go through' },
    );
  });
  if (each.length < 2) return each;
  const { terms, values } = sumOf(
    'ΔU',
    each.map(({ result }) => result),
  );
  return [...each, step('All fasteners', `ΔUf = ${terms}`, values, deltaUFasteners, U)];
}

function gradeSteps(
  input: AssemblyInput,
  layers: readonly Layer[],
  films: Films,
  deltaUVoids: number,
): readonly Step[] {
  const { gradeAdjustment: adjustment } = input;
  if (adjustment === undefined) return [];
  if (adjustment.school === 'airVoid' && adjustment.grade !== undefined) {
    return [
      step(
        'What the grade adds to U',
        'ΔUg = ΔU″·(R1 / RTh)^2',
        {
          'ΔU″': AIR_VOID_DELTA_U[adjustment.grade],
          R1: layers[adjustment.layer]?.cavityRsi ?? NaN,
          RTh: unbridgedTotalRsi(layers, films),
        },
        deltaUVoids,
        U,
        {
          'ΔU″': `correction of air voids at Grade ${adjustment.grade}, W/(m²·K)`,
          R1: 'the graded layer, as its cavity',
        },
      ),
    ];
  }
  const paths = heatPaths(layers, input.frameAlignment);
  const shares = cavityShares(adjustment, layers).filter(({ share }) => share > 0);
  const us = shares.map(({ rsi }) => parallelPathU(paths, layers, films, { layer: adjustment.layer, rsi }));
  const fs = sumOf(
    'f',
    shares.map(({ share }) => share),
  ).values;
  return [
    ...shares.map(({ words, rsi }, i) =>
      found(
        `U by the same parallel paths, the graded cavity ${words} with ${siText(rsi)} ${R}`,
        us[i] ?? NaN,
        U,
      ),
    ),
    step(
      'What the grade adds to U',
      `ΔUg = ${shares.map((_, i) => `f${i + 1}·U${i + 1}`).join(' + ')} − U`,
      { ...fs, ...sumOf('U', us).values, U: parallelPathU(paths, layers, films) },
      deltaUVoids,
      U,
      {
        ...eachTerm(fs, (i) => `share of the cavity ${shares[i - 1]?.words ?? ''}`),
        U: 'U by parallel paths with the cavity sound',
      },
    ),
  ];
}

export function explainAssembly(input: AssemblyInput, output: Assembly): readonly Step[] {
  const { areaM2, fasteners = [], gradeAdjustment } = input;
  const { deltaUFasteners, deltaUVoids } = output;
  const [layers, films] = [layersOf(input.layers), filmsOf(input)];
  const unbridged = unbridgedStep(layers, films);
  const isCorrected = fasteners.length > 0 || gradeAdjustment?.school === 'airVoid';
  const uAll = { UT: 1 / output.totalRsi, ΔUf: deltaUFasteners, ΔUg: deltaUVoids };
  return [
    ...resistanceSteps(input.layers, input, input.frameAlignment),
    step('U before corrections', 'UT = 1 / RT', { RT: output.totalRsi }, uAll.UT, U),
    ...(isCorrected ? [unbridged] : []),
    ...fastenerSteps(input, layers, unbridged.result, deltaUFasteners),
    ...gradeSteps(input, layers, films, deltaUVoids),
    step('U with fasteners and the grade of the work', 'U = UT + ΔUf + ΔUg', uAll, output.uValue, U, {
      ...(fasteners.length === 0 ? { ΔUf: 'no fasteners are given' } : {}),
      ...(gradeAdjustment === undefined ? { ΔUg: 'no grade is given' } : {}),
    }),
    step('Effective R', 'R = 1 / U', { U: output.uValue }, output.effectiveRsi, R),
    ...(output.price === null || areaM2 === undefined
      ? []
      : [
          step(
            'What the grade costs',
            'ΔUA = ΔUg·A',
            { ΔUg: output.deltaUVoids, A: areaM2 },
            output.price.deltaUAWK,
            'W/K',
          ),
        ]),
  ];
}
