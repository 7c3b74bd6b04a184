import { lazy, Suspense } from 'react';
import type { CurveData } from './curve-option.ts';

const Chart = lazy(() => import('./Chart.tsx'));

/** The chart's code comes only where a chart is drawn. */
export function LazyChart(props: { readonly data: CurveData; readonly label: string }) {
  return (
    <Suspense fallback={<p className="quiet">Drawing the curve …</p>}>
      <Chart {...props} />
    </Suspense>
  );
}
