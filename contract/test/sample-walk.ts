import type { PlanBody } from '../src/plan/plan';
import type { Planned } from '../src/plan/plan-input';
import { NO_SCHOOLS, type Schools } from '../src/plan/schools';
import { generateWalk, type Walk } from '../src/walk/generate-walk';

/** What has to be looked at; throws where there is no walk. */
export function walked(planned: Planned): Walk {
  const walk = generateWalk(planned);
  if (walk.state !== 'walked') throw new Error(JSON.stringify(walk));
  return walk;
}

const all = (walk: Walk) => walk.stops.flatMap(({ checkpoints }) => checkpoints);
/** Keys of all checkpoints, in walking order. */
export const keys = (walk: Walk): readonly string[] => all(walk).map(({ key }) => key);
/** Ids of the checkpoints that are asked for. */
export const called = (walk: Walk): ReadonlySet<string> =>
  new Set(all(walk).map(({ checkpoint }) => checkpoint));
/** The stop at which a checkpoint or a junction is seen, by their keys. */
export const at = (walk: Walk, key: string): string | undefined =>
  walk.stops.find(
    ({ checkpoints, junctions }) => junctions.includes(key) || checkpoints.some((each) => each.key === key),
  )?.key;

/** A house that is built in a way. */
export const built = (more: Partial<Schools>): Partial<PlanBody> => ({ schools: { ...NO_SCHOOLS, ...more } });
