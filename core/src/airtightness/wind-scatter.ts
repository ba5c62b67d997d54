import { Refusal } from '../refusal';
import { meanPa } from './reading';
import type { Run } from './run';

/** What is stated, a scatter or a limit is taken as known to a tenth of itself. JCGM 100, G.4.2. */
export const STATED_DEGREES_OF_FREEDOM = 50;

/** Scatter of single pressure readings, and how many degrees of freedom stand behind it. */
export interface Scatter {
  readonly pa: number;
  readonly degreesOfFreedom: number;
  /** Standard uncertainty of the baseline that all readings share. */
  readonly baselinePa: number;
}

/**
 * The scatter of the wind in a run: as stated, or from its baseline readings.
 * @example scatterOf({ direction: 'depressurise', baselineBeforePa: [-1, -2], baselineAfterPa: [-1, -2], readings: [] }, undefined, 'runs[0]').pa // 0.707
 * @throws {Refusal} `too-few-readings`
 */
export function scatterOf(run: Run, stated: number | undefined, field: string): Scatter {
  const [before, after] = [run.baselineBeforePa, run.baselineAfterPa];
  const squares = [before, after].reduce((sum, readings) => {
    const mean = meanPa(readings);
    return sum + readings.reduce((part, value) => part + (value - mean) ** 2, 0);
  }, 0);
  const degreesOfFreedom = before.length + after.length - 2;
  if (stated === undefined && degreesOfFreedom < 1) {
    throw new Refusal(
      'too-few-readings',
      `${field}.baselineBeforePa`,
      'The scatter of the wind needs two baseline readings on one side, or state the scatter.',
      { value: before.length, bound: 2 },
    );
  }
  const pa = stated ?? Math.sqrt(squares / degreesOfFreedom);
  return {
    pa,
    degreesOfFreedom: stated === undefined ? degreesOfFreedom : STATED_DEGREES_OF_FREEDOM,
    baselinePa: (pa / 2) * Math.sqrt(1 / before.length + 1 / after.length),
  };
}
