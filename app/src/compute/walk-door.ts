import type { Planned } from '@calvet/contract/plan/plan-input';
import type { GeneratedWalk } from '@calvet/contract/walk/generate-walk';
import { spawnWalkWorker } from './spawn-walk-worker';
import type { WalkReport, WalkRequest } from './walk-messages';

interface Waiting {
  readonly resolve: (walk: GeneratedWalk) => void;
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
    if (data.kind === 'walk') asked?.resolve(data.walk);
    else asked?.reject(new Error(data.message));
  };
  begun.onerror = ({ message }) =>
    giveUp(message === '' ? 'What has to be looked at could not be worked out.' : message);
  worker = begun;
  return begun;
}

/**
 * Finds in a web worker what has to be looked at in a house.
 * @throws rejects where the worker itself fails; a drawing that cannot be measured is an answer
 */
export function generateInWorker({
  plans,
  storeys,
  zones,
  roofs,
  openings,
  features,
}: Planned): Promise<GeneratedWalk> {
  const number = ++count;
  const request: WalkRequest = { number, planned: { plans, storeys, zones, roofs, openings, features } };
  return new Promise((resolve, reject) => {
    waiting.set(number, { resolve, reject });
    started().postMessage(request);
  });
}
