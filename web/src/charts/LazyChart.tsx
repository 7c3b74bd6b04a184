import { lazy, Suspense } from 'react';
import { Contained } from '../parts/tables/Mishap.tsx';
import type { ChartProps } from './Chart.tsx';

const Chart = lazy(() => import('./Chart.tsx'));

/** The chart's code comes only where a chart is drawn; without it the numbers still stand. */
export function LazyChart(props: ChartProps) {
  return (
    <Contained
      instead={
        <p className="quiet">The chart cannot be drawn just now. The numbers beside it are still right.</p>
      }
    >
      <Suspense fallback={<p className="quiet">Drawing the chart …</p>}>
        <Chart {...props} />
      </Suspense>
    </Contained>
  );
}
