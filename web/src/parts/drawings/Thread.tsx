import { sleepSpells, HOUR_MS } from '@morning-crock/core';
import { useMemo } from 'react';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { THREAD_H, type Attended } from '../../data/attended.ts';

const SPAN_H = THREAD_H;
const WIDTH = 1000;
const ROW = 40;

/** The next day as threads: knots are hands, plain thread is waiting, night is shaded, must-act knots are ringed. */
export function Thread({ makes, nowMs }: { readonly makes: readonly Attended[]; readonly nowMs: number }) {
  const kitchen = useKitchen();
  const units = useUnits();
  const x = (ms: number): number => ((ms - nowMs) / (SPAN_H * HOUR_MS)) * WIDTH;
  const height = 30 + ROW * Math.max(1, makes.length) + 30;
  const sinceMs = Math.floor(nowMs / HOUR_MS) * HOUR_MS;
  // Local time is asked for hundreds of times for this: once an hour is enough.
  const spells = useMemo(
    () =>
      kitchen.cooks[0]
        ? sleepSpells(kitchen.site.zone, kitchen.cooks[0], sinceMs, sinceMs + (SPAN_H + 1) * HOUR_MS)
        : [],
    [kitchen, sinceMs],
  );
  const endMs = nowMs + SPAN_H * HOUR_MS;
  const nights = spells
    .map(({ fromMs, toMs }) => ({ fromMs: Math.max(fromMs, nowMs), toMs: Math.min(toMs, endMs) }))
    .filter(({ fromMs, toMs }) => toMs > fromMs);
  const firstHour = Math.ceil(nowMs / (3 * HOUR_MS)) * 3 * HOUR_MS;
  const hours = Array.from({ length: 8 }, (_, i) => firstHour + i * 3 * HOUR_MS).filter(
    (ms) => x(ms) > 90 && x(ms) < WIDTH - 20,
  );
  const said = makes.flatMap((m) => m.knots.map((k) => `${m.name}: ${k.title} ${units.time(k.atMs, nowMs)}`));
  return (
    <figure className="thread-box">
      <figcaption className="quiet">
        Next 24 hours. A dot needs you. A ringed dot cannot wait. Shaded: you are asleep.
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        width="100%"
        role="img"
        aria-label={said.length > 0 ? said.join('; ') : 'Nothing needs you'}
      >
        {nights.map((night) => (
          <rect
            key={night.toMs}
            x={x(night.fromMs)}
            width={x(night.toMs) - x(night.fromMs)}
            y={4}
            height={height - 34}
            fill="var(--night)"
          />
        ))}
        {hours.map((ms) => (
          <g key={ms}>
            <line x1={x(ms)} x2={x(ms)} y1={4} y2={height - 30} stroke="var(--faint)" />
            <text x={x(ms)} y={height - 4} textAnchor="middle" fontSize="22" fill="var(--quiet)">
              {units.time(ms, ms)}
            </text>
          </g>
        ))}
        <text x={2} y={height - 4} fontSize="22" fill="var(--quiet)">
          now
        </text>
        {makes.map((make, row) => {
          const knots = [...make.knots].sort((a, b) => a.atMs - b.atMs);
          const y = 26 + row * ROW;
          // Without a knot in sight it waits all along.
          const endX = knots.length > 0 ? x(knots.at(-1)!.atMs) : WIDTH;
          const nameX = knots.length > 0 ? endX + 16 : 16;
          return (
            <g key={make.id}>
              <line
                x1={0}
                x2={endX}
                y1={y}
                y2={y}
                stroke="var(--brush)"
                strokeWidth="4"
                strokeLinecap="round"
              />
              <text x={nameX} y={knots.length > 0 ? y + 8 : y - 6} fontSize="23" fill="var(--ink)">
                {make.name}
              </text>
              {knots.map((knot) => (
                <g key={knot.title}>
                  {knot.mustAct && (
                    <circle cx={x(knot.atMs)} cy={y} r={11} fill="none" stroke="var(--ink)" strokeWidth="2" />
                  )}
                  <circle
                    cx={x(knot.atMs)}
                    cy={y}
                    r={7}
                    fill="var(--butter)"
                    stroke="var(--ink)"
                    strokeWidth="2"
                  />
                </g>
              ))}
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
