import { lazy, Suspense, type ComponentProps } from 'react';
import { View } from 'react-native';

const Chart = lazy(async () => ({ default: (await import('./fit-chart')).FitChart }));

/** The chart of a fit, fetched when it is first shown; its place is kept, so that nothing jumps. */
export function FitChartOnDemand(props: ComponentProps<typeof Chart>) {
  return (
    <Suspense fallback={<View style={{ height: props.height }} />}>
      <Chart {...props} />
    </Suspense>
  );
}
