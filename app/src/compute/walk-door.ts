import type { Planned } from '@calvet/contract/plan/plan-input';
import { spawnWalkWorker } from './spawn-walk-worker';
import type { LookAhead, WalkQuestion, WalkReport, WalkRequest } from './walk-messages';

interface Waiting {
  readonly resolve: (found: LookAhead) => void;
  readonly reject: (error: Error) => void;
}

/** Kept from one time to the next, with the catalogue in it. */
let worker: Worker | null = null;
let count = 0;
const waiting = new Map<number, Waiting>();

/** A worker that cannot go on is given up, and with it all that it was asked. */
function giveUp(message: string): void {
  worker?.terminate();
  worker = null;
  const all = [...waiting.values()];
  waiting.clear();
  for (const { reject } of all) reject(new Error(message));
}

function started(): Worker {
  if (worker !== null) return worker;
  const begun = spawnWalkWorker();
  begun.onmessage = ({ data }: MessageEvent<WalkReport>) => {
    const asked = waiting.get(data.number);
    waiting.delete(data.number);
    if (data.kind === 'walk') asked?.resolve({ walk: data.walk, calendar: data.calendar });
    else asked?.reject(new Error(data.message));
  };
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

/**
 * Finds in a web worker what has to be looked at in a house, and by when.
 * @throws rejects where the worker itself fails; a drawing that cannot be measured is an answer
 */
export function lookAhead({ planned, ...question }: WalkQuestion): Promise<LookAhead> {
  const number = ++count;
  const request: WalkRequest = { number, planned: plannedIn(planned), ...question };
  return new Promise((resolve, reject) => {
    waiting.set(number, { resolve, reject });
    started().postMessage(request);
  });
}
