import { lazy, type ComponentType } from 'react';
import { whenFetched } from '../ui/when-fetched';
import { Screen } from './shell/screen';
import { Loading } from './shell/states';

const fetchPiece = () => import('./bench-and-drawing');

/** A page of that piece, which is not part of what every page loads. */
function pageOf<Props extends object>(
  pick: (piece: Awaited<ReturnType<typeof fetchPiece>>) => ComponentType<Props>,
  name: string,
): ComponentType<Props> {
  const Page = lazy(async () => ({ default: pick(await fetchPiece()) }));
  return whenFetched<Props>(Page as ComponentType<Props>, () => (
    <Screen name={name} back="/" backLabel="Back to the houses">
      <Loading what="Fetching the page" />
    </Screen>
  ));
}

export const BenchFrameOnDemand = pageOf((piece) => piece.BenchFrame, 'Bench');
export const BenchScreenOnDemand = pageOf((piece) => piece.BenchScreen, 'Bench');
export const OperationPageOnDemand = pageOf((piece) => piece.OperationPage, 'Bench');
export const DrawingOnDemand = pageOf((piece) => piece.DrawingScreen, 'Drawing');
export const BuiltOnDemand = pageOf((piece) => piece.BuiltScreen, 'How it is built');
export const StopsOnDemand = pageOf((piece) => piece.StopsScreen, 'What to look at');
export const CalendarOnDemand = pageOf((piece) => piece.CalendarScreen, 'Calendar');
export const TodayOnDemand = pageOf((piece) => piece.TodayScreen, 'Today');
export const WalkOnDemand = pageOf((piece) => piece.WalkRoom, 'Walk');
