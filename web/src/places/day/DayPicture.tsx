import { attendance, heldSpans, lanesOf, type DayHands, MINUTE_MS } from '@morning-crock/core';
import { useMemo, useRef, useState } from 'react';
import { useKitchen, useUnits } from '../../data/use-units.ts';

const WIDTH = 640;
/** Nobody there is looked up on this grid. */
const GRID_MS = 15 * MINUTE_MS;
const ROW = 44;
const HEAD = 26;
/** Blocks are put down on this grid, min. */
const SNAP_MIN = 5;
/** A finger that moved less than this only pointed, px. */
const POINTED_PX = 5;

/** One row of the picture. */
interface Lane {
  readonly id: string;
  readonly title: string;
  /** Things somebody does; the others are only taken. */
  readonly hands: readonly DayHands[];
  readonly taken: readonly { readonly from: number; readonly to: number; readonly title: string }[];
  readonly thread: boolean;
}

/** What the makes hold, each thing of which there are several by itself. */
function thingLanes(
  hands: readonly DayHands[],
  nameOf: (make: string) => string,
  placeOf: (id: string) => string,
): Lane[] {
  const things = [...new Set(hands.flatMap(({ holds }) => holds))].sort();
  return things.flatMap((thing) => {
    const spans = lanesOf(heldSpans(hands, thing));
    const many = 1 + Math.max(-1, ...spans.map(({ lane }) => lane));
    const title = thing.startsWith('place ')
      ? placeOf(thing.slice(6))
      : thing.charAt(0).toUpperCase() + thing.slice(1);
    return Array.from({ length: many }, (_, lane) => ({
      id: `${thing} ${lane}`,
      title: many > 1 ? `${title} ${lane + 1}` : title,
      hands: [],
      thread: false,
      taken: spans
        .filter((s) => s.lane === lane)
        .map((s) => ({ from: s.from, to: s.to, title: nameOf(s.make) })),
    }));
  });
}

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
  const [drag, setDrag] = useState<{ key: string; startX: number; dx: number } | null>(null);
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
  const drop = (h: DayHands, clientX: number): void => {
    if (!drag) return;
    setDrag(null);
    const px = clientX - drag.startX;
    const minutes = minutesOf(px);
    if (Math.abs(px) < POINTED_PX || minutes === 0 || !onMove) onChoose(`${h.make} ${h.step}`);
    else onMove(h.make, h.step, Math.max(0, h.from + minutes));
  };
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
        {lanes.map((lane, n) => {
          const y = HEAD + ROW * n + 30;
          const [from, to] = lane.thread
            ? [lane.hands[0]?.from ?? 0, lane.hands.at(-1)?.to ?? 0]
            : [begin, begin + shown];
          return (
            <g key={lane.id}>
              <text
                x={lane.thread ? Math.min(x(from), WIDTH - 150) : 2}
                y={y - 12}
                fontSize="15"
                fill="var(--ink)"
              >
                {lane.title}
              </text>
              <line
                x1={x(from)}
                x2={x(to)}
                y1={y}
                y2={y}
                stroke={lane.thread ? 'var(--brush)' : 'var(--faint)'}
                strokeWidth={lane.thread ? 3 : 1}
              />
              {lane.taken.map((t) => (
                <rect
                  key={`${t.from} ${t.title}`}
                  x={x(t.from)}
                  width={Math.max(3, x(t.to) - x(t.from))}
                  y={y - 5}
                  height="10"
                  fill="var(--brush)"
                  opacity="0.75"
                >
                  <title>{t.title}</title>
                </rect>
              ))}
              {lane.hands.map((h) => {
                const key = `${h.make} ${h.step}`;
                const moved = drag?.key === key ? drag.dx : 0;
                return (
                  <rect
                    key={key}
                    role="button"
                    tabIndex={0}
                    className="day-block"
                    aria-label={`${h.title}, ${nameOf(h.make)}, ${units.time(zeroMs + h.from * MINUTE_MS, zeroMs)}`}
                    aria-pressed={chosen === key}
                    data-block={key}
                    x={Math.max(0, x(h.from + moved))}
                    width={Math.max(5, x(h.to) - x(h.from))}
                    y={y - 9}
                    height="18"
                    rx="2"
                    fill={chosen === key ? 'var(--brush)' : 'var(--butter)'}
                    stroke="var(--ink)"
                    strokeWidth={fixed.has(key) ? 3 : 1}
                    onPointerDown={(event) => {
                      event.currentTarget.setPointerCapture(event.pointerId);
                      setDrag({ key, startX: event.clientX, dx: 0 });
                    }}
                    onPointerMove={(event) => {
                      if (drag?.key === key && onMove)
                        setDrag({ ...drag, dx: minutesOf(event.clientX - drag.startX) });
                    }}
                    onPointerUp={(event) => drop(h, event.clientX)}
                    onPointerCancel={() => setDrag(null)}
                    onKeyDown={(event) => {
                      if (event.key !== 'Enter' && event.key !== ' ') return;
                      event.preventDefault();
                      onChoose(key);
                    }}
                  />
                );
              })}
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
