/** A point with the standard uncertainties of both of its coordinates. */
export interface UncertainPoint {
  readonly x: number;
  readonly y: number;
  readonly ux: number;
  readonly uy: number;
}

/** A straight line through points that are uncertain in both axes. */
export interface YorkLine {
  readonly slope: number;
  readonly intercept: number;
  readonly slopeStandardError: number;
  /** Weighted mean of the adjusted x: where the line is known best. */
  readonly centreX: number;
  /** Σ of the weights. */
  readonly weightSum: number;
  /** Σ W·r² over the points; about its degrees of freedom where the stated uncertainties are right. */
  readonly chiSquared: number;
  readonly degreesOfFreedom: number;
  /** Where on the line each point most likely lies. */
  readonly adjustedX: readonly number[];
  /** How much the line's y at `x` moves with each point's y. */
  readonly influences: (x: number) => readonly number[];
}

const MOST_ROUNDS = 200;
const SETTLED = 1e-12;

/** Slope of ordinary least squares, to start from. */
function startSlope(points: readonly UncertainPoint[]): number {
  const meanX = points.reduce((sum, { x }) => sum + x, 0) / points.length;
  const meanY = points.reduce((sum, { y }) => sum + y, 0) / points.length;
  const sxx = points.reduce((sum, { x }) => sum + (x - meanX) ** 2, 0);
  const sxy = points.reduce((sum, { x, y }) => sum + (x - meanX) * (y - meanY), 0);
  return sxy / sxx;
}

const weightOf = ({ ux, uy }: UncertainPoint, slope: number): number => 1 / (uy ** 2 + (slope * ux) ** 2);

interface Weighted {
  readonly weights: readonly number[];
  readonly weightSum: number;
  readonly meanX: number;
  readonly meanY: number;
  /** Deviations of the adjusted points from the weighted mean of x. */
  readonly adjusted: readonly number[];
}

function weigh(points: readonly UncertainPoint[], slope: number): Weighted {
  const weights = points.map((point) => weightOf(point, slope));
  const weightSum = weights.reduce((sum, weight) => sum + weight, 0);
  const mean = (of: (point: UncertainPoint) => number): number =>
    points.reduce((sum, point, i) => sum + (weights[i] ?? 0) * of(point), 0) / weightSum;
  const [meanX, meanY] = [mean(({ x }) => x), mean(({ y }) => y)];
  const adjusted = points.map(
    ({ x, y, ux, uy }, i) => (weights[i] ?? 0) * ((x - meanX) * uy ** 2 + slope * (y - meanY) * ux ** 2),
  );
  return { weights, weightSum, meanX, meanY, adjusted };
}

/**
 * Best straight line through points with uncorrelated errors in both coordinates. D. York et al., "Unified equations for
 * the slope, intercept, and standard errors of the best straight line", Am. J. Phys. 72 (2004), equations 13.
 * Needs three points or more, x that differ, and in each point one uncertainty above zero.
 * @example yorkFit([{ x: 0, y: 0.1, ux: 0.1, uy: 0.1 }, { x: 1, y: 0.9, ux: 0.1, uy: 0.1 }, { x: 2, y: 2.1, ux: 0.1, uy: 0.1 }]).slope // 1.007
 */
export function yorkFit(points: readonly UncertainPoint[]): YorkLine {
  let slope = startSlope(points);
  let weighted = weigh(points, slope);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const { weights, meanX, meanY, adjusted } = weighted;
    let [over, under] = [0, 0];
    points.forEach(({ x, y }, i) => {
      const pull = (weights[i] ?? 0) * (adjusted[i] ?? 0);
      over += pull * (y - meanY);
      under += pull * (x - meanX);
    });
    const next = over / under;
    const moved = Math.abs(next - slope);
    slope = next;
    weighted = weigh(points, slope);
    if (!(moved > SETTLED * Math.abs(slope))) break;
  }
  const { weights, weightSum, meanX, meanY, adjusted } = weighted;
  const intercept = meanY - slope * meanX;
  const adjustedX = adjusted.map((deviation) => meanX + deviation);
  const centreX = adjustedX.reduce((sum, x, i) => sum + (weights[i] ?? 0) * x, 0) / weightSum;
  const spread = adjustedX.reduce((sum, x, i) => sum + (weights[i] ?? 0) * (x - centreX) ** 2, 0);
  return {
    slope,
    intercept,
    slopeStandardError: 1 / Math.sqrt(spread),
    centreX,
    weightSum,
    chiSquared: points.reduce(
      (sum, { x, y }, i) => sum + (weights[i] ?? 0) * (y - intercept - slope * x) ** 2,
      0,
    ),
    degreesOfFreedom: points.length - 2,
    adjustedX,
    influences: (at) =>
      weights.map(
        (weight, i) =>
          weight / weightSum + ((at - centreX) * weight * ((adjustedX[i] ?? 0) - centreX)) / spread,
      ),
  };
}
