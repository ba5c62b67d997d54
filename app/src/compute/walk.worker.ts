import { calendarHere } from '@calvet/contract/calendar/calendar-here';
import { generateWalk } from '@calvet/contract/walk/generate-walk';
import type { WalkReport, WalkRequest } from './walk-messages';

self.onmessage = ({ data: { number, planned, verdicts, houseId, today } }: MessageEvent<WalkRequest>) => {
  const report = (message: WalkReport): void => self.postMessage(message);
  try {
    const walk = generateWalk(planned);
    const calendar = walk.state === 'walked' ? calendarHere(planned, walk, houseId, today, verdicts) : null;
    report({ kind: 'walk', number, walk, calendar });
  } catch (error) {
    report({ kind: 'failed', number, message: error instanceof Error ? error.message : String(error) });
  }
};
