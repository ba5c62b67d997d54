import {
  STACK_COEFFICIENT,
  WIND_COEFFICIENT,
  type Infiltration,
  type InfiltrationInput,
} from '../ventilation/infiltration';
import {
  bedroomsCounted,
  type VentilationRequirement,
  type VentilationRequirementInput,
} from '../ventilation/requirement';
import { M3H_PER_CFM, METRES_PER_FOOT } from '../units/factors';
import { step, type Step } from './step';

export function explainInfiltration(input: InfiltrationInput, output: Infiltration): readonly Step[] {
  const { ela4M2, storeys, shelterClass, volumeM3 } = input;
  const litres = output.flowM3h / 3.6;
  return [
    step(
      'Air that leaks through',
      'q = ELA·√(Cs·Δθ + Cw·U^2)',
      {
        ELA: ela4M2 * 1e4,
        Cs: STACK_COEFFICIENT[storeys],
        Δθ: Math.abs(input.indoorTemperatureC - input.outdoorTemperatureC),
        Cw: WIND_COEFFICIENT[storeys][shelterClass],
        U: input.windMs,
      },
      litres,
      'L/s',
      {
        ELA: 'leakage area in cm²',
        Cs: 'stack coefficient of the storeys, by the table',
        Δθ: 'difference of temperature, without its sign, K',
        Cw: 'wind coefficient of the storeys and the shelter, by the table',
      },
    ),
    step('In cubic metres an hour', 'Q = 3.6·q', { q: litres }, output.flowM3h, 'm³/h'),
    ...(output.airChangesPerHour === null || volumeM3 === undefined
      ? []
      : [
          step(
            'Air changes',
            'n = Q / V',
            { Q: output.flowM3h, V: volumeM3 },
            output.airChangesPerHour,
            '/h',
          ),
        ]),
  ];
}

const AEXT = { Aext: 'share of the envelope to outdoors' };

export function explainRequirement(
  input: VentilationRequirementInput,
  output: VentilationRequirement,
): readonly Step[] {
  const cfm = (m3h: number): number => m3h / M3H_PER_CFM;
  const squareFeet = input.floorAreaM2 / METRES_PER_FOOT ** 2;
  const [total, infiltrated, credit] = [
    cfm(output.totalM3h),
    cfm(output.infiltrationM3h),
    cfm(output.creditM3h),
  ];
  const outdoorShare = input.detached ? 1 : (input.outdoorEnvelopeShare ?? 1);
  return [
    step('Floor area', 'A = F / 0.3048^2', { F: input.floorAreaM2 }, squareFeet, 'ft²'),
    step(
      'Needed in all',
      'Qtot = 0.03·A + 7.5·(beds + 1)',
      { A: squareFeet, beds: bedroomsCounted(input.bedrooms) },
      total,
      'cfm',
      { beds: 'bedrooms, one at least' },
    ),
    step(
      'Normalised leakage',
      'NL = 1000·ELA / F·(H / 2.5)^0.4',
      { ELA: input.ela4M2, F: input.floorAreaM2, H: input.heightM },
      output.normalizedLeakage,
    ),
    step(
      'Infiltration that counts over the year',
      'Qinf = NL·wsf·A / 7.3',
      { NL: output.normalizedLeakage, wsf: input.weatherFactor, A: squareFeet },
      infiltrated,
      'cfm',
    ),
    input.balanced
      ? step(
          'Credit, balanced system',
          'credit = Qinf·Aext',
          { Qinf: infiltrated, Aext: outdoorShare },
          credit,
          'cfm',
          AEXT,
        )
      : step(
          'Credit, unbalanced system',
          'credit = Qinf / Qtot·Qinf·Aext',
          { Qinf: infiltrated, Qtot: total, Aext: outdoorShare },
          credit,
          'cfm',
          AEXT,
        ),
    step(
      'Fan flow',
      'Qfan = max(0, Qtot − credit)·1.69901079552',
      { Qtot: total, credit },
      output.fanFlowM3h,
      'm³/h',
    ),
  ];
}
