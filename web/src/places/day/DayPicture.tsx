import { attendance, type DayHands } from '@morning-crock/core';
import { useMemo } from 'react';
import { useKitchen, useUnits } from '../../data/use-units.ts';

const MINUTE_MS = 60_000;
const WIDTH = 640;
/** Nobody there is looked up on this grid. */
const GRID_MS = 15 * MINUTE_MS;
const ROW = 44;
const HEAD = 26;

/** A day as threads, one a make: blocks are hands, plain thread goes by itself, sleep is shaded. */
export function DayPicture(props: {
  readonly makes: readonly { readonly id: string; readonly name: string }[];
  readonly hands: readonly DayHands[];
  readonly zeroMs: number;
  readonly finish: number;
}) {
  const { makes, hands, zeroMs, finish } = props;
  const units = useUnits();
  const kitchen = useKitchen();
  const span = Math.max(60, finish);
  const x = (minute: number): number => (minute / span) * WIDTH;
  const height = HEAD + ROW * makes.length + 8;
  const endMs = zeroMs + span * MINUTE_MS;
  const nights = useMemo(() => {
    const there = attendance(kitchen, zeroMs, endMs);
    const spells: { fromMs: number; toMs: number }[] = [];
    for (let ms = zeroMs; ms < endMs; ms += GRID_MS) {
      if (there.at(ms)) continue;
      const last = spells.at(-1);
      if (last?.toMs === ms) last.toMs = ms + GRID_MS;
      else spells.push({ fromMs: ms, toMs: ms + GRID_MS });
    }
    return spells;
  }, [kitchen, zeroMs, endMs]);
  const everyH = span > 60 * 60 ? 12 : span > 30 * 60 ? 6 : span > 12 * 60 ? 3 : 1;
  const first = Math.ceil(zeroMs / (everyH * 60 * MINUTE_MS)) * everyH * 60 * MINUTE_MS;
  const hours: number[] = [];
  for (let ms = first; ms < endMs; ms += everyH * 60 * MINUTE_MS) hours.push(ms);
  return (
    <figure className="day-picture">
      <figcaption className="quiet">
        Blocks need hands; the thread goes by itself; shaded is when nobody is there
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="img"
        aria-label="The day as threads; it is told in words beside it"
      >
        {nights.map(({ fromMs, toMs }) => {
          const from = Math.max(0, x((fromMs - zeroMs) / MINUTE_MS));
          return (
            <rect
              key={fromMs}
              x={from}
              width={Math.max(0, Math.min(WIDTH, x((toMs - zeroMs) / MINUTE_MS)) - from)}
              y={HEAD}
              height={height - HEAD}
              fill="var(--faint)"
              opacity="0.6"
            />
          );
        })}
        {hours.map((ms) => {
          const at = x((ms - zeroMs) / MINUTE_MS);
          return at > 20 && at < WIDTH - 40 ? (
            <text key={ms} x={at} y="16" fontSize="15" textAnchor="middle" fill="var(--quiet)">
              {units.time(ms, zeroMs)}
            </text>
          ) : null;
        })}
        {makes.map(({ id, name }, row) => {
          const own = hands.filter((h) => h.make === id);
          const y = HEAD + ROW * row + 30;
          const [from, to] = [own[0]?.from ?? 0, own.at(-1)?.to ?? 0];
          return (
            <g key={id}>
              <text x={Math.min(x(from), WIDTH - 120)} y={y - 12} fontSize="15" fill="var(--ink)">
                {name}
              </text>
              <line x1={x(from)} x2={x(to)} y1={y} y2={y} stroke="var(--brush)" strokeWidth="3" />
              {own.map((h) => (
                <rect
                  key={h.step}
                  x={x(h.from)}
                  width={Math.max(4, x(h.to) - x(h.from))}
                  y={y - 8}
                  height="16"
                  rx="2"
                  fill="var(--butter)"
                  stroke="var(--ink)"
                />
              ))}
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
