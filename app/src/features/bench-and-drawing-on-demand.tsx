import { lazy, type ComponentType } from 'react';
import { whenFetched } from '../ui/when-fetched';
import { Screen } from './shell/screen';
import { Loading } from './shell/states';
import { SEAM_HEIGHT } from './continuity/seam-height';
import { StyleSheet, View } from 'react-native';

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
export const ContinuityOnDemand = pageOf((piece) => piece.ContinuityScreen, 'Air barrier');
export const WorthOnDemand = pageOf((piece) => piece.WorthScreen, 'What it is worth');
export const AreaOnDemand = pageOf((piece) => piece.AreaScreen, 'Area');
export const CompareOnDemand = pageOf((piece) => piece.CompareScreen, 'Compare');
export const MaterialsOnDemand = pageOf((piece) => piece.MaterialsScreen, 'Materials');
export const MendsOnDemand = pageOf((piece) => piece.MendsScreen, 'Mends');

const Seam = lazy(async () => ({ default: (await fetchPiece()).SeamOfHouse }));

/** The air barrier of a house under its name; a line of its height until it is there. */
export const SeamOnDemand = whenFetched(Seam, () => <View style={styles.seam} />);

const styles = StyleSheet.create({ seam: { height: SEAM_HEIGHT } });
