import { standardNormal, withDefaults, type DegreeDays, type DegreeDaysInput } from '../climate/degree-days';
import { MONTH_DAYS } from '../climate/months';
import { step, sumOf, type Step } from './step';

function januaryStep(input: DegreeDaysInput, output: DegreeDays): Step {
  const { heatingBaseC: b, dailySpreadK: s, temperaturesC } = withDefaults(input);
  const [T = NaN] = temperaturesC;
  const heatingKd = output.months[0]?.heatingKd ?? NaN;
  const where = {
    b: 'base of heating, °C',
    s: 'spread of the days within a month, K',
    N: 'days of January',
  };
  const what = 'Heating degree days of January; every month likewise';
  if (s === 0) return step(what, 'H = N·max(0, b − T)', { N: MONTH_DAYS[0], b, T }, heatingKd, 'K·d', where);
  const { share, density } = standardNormal((b - T) / s);
  return step(
    what,
    'H = N·max(0, (b − T)·Φ + s·φ)',
    { N: MONTH_DAYS[0], b, T, s, Φ: share, φ: density },
    heatingKd,
    'K·d',
    {
      ...where,
      Φ: 'share of the normal distribution below z = (b − T) / s',
      φ: 'its density at z',
    },
  );
}

export function explainDegreeDays(input: DegreeDaysInput, output: DegreeDays): readonly Step[] {
  const heating = sumOf(
    'H',
    output.months.map(({ heatingKd }) => heatingKd),
  );
  const cooling = sumOf(
    'C',
    output.months.map(({ coolingKd }) => coolingKd),
  );
  const ofMonths = (values: Readonly<Record<string, number>>, words: string): Record<string, string> =>
    Object.fromEntries(Object.keys(values).map((symbol, i) => [symbol, `${words} of month ${i + 1}, K·d`]));
  return [
    januaryStep(input, output),
    step('Heating degree days', `H = ${heating.terms}`, heating.values, output.heatingKd, 'K·d', {
      ...ofMonths(heating.values, 'heating degree days'),
    }),
    step('Cooling degree days', `C = ${cooling.terms}`, cooling.values, output.coolingKd, 'K·d', {
      ...ofMonths(cooling.values, 'cooling degree days'),
    }),
  ];
}
