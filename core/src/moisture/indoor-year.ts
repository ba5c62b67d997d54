import { saturationPressurePa } from '../air/saturation';
import { exceeds, type Finding } from '../finding';
import type { Operation } from '../operation';
import { Refusal } from '../refusal';
import {
  as,
  fields,
  figure,
  list,
  number,
  option,
  optional,
  outcome,
  part,
  share,
  temperatureC,
} from '../schema';
import type { ClimateMonth } from './monthly';

export interface OutdoorMonth {
  readonly temperatureC: number;
  readonly relativeHumidity: number;
}

/** Air as a cooling machine keeps it, where it is as warm outdoors as `fromC` or warmer. */
export interface CooledAir {
  readonly temperatureC: number;
  readonly relativeHumidity: number;
  /** 20 °C where left out. */
  readonly fromC?: number;
}

/**
 * How damp the rooms are: kept at a humidity; by a class of use (1 storage … 5 laundries); or from the outdoor
 * temperature, as in dwellings.
 */
export type IndoorRule = 'fixed' | 'humidityClass' | 'outdoorTemperature';

export interface IndoorYearInput {
  /** Twelve, January first. */
  readonly outdoor: readonly OutdoorMonth[];
  readonly rule: IndoorRule;
  /** 20 °C where left out; does not act by outdoor temperature. */
  readonly indoorTemperatureC?: number;
  /** Of `fixed`. */
  readonly relativeHumidity?: number;
  /** Of `humidityClass`. */
  readonly humidityClass?: 1 | 2 | 3 | 4 | 5;
  /** On what a class adds to the vapour pressure outdoors; 1.1 where left out. */
  readonly safety?: number;
  /** Of `outdoorTemperature`. */
  readonly occupancy?: 'normal' | 'high';
  readonly cooled?: CooledAir;
}

export interface IndoorYear {
  /** As `moisture.monthly` takes them. */
  readonly months: readonly ClimateMonth[];
  /** Of the rooms, in the month in which they are dampest. */
  readonly greatestRelativeHumidity: number;
  /** 0…11; the earliest of equals. */
  readonly dampestMonth: number;
  readonly findings: readonly Finding<'indoor-very-damp'>[];
}

/** What each class adds to the vapour pressure outdoors at 0 °C and below, Pa. ISO 13788:2012, annex A. */
export const CLASS_EXCESS_PA: Readonly<Record<1 | 2 | 3 | 4 | 5, number>> = {
  1: 270,
  2: 540,
  3: 810,
  4: 1080,
  5: 1360,
};
/** From here on a class adds nothing. */
export const NO_EXCESS_FROM_C = 20;
export const DEFAULT_SAFETY = 1.1;
export const DEFAULT_INDOOR_C = 20;
const COOLED_FROM_C = 20;
const VERY_DAMP = 0.8;

/** Straight between two points, and the end values beyond them. */
function between(x: number, from: readonly [number, number], to: readonly [number, number]): number {
  const along = Math.min(1, Math.max(0, (x - from[0]) / (to[0] - from[0])));
  return from[1] + along * (to[1] - from[1]);
}

interface IndoorAir {
  readonly temperatureC: number;
  readonly relativeHumidity: number;
}

function airByClass(input: IndoorYearInput, { temperatureC: θe, relativeHumidity }: OutdoorMonth): IndoorAir {
  const { humidityClass, safety = DEFAULT_SAFETY, indoorTemperatureC = DEFAULT_INDOOR_C } = input;
  if (humidityClass === undefined) {
    throw new Refusal('required', 'humidityClass', 'Say which class of humidity the rooms are in: 1 to 5.');
  }
  const excessPa = between(θe, [0, CLASS_EXCESS_PA[humidityClass]], [NO_EXCESS_FROM_C, 0]);
  const vapourPa = relativeHumidity * saturationPressurePa(θe) + safety * excessPa;
  return {
    temperatureC: indoorTemperatureC,
    relativeHumidity: Math.min(1, vapourPa / saturationPressurePa(indoorTemperatureC)),
  };
}

function airByOutdoors(
  { occupancy = 'normal' }: IndoorYearInput,
  { temperatureC: θe }: OutdoorMonth,
): IndoorAir {
  const more = occupancy === 'high' ? 0.1 : 0;
  return {
    temperatureC: between(θe, [10, 20], [20, 25]),
    relativeHumidity: between(θe, [-10, 0.35 + more], [20, 0.65 + more]),
  };
}

function airAsKept({ relativeHumidity, indoorTemperatureC = DEFAULT_INDOOR_C }: IndoorYearInput): IndoorAir {
  if (relativeHumidity === undefined) {
    throw new Refusal('required', 'relativeHumidity', 'Say at which humidity the rooms are kept.');
  }
  return { temperatureC: indoorTemperatureC, relativeHumidity };
}

function indoorAir(input: IndoorYearInput, month: OutdoorMonth): IndoorAir {
  const { cooled, rule } = input;
  if (cooled !== undefined && month.temperatureC >= (cooled.fromC ?? COOLED_FROM_C)) return cooled;
  switch (rule) {
    case 'fixed':
      return airAsKept(input);
    case 'humidityClass':
      return airByClass(input, month);
    case 'outdoorTemperature':
      return airByOutdoors(input, month);
  }
}

/**
 * The air of the rooms in each month of a climate, as the moisture of a build-up is reckoned with it. ISO 13788:2012,
 * annex A.
 * @example indoorYear(examples['moisture.indoorYear']).months[0].indoorRelativeHumidity // 0.522
 * @throws {Refusal} `required`
 */
export function indoorYear(input: IndoorYearInput): IndoorYear {
  const months = input.outdoor.map((month): ClimateMonth => {
    const { temperatureC: indoorTemperatureC, relativeHumidity } = indoorAir(input, month);
    return {
      indoorTemperatureC,
      indoorRelativeHumidity: relativeHumidity,
      outdoorTemperatureC: month.temperatureC,
      outdoorRelativeHumidity: month.relativeHumidity,
    };
  });
  const dampest = Math.max(...months.map((month) => month.indoorRelativeHumidity));
  return {
    months,
    greatestRelativeHumidity: dampest,
    dampestMonth: months.findIndex((month) => month.indoorRelativeHumidity === dampest),
    findings: exceeds(dampest, VERY_DAMP)
      ? [
          {
            rule: 'indoor-very-damp',
            severity: 'warn',
            message:
              'The rooms come out very damp in a month: mould grows on any wall there. Check the rule.',
            value: dampest,
            limit: VERY_DAMP,
          },
        ]
      : [],
  };
}

export const indoorYearOperation: Operation<IndoorYearInput, IndoorYear> = {
  words: {
    shelf: 'moisture',
    title: 'Indoor air through a year',
    tells: 'Temperature and humidity of the rooms month by month, by how the house is used.',
    alsoCalled: 'humidity class, relative humidity, RH, climate, boundary conditions, ISO 13788',
    mainFigures: ['greatestRelativeHumidity', 'dampestMonth', 'months'],
  },
  schema: fields<IndoorYearInput>({
    outdoor: list(fields<OutdoorMonth>({ temperatureC: temperatureC(), relativeHumidity: share() }), 12, 12),
    rule: option('fixed', 'humidityClass', 'outdoorTemperature'),
    indoorTemperatureC: optional(temperatureC()),
    relativeHumidity: optional(share()),
    humidityClass: optional(option(1, 2, 3, 4, 5)),
    safety: as('Safety factor', optional(number({ quantity: 'plain', min: 1, max: 1.5 }))),
    occupancy: optional(option('normal', 'high')),
    cooled: as(
      'Cooled in summer',
      optional(
        fields<CooledAir>({
          temperatureC: temperatureC(),
          relativeHumidity: share(),
          fromC: as('From outdoors at', optional(temperatureC())),
        }),
      ),
    ),
  }),
  run: indoorYear,
  output: outcome<IndoorYear>({
    months: list(
      part({
        indoorTemperatureC: figure('temperature'),
        indoorRelativeHumidity: figure('share'),
        outdoorTemperatureC: figure('temperature'),
        outdoorRelativeHumidity: figure('share'),
      }),
    ),
    greatestRelativeHumidity: as('Greatest humidity indoors', figure('share')),
    dampestMonth: figure('month'),
  }),
};
