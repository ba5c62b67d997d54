import type { Bags, BagsInput } from '../insulation/bags';
import type { BattCompression, BattCompressionInput } from '../insulation/batt-compression';
import type { Coverage, CoverageInput } from '../insulation/coverage';
import type { DensitySamples, DensitySamplesInput } from '../insulation/density-samples';
import type { Depth, DepthInput } from '../insulation/depth';
import type { DepthMap, DepthMapInput } from '../insulation/depth-map';
import type { Grade, GradeInput } from '../insulation/grade';
import type { HybridFill, HybridFillInput } from '../insulation/hybrid-fill';
import type { MassPerArea, MassPerAreaInput } from '../insulation/mass-per-area';
import type { Sampling, SamplingInput } from '../insulation/sampling';
import { eachTerm, found, step, sumOf, type Step } from './step';

const COUNT = { N: 'how many there are' } as const;

const R = 'm²·K/W';

export function explainGrade(input: GradeInput, output: Grade): readonly Step[] {
  const observed = output.observations.reduce((sum, { cavityAreaM2 }) => sum + cavityAreaM2, 0);
  const areas = (of: (each: Grade['observations'][number]) => number) =>
    sumOf(
      'A',
      output.observations.map((each) => of(each) * each.cavityAreaM2),
    );
  const [voids, compressed] = [areas((each) => each.voidFraction), areas((each) => each.compressedFraction)];
  return [
    found('Area of the cavities that were seen', observed, 'm²'),
    step(
      'Void of what was seen',
      `v = (${voids.terms}) / A`,
      { ...voids.values, A: observed },
      output.voidFraction,
      '',
      eachTerm(voids.values, (i) => `void area of cavity ${i}, m²`),
    ),
    step(
      'Compressed of what was seen',
      `c = (${compressed.terms}) / A`,
      { ...compressed.values, A: observed },
      output.compressedFraction,
      '',
      eachTerm(compressed.values, (i) => `compressed area of cavity ${i}, m²`),
    ),
    step(
      'Share of the area that was seen',
      'seen = A / net',
      { A: observed, net: input.netInsulatedAreaM2 },
      output.shareObserved,
    ),
  ];
}

export function explainSampling(_input: SamplingInput, output: Sampling): readonly Step[] {
  const { chances } = output;
  return [
    found('Void of what was seen', output.voidFraction),
    found(
      'Void of the whole area, by the bootstrap of the cavities seen and an imagined sound one: with 95 % over',
      output.voidLow90,
    ),
    found('with 95 % under, the imagined one as bad as a cavity can be that nobody saw', output.voidHigh90),
    found('Chance of Grade I, by the same draws', chances.I),
    found('Chance of Grade II, by the same draws', chances.II),
    step(
      'Chance of Grade II or better',
      'P = PI + PII',
      { PI: chances.I, PII: chances.II },
      chances.I + chances.II,
    ),
    found('Further cavities to look at', output.moreCavities),
  ];
}

export function explainBattCompression(
  input: BattCompressionInput,
  output: BattCompression,
): readonly Step[] {
  const { labelRsi, labelThicknessM, thicknessM } = input;
  const label = [
    step(
      'Conductivity of the label',
      'λ0 = t0 / R0',
      { t0: labelThicknessM, R0: labelRsi },
      labelThicknessM / labelRsi,
      'W/(m·K)',
    ),
    step(
      'Density that has it (the lower root)',
      'ρ0 = (λ0 − 0.0257 − √((λ0 − 0.0257)^2 − 4·0.000046·0.21)) / (2·0.000046)',
      { λ0: labelThicknessM / labelRsi },
      output.labelDensityKgM3,
      'kg/m³',
    ),
  ];
  if (output.findings.length > 0)
    return [...label, found('Thinner than its cavity: R stays the label’s', output.rsi, R)];
  return [
    ...label,
    step(
      'Density pressed',
      'ρ = ρ0·t0 / t',
      { ρ0: output.labelDensityKgM3, t0: labelThicknessM, t: thicknessM },
      output.densityKgM3,
      'kg/m³',
    ),
    step(
      'Conductivity pressed',
      'λ = 0.0257 + 0.000046·ρ + 0.21 / ρ',
      { ρ: output.densityKgM3 },
      output.conductivityWmK,
      'W/(m·K)',
    ),
    step('R in the cavity', 'R = t / λ', { t: thicknessM, λ: output.conductivityWmK }, output.rsi, R),
  ];
}

export function explainDensitySamples(input: DensitySamplesInput, output: DensitySamples): readonly Step[] {
  const densities = sumOf(
    'ρ',
    output.samples.map(({ densityKgM3 }) => densityKgM3),
  );
  const [sample] = input.samples;
  return [
    ...(sample === undefined
      ? []
      : [
          step(
            'First sample',
            'ρ = m / (A·t)',
            { m: sample.massKg, A: sample.areaM2, t: sample.thicknessM },
            output.samples[0]?.densityKgM3 ?? NaN,
            'kg/m³',
          ),
        ]),
    step(
      'Mean of the samples',
      `ρ = (${densities.terms}) / N`,
      { ...densities.values, N: output.samples.length },
      output.meanDensityKgM3,
      'kg/m³',
      { ...eachTerm(densities.values, (i) => `density of sample ${i}, found in the same way`), ...COUNT },
    ),
    step(
      'Overfill',
      'over = ρ / ρs − 1',
      { ρ: output.meanDensityKgM3, ρs: input.specifiedDensityKgM3 },
      output.overfill,
    ),
  ];
}

export function explainMassPerArea(input: MassPerAreaInput, output: MassPerArea): readonly Step[] {
  const masses = sumOf(
    'm',
    output.samples.map(({ massKgM2 }) => massKgM2),
  );
  return [
    step(
      'The specification as a density',
      'ρ = ms / t',
      { ms: input.specifiedMassKgM2, t: input.atThicknessM },
      output.specifiedDensityKgM3,
      'kg/m³',
    ),
    step(
      'Mean of the samples',
      `m = (${masses.terms}) / N`,
      { ...masses.values, N: output.samples.length },
      output.meanMassKgM2,
      'kg/m²',
      { ...eachTerm(masses.values, (i) => `mass of sample ${i} over its area, kg/m²`), ...COUNT },
    ),
    step(
      'Overfill',
      'over = m / ms − 1',
      { m: output.meanMassKgM2, ms: input.specifiedMassKgM2 },
      output.overfill,
    ),
  ];
}

export function explainBags(input: BagsInput, output: Bags): readonly Step[] {
  const { grossAreaM2, framingFraction, depthM, bagMassKg, bags } = input;
  return [
    step(
      'Volume to fill',
      'V = A·(1 − f)·d',
      { A: grossAreaM2, f: framingFraction, d: depthM },
      output.volumeM3,
      'm³',
    ),
    step(
      'Bags needed',
      'bags = ceil(ρ·V / m)',
      { ρ: input.specifiedDensityKgM3, V: output.volumeM3, m: bagMassKg },
      output.bagsNeeded,
    ),
    ...(output.achievedDensityKgM3 === null || bags === undefined
      ? []
      : [
          step(
            'Density that those blown make',
            'ρ = bags·m / V',
            { bags, m: bagMassKg, V: output.volumeM3 },
            output.achievedDensityKgM3,
            'kg/m³',
          ),
        ]),
  ];
}

export function explainCoverage(input: CoverageInput, output: Coverage): readonly Step[] {
  const { bags, bagMassKg, areaM2, table } = input;
  return [
    step(
      'Bags needed',
      'bags = ceil(b·A)',
      { b: table[output.row]?.bagsPerM2 ?? NaN, A: areaM2 },
      output.bagsNeeded,
    ),
    ...(output.massKgM2 === null || bags === undefined
      ? []
      : [
          step(
            'Mass on each square metre',
            'm = bags·mb / A',
            { bags, mb: bagMassKg, A: areaM2 },
            output.massKgM2,
            'kg/m²',
          ),
        ]),
  ];
}

export function explainDepth(input: DepthInput, output: Depth): readonly Step[] {
  const { conductivityWmK: λ, restRsi: Rr, depthsM, settlingFraction: s = 0 } = input;
  const [first] = output.readings;
  const us = sumOf(
    'U',
    output.readings.map(({ rsi }) => 1 / (Rr + rsi)),
  );
  return [
    ...(first === undefined || depthsM[0] === undefined
      ? []
      : [
          ...(input.kind === 'looseFill'
            ? [
                step(
                  'First reading, settled',
                  'd = t·(1 − s)',
                  { t: depthsM[0], s },
                  first.settledDepthM,
                  'm',
                ),
              ]
            : []),
          step('R at the first reading', 'R = d / λ', { d: first.settledDepthM, λ }, first.rsi, R),
        ]),
    step(
      'U, mean over the readings',
      `U = (${us.terms}) / N`,
      { ...us.values, N: output.readings.length },
      output.uValue,
      'W/(m²·K)',
      {
        ...eachTerm(us.values, (i) => `1 over the rest and the R at reading ${i}, found in the same way`),
        ...COUNT,
      },
    ),
    step(
      'Effective R of the fill',
      'R = 1 / U − Rrest',
      { U: output.uValue, Rrest: Rr },
      output.effectiveRsi,
      R,
    ),
  ];
}

export function explainDepthMap(input: DepthMapInput, output: DepthMap): readonly Step[] {
  const { conductivityWmK: λ, restRsi: Rr, settlingFraction: s = 0, readings } = input;
  const weights = Object.fromEntries(output.weights.map((weight, i) => [`w${i + 1}`, weight]));
  const depths = Object.fromEntries(readings.map(({ depthM }, i) => [`t${i + 1}`, depthM]));
  const us = Object.fromEntries(
    readings.map(({ depthM }, i) => [`U${i + 1}`, 1 / (Rr + (depthM * (1 - s)) / λ)]),
  );
  const sumBy = (symbol: string): string => readings.map((_, i) => `w${i + 1}·${symbol}${i + 1}`).join(' + ');
  const share = eachTerm(weights, (i) => `share of the area that lies nearest to reading ${i}`);
  return [
    found('Nearest share of the area: of the first reading', output.weights[0] ?? NaN),
    step('Mean depth', `t = ${sumBy('t')}`, { ...weights, ...depths }, output.meanDepthM, 'm', {
      ...share,
      ...eachTerm(depths, (i) => `depth at reading ${i}, m`),
    }),
    step('U, mean over the area', `U = ${sumBy('U')}`, { ...weights, ...us }, output.uValue, 'W/(m²·K)', {
      ...share,
      ...eachTerm(us, (i) => `1 over the rest and the R at reading ${i}, settled depth over conductivity`),
    }),
    step(
      'Effective R of the layer',
      'R = 1 / U − Rrest',
      { U: output.uValue, Rrest: Rr },
      output.effectiveRsi,
      R,
    ),
    found('Share of the area whose reading is too low', output.belowShare),
  ];
}

export function explainHybridFill(input: HybridFillInput, output: HybridFill): readonly Step[] {
  const { insideRsi: Ri, outsideRsi: Re, indoorTemperatureC: θi, outdoorTemperatureC: θe } = input;
  const { atLowest, readings } = output;
  const lowest = readings[input.foamDepthsM.indexOf(atLowest.foamDepthM)];
  const us = sumOf(
    'U',
    readings.map(({ fibreRsi, foamRsi }) => 1 / (Ri + fibreRsi + foamRsi + Re)),
  );
  return [
    step(
      'U, mean over the readings',
      `U = (${us.terms}) / N`,
      { ...us.values, N: readings.length },
      output.uValue,
      'W/(m²·K)',
      { ...eachTerm(us.values, (i) => `1 over Ri, fibre, foam and Re at reading ${i}`), ...COUNT },
    ),
    step(
      'Effective R of fibre and foam',
      'R = 1 / U − Ri − Re',
      { U: output.uValue, Ri, Re },
      output.effectiveRsi,
      R,
    ),
    found('Dew point of indoor air', output.dewPointC, '°C'),
    ...(lowest === undefined
      ? []
      : [
          step(
            'Face of the foam where it is thinnest',
            'θ = θi − (θi − θe)·(Ri + Rfibre) / (Ri + Rfibre + Rfoam + Re)',
            { θi, θe, Ri, Re, Rfibre: lowest.fibreRsi, Rfoam: lowest.foamRsi },
            atLowest.temperatureC,
            '°C',
            {
              Rfibre: 'what is left of the depth for fibre there, over its conductivity',
              Rfoam: 'depth of the foam there over its conductivity',
            },
          ),
        ]),
  ];
}
