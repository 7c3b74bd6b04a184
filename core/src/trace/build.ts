import { TRACE_SAMPLE, type TraceFacts, type TraceUpload } from '../contract/index.ts';
import { correctedC, type ThermometerCorrection } from '../science/heat/index.ts';
import { thinIndices } from '../science/numerics/index.ts';
import { toCelsius } from '../science/units/index.ts';

/** A value of a trace in °C, set right, or in pH. */
export function canonicalValue(
  value: number,
  unit: TraceFacts['unit'],
  correction: ThermometerCorrection | null,
): number {
  if (unit === 'pH') return value;
  return correctedC(unit === 'F' ? toCelsius(value, 'F') : value, correction);
}

/** What of an upload is taken. */
export interface BuiltTrace {
  readonly at: readonly number[];
  readonly values: readonly number[];
  readonly sample: [number, number][];
  readonly already: number;
  readonly outside: number;
}

/**
 * Takes what is new of an upload: rows of the make's own time that are not here yet, in time order, each instant once.
 * @param known instants this instrument already has in this make
 */
export function buildTrace(
  upload: Pick<TraceUpload, 'at' | 'values' | 'unit'>,
  make: { readonly fromMs: number; readonly toMs: number },
  known: ReadonlySet<number>,
  correction: ThermometerCorrection | null,
): BuiltTrace {
  const order = upload.at.map((_, i) => i);
  const sorted = upload.at.every((ms, i) => i === 0 || ms >= upload.at[i - 1]!);
  if (!sorted) order.sort((a, b) => upload.at[a]! - upload.at[b]! || a - b);
  const at: number[] = [];
  const values: number[] = [];
  let already = 0;
  let outside = 0;
  for (const i of order) {
    const ms = upload.at[i]!;
    if (ms < make.fromMs || ms > make.toMs) outside++;
    else if (known.has(ms) || at.at(-1) === ms) already++;
    else {
      at.push(ms);
      values.push(upload.values[i]!);
    }
  }
  const canonical = values.map((v) => canonicalValue(v, upload.unit, correction));
  const sample = thinIndices(at, canonical, TRACE_SAMPLE).map((i): [number, number] => [
    at[i]!,
    Math.round(canonical[i]! * 1000) / 1000,
  ]);
  return { at, values, sample, already, outside };
}
