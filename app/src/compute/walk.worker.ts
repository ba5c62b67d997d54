import { calendarHere } from '@calvet/contract/calendar/calendar-here';
import type { Planned } from '@calvet/contract/plan/plan-input';
import { generateWalk, type GeneratedWalk } from '@calvet/contract/walk/generate-walk';
import type { WalkReport, WalkRequest } from './walk-messages';

/** Houses whose plan and walk are held: it follows from the plan alone, and verdicts come one after the other. */
const held = new Map<string, { readonly planned: Planned; readonly walk: GeneratedWalk }>();

/** The plan and the walk of a house, made anew where the plan comes with the question. */
function heldFor({ houseId, planned }: WalkRequest) {
  const before = held.get(houseId);
  if (planned === null) {
    if (before === undefined) throw new Error('The plan of this house is not here any more. Try again.');
    return before;
  }
  const made = { planned, walk: generateWalk(planned) };
  held.set(houseId, made);
  return made;
}

self.onmessage = ({ data: request }: MessageEvent<WalkRequest>) => {
  const { number, verdicts, houseId, today } = request;
  const report = (message: WalkReport): void => self.postMessage(message);
  try {
    const { planned, walk } = heldFor(request);
    const calendar = walk.state === 'walked' ? calendarHere(planned, walk, houseId, today, verdicts) : null;
    report({ kind: 'walk', number, walk: request.planned === null ? null : walk, calendar });
  } catch (error) {
    held.delete(houseId);
    report({ kind: 'failed', number, message: error instanceof Error ? error.message : String(error) });
  }
  for (const id of held.keys()) if (!request.held.includes(id)) held.delete(id);
};
