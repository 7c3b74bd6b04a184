import { attendance, type DayHands, MINUTE_MS } from '@morning-crock/core';
import { useMemo, useRef } from 'react';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { thingLanes, type Lane } from './day-lanes.ts';
import { DayLane } from './DayLane.tsx';

const WIDTH = 640;
/** Nobody there is looked up on this grid. */
const GRID_MS = 15 * MINUTE_MS;
const ROW = 44;
const HEAD = 26;
/** Blocks are put down on this grid, min. */
const SNAP_MIN = 5;

/** A day as threads, one a make, or by who does it and what is taken: blocks are hands, plain thread goes by itself, sleep is shaded. */
export function DayPicture(props: {
  readonly makes: readonly { readonly id: string; readonly name: string }[];
  readonly hands: readonly DayHands[];
  readonly zeroMs: number;
  readonly finish: number;
  /** Hours wished free, min. */
  readonly kept: readonly { readonly from: number; readonly to: number }[];
  readonly by: 'make' | 'who';
  readonly chosen: string | null;
  readonly fixed: ReadonlySet<string>;
  readonly nowMs?: number;
  readonly onChoose: (key: string) => void;
  /** A block was put elsewhere; left out where nothing may be moved. */
  readonly onMove?: (make: string, step: string, minute: number) => void;
}) {
  const { makes, hands, zeroMs, finish, kept, by, chosen, fixed, nowMs, onChoose, onMove } = props;
  const units = useUnits();
  const kitchen = useKitchen();
  const svg = useRef<SVGSVGElement>(null);
  const span = Math.max(60, finish);
  /** A day that goes on is drawn from its first hands, or from now, whichever is sooner: full hours before that are empty. */
  const begin =
    nowMs === undefined
      ? 0
      : Math.max(
          0,
          Math.floor(Math.min((nowMs - zeroMs) / MINUTE_MS, ...hands.map(({ from }) => from)) / 60) * 60,
        );
  const shown = Math.max(60, span - begin);
  const x = (minute: number): number => ((minute - begin) / shown) * WIDTH;
  const nameOf = (make: string): string => makes.find(({ id }) => id === make)?.name ?? '';
  const lanes: Lane[] =
    by === 'make'
      ? makes.map(({ id, name }) => ({
          id,
          title: name,
          hands: hands.filter((h) => h.make === id),
          taken: [],
          thread: true,
        }))
      : [
          ...kitchen.cooks.map((cook) => ({
            id: cook.id,
            title: cook.name,
            hands: hands.filter((h) => h.cookId === cook.id),
            taken: [],
            thread: false,
          })),
          ...thingLanes(hands, nameOf, (id) => kitchen.places.find((p) => p.id === id)?.name ?? 'Warm place'),
        ];
  const height = HEAD + ROW * lanes.length + 8;
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
  const shades = [
    ...nights.map(({ fromMs, toMs }) => ({
      from: (fromMs - zeroMs) / MINUTE_MS,
      to: (toMs - zeroMs) / MINUTE_MS,
    })),
    ...kept,
  ].filter(({ from, to }) => to > 0 && from < span);
  const everyH = shown > 60 * 60 ? 12 : shown > 30 * 60 ? 6 : shown > 12 * 60 ? 3 : 1;
  const first = Math.ceil(zeroMs / (everyH * 60 * MINUTE_MS)) * everyH * 60 * MINUTE_MS;
  const hours: number[] = [];
  for (let ms = first; ms < endMs; ms += everyH * 60 * MINUTE_MS) hours.push(ms);
  /** Minutes of so many pixels on the screen. */
  const minutesOf = (px: number): number => {
    const wide = svg.current?.getBoundingClientRect().width ?? WIDTH;
    return Math.round(((px / wide) * shown) / SNAP_MIN) * SNAP_MIN;
  };
  const frame = { x, width: WIDTH, minutesOf, begin, end: begin + shown, zeroMs, units };
  return (
    <figure className="day-picture">
      <figcaption className="quiet">
        Blocks: hands-on{onMove ? ' (drag to move)' : ''}. Line: runs by itself. Shaded: nobody available
        {kept.length > 0 ? ', or time off' : ''}.
      </figcaption>
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="group"
        aria-label="Chart of the schedule. The same steps are listed below."
      >
        {shades.map(({ from, to }) => {
          const left = Math.max(0, x(from));
          return (
            <rect
              key={`${from} ${to}`}
              x={left}
              width={Math.max(0, Math.min(WIDTH, x(to)) - left)}
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
        {nowMs !== undefined && nowMs > zeroMs && nowMs < endMs && (
          <line
            x1={x((nowMs - zeroMs) / MINUTE_MS)}
            x2={x((nowMs - zeroMs) / MINUTE_MS)}
            y1={HEAD}
            y2={height}
            stroke="var(--ink)"
            strokeDasharray="3 4"
          />
        )}
        {lanes.map((lane, n) => (
          <DayLane
            key={lane.id}
            lane={lane}
            y={HEAD + ROW * n + 30}
            frame={frame}
            chosen={chosen}
            fixed={fixed}
            nameOf={nameOf}
            onChoose={onChoose}
            onMove={onMove}
          />
        ))}
      </svg>
    </figure>
  );
}
