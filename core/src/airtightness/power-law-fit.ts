/** Least-squares fit of flow = C·Δp^n on logarithmic axes. */
export interface PowerLawFit {
  readonly exponent: number;
  readonly coefficient: number;
  readonly exponentStandardError: number;
  readonly rSquared: number;
  readonly degreesOfFreedom: number;
  /** Standard deviation about the line. */
  readonly scatter: number;
  readonly count: number;
  /** Mean of ln pressure. */
  readonly meanX: number;
  /** Sum of squares of ln pressure about its mean. */
  readonly sxx: number;
}

/**
 * Standard error of ln flow on a fitted line at a pressure (Pa). ISO 9972, annex C.
 * @example lineStandardError({ scatter: 0.01, count: 6, meanX: 3.6, sxx: 0.8 }, 50) // 0.00537
 */
export function lineStandardError(
  { scatter, count, meanX, sxx }: Pick<PowerLawFit, 'scatter' | 'count' | 'meanX' | 'sxx'>,
  pressurePa: number,
): number {
  const fromMean = Math.log(pressurePa) - meanX;
  return scatter * Math.sqrt(1 / count + (fromMean * fromMean) / sxx);
}

/**
 * Fits ln flow on ln pressure by ordinary least squares. ISO 9972, annex C.
 * Needs three points or more and pressures that differ. Sums are taken about the means and residuals one by one, so that
 * a close fit loses no digits.
 * @param x ln of the sizes of the induced pressures, Pa
 * @param y ln of the flows through the envelope, m³/h, one a pressure
 * @example fitLogarithms([3, 3.5, 4], [5.9, 6.25, 6.55]).exponent // 0.65
 */
export function fitLogarithms(x: readonly number[], y: readonly number[]): PowerLawFit {
  const count = x.length;
  let sumX = 0;
  let sumY = 0;
  for (let i = 0; i < count; i++) {
    sumX += x[i] ?? NaN;
    sumY += y[i] ?? NaN;
  }
  const meanX = sumX / count;
  const meanY = sumY / count;
  let sxx = 0;
  let sxy = 0;
  let syy = 0;
  for (let i = 0; i < count; i++) {
    const dx = (x[i] ?? NaN) - meanX;
    const dy = (y[i] ?? NaN) - meanY;
    sxx += dx * dx;
    sxy += dx * dy;
    syy += dy * dy;
  }
  const exponent = sxy / sxx;
  let residuals = 0;
  for (let i = 0; i < count; i++) {
    const off = (y[i] ?? NaN) - meanY - exponent * ((x[i] ?? NaN) - meanX);
    residuals += off * off;
  }
  const degreesOfFreedom = count - 2;
  const scatter = Math.sqrt(residuals / degreesOfFreedom);
  return {
    exponent,
    coefficient: Math.exp(meanY - exponent * meanX),
    exponentStandardError: scatter / Math.sqrt(sxx),
    rSquared: syy === 0 ? 0 : (sxy * sxy) / (sxx * syy),
    degreesOfFreedom,
    scatter,
    count,
    meanX,
    sxx,
  };
}
