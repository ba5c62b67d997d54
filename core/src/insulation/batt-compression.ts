import type { Operation } from '../operation';
import { as, fields, figure, outcome, positive } from '../schema';
import { exceeds, type Finding } from '../finding';
import { Refusal } from '../refusal';

export interface BattCompressionInput {
  readonly labelRsi: number;
  readonly labelThicknessM: number;
  /** Thickness of the cavity that the batt is pressed into. */
  readonly thicknessM: number;
}

export interface BattCompression {
  readonly labelDensityKgM3: number;
  readonly densityKgM3: number;
  readonly conductivityWmK: number;
  readonly rsi: number;
  readonly findings: readonly Finding<'does-not-fill-cavity'>[];
}

/** Conductivity of fibrous batts (W/(m·K)) over density (kg/m³): λ = a + b·ρ + c/ρ. */
const AIR = 0.0257;
const SOLID = 4.6e-5;
const RADIATION = 0.21;

/** The law of compression is checked down to about half of a batt's thickness. */
export const CRUSHED_SHARE = 0.5;

function conductivityAt(densityKgM3: number): number {
  return AIR + SOLID * densityKgM3 + RADIATION / densityKgM3;
}

/** The lighter of the two densities at which a batt has this conductivity. */
function lightestDensityKgM3(conductivityWmK: number, field: string): number {
  const surplus = conductivityWmK - AIR;
  const discriminant = surplus ** 2 - 4 * SOLID * RADIATION;
  if (surplus <= 0 || discriminant < 0) {
    throw new Refusal(
      'no-density-root',
      field,
      'No fibrous batt is this good at this thickness: check the label R and thickness.',
      { value: conductivityWmK, bound: AIR + 2 * Math.sqrt(SOLID * RADIATION) },
    );
  }
  return (surplus - Math.sqrt(discriminant)) / (2 * SOLID);
}

/**
 * Resistance of a fibrous batt in a cavity thinner than its label says. Pressed together it keeps more
 * resistance for each millimetre but less in all; in a deeper cavity it keeps its label and leaves a gap.
 * @param field path of the label's R in the input, for refusals
 * @example battCompression({ labelRsi: 3.346, labelThicknessM: 0.159, thicknessM: 0.14 }).rsi // 3.1
 * @throws {Refusal} `no-density-root`
 */
export function battCompression(input: BattCompressionInput, field = 'labelRsi'): BattCompression {
  const { labelRsi, labelThicknessM, thicknessM } = input;
  const labelConductivity = labelThicknessM / labelRsi;
  const labelDensityKgM3 = lightestDensityKgM3(labelConductivity, field);
  if (exceeds(thicknessM, labelThicknessM)) {
    return {
      labelDensityKgM3,
      densityKgM3: labelDensityKgM3,
      conductivityWmK: labelConductivity,
      rsi: labelRsi,
      findings: [
        {
          rule: 'does-not-fill-cavity',
          severity: 'warn',
          message: 'The batt is thinner than its cavity and leaves a gap.',
          value: thicknessM,
          limit: labelThicknessM,
        },
      ],
    };
  }
  const densityKgM3 = (labelDensityKgM3 * labelThicknessM) / thicknessM;
  const conductivityWmK = conductivityAt(densityKgM3);
  return { labelDensityKgM3, densityKgM3, conductivityWmK, rsi: thicknessM / conductivityWmK, findings: [] };
}

export const battCompressionInput = fields<BattCompressionInput>({
  labelRsi: as('R on the label', positive('resistance')),
  labelThicknessM: as('Thickness on the label', positive('thickness')),
  thicknessM: positive('thickness'),
});

export const battCompressionOperation: Operation<BattCompressionInput, BattCompression> = {
  words: {
    shelf: 'insulation',
    title: 'Compressed batt',
    tells: 'R of a fibrous batt in a cavity thinner than its label.',
    alsoCalled: 'squeezed, compression, fiberglass, fibreglass, mineral wool, rock wool, R-value',
    mainFigures: ['rsi', 'conductivityWmK', 'densityKgM3'],
  },
  schema: battCompressionInput,
  run: (input) => battCompression(input),
  output: outcome<BattCompression>({
    labelDensityKgM3: as('Density by the label', figure('density')),
    densityKgM3: figure('density'),
    conductivityWmK: figure('conductivity'),
    rsi: as('R', figure('resistance')),
  }),
};
