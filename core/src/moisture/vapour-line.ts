/** A point of the vapour pressure line: how much sd lies before it, and the pressure that it may not exceed there. */
interface LinePoint {
  readonly sdM: number;
  readonly pressurePa: number;
  /** Index of the interface; null at both ends. */
  readonly at: number | null;
}

/** Vapour permeability of still air, kg/(m·s·Pa). ISO 13788, 4. */
export const VAPOUR_PERMEABILITY = 2e-10;

/** True when b lies on or above the straight line from a to c, so that the taut string misses it. */
function isAbove(a: LinePoint, b: LinePoint, c: LinePoint): boolean {
  return (b.pressurePa - a.pressurePa) * (c.sdM - a.sdM) >= (c.pressurePa - a.pressurePa) * (b.sdM - a.sdM);
}

/** Lower convex hull of points in order of sd (monotone chain). */
function lowerHull(points: readonly LinePoint[]): readonly LinePoint[] {
  const hull: LinePoint[] = [];
  for (const point of points) {
    for (;;) {
      const [before, last] = [hull.at(-2), hull.at(-1)];
      if (before === undefined || last === undefined || !isAbove(before, last, point)) break;
      hull.pop();
    }
    hull.push(point);
  }
  return hull;
}

/**
 * Condensation rate at each interface between layers, kg/(m²·s); below zero where a wet one dries. The vapour pressure
 * line is a taut string between inside and outside under saturation, and held at saturation where an interface is wet.
 * ISO 13788, 6.4.
 * @param sdsM vapour-diffusion thickness of each layer
 * @param saturationPa saturation pressure at each interface between layers
 * @param wet whether an interface holds water
 * @example condensationRates([2, 10], 1200, 400, [900], [false])[0] * 1e8 // 2.000
 */
export function condensationRates(
  sdsM: readonly number[],
  insidePa: number,
  outsidePa: number,
  saturationPa: readonly number[],
  wet: readonly boolean[],
): readonly number[] {
  const start: LinePoint = { sdM: 0, pressurePa: insidePa, at: null };
  let sdM = 0;
  const between = saturationPa.map((pressurePa, at): LinePoint => {
    sdM += sdsM[at] ?? 0;
    return { sdM, pressurePa, at };
  });
  const end: LinePoint = { sdM: sdM + (sdsM.at(-1) ?? 0), pressurePa: outsidePa, at: null };

  const line: LinePoint[] = [start];
  let segment: LinePoint[] = [start];
  for (const point of [...between, end]) {
    segment.push(point);
    if (point === end || (point.at !== null && wet[point.at] === true)) {
      line.push(...lowerHull(segment).slice(1));
      segment = [point];
    }
  }

  const rates = saturationPa.map(() => 0);
  const flow = (from: LinePoint, to: LinePoint): number =>
    (VAPOUR_PERMEABILITY * (from.pressurePa - to.pressurePa)) / (to.sdM - from.sdM);
  line.forEach((point, i) => {
    const [before, after] = [line[i - 1], line[i + 1]];
    if (point.at === null || before === undefined || after === undefined) return;
    rates[point.at] = flow(before, point) - flow(point, after);
  });
  return rates;
}
