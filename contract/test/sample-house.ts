import { NO_HEAT_TERMS } from '../src/house/heat-terms';
import type { HouseBody } from '../src/house/house';

/** A house for tests: round sizes, the usual conventions. */
export const sampleHouse = {
  name: 'Byre at Low Sedge',
  place: 'Sedgeholm',
  builder: '',
  volumeM3: 400,
  floorAreaM2: 150,
  envelopeAreaM2: 420,
  heightM: 5.5,
  storeys: 2,
  bedrooms: 3,
  target: { quantity: 'n50', limit: 1.2 },
  referenceMethod: 'iso9972',
  assemblyMethod: 'iso6946',
  filmConvention: 'iso',
  gradeSchool: 'voidFraction',
  ...NO_HEAT_TERMS,
} satisfies HouseBody;
