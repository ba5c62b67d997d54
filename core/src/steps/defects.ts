import { battCompression } from '../insulation/batt-compression';
import { isBatt, type CavityFill, type CavityFillInput, type Fill } from '../insulation/cavity-fill';
import type { DefectPrices, DefectPricesInput } from '../insulation/defect-prices';
import { airLayerByTable } from '../thermal/air-space';
import { filmsOf } from '../thermal/films';
import { DEFAULT_VOID_RSI } from '../thermal/grade-adjustment';
import { heatPaths, parallelPathU } from '../thermal/heat-paths';
import { layersOf } from '../thermal/layer';
import { eachTerm, found, step, sumOf, type Step } from './step';

const R = 'm²·K/W';
const U = 'W/(m²·K)';

function fillStep(fill: Fill, i: number, { fills }: CavityFill): Step {
  const { thicknessM: t = NaN, rsi = NaN } = fills[i] ?? {};
  const { conductivityWmK: λ, thicknessM: label, pressing } = fill;
  const words = { t: 'thickness that it has in the cavity, m' };
  if (pressing !== 'fibreLaw' || label === undefined) {
    return step(`R of fill ${i + 1}`, 'R = t / λ', { t, λ }, rsi, R, words);
  }
  const { densityKgM3: ρ } = battCompression({
    labelRsi: label / λ,
    labelThicknessM: label,
    thicknessM: Math.min(t, label),
  });
  return step(
    `R of fill ${i + 1}`,
    'R = t / (a + b·ρ + c / ρ)',
    { t, a: 0.0257, b: 4.6e-5, c: 0.21, ρ },
    rsi,
    R,
    {
      ...words,
      a: 'law of fibres: air',
      b: 'law of fibres: solid',
      c: 'law of fibres: radiation',
      ρ: 'density that follows from its label and thickness, kg/m³',
    },
  );
}

export function explainCavityFill(input: CavityFillInput, output: CavityFill): readonly Step[] {
  const { depthM: D, fills } = input;
  const sum = (of: (fill: Fill) => boolean): number =>
    fills.reduce((total, fill) => (of(fill) ? total + (fill.thicknessM ?? 0) : total), 0);
  const boards = sum(({ pressing }) => pressing === 'rigid');
  const batts = sum(isBatt);
  const room = Math.max(0, D - boards);
  const each = sumOf(
    'R',
    output.fills.map(({ rsi }) => rsi),
  );
  return [
    step('Room that boards leave', 'room = max(0, D − T)', { D, T: boards }, room, 'm', {
      T: 'thickness of all boards and foam, m',
    }),
    ...(batts > 0
      ? [
          step('Batts pressed to', 'k = min(1, room / B)', { room, B: batts }, output.pressedTo, '', {
            B: 'thickness of all batts by their labels, m',
          }),
        ]
      : []),
    ...fills.map((fill, i) => fillStep(fill, i, output)),
    ...(output.gapM > 0
      ? [
          found(
            'R of the gap, from the table of air layers',
            airLayerByTable(output.gapM, input.heatFlow ?? 'horizontal'),
            R,
          ),
        ]
      : []),
    step(
      'R of the cavity',
      `R = ${each.terms} + G`,
      { ...each.values, G: output.gapRsi },
      output.cavityRsi,
      R,
      {
        ...eachTerm(each.values, (i) => `of fill ${i}`),
        G: 'of the gap; 0 without one',
      },
    ),
  ];
}

export function explainDefectPrices(input: DefectPricesInput, output: DefectPrices): readonly Step[] {
  const {
    gradedLayer,
    areaM2: A,
    observedM2: S,
    voidRsi = DEFAULT_VOID_RSI,
    heatingDegreeDaysKd: HDD,
  } = input;
  const films = filmsOf(input);
  const layers = layersOf(input.layers);
  const paths = heatPaths(layers, input.frameAlignment);
  const f = layers[gradedLayer]?.framingFraction ?? NaN;
  const { soundUValue: U0, voidUValue: Uv, observedWK, elsewhereWK } = output;
  const fIs = { f: 'framing share of the layer; 0 without a frame' };
  const each = input.defects.flatMap((defect, i): readonly Step[] => {
    const { deltaUAWK = NaN, kwhPerYear = null } = output.defects[i] ?? {};
    const { areaM2: a, rsi = voidRsi, uValue = NaN } = defect;
    const heat =
      kwhPerYear === null || HDD === undefined
        ? []
        : [
            step(
              `Extra heat a year: ${defect.id}`,
              'Q = ΔUA·24·HDD / 1000',
              { ΔUA: deltaUAWK, HDD },
              kwhPerYear,
              'kWh',
            ),
          ];
    if (defect.kind === 'bare') {
      return [
        step(`Heat lost: ${defect.id}`, 'ΔUA = a·(Us − U)', { a, Us: uValue, U: U0 }, deltaUAWK, 'W/K'),
        ...heat,
      ];
    }
    const Ud = defect.kind === 'void' ? Uv : parallelPathU(paths, layers, films, { layer: gradedLayer, rsi });
    return [
      ...(defect.kind === 'void'
        ? []
        : [found(`U by the same parallel paths, cavities with the R left: ${defect.id}`, Ud, U)]),
      step(
        `Heat lost: ${defect.id}`,
        'ΔUA = a / (1 − f)·(Ud − U)',
        { a, f, Ud, U: U0 },
        deltaUAWK,
        'W/K',
        fIs,
      ),
      ...heat,
    ];
  });
  const all = sumOf(
    'ΔUA',
    output.defects.map(({ deltaUAWK }) => deltaUAWK),
  );
  const inCavities = output.defects.reduce(
    (sum, { deltaUAWK }, i) => (input.defects[i]?.kind === 'bare' ? sum : sum + deltaUAWK),
    0,
  );
  return [
    found('U by parallel paths, every cavity as it is meant', U0, U),
    found('U by parallel paths, every cavity of the layer empty', Uv, U),
    ...each,
    ...(output.defects.length === 0
      ? []
      : [step('Where it was seen', `H = ${all.terms}`, all.values, observedWK, 'W/K')]),
    ...(S === undefined || elsewhereWK === null
      ? []
      : [
          step(
            'The like where nobody saw',
            'E = V·max(0, A·(1 − f) − S) / S',
            { V: inCavities, A, f, S },
            elsewhereWK,
            'W/K',
            { ...fIs, V: 'voids and pressed spots that were seen, W/K' },
          ),
        ]),
    step('In all', 'T = H + E', { H: observedWK, E: elsewhereWK ?? 0 }, output.totalWK, 'W/K', {
      H: 'where it was seen',
      E: 'where nobody saw; 0 where that is not said',
    }),
  ];
}
