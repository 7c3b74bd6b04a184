import { MINUTE_MS, type DayHands } from '@morning-crock/core';
import { useState } from 'react';
import type { Units } from '../../data/units-of.ts';
import type { Lane } from './day-lanes.ts';

/** A finger that moved less than this only pointed, px. */
const POINTED_PX = 5;

/** Where a lane is drawn, and in which measure. */
export interface LaneFrame {
  /** Of a minute of the day, in the picture's own pixels. */
  readonly x: (minute: number) => number;
  readonly width: number;
  /** Minutes of so many pixels on the screen, on the grid on which blocks are put down. */
  readonly minutesOf: (px: number) => number;
  /** First and last minute of the picture. */
  readonly begin: number;
  readonly end: number;
  readonly zeroMs: number;
  readonly units: Units;
}

/** One row: hands as blocks that may be dragged, what is taken as bars. */
export function DayLane(props: {
  readonly lane: Lane;
  /** Where its line lies. */
  readonly y: number;
  readonly frame: LaneFrame;
  readonly chosen: string | null;
  readonly fixed: ReadonlySet<string>;
  readonly nameOf: (make: string) => string;
  readonly onChoose: (key: string) => void;
  readonly onMove: ((make: string, step: string, minute: number) => void) | undefined;
}) {
  const { lane, y, frame, chosen, fixed, nameOf, onChoose, onMove } = props;
  const { x, minutesOf, zeroMs, units } = frame;
  const [drag, setDrag] = useState<{ key: string; startX: number; dx: number } | null>(null);
  const drop = (h: DayHands, clientX: number): void => {
    if (!drag) return;
    setDrag(null);
    const px = clientX - drag.startX;
    const minutes = minutesOf(px);
    if (Math.abs(px) < POINTED_PX || minutes === 0 || !onMove) onChoose(`${h.make} ${h.step}`);
    else onMove(h.make, h.step, Math.max(0, h.from + minutes));
  };
  const [from, to] = lane.thread
    ? [lane.hands[0]?.from ?? 0, lane.hands.at(-1)?.to ?? 0]
    : [frame.begin, frame.end];
  return (
    <g>
      <text
        x={lane.thread ? Math.min(x(from), frame.width - 150) : 2}
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
}
