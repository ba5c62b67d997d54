import { Refusal } from '../refusal';

/** A layer whose thickness goes evenly from a least to a greatest, and all else of the build-up. */
export interface TaperedInput {
  /** R where it is thinnest. */
  readonly leastRsi: number;
  /** R where it is thickest. */
  readonly greatestRsi: number;
  /** All else, films in it. */
  readonly restRsi: number;
}

/**
 * R that a layer of uneven thickness is worth, m²·K/W: heat finds its thin parts, so that it is less than that of its mean.
 * Each thickness between the least and the greatest has the same share of the area: a slope of one direction.
 * ISO 6946:2017, annex C.2, the least thickness counted with the rest.
 * @example taperedRsi({ leastRsi: 1, greatestRsi: 5, restRsi: 0.5 }) // 2.579
 * @throws {Refusal} `out-of-range` where the greatest is less than the least, or nothing resists
 */
export function taperedRsi({ leastRsi, greatestRsi, restRsi }: TaperedInput): number {
  const base = restRsi + leastRsi;
  if (greatestRsi < leastRsi)
    throw new Refusal('out-of-range', 'greatestRsi', 'The thickest place is thinner than the thinnest.', {
      value: greatestRsi,
      bound: leastRsi,
    });
  if (!(base > 0))
    throw new Refusal('out-of-range', 'restRsi', 'Something besides the layer must resist.', {
      value: base,
      bound: 0,
    });
  const slope = greatestRsi - leastRsi;
  const uValue = slope < 1e-9 * base ? 1 / base : Math.log1p(slope / base) / slope;
  return 1 / uValue - restRsi;
}
