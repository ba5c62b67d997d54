import type { Subject } from '../catalogue/catalogue';
import { PHASE_WORDS, type Phase } from '../plan/own-checkpoint';
import type { CheckpointHere, StopHere } from './generate-walk';
import { isLeft, type Look } from './looks';

/** The part of a house that a stop belongs to: a storey, by its id, or what is walked outside of all. */
export const partOf = ({ storeyId, kind }: Pick<StopHere, 'storeyId' | 'kind'>): string =>
  storeyId ?? (kind === 'house' ? 'house' : 'outside');

/** What somebody looks at on one round. */
export interface Round {
  /** By the parts of the house; parts that are not named are not asked at all. */
  readonly phases: ReadonlyMap<string, Phase>;
  /** One kind of work alone, as one takes its tools round; null: all. */
  readonly subject: Subject | null;
  /** Keys of the checkpoints that are asked alone; left out: all. */
  readonly only?: ReadonlySet<string>;
}

/** One thing to look at, and where. */
export interface Asked {
  readonly stop: StopHere;
  readonly here: CheckpointHere;
}

const PHASES = Object.keys(PHASE_WORDS) as readonly Phase[];

/** What is asked at a stop on a round. */
export function askedAt(stop: StopHere, { phases, subject, only }: Round): readonly CheckpointHere[] {
  // What is asked alone is asked whatever the phase.
  if (only !== undefined) return stop.checkpoints.filter(({ key }) => only.has(key));
  const phase = phases.get(partOf(stop));
  return stop.checkpoints.filter(
    (here) => here.phase === phase && (subject === null || here.subject === subject),
  );
}

/** Phases of a part of the house in which something is asked there, in their order. */
export function phasesIn(stops: readonly StopHere[], part: string): readonly Phase[] {
  const there = new Set(
    stops
      .filter((stop) => partOf(stop) === part)
      .flatMap(({ checkpoints }) => checkpoints.map(({ phase }) => phase)),
  );
  return PHASES.filter((phase) => there.has(phase));
}

/**
 * The phase with which each part of a house goes on: the first in which something is left; where nothing is, the last one.
 */
export function phasesNow(
  stops: readonly StopHere[],
  looks: ReadonlyMap<string, Look>,
): ReadonlyMap<string, Phase> {
  const parts = [...new Set(stops.map(partOf))];
  return new Map(
    parts.flatMap((part): readonly [string, Phase][] => {
      const phases = phasesIn(stops, part);
      const there = stops.filter((stop) => partOf(stop) === part).flatMap(({ checkpoints }) => checkpoints);
      const now =
        phases.find((phase) => there.some((here) => here.phase === phase && isLeft(looks.get(here.key)))) ??
        phases.at(-1);
      return now === undefined ? [] : [[part, now]];
    }),
  );
}

/** All that is asked on a round, in walking order. */
export const askedOn = (stops: readonly StopHere[], round: Round): readonly Asked[] =>
  stops.flatMap((stop) => askedAt(stop, round).map((here) => ({ stop, here })));

/**
 * What somebody looks at next who is at a place: what is left there, what comes after first; then what is left at the places
 * after it, and round again from the first. Null: nothing is left on this round.
 * @param at where one is, and what one looked at there last; null: at nothing yet
 */
export function nextLeft(
  stops: readonly StopHere[],
  asked: readonly Asked[],
  looks: ReadonlyMap<string, Look>,
  at: { readonly stop: string; readonly key: string | null },
): Asked | null {
  const order = new Map(stops.map(({ key }, i) => [key, i]));
  const here = order.get(at.stop) ?? -1;
  const last = asked.findIndex(({ stop, here: { key } }) => stop.key === at.stop && key === at.key);
  const left = asked
    .map((each, i) => ({ each, i, stopAt: order.get(each.stop.key) ?? 0 }))
    .filter(({ each }) => each.here.key !== at.key && isLeft(looks.get(each.here.key)));
  const leftHere = left.filter(({ stopAt }) => stopAt === here);
  const next =
    leftHere.find(({ i }) => i > last) ?? leftHere[0] ?? left.find(({ stopAt }) => stopAt > here) ?? left[0];
  return next?.each ?? null;
}

/** Kinds of work in which something is left, with how much, in walking order. */
export function subjectsLeft(
  stops: readonly StopHere[],
  { phases }: Pick<Round, 'phases'>,
  looks: ReadonlyMap<string, Look>,
): ReadonlyMap<Subject, number> {
  const left = new Map<Subject, number>();
  for (const { here } of askedOn(stops, { phases, subject: null })) {
    const { subject } = here;
    if (subject !== null && isLeft(looks.get(here.key))) left.set(subject, (left.get(subject) ?? 0) + 1);
  }
  return left;
}
