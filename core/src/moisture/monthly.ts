import { LAYERS_MAX } from '../limits';
import { SCREENING } from '../cautions';
import { saturationPressurePa } from '../air/saturation';
import { MONTH_DAYS } from '../climate/months';
import type { Finding } from '../finding';
import type { Operation } from '../operation';
import {
  as,
  boolean,
  fields,
  figure,
  list,
  number,
  optional,
  outcome,
  part,
  positive,
  share,
  temperatureC,
} from '../schema';
import { filmMembers, type FilmChoice } from '../thermal/films';
import { interfaceTemperatures, temperatureProfile, thermalMembers, type MoistureLayer } from './layers';
import { condensationRates } from './vapour-line';

export interface ClimateMonth {
  readonly indoorTemperatureC: number;
  readonly indoorRelativeHumidity: number;
  readonly outdoorTemperatureC: number;
  readonly outdoorRelativeHumidity: number;
  /** Days of the calendar where left out. */
  readonly days?: number;
}

export interface MonthlyInput extends FilmChoice {
  /** Two or more, inside → outside, each with its sd. */
  readonly layers: readonly (MoistureLayer & { readonly sdM: number })[];
  /** Twelve, January first. */
  readonly months: readonly ClimateMonth[];
}

/** Water at the interfaces between layers over one month, kg/m². */
export interface MonthBalance {
  readonly gainedKgM2: readonly number[];
  readonly heldKgM2: readonly number[];
}

export interface Monthly {
  /** 0…11; null where nothing condenses. */
  readonly startMonth: number | null;
  /** In the order of the input. */
  readonly months: readonly MonthBalance[];
  /** The most that is held over all interfaces at the end of a month. */
  readonly peakKgM2: number;
  readonly peakMonth: number | null;
  /** What is held after twelve months. */
  readonly endKgM2: number;
  readonly dries: boolean;
  readonly findings: readonly Finding<'interstitial-condensation' | 'does-not-dry'>[];
}

const SECONDS_A_DAY = 86_400;
/** What rounding leaves of nothing, kg/m². */
const NOTHING_KGM2 = 1e-12;

interface MonthDriver {
  readonly insidePa: number;
  readonly outsidePa: number;
  readonly saturationPa: readonly number[];
  readonly seconds: number;
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/**
 * Days of a month of a climate; those of the calendar where it does not say.
 * @example daysOf({ indoorTemperatureC: 20, indoorRelativeHumidity: 0.4, outdoorTemperatureC: 0, outdoorRelativeHumidity: 0.8 }, 1) // 28
 */
export const daysOf = ({ days }: ClimateMonth, i: number): number => days ?? MONTH_DAYS[i] ?? 30;

function driversOf(input: MonthlyInput): readonly MonthDriver[] {
  const profile = temperatureProfile(input.layers, input);
  return input.months.map((month, i) => ({
    insidePa: month.indoorRelativeHumidity * saturationPressurePa(month.indoorTemperatureC),
    outsidePa: month.outdoorRelativeHumidity * saturationPressurePa(month.outdoorTemperatureC),
    saturationPa: interfaceTemperatures(profile, month.indoorTemperatureC, month.outdoorTemperatureC)
      .slice(1, -1)
      .map(saturationPressurePa),
    seconds: daysOf(month, i) * SECONDS_A_DAY,
  }));
}

/**
 * The month that condenses after the longest unbroken run of months that do not; the earliest of equals, January where
 * all condense, null where none does. ISO 13788, 6.3.
 */
function startMonthOf(condenses: readonly boolean[]): number | null {
  const count = condenses.length;
  let best: { readonly month: number; readonly dry: number } | null = null;
  for (let month = 0; month < count; month++) {
    if (condenses[month] !== true) continue;
    let dry = 0;
    while (dry < count - 1 && condenses[(month - dry - 1 + count) % count] !== true) dry++;
    if (best === null || dry > best.dry) best = { month, dry };
  }
  return best === null ? null : best.month;
}

function findingsOf(peakKgM2: number, endKgM2: number, dries: boolean): Monthly['findings'] {
  const findings: Monthly['findings'][number][] = [];
  if (peakKgM2 > 0) {
    findings.push({
      rule: 'interstitial-condensation',
      severity: 'warn',
      message: 'Water condenses inside the build-up in the cold months.',
      value: peakKgM2,
    });
  }
  if (!dries) {
    findings.push({
      rule: 'does-not-dry',
      severity: 'fail',
      message: 'What condenses does not dry within the year: it adds up from year to year.',
      value: endKgM2,
    });
  }
  return findings;
}

/**
 * Water that condenses inside a build-up and dries again, month by month (kg/m² at each interface between layers).
 * ISO 13788, 6. Steady state, no stored moisture, no rain and no moving air: it compares build-ups, it does not predict
 * moisture contents. Layers above R 0.25 are divided first by whoever asks.
 * @example monthly(examples['moisture.monthly']).months.length // 12
 * @throws {Refusal} `required`, `conflict`, `no-resistance`
 */
export function monthly(input: MonthlyInput): Monthly {
  const drivers = driversOf(input);
  const sds = input.layers.map(({ sdM }) => sdM);
  const ratesOf = (driver: MonthDriver, wet: readonly boolean[]): readonly number[] =>
    condensationRates(sds, driver.insidePa, driver.outsidePa, driver.saturationPa, wet);

  const dry = sds.slice(1).map(() => false);
  const startMonth = startMonthOf(
    drivers.map((driver) => ratesOf(driver, dry).some((rate) => rate * driver.seconds > NOTHING_KGM2)),
  );
  const months: MonthBalance[] = drivers.map(() => ({
    gainedKgM2: dry.map(() => 0),
    heldKgM2: dry.map(() => 0),
  }));
  if (startMonth === null) {
    return { startMonth, months, peakKgM2: 0, peakMonth: null, endKgM2: 0, dries: true, findings: [] };
  }

  let held: readonly number[] = dry.map(() => 0);
  let peak = { kgM2: 0, month: startMonth };
  for (let step = 0; step < drivers.length; step++) {
    const month = (startMonth + step) % drivers.length;
    const driver = drivers[month];
    if (driver === undefined) continue;
    const before = held;
    const rates = ratesOf(
      driver,
      before.map((kgM2) => kgM2 > NOTHING_KGM2),
    );
    held = before.map((kgM2, i) => Math.max(0, kgM2 + (rates[i] ?? 0) * driver.seconds));
    months[month] = { gainedKgM2: held.map((kgM2, i) => kgM2 - (before[i] ?? 0)), heldKgM2: held };
    if (sum(held) > peak.kgM2) peak = { kgM2: sum(held), month };
  }
  const endKgM2 = sum(held);
  const dries = endKgM2 <= NOTHING_KGM2;
  return {
    startMonth,
    months,
    peakKgM2: peak.kgM2,
    peakMonth: peak.month,
    endKgM2,
    dries,
    findings: findingsOf(peak.kgM2, endKgM2, dries),
  };
}

const monthInput = fields<ClimateMonth>({
  indoorTemperatureC: temperatureC(),
  indoorRelativeHumidity: share(),
  outdoorTemperatureC: temperatureC(),
  outdoorRelativeHumidity: share(),
  days: optional(number({ quantity: 'count', above: 0, max: 31 })),
});

export const yearMembers = { ...filmMembers, months: list(monthInput, 12, 12) };

/** What a year of a build-up comes to. */
export const yearFigures = {
  startMonth: as('Year starts with', optional(figure('month'))),
  months: list(
    part({
      gainedKgM2: as('Gained in the month', list(figure('massPerArea'))),
      heldKgM2: as('Held at its end', list(figure('massPerArea'))),
    }),
  ),
  peakKgM2: as('Most water held', figure('massPerArea')),
  peakMonth: as('Wettest month', optional(figure('month'))),
  endKgM2: as('Left after a year', figure('massPerArea')),
  dries: boolean(),
};

export const monthlyOperation: Operation<MonthlyInput, Monthly> = {
  words: {
    shelf: 'moisture',
    title: 'Condensation through a year',
    tells: 'Water that gathers between layers month by month, and whether it dries.',
    alsoCalled: 'interstitial condensation, vapour diffusion, vapor barrier, perm, mould, mold, ISO 13788',
    mainFigures: ['dries', 'peakKgM2', 'peakMonth', 'endKgM2'],
    caution: SCREENING,
  },
  schema: fields<MonthlyInput>({
    layers: list(
      fields<MonthlyInput['layers'][number]>({
        ...thermalMembers,
        sdM: as('sd value', positive('vapourThickness')),
      }),
      2,
      LAYERS_MAX,
    ),
    ...yearMembers,
  }),
  run: monthly,
  output: outcome<Monthly>(yearFigures),
};
