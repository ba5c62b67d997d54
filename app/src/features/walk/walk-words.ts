import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import { isToCome } from '@calvet/contract/calendar/hold';
import { workName } from '@calvet/contract/plan/work';
import { isLeft } from '@calvet/contract/walk/looks';
import type { HouseView } from '../../data/as-drawn';
import { weekday } from '../calendar/work-words';
import type { Walking } from './use-walking';

interface Walked {
  readonly view: HouseView;
  readonly calendar: CalendarHere | null;
}

/** What hides something of this place first, and by when it has to be seen; null: nothing with a date does. */
function holdWords({ view, calendar }: Walked, { asked, looks }: Walking): string | null {
  if (calendar?.state !== 'dated') return null;
  const left = new Set(asked.filter(({ key }) => isLeft(looks.get(key))).map(({ key }) => key));
  const next = calendar.holds.find((hold) => isToCome(hold) && hold.checkpoints.some((key) => left.has(key)));
  const work = view.works.find(({ id }) => id === next?.work);
  if (next?.seeBy == null || work === undefined) return null;
  const when = next.state === 'late' ? 'should have been seen by' : 'see by';
  return `${when} ${weekday(next.seeBy)}, before “${workName(work)}”`;
}

/** How it stands on this round, in one sentence. */
export function answerOf(props: Walked, walking: Walking, holesDue: number): string {
  const { leftHere, leftOnRound } = walking;
  if (holesDue > 0) {
    const holes = holesDue === 1 ? '1 hole to look at again' : `${holesDue} holes to look at again`;
    return leftHere === 0 ? holes : `${leftHere} left here, ${holes}`;
  }
  if (leftOnRound === 0) return 'Nothing is left on this round';
  const hold = holdWords(props, walking);
  return [
    leftHere === 0 ? 'Nothing left here' : `${leftHere} left here`,
    ...(hold === null ? [] : [hold]),
  ].join(', ');
}
