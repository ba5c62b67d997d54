import { calendarHere } from '@calvet/contract/calendar/calendar-here';
import type { Planned } from '@calvet/contract/plan/plan-input';
import { generateWalk, type GeneratedWalk } from '@calvet/contract/walk/generate-walk';
import type { WalkReport, WalkRequest } from './walk-messages';

/** Houses whose walk is known: it follows from the plan alone, and verdicts come one after the other. */
const KNOWN_MAX = 3;
const known = new Map<string, { readonly drawn: string; readonly walk: GeneratedWalk }>();

function walkOf(houseId: string, planned: Planned): GeneratedWalk {
  const drawn = JSON.stringify(planned);
  const before = known.get(houseId);
  if (before?.drawn === drawn) return before.walk;
  const walk = generateWalk(planned);
  known.delete(houseId);
  known.set(houseId, { drawn, walk });
  for (const oldest of [...known.keys()].slice(0, -KNOWN_MAX)) known.delete(oldest);
  return walk;
}

self.onmessage = ({ data: { number, planned, verdicts, houseId, today } }: MessageEvent<WalkRequest>) => {
  const report = (message: WalkReport): void => self.postMessage(message);
  try {
    const walk = walkOf(houseId, planned);
    const calendar = walk.state === 'walked' ? calendarHere(planned, walk, houseId, today, verdicts) : null;
    report({ kind: 'walk', number, walk, calendar });
  } catch (error) {
    report({ kind: 'failed', number, message: error instanceof Error ? error.message : String(error) });
  }
};
