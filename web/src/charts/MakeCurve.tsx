import { useCallback } from 'react';
import type { ChartBuilder } from './Chart.tsx';
import { curveOption, type CurveData } from './curve-option.ts';
import { LazyChart } from './LazyChart.tsx';

/** The curve of a make. */
export function MakeCurve({ data, label }: { readonly data: CurveData; readonly label: string }) {
  const build = useCallback<ChartBuilder>((theme, narrow) => curveOption(data, theme, narrow), [data]);
  return <LazyChart build={build} label={label} />;
}
