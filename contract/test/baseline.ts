import { v5 } from 'uuid';
import type { BaselineReading } from '../src/airtightness/airtightness-test';

/** Readings with the fan off, from their figures alone. */
export function baseline(...pressuresPa: readonly number[]): readonly BaselineReading[] {
  return pressuresPa.map((pressurePa, i) => ({ id: v5(`baseline ${i}`, v5.URL), pressurePa }));
}
