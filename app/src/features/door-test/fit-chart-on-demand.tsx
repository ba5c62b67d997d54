import { lazy } from 'react';
import { View } from 'react-native';
import { whenFetched } from '../../ui/when-fetched';

const Chart = lazy(async () => ({ default: (await import('./fit-chart')).FitChart }));

/** The chart of a fit, fetched when it is first shown; its place is kept, so that nothing jumps. */
export const FitChartOnDemand = whenFetched(Chart, ({ height }) => <View style={{ height }} />);
