import { markMs, type AcidMark, type PointForecast, type BandForecast, HOUR_MS } from '@morning-crock/core';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useUnits } from '../../data/use-units.ts';

const W = 400;
const H = 150;

/** A small picture of the whole: temperature in clay, pH in cobalt with its band. Redrawn on every turn of a control. */
export function MiniCurve({
  point,
  band,
  body,
  stale,
}: {
  readonly point: PointForecast;
  readonly band: BandForecast | null;
  /** What a maker looks for: set, or thick. */
  readonly body: AcidMark;
  readonly stale: boolean;
}) {
  const units = useUnits();
  const fromMs = point.temperature[0]?.[0] ?? 0;
  const toMs = (markMs(point, 'ready') ?? point.inoculationMs + 12 * HOUR_MS) + 0.7 * HOUR_MS;
  const x = scaleLinear([fromMs, toMs], [0, W - 36]);
  const yT = scaleLinear([0, 100], [H - 22, 12]);
  const yP = scaleLinear([6.8, 3.8], [10, H - 24]);
  const within = <P extends readonly [number, ...unknown[]]>(points: readonly P[]): P[] =>
    points.filter(([ms], i) => ms <= toMs && (i % 3 === 0 || points.length < 90));
  const lineOf = (points: readonly (readonly [number, number])[], y: (v: number) => number): string =>
    line<readonly [number, number]>(
      ([ms]) => x(ms),
      ([, v]) => y(v),
    ).digits(1)(within(points)) ?? '';
  const bandStart = band?.point.inoculationMs ?? 0;
  const shape =
    area<readonly [number, number, number]>()
      .x(([ms]) => x(ms))
      .y0(([, p10]) => yP(p10))
      .y1(([, , p90]) => yP(p90))
      .digits(1)(
      (band?.band ?? [])
        .map((b) => [bandStart + b.hour * HOUR_MS, b.p10, b.p90] as const)
        .filter(([ms]) => ms <= toMs),
    ) ?? '';
  const lastPh = point.ph.filter(([ms]) => ms <= toMs).at(-1);
  const lastT = point.temperature.filter(([ms]) => ms <= toMs).at(-1);
  const labelsMeet = lastT && lastPh && Math.abs(yT(lastT[1]) - yP(lastPh[1])) < 18;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={`Temperature and pH from ${units.time(fromMs, fromMs)} to ${units.time(toMs, fromMs)}`}
    >
      <line
        x1="0"
        x2={W - 36}
        y1={yP(body.ph)}
        y2={yP(body.ph)}
        stroke="var(--cobalt)"
        strokeDasharray="4 4"
      />
      <text x="44" y={yP(body.ph) - 5} fontSize="16" fill="var(--cobalt)">
        {body.words.toLowerCase()}
      </text>
      <path d={shape} fill="var(--brush)" opacity={stale ? 0.15 : 0.3} />
      <path d={lineOf(point.temperature, yT)} fill="none" stroke="var(--clay)" strokeWidth="2.5" />
      <path d={lineOf(point.ph, yP)} fill="none" stroke="var(--cobalt)" strokeWidth="2.5" />
      {lastT && (
        <text
          x={W - 32}
          y={yT(lastT[1]) + (labelsMeet ? (yT(lastT[1]) > yP(lastPh[1]) ? 14 : -4) : 5)}
          fontSize="16"
          fill="var(--clay)"
        >
          °{units.temperatureUnit}
        </text>
      )}
      {lastPh && (
        <text
          x={W - 32}
          y={yP(lastPh[1]) + (labelsMeet ? (yT(lastT[1]) > yP(lastPh[1]) ? -4 : 14) : 5)}
          fontSize="16"
          fill="var(--cobalt)"
        >
          pH
        </text>
      )}
      <text x="0" y={H - 2} fontSize="16" fill="var(--quiet)">
        {units.time(fromMs, fromMs)}
      </text>
      <text x={W - 36} y={H - 2} fontSize="16" fill="var(--quiet)" textAnchor="end">
        {units.time(toMs, fromMs)}
      </text>
    </svg>
  );
}
