import { DRAUGHT } from '../cautions';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import { as, boolean, fields, figure, nonNegative, number, optional, outcome, positive } from '../schema';
import { M3H_PER_CFM, METRES_PER_FOOT } from '../units/factors';

export interface VentilationRequirementInput {
  readonly floorAreaM2: number;
  readonly bedrooms: number;
  /** Effective leakage area at 4 Pa. */
  readonly ela4M2: number;
  readonly heightM: number;
  /** Weather and shielding factor (wsf) of the place. */
  readonly weatherFactor: number;
  readonly balanced: boolean;
  readonly detached: boolean;
  /** Share of the envelope that faces outdoors; required unless the house is detached. */
  readonly outdoorEnvelopeShare?: number;
}

export interface VentilationRequirement {
  readonly totalM3h: number;
  readonly normalizedLeakage: number;
  readonly infiltrationM3h: number;
  /** What infiltration counts for: φ·Qinf·Aext. */
  readonly creditM3h: number;
  /** Never below 0. */
  readonly fanFlowM3h: number;
}

const CFM_PER_SQUARE_FOOT = 0.03;
const CFM_PER_PERSON = 7.5;
/**
 * Bedrooms that count: a home of one room has somebody who sleeps in it.
 * @example bedroomsCounted(0) // 1
 */
export const bedroomsCounted = (bedrooms: number): number => Math.max(1, bedrooms);
const REFERENCE_HEIGHT_M = 2.5;
const SQUARE_FEET_PER_CFM = 7.3;

function outdoorShareOf({ detached, outdoorEnvelopeShare }: VentilationRequirementInput): number {
  if (detached) return 1;
  if (outdoorEnvelopeShare === undefined) {
    throw new Refusal(
      'required',
      'outdoorEnvelopeShare',
      'For a house with neighbours, give the share of its envelope that faces outdoors.',
    );
  }
  return outdoorEnvelopeShare;
}

/**
 * Whole-house ventilation that a home needs, less what its leaks bring in. ASHRAE 62.2, 4.1; the cfm form rules.
 * Qtot = 0.03·A + 7.5·(bedrooms + 1), of at least one bedroom; NL = 1000·(ELA4/A)·(H/2.5)^0.4; Qinf = NL·wsf·A/7.3;
 * fan = Qtot − φ·Qinf·Aext with φ = 1 balanced, else Qinf/Qtot. Flows in m³/h.
 * @example ventilationRequirement(examples['ventilation.requirement']).totalM3h // 134.4
 * @throws {Refusal} `required`
 */
export function ventilationRequirement(input: VentilationRequirementInput): VentilationRequirement {
  const { floorAreaM2, bedrooms, ela4M2, heightM, weatherFactor, balanced } = input;
  const squareFeet = floorAreaM2 / METRES_PER_FOOT ** 2;
  const total = CFM_PER_SQUARE_FOOT * squareFeet + CFM_PER_PERSON * (bedroomsCounted(bedrooms) + 1);
  const normalizedLeakage = 1000 * (ela4M2 / floorAreaM2) * (heightM / REFERENCE_HEIGHT_M) ** 0.4;
  const infiltrated = (normalizedLeakage * weatherFactor * squareFeet) / SQUARE_FEET_PER_CFM;
  const credit = (balanced ? 1 : infiltrated / total) * infiltrated * outdoorShareOf(input);
  return {
    totalM3h: total * M3H_PER_CFM,
    normalizedLeakage,
    infiltrationM3h: infiltrated * M3H_PER_CFM,
    creditM3h: credit * M3H_PER_CFM,
    fanFlowM3h: Math.max(0, total - credit) * M3H_PER_CFM,
  };
}

export const ventilationRequirementOperation: Operation<VentilationRequirementInput, VentilationRequirement> =
  {
    words: {
      shelf: 'ventilation',
      title: 'Ventilation need',
      tells: 'Outdoor air that a dwelling needs, and what its fan must move after credit for leaks.',
      alsoCalled: 'fresh air, MVHR, HRV, ERV, whole-house fan, extract, supply, cfm',
      mainFigures: ['fanFlowM3h', 'totalM3h', 'creditM3h'],
      caution: DRAUGHT,
    },
    schema: fields<VentilationRequirementInput>({
      floorAreaM2: positive('area'),
      bedrooms: number({ quantity: 'count', min: 0, max: 50, whole: true }),
      ela4M2: as('Leak area, ELA at 4 Pa', nonNegative('leakArea')),
      heightM: positive('length'),
      weatherFactor: as('Weather and shielding factor', number({ quantity: 'plain', min: 0, max: 2 })),
      balanced: as('Supply and exhaust balanced', boolean()),
      detached: boolean(),
      outdoorEnvelopeShare: as(
        'Share of envelope to outdoors',
        optional(number({ quantity: 'share', above: 0, max: 1 })),
      ),
    }),
    run: ventilationRequirement,
    output: outcome<VentilationRequirement>({
      totalM3h: as('Ventilation in all', figure('flow')),
      normalizedLeakage: figure('plain'),
      infiltrationM3h: figure('flow'),
      creditM3h: as('Credit for infiltration', figure('flow')),
      fanFlowM3h: as('Flow of the fan', figure('flow')),
    }),
  };
