import { dewPoint } from '../air/dew-point';
import { saturationPressurePa } from '../air/saturation';
import {
  CLASS_EXCESS_PA,
  DEFAULT_INDOOR_C,
  DEFAULT_SAFETY,
  NO_EXCESS_FROM_C,
  type IndoorYear,
  type IndoorYearInput,
} from '../moisture/indoor-year';
import { temperatureProfile } from '../moisture/layers';
import { daysOf } from '../moisture/monthly';
import { coldestOf, type VapourPlan, type VapourPlanInput } from '../moisture/vapour-plan';
import { found, step, type Step } from './step';

export function explainIndoorYear(input: IndoorYearInput, output: IndoorYear): readonly Step[] {
  const at = output.months.findIndex(
    (month) => month.outdoorTemperatureC < (input.cooled?.fromC ?? NO_EXCESS_FROM_C),
  );
  const [outdoor, month] = [input.outdoor[at], output.months[at]];
  const dampest = Math.max(...output.months.map((each) => each.indoorRelativeHumidity));
  const last = found('Greatest humidity indoors in a month', dampest);
  if (outdoor === undefined || month === undefined) {
    return [
      step('Humidity indoors where it is cooled', 'φ = φc', { φc: dampest }, dampest, '', {
        φc: 'as the cooling keeps it',
      }),
      last,
    ];
  }
  const { temperatureC: θe, relativeHumidity: φe } = outdoor;
  const φ = month.indoorRelativeHumidity;
  const name = `month ${at + 1}; every month that is not cooled likewise`;
  switch (input.rule) {
    case 'fixed':
      return [
        step(`Humidity indoors in ${name}`, 'φ = φk', { φk: φ }, φ, '', { φk: 'at which it is kept' }),
        last,
      ];
    case 'humidityClass': {
      const excess = CLASS_EXCESS_PA[input.humidityClass ?? 1];
      const share = Math.min(1, Math.max(0, 1 - θe / NO_EXCESS_FROM_C));
      const psat = saturationPressurePa(θe);
      const s = input.safety ?? DEFAULT_SAFETY;
      const inside = φe * psat + s * excess * share;
      return [
        step(
          'Share of the class’s excess that acts',
          'a = max(0, min(1, 1 − θe / θ0))',
          { θe, θ0: NO_EXCESS_FROM_C },
          share,
          '',
          {
            θ0: 'where a class adds nothing any more, °C',
          },
        ),
        step(
          `Vapour pressure indoors in ${name}`,
          'p = φe·psat + s·Δp·a',
          { φe, psat, s, Δp: excess, a: share },
          inside,
          'Pa',
          {
            psat: 'saturation pressure outdoors, Pa',
            s: 'safety factor; 1.1 where not given',
            Δp: `excess of class ${input.humidityClass ?? 1} at 0 °C, Pa`,
          },
        ),
        step(
          'Humidity indoors',
          'φ = min(1, p / psati)',
          { p: inside, psati: saturationPressurePa(input.indoorTemperatureC ?? DEFAULT_INDOOR_C) },
          φ,
          '',
          {
            psati: 'saturation pressure indoors, Pa',
          },
        ),
        last,
      ];
    }
    case 'outdoorTemperature': {
      const more = input.occupancy === 'high' ? 0.1 : 0;
      return [
        step(
          `Humidity indoors in ${name}`,
          'φ = 0.35 + m + 0.3·max(0, min(1, (θe + 10) / 30))',
          { m: more, θe },
          φ,
          '',
          { m: 'more where many people live: 0.1' },
        ),
        last,
      ];
    }
  }
}

export function explainVapourPlan(input: VapourPlanInput, output: VapourPlan): readonly Step[] {
  const [january] = input.months;
  const { plane, outwardShare } = output;
  const coldest = coldestOf(input.months);
  const { totalRsi: RT, fallen } = temperatureProfile(
    input.layers.map(({ rsi }) => ({ rsi })),
    input,
  );
  const drive =
    january === undefined
      ? []
      : [
          step(
            'What drives vapour outwards in January; every month likewise',
            'D = N·(φi·psati − φe·psate)',
            {
              N: daysOf(january, 0),
              φi: january.indoorRelativeHumidity,
              psati: saturationPressurePa(january.indoorTemperatureC),
              φe: january.outdoorRelativeHumidity,
              psate: saturationPressurePa(january.outdoorTemperatureC),
            },
            daysOf(january, 0) *
              (january.indoorRelativeHumidity * saturationPressurePa(january.indoorTemperatureC) -
                january.outdoorRelativeHumidity * saturationPressurePa(january.outdoorTemperatureC)),
            'Pa·d',
            {
              N: 'days of the month',
              psati: 'saturation pressure indoors, Pa',
              psate: 'saturation pressure outdoors, Pa',
            },
          ),
        ];
  if (plane === null || coldest === undefined) {
    return [
      ...drive,
      ...(outwardShare === null ? [] : [found('Share of it that points outwards', outwardShare)]),
    ];
  }
  const { indoorTemperatureC: θi, outdoorTemperatureC: θe, indoorRelativeHumidity } = coldest;
  const Rk = (fallen[plane.layer] ?? 0) * RT;
  const temperature = θi - (fallen[plane.layer] ?? 0) * (θi - θe);
  const θd =
    indoorRelativeHumidity > 0
      ? dewPoint({ temperatureC: θi, relativeHumidity: indoorRelativeHumidity }).dewPointC
      : null;
  return [
    ...drive,
    ...(outwardShare === null ? [] : [found('Share of it that points outwards', outwardShare)]),
    step(
      'Temperature at the plane in the coldest month',
      'θ = θi − (θi − θe)·Rk / RT',
      { θi, θe, Rk, RT },
      temperature,
      '°C',
      {
        Rk: 'resistance from indoors to there: the film inside and the layers before it',
        RT: 'all layers and films',
      },
    ),
    step('Share of R outside of it', 'share = 1 − Rk / RT', { Rk, RT }, plane.shareOutside, '', {
      Rk: 'resistance from indoors to there',
      RT: 'all layers and films',
    }),
    ...(θd === null ? [] : [found('Dew point of the rooms in that month', θd, '°C')]),
    ...(plane.leastShareOutside === null || θd === null
      ? []
      : [
          step(
            'Least share of R outside of it',
            'share = (θd − θe) / (θi − θe)',
            { θd, θe, θi },
            plane.leastShareOutside,
          ),
        ]),
  ];
}
