import { useCallback, type ReactNode } from 'react';
import type { ChartBuilder } from './Chart.tsx';
import { curveOption, placeOf, type CurveData } from './curve-option.ts';
import { LazyChart } from './LazyChart.tsx';

/** The curve of a make. */
export function MakeCurve({
  data,
  label,
  nowMs,
}: {
  readonly data: CurveData;
  readonly label: string;
  /** The present; none of a record. */
  readonly nowMs?: number;
}) {
  const build = useCallback<ChartBuilder>((theme, narrow) => curveOption(data, theme, narrow), [data]);
  const over = (narrow: boolean): ReactNode => {
    const place = nowMs === undefined ? null : placeOf(data, nowMs, narrow);
    return (
      place && (
        <div className="curve-now" style={place} aria-hidden="true">
          now
        </div>
      )
    );
  };
  return <LazyChart build={build} label={label} over={over} />;
}
