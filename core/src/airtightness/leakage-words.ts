import { as, figure } from '../schema';

/** The leakage of a house, as every way of testing tells it: flows, per size, and the sizes of the hole. */
export const leakageWords = {
  q4M3h: as('q4', figure('flow')),
  q10M3h: as('q10', figure('flow')),
  q50M3h: as('q50', figure('flow')),
  n50PerHour: as('n50', figure('airChange')),
  qE50M3hM2: as('qE50, per envelope area', figure('flowPerArea')),
  qF50M3hM2: as('qF50, per floor area', figure('flowPerArea')),
  eqLA10M2: as('Leak area, EqLA at 10 Pa', figure('leakArea')),
  ela4M2: as('Leak area, ELA at 4 Pa', figure('leakArea')),
};

/** The exponent and the q50 of a fit, with how well they are known. */
export const fitWords = {
  exponent: as('Exponent n', figure('plain')),
  exponentStandardError: as('Standard error of n', figure('plain')),
  standardErrorLnQ50: as('Standard error of q50', figure('share')),
  q50M3h: as('q50', figure('flow')),
};

/** The interval of q50 at 95 %. */
export const intervalWords = {
  q50Low95M3h: as('q50, lower bound at 95 %', figure('flow')),
  q50High95M3h: as('q50, upper bound at 95 %', figure('flow')),
};

/** The coefficient of a fit, as measured and at reference conditions. */
export const coefficientWords = {
  coefficientM3hPaN: as('C as measured, m³/(h·Paⁿ)', figure('plain')),
  referenceCoefficientM3hPaN: as('C at reference conditions, m³/(h·Paⁿ)', figure('plain')),
};
