import { saturationPressurePa } from '../air/saturation';
import type { DryAndDamp, DryAndDampInput } from '../moisture/dry-and-damp';
import type { Interfaces, InterfacesInput } from '../moisture/interfaces';
import { temperatureProfile } from '../moisture/layers';
import type { Monthly, MonthlyInput } from '../moisture/monthly';
import { eachTerm, found, step, sumOf, type Step } from './step';

export function explainInterfaces(input: InterfacesInput, output: Interfaces): readonly Step[] {
  const { indoorTemperatureC: θi, outdoorTemperatureC: θe, condensingLayer = 0 } = input;
  const { layerRsi, totalRsi, fallen } = temperatureProfile(input.layers, input);
  const { terms, values } = sumOf('R', layerRsi);
  const films = totalRsi - layerRsi.reduce((sum, rsi) => sum + rsi, 0);
  const plane = output.condensingPlane;
  return [
    step('Resistance, films and layers', `RT = films + ${terms}`, { ...values, films }, totalRsi, 'm²·K/W', {
      ...eachTerm(values, (i) => `layer ${i}; thickness over conductivity where no R is given`),
      films: 'resistance of both films',
    }),
    found('Dew point of indoor air', output.dewPointC, '°C'),
    ...(plane === null
      ? [
          step(
            'Inside surface',
            'θ = θi − (θi − θe)·Rk / RT',
            { θi, θe, Rk: (fallen[0] ?? 0) * totalRsi, RT: totalRsi },
            output.interfaceTemperaturesC[0] ?? NaN,
            '°C',
            { Rk: 'resistance from indoors to there: the film inside' },
          ),
        ]
      : [
          step(
            'Condensing plane',
            'θ = θi − (θi − θe)·Rk / RT',
            { θi, θe, Rk: (fallen[condensingLayer] ?? 0) * totalRsi, RT: totalRsi },
            plane.temperatureC,
            '°C',
            { Rk: 'resistance from indoors to there: the film inside and the layers before it' },
          ),
          step(
            'Least share of R outside of it',
            'share = (θd − θe) / (θi − θe)',
            { θd: output.dewPointC, θi, θe },
            plane.leastShareOutside,
          ),
        ]),
  ];
}

function balanceSteps(output: Monthly, what: string): readonly Step[] {
  return [
    found(
      `Most water held at the end of a month${what}, by the taut string under saturation`,
      output.peakKgM2,
      'kg/m²',
    ),
    found(`Held after twelve months${what}`, output.endKgM2, 'kg/m²'),
  ];
}

export function explainMonthly(input: MonthlyInput, output: Monthly): readonly Step[] {
  const sds = sumOf(
    'sd',
    input.layers.map(({ sdM }) => sdM),
  );
  const total = input.layers.reduce((sum, { sdM }) => sum + sdM, 0);
  const [january] = input.months;
  const inside =
    january === undefined
      ? 0
      : january.indoorRelativeHumidity * saturationPressurePa(january.indoorTemperatureC);
  return [
    step('Vapour resistance of all layers', `sd = ${sds.terms}`, sds.values, total, 'm'),
    ...(january === undefined
      ? []
      : [
          step(
            'Vapour pressure indoors in January',
            'p = φ·psat',
            { φ: january.indoorRelativeHumidity, psat: saturationPressurePa(january.indoorTemperatureC) },
            inside,
            'Pa',
            { psat: 'saturation pressure at the indoor temperature, Pa' },
          ),
        ]),
    ...balanceSteps(output, ''),
  ];
}

export function explainDryAndDamp(input: DryAndDampInput, output: DryAndDamp): readonly Step[] {
  const dry = sumOf(
    'sd',
    input.layers.map(({ sdM, sdDryM }) => sdM ?? sdDryM ?? NaN),
  );
  const total = Object.values(dry.values).reduce((sum, sd) => sum + sd, 0);
  return [
    step('Vapour resistance of all layers, dry', `sd = ${dry.terms}`, dry.values, total, 'm'),
    ...balanceSteps(output.dry, ', dry'),
    ...balanceSteps(output.damp, ', damp'),
  ];
}
