import type { Assembly, AssemblyInput, AssemblyMethod } from '../thermal/assembly';
import { filmsOf, type FilmChoice } from '../thermal/films';
import { AIR_VOID_DELTA_U, cavityShares } from '../thermal/grade-adjustment';
import { heatPaths, parallelPathU, unbridgedTotalRsi, type FrameAlignment } from '../thermal/heat-paths';
import { layerOf, type LayerInput } from '../thermal/layer';
import { eachTerm, step, sumOf, type Step } from './step';

const R = 'm²·K/W';
const U = 'W/(m²·K)';

const FILMS = { Rsi: 'film inside', Rse: 'film outside' } as const;
const siText = (rsi: number): string => String(Number(rsi.toPrecision(4)));

/** The ways of heat through a build-up, each summed, and the parallel-path U of them all. */
function pathSteps(
  inputs: readonly LayerInput[],
  choice: FilmChoice,
  alignment: FrameAlignment | undefined,
): readonly Step[] {
  const films = filmsOf(choice);
  const layers = inputs.map((layer, i) => layerOf(layer, `layers[${i}]`));
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
      parallelPathU(paths, layers, films),
      U,
      eachTerm(shares.values, (i) => `share of the face that path ${i} has`),
    ),
    step(
      'R by parallel paths',
      'R′ = 1 / U',
      { U: parallelPathU(paths, layers, films) },
      1 / parallelPathU(paths, layers, films),
      R,
    ),
  ];
}

function planesStep(inputs: readonly LayerInput[], choice: FilmChoice): Step {
  const films = filmsOf(choice);
  const planes = inputs.map((input, i) => {
    const { cavityRsi, frameRsi, framingFraction: f } = layerOf(input, `layers[${i}]`);
    return f === 0 ? cavityRsi : 1 / (f / frameRsi + (1 - f) / cavityRsi);
  });
  const { terms, values } = sumOf('R', planes);
  return step(
    'R by isothermal planes',
    `R″ = Rsi + ${terms} + Rse`,
    { ...values, Rsi: films.insideRsi, Rse: films.outsideRsi },
    planes.reduce((sum, rsi) => sum + rsi, films.insideRsi + films.outsideRsi),
    R,
    {
      ...eachTerm(values, (i) => `layer ${i}; a framed one as 1 / (f / Rframe + (1 − f) / Rcavity)`),
      ...FILMS,
    },
  );
}

/** Resistance of a build-up before corrections, from its ways of heat on. */
export function resistanceSteps(
  layers: readonly LayerInput[],
  choice: FilmChoice & { readonly method: AssemblyMethod },
  alignment: FrameAlignment | undefined,
): readonly Step[] {
  const paths = pathSteps(layers, choice, alignment);
  const planes = planesStep(layers, choice);
  const [upperRsi, lowerRsi] = [paths.at(-1)?.result ?? NaN, planes.result];
  return [...paths, planes, totalStep(choice.method, upperRsi, lowerRsi)];
}

function totalStep(method: AssemblyMethod, upperRsi: number, lowerRsi: number): Step {
  switch (method) {
    case 'parallelPath':
      return step('Resistance', 'RT = R′', { 'R′': upperRsi }, upperRsi, R);
    case 'isothermalPlanes':
      return step('Resistance', 'RT = R″', { 'R″': lowerRsi }, lowerRsi, R);
    case 'iso6946':
      return step(
        'Resistance, mean of both bounds',
        'RT = (R′ + R″) / 2',
        { 'R′': upperRsi, 'R″': lowerRsi },
        (upperRsi + lowerRsi) / 2,
        R,
      );
  }
}

/** R of the build-up with every layer as its cavity, to which what goes wrong in one layer is reckoned. */
function unbridgedStep({ layers: inputs, ...choice }: AssemblyInput): Step {
  const layers = inputs.map((layer, i) => layerOf(layer, `layers[${i}]`));
  const films = filmsOf(choice);
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

function fastenerSteps(input: AssemblyInput, output: Assembly): readonly Step[] {
  const unbridgedRsi = unbridgedStep(input).result;
  const each = (input.fasteners ?? []).map((fasteners, i): Step => {
    const layer = layerOf(input.layers[fasteners.layer] ?? {}, `layers[${fasteners.layer}]`);
    const { thicknessM: d0 = NaN, cavityRsi: R1 } = layer;
    const d1 = fasteners.penetrationM ?? d0;
    const { conductivityWmK: λ, areaM2: A, perM2: n } = fasteners;
    return step(
      `Fasteners ${i + 1}`,
      'ΔU = 0.8·d1 / d0·λ·A·n / d0·(R1 / RTh)^2',
      { d1, d0, λ, A, n, R1, RTh: unbridgedRsi },
      ((((0.8 * d1) / d0) * λ * A * n) / d0) * (R1 / unbridgedRsi) ** 2,
      U,
      { R1: 'the layer that they go through' },
    );
  });
  if (each.length < 2) return each;
  const { terms, values } = sumOf(
    'ΔU',
    each.map(({ result }) => result),
  );
  return [...each, step('All fasteners', `ΔUf = ${terms}`, values, output.deltaUFasteners, U)];
}

/** U of the build-up with the cavity of one layer taken for another. */
function swappedU({ layers: inputs, ...rest }: AssemblyInput, layer: number, rsi: number): number {
  const layers = inputs.map((each, i) => layerOf(each, `layers[${i}]`));
  return parallelPathU(heatPaths(layers, rest.frameAlignment), layers, filmsOf(rest), { layer, rsi });
}

function gradeSteps(input: AssemblyInput, output: Assembly): readonly Step[] {
  const { gradeAdjustment: adjustment } = input;
  if (adjustment === undefined) return [];
  if (adjustment.school === 'airVoid' && adjustment.grade !== undefined) {
    const R1 = layerOf(input.layers[adjustment.layer] ?? {}, 'layer').cavityRsi;
    return [
      step(
        'What the grade adds to U',
        'ΔUg = ΔU″·(R1 / RTh)^2',
        { 'ΔU″': AIR_VOID_DELTA_U[adjustment.grade], R1, RTh: unbridgedStep(input).result },
        output.deltaUVoids,
        U,
        {
          'ΔU″': `correction of air voids at Grade ${adjustment.grade}, W/(m²·K)`,
          R1: 'the graded layer, as its cavity',
        },
      ),
    ];
  }
  const layers = input.layers.map((layer, i) => layerOf(layer, `layers[${i}]`));
  const shares = cavityShares(adjustment, layers).filter(({ share }) => share > 0);
  const us = shares.map(({ rsi }) => swappedU(input, adjustment.layer, rsi));
  const soundU = swappedU(input, adjustment.layer, layers[adjustment.layer]?.cavityRsi ?? NaN);
  const terms = shares.map((_, i) => `f${i + 1}·U${i + 1}`).join(' + ');
  const fs = sumOf(
    'f',
    shares.map(({ share }) => share),
  ).values;
  return [
    ...shares.map(({ words, rsi }, i) =>
      step(
        `U by parallel paths, the graded cavity ${words}`,
        'U = 1 / Rpaths',
        { Rpaths: 1 / (us[i] ?? NaN) },
        us[i] ?? NaN,
        U,
        { Rpaths: `resistance by the same paths with ${siText(rsi)} ${R} in that cavity` },
      ),
    ),
    step(
      'What the grade adds to U',
      `ΔUg = ${terms} − U`,
      { ...fs, ...sumOf('U', us).values, U: soundU },
      output.deltaUVoids,
      U,
      {
        ...eachTerm(fs, (i) => `share of the cavity ${shares[i - 1]?.words ?? ''}`),
        U: 'U by parallel paths with the cavity sound',
      },
    ),
  ];
}

export function explainAssembly(input: AssemblyInput, output: Assembly): readonly Step[] {
  const { areaM2 } = input;
  const uAll = { UT: 1 / output.totalRsi, ΔUf: output.deltaUFasteners, ΔUg: output.deltaUVoids };
  const isCorrected = (input.fasteners ?? []).length > 0 || input.gradeAdjustment?.school === 'airVoid';
  return [
    ...resistanceSteps(input.layers, input, input.frameAlignment),
    step('U before corrections', 'UT = 1 / RT', { RT: output.totalRsi }, uAll.UT, U),
    ...(isCorrected ? [unbridgedStep(input)] : []),
    ...fastenerSteps(input, output),
    ...gradeSteps(input, output),
    step('U with fasteners and the grade of the work', 'U = UT + ΔUf + ΔUg', uAll, output.uValue, U, {
      ΔUf: 'no fasteners are given',
      ΔUg: 'Grade I, or no grade is given',
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
