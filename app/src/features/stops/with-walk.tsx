import type { CalendarHere } from '@calvet/contract/calendar/calendar-here';
import type { Walk } from '@calvet/contract/walk/generate-walk';
import type { ReactNode } from 'react';
import { useWalk } from '../../compute/use-walk';
import type { HouseView } from '../../data/as-drawn';
import { Failed, Loading } from '../shell/states';
import { NoWalk } from './no-walk';

interface WithWalkProps {
  readonly view: HouseView;
  /** What is being found, while it is. */
  readonly what: string;
  /** What would follow from a drawing. */
  readonly text: string;
  /** What is shown of a walk. */
  readonly children: (walk: Walk, calendar: CalendarHere | null) => ReactNode;
}

/** What follows from the walk of a house; until it is known, or where there is none, what to do. */
export function WithWalk({ view, what, text, children }: WithWalkProps) {
  const { walk, calendar, error, retry } = useWalk(view);
  if (error !== undefined) return <Failed error={error} onRetry={retry} />;
  if (walk === undefined) return <Loading what={what} />;
  if (walk.state === 'walked') return children(walk, calendar ?? null);
  return <NoWalk houseId={view.house.id} walk={walk} text={text} />;
}
