import { lazy, Suspense } from 'react';
import { Contained } from '../parts/Mishap.tsx';
import type { ChartBuilder } from './Chart.tsx';

const Chart = lazy(() => import('./Chart.tsx'));

/** The chart's code comes only where a chart is drawn; without it the numbers still stand. */
export function LazyChart(props: { readonly build: ChartBuilder; readonly label: string }) {
  return (
    <Contained instead={<p className="quiet">The curve cannot be drawn now; the numbers beside it stand.</p>}>
      <Suspense fallback={<p className="quiet">Drawing the curve …</p>}>
        <Chart {...props} />
      </Suspense>
    </Contained>
  );
}
