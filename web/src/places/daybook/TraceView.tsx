import { fromCelsius, HOUR_MS } from '@morning-crock/core';
import type { TraceFacts } from '@morning-crock/core/contract';
import { useState } from 'react';
import { useTracePartQuery } from '../../data/api.ts';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { LittleCurve } from '../../parts/drawings/LittleCurve.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';

const SPANS = [
  { value: 'all', label: 'all', hours: Number.POSITIVE_INFINITY },
  { value: '2', label: '2 h', hours: 2 },
  { value: '0.5', label: '30 min', hours: 0.5 },
] as const;

/** A logger's trace, stored whole: drawn thinned, looked at closer as far as one row. */
export function TraceView({ makeId, trace }: { readonly makeId: string; readonly trace: TraceFacts }) {
  const units = useUnits();
  const [span, setSpan] = useState<(typeof SPANS)[number]['value']>('all');
  const [fromH, setFromH] = useState(0);
  const startMs = Date.parse(trace.from);
  const wholeH = (Date.parse(trace.to) - startMs) / HOUR_MS;
  const spanH = Math.min(wholeH, SPANS.find((s) => s.value === span)!.hours);
  const fromMs = Math.round(startMs + Math.min(fromH, wholeH - spanH) * HOUR_MS);
  const toMs = Math.round(fromMs + spanH * HOUR_MS);
  const { data, isError } = useTracePartQuery({ makeId, traceId: trace.traceId, fromMs, toMs });
  const shown = (v: number): number => (trace.unit === 'pH' ? v : fromCelsius(v, units.temperatureUnit));
  const unit = trace.unit === 'pH' ? 'pH' : `°${units.temperatureUnit}`;
  return (
    <section className="above-l" aria-label={`Logger readings, ${trace.instrument}`}>
      <h2>{trace.instrument}</h2>
      <p className="quiet">
        {trace.rows} readings from {trace.fileName}
        {trace.correction && ', corrected by the probe check. The file’s own values are kept'}.
      </p>
      {isError && (
        <p className="quiet">The full readings cannot be loaded now. The curve above shows their shape.</p>
      )}
      {data && (
        <LittleCurve
          label={`${trace.instrument}, ${units.time(fromMs, fromMs)} to ${units.time(toMs, fromMs)}`}
          xUnit="h"
          yUnit={unit}
          lines={[
            {
              name: `${data.rows} readings`,
              colour: trace.unit === 'pH' ? 'cobalt' : 'clay',
              points: data.points.map(([ms, v]) => [(ms - startMs) / HOUR_MS, shown(v)]),
            },
          ]}
        />
      )}
      <Choices
        legend="Show"
        value={span}
        options={SPANS.filter((s) => s.value === 'all' || s.hours < wholeH)}
        onChange={setSpan}
      />
      {span !== 'all' && (
        <StepSlider
          label="From"
          value={Math.min(fromH, wholeH - spanH)}
          shown={units.time(fromMs, fromMs)}
          min={0}
          max={Math.max(0, Math.floor((wholeH - spanH) * 4) / 4)}
          step={0.25}
          onChange={setFromH}
        />
      )}
    </section>
  );
}
