import type { IndoorRule } from '@calvet/core/moisture/indoor-year';
import type { InstallationGrade } from '@calvet/core/thermal/grade-adjustment';
import type { EnvelopeKind } from '@calvet/core/envelope-kind';
import { AREA_WORDS } from '../installation/area-words';
import { figure, group, id, list, option, orNull, said, unsaid, type FieldsOf } from '../kind/field';
import { CLIMATE_ID_MAX, REQUIREMENTS_MAX } from '../limits';

/** Air outdoors over a month. */
export interface WeatherMonth {
  readonly temperatureC: number;
  readonly relativeHumidity: number;
}

/** How damp and warm the rooms are, by the rule that is followed. Null: as the rule has it. */
export interface IndoorTerms {
  readonly rule: IndoorRule;
  readonly temperatureC: number | null;
  /** Kept at it, where that is the rule. */
  readonly relativeHumidity: number | null;
  /** 1 to 5, where that is the rule. */
  readonly humidityClass: number | null;
  readonly occupancy: 'normal' | 'high' | null;
  /** What it is cooled to in summer; null: it is not. */
  readonly cooledToC: number | null;
  readonly cooledHumidity: number | null;
}

/** What is asked of a kind of area: a least R or a greatest U, one of them. */
export interface KindTerm {
  readonly id: string;
  /** Kind of area that it is asked of. */
  readonly use: EnvelopeKind;
  readonly leastRsi: number | null;
  readonly greatestUValue: number | null;
}

/** What is asked of the heat that a house keeps, and where it stands. Null: nobody said. */
export interface HeatTerms {
  readonly climateId: string | null;
  /** Of its own, January first, in place of the climate’s; empty: it has none. */
  readonly weather: readonly WeatherMonth[];
  /** Spread of the days within a month, K. */
  readonly dailySpreadK: number | null;
  readonly indoor: IndoorTerms | null;
  readonly winterDesignC: number | null;
  readonly requirements: readonly KindTerm[];
  readonly greatestHeatLossWK: number | null;
  readonly leastGrade: InstallationGrade | null;
  /** Of a kWh, in whatever money is used. */
  readonly energyPrice: number | null;
  readonly heaterEfficiency: number | null;
  readonly ventilationM3h: number | null;
  /** Share of the ventilation's heat that comes back. */
  readonly heatRecovery: number | null;
}

/** Of a house of which nobody said anything of this. */
export const NO_HEAT_TERMS: HeatTerms = {
  climateId: null,
  weather: [],
  dailySpreadK: null,
  indoor: null,
  winterDesignC: null,
  requirements: [],
  greatestHeatLossWK: null,
  leastGrade: null,
  energyPrice: null,
  heaterEfficiency: null,
  ventilationM3h: null,
  heatRecovery: null,
};

export const INDOOR_RULE_WORDS = {
  outdoorTemperature: 'As in dwellings, by the weather',
  humidityClass: 'By a class of use',
  fixed: 'Kept at a humidity',
} as const satisfies Readonly<Record<IndoorRule, string>>;

export const OCCUPANCY_WORDS = { normal: 'Usual', high: 'Many people' } as const;

export const GRADE_WORD = { I: 'I', II: 'II', III: 'III' } as const satisfies Readonly<
  Record<InstallationGrade, string>
>;

const later = <F extends object>(field: F): F & { readonly nullable: true } => unsaid(orNull(field), null);
const temperature = (label: string) => figure(label, 'temperature', { min: -60, max: 60 });
const humidity = (label: string) => figure(label, 'share', { min: 0, max: 1 });

const weatherMonth: FieldsOf<WeatherMonth> = {
  temperatureC: temperature(''),
  relativeHumidity: humidity('humidity'),
};

const indoorFields: FieldsOf<IndoorTerms> = {
  rule: option('', INDOOR_RULE_WORDS),
  temperatureC: orNull(temperature('indoors')),
  relativeHumidity: orNull(humidity('kept at')),
  humidityClass: orNull(figure('class', 'count', { min: 1, max: 5, whole: true })),
  occupancy: orNull(option('', OCCUPANCY_WORDS)),
  cooledToC: orNull(temperature('cooled to')),
  cooledHumidity: orNull(humidity('cooled at')),
};

const termFields: FieldsOf<KindTerm> = {
  id: id(''),
  use: option('', AREA_WORDS),
  leastRsi: orNull(figure('at least R', 'resistance', { above: 0, max: 100 })),
  greatestUValue: orNull(figure('at most U', 'transmittance', { above: 0, max: 20 })),
};

/** What each of the {@link HeatTerms} is given by. */
export const heatTermFields: FieldsOf<HeatTerms> = {
  climateId: unsaid(said('Climate', CLIMATE_ID_MAX), null),
  weather: unsaid(
    list<WeatherMonth>(
      'Weather of its own',
      'A month',
      { type: 'group', label: '', members: weatherMonth },
      { most: 12 },
    ),
    [],
  ),
  dailySpreadK: later(figure('Spread of the days', 'temperatureDifference', { min: 0, max: 15 })),
  indoor: later(group<IndoorTerms>('Air indoors', indoorFields)),
  winterDesignC: later(temperature('Coldest design day')),
  requirements: unsaid(
    list<KindTerm>(
      'Asked of its areas',
      'A requirement',
      { type: 'group', label: '', members: termFields },
      { key: 'id', most: REQUIREMENTS_MAX },
    ),
    [],
  ),
  greatestHeatLossWK: later(figure('Greatest heat loss', 'heatLoss', { above: 0, max: 1e5 })),
  leastGrade: later(option('Least grade', GRADE_WORD)),
  energyPrice: later(figure('Price of energy', 'pricePerKwh', { min: 0, max: 1000 })),
  heaterEfficiency: later(figure('Efficiency of the heater', 'share', { above: 0, max: 8 })),
  ventilationM3h: later(figure('Ventilation', 'flow', { min: 0, max: 1e5 })),
  heatRecovery: later(figure('Heat recovered', 'share', { min: 0, max: 1 })),
};
