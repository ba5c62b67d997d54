import type { Air, AirInput } from '../air/density';
import type { DewPoint, DewPointInput } from '../air/dew-point';
import { saturationPressurePa } from '../air/saturation';
import { step, whereNotGiven, type Step } from './step';

function saturationStep(temperatureC: number): Step {
  const formula =
    temperatureC >= 0
      ? 'psat = 610.5·exp(17.269·θ / (237.3 + θ))'
      : 'psat = 610.5·exp(21.875·θ / (265.5 + θ))';
  return step('Saturation pressure', formula, { θ: temperatureC }, saturationPressurePa(temperatureC), 'Pa');
}

/** Density of air, from its pressure, temperature and humidity. */
export function densitySteps(input: AirInput, air: Air): readonly Step[] {
  const { temperatureC, relativeHumidity = 0.5, altitudeM = 0 } = input;
  const pressure =
    input.pressurePa === undefined
      ? [
          step(
            'Pressure at this altitude',
            'p = 101325·(1 − 0.0000225577·h)^5.25588',
            { h: altitudeM },
            air.pressurePa,
            'Pa',
            whereNotGiven({ h: input.altitudeM }, 'not given: sea level'),
          ),
        ]
      : [];
  return [
    ...pressure,
    saturationStep(temperatureC),
    step(
      'Vapour pressure',
      'pv = φ·psat',
      { φ: relativeHumidity, psat: air.saturationPressurePa },
      air.vapourPressurePa,
      'Pa',
      whereNotGiven({ φ: input.relativeHumidity }, 'not given: one half'),
    ),
    step(
      'Density',
      'ρ = (p − 0.378·pv) / (287.055·(θ + 273.15))',
      { p: air.pressurePa, pv: air.vapourPressurePa, θ: temperatureC },
      air.densityKgM3,
      'kg/m³',
    ),
  ];
}

export function viscosityStep({ temperatureC }: AirInput, { viscosityPaS }: Air): Step {
  return step(
    'Viscosity',
    'μ = 0.000001458·(θ + 273.15)^1.5 / (θ + 273.15 + 110.4)',
    { θ: temperatureC },
    viscosityPaS,
    'Pa·s',
  );
}

export function explainDensity(input: AirInput, air: Air): readonly Step[] {
  return [...densitySteps(input, air), viscosityStep(input, air)];
}

export function explainDewPoint(
  input: DewPointInput,
  { vapourPressurePa, dewPointC }: DewPoint,
): readonly Step[] {
  const { temperatureC, relativeHumidity } = input;
  const before =
    temperatureC === undefined || relativeHumidity === undefined
      ? []
      : [
          saturationStep(temperatureC),
          step(
            'Vapour pressure',
            'pv = φ·psat',
            { φ: relativeHumidity, psat: saturationPressurePa(temperatureC) },
            vapourPressurePa,
            'Pa',
          ),
        ];
  const formula =
    dewPointC >= 0
      ? 'θd = 237.3·ln(pv / 610.5) / (17.269 − ln(pv / 610.5))'
      : 'θd = 265.5·ln(pv / 610.5) / (21.875 − ln(pv / 610.5))';
  return [...before, step('Dew point', formula, { pv: vapourPressurePa }, dewPointC, '°C')];
}
