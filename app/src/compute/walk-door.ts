import type { Planned } from '@calvet/contract/plan/plan-input';
import type { GeneratedWalk } from '@calvet/contract/walk/generate-walk';
import { spawnWalkWorker } from './spawn-walk-worker';
import type { LookAhead, WalkQuestion, WalkReport } from './walk-messages';

interface Waiting {
  readonly houseId: string;
  readonly planned: Planned;
  readonly resolve: (found: LookAhead) => void;
  readonly reject: (error: Error) => void;
}

/** So many plans the worker holds: those of the houses of a day, and of the one that is walked. */
const HELD_MAX = 8;

/** Kept from one time to the next, with the catalogue in it. */
let worker: Worker | null = null;
let count = 0;
const waiting = new Map<number, Waiting>();
/** The plans that the worker holds by the ids of their houses, the one asked of last at the end. */
const held = new Map<string, Planned>();
/** The walks of plans, as they were told. */
const walks = new WeakMap<Planned, GeneratedWalk>();
/** What was asked last: a page asks it in several places. */
let last: { readonly question: WalkQuestion; readonly found: Promise<LookAhead> } | null = null;

/** A worker that cannot go on is given up, and with it all that it was asked. */
function giveUp(message: string): void {
  worker?.terminate();
  worker = null;
  held.clear();
  last = null;
  const all = [...waiting.values()];
  waiting.clear();
  for (const { reject } of all) reject(new Error(message));
}

function hear(report: WalkReport): void {
  const asked = waiting.get(report.number);
  if (asked === undefined) return;
  const { houseId, planned, resolve, reject } = asked;
  waiting.delete(report.number);
  if (report.kind === 'failed') {
    // The worker holds its plan no more: with the next question that goes along.
    if (held.get(houseId) === planned) held.delete(houseId);
    last = null;
    reject(new Error(report.message));
    return;
  }
  if (report.walk !== null) walks.set(planned, report.walk);
  const walk = walks.get(planned);
  if (walk === undefined) reject(new Error('What has to be looked at did not come through. Try again.'));
  else resolve({ walk, calendar: report.calendar });
}

function started(): Worker {
  if (worker !== null) return worker;
  const begun = spawnWalkWorker();
  begun.onmessage = ({ data }: MessageEvent<WalkReport>) => hear(data);
  begun.onerror = ({ message }) =>
    giveUp(message === '' ? 'What has to be looked at could not be worked out.' : message);
  worker = begun;
  return begun;
}

/** What of a house the worker needs. */
const plannedIn = ({ plans, storeys, zones, roofs, openings, features, works }: Planned): Planned => ({
  plans,
  storeys,
  zones,
  roofs,
  openings,
  features,
  works,
});

/** True where every list of a plan is the one that is held. */
const isSamePlan = (one: Planned, other: Planned): boolean =>
  (Object.keys(plannedIn(one)) as readonly (keyof Planned)[]).every((name) => one[name] === other[name]);

const isSame = (one: WalkQuestion, other: WalkQuestion): boolean =>
  one.houseId === other.houseId &&
  one.today === other.today &&
  one.verdicts === other.verdicts &&
  isSamePlan(one.planned, other.planned);

function ask({ planned: wanted, houseId, verdicts, today }: WalkQuestion): Promise<LookAhead> {
  const at = started();
  const before = held.get(houseId);
  const isHeld = before !== undefined && isSamePlan(before, wanted);
  const planned = isHeld ? before : plannedIn(wanted);
  held.delete(houseId);
  held.set(houseId, planned);
  for (const oldest of [...held.keys()].slice(0, -HELD_MAX)) held.delete(oldest);
  const number = ++count;
  return new Promise((resolve, reject) => {
    waiting.set(number, { houseId, planned, resolve, reject });
    at.postMessage({
      number,
      planned: isHeld ? null : planned,
      held: [...held.keys()],
      houseId,
      verdicts,
      today,
    });
  });
}

/**
 * Finds in a web worker what has to be looked at in a house, and by when. Of a plan that did not change the walk is the very
 * same; asked the same again as last, it is the very same answer.
 * @throws rejects where the worker itself fails; a drawing that cannot be measured is an answer
 */
export function lookAhead(question: WalkQuestion): Promise<LookAhead> {
  if (last !== null && isSame(last.question, question)) return last.found;
  const found = ask(question);
  last = { question, found };
  return found;
}
