import type { PointForecast, BandForecast, Souring } from '@morning-crock/core';
import { useUnits } from '../../data/use-units.ts';

const W = 400;
const H = 150;
const HOUR_MS = 3_600_000;

/** A small picture of the whole: temperature in clay, pH in cobalt with its band. Redrawn on every turn of a control. */
export function MiniCurve({
  point,
  band,
  souring,
  stale,
}: {
  readonly point: PointForecast;
  readonly band: BandForecast | null;
  readonly souring: Souring;
  readonly stale: boolean;
}) {
  const units = useUnits();
  const fromMs = point.temperature[0]?.[0] ?? 0;
  const toMs = (point.pickUpMs ?? point.inoculationMs + 12 * HOUR_MS) + 0.7 * HOUR_MS;
  const x = (ms: number): number => ((ms - fromMs) / (toMs - fromMs)) * (W - 36);
  const yT = (c: number): number => H - 22 - (c / 100) * (H - 34);
  const yP = (ph: number): number => 10 + ((6.8 - ph) / 3) * (H - 34);
  const line = (points: readonly (readonly [number, number])[], y: (v: number) => number): string =>
    points
      .filter(([ms], i) => ms <= toMs && (i % 3 === 0 || points.length < 90))
      .map(([ms, v], i) => `${i === 0 ? 'M' : 'L'}${x(ms).toFixed(1)} ${y(v).toFixed(1)}`)
      .join('');
  const bandStart = band?.point.inoculationMs ?? 0;
  const within = (band?.band ?? []).filter((b) => bandStart + b.hour * HOUR_MS <= toMs);
  const shape =
    within.length > 1
      ? `M${within.map((b) => `${x(bandStart + b.hour * HOUR_MS).toFixed(1)} ${yP(b.p90).toFixed(1)}`).join('L')}L${[
          ...within,
        ]
          .reverse()
          .map((b) => `${x(bandStart + b.hour * HOUR_MS).toFixed(1)} ${yP(b.p10).toFixed(1)}`)
          .join('L')}Z`
      : '';
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
        y1={yP(souring.setPh)}
        y2={yP(souring.setPh)}
        stroke="var(--cobalt)"
        strokeDasharray="4 4"
      />
      <text x="44" y={yP(souring.setPh) - 5} fontSize="16" fill="var(--cobalt)">
        {souring.words.mark.toLowerCase()}
      </text>
      <path d={shape} fill="var(--brush)" opacity={stale ? 0.15 : 0.3} />
      <path d={line(point.temperature, yT)} fill="none" stroke="var(--clay)" strokeWidth="2.5" />
      <path d={line(point.ph, yP)} fill="none" stroke="var(--cobalt)" strokeWidth="2.5" />
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
