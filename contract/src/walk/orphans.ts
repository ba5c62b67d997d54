import type { Penetration } from './penetration';
import type { Walk } from './generate-walk';
import type { Mend } from './mend';
import type { Standing } from './standing-verdicts';

/** What was recorded in a house and has no place in its walk any more. */
export interface Orphans {
  /** What counts at checkpoints that are asked nowhere now. */
  readonly verdicts: readonly Standing[];
  /** Holes at stops that are gone. */
  readonly penetrations: readonly Penetration[];
  /** Leaks at stops that are gone. */
  readonly leaks: readonly Mend[];
}

/** Records of a walk whose place is gone from the drawing, or is asked no more: each is named as it was. */
export function orphansOf(
  { stops }: Pick<Walk, 'stops'>,
  known: {
    readonly standing: ReadonlyMap<string, Standing>;
    readonly penetrations: readonly Penetration[];
    readonly mends: readonly Mend[];
  },
): Orphans {
  const asked = new Set(stops.flatMap(({ checkpoints }) => checkpoints.map(({ key }) => key)));
  const places = new Set(stops.map(({ key }) => key));
  return {
    verdicts: [...known.standing].filter(([key]) => !asked.has(key)).map(([, standing]) => standing),
    penetrations: known.penetrations.filter(({ stop }) => !places.has(stop)),
    leaks: known.mends.filter(({ stop }) => stop !== null && !places.has(stop)),
  };
}
