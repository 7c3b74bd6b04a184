import { formatMinutes, MINUTE_MS } from '@morning-crock/core';
import { Link } from 'react-router';
import { useUnits } from '../data/use-units.ts';
import type { Attended } from '../data/attended.ts';

/** Something to be done that belongs to no batch. */
export interface Chore {
  readonly id: string;
  readonly name: string;
  readonly to: string;
  readonly act: string;
  readonly atMs: number;
  readonly mustAct: boolean;
}

const WITHOUT = {
  working: 'Working out the times …',
  failed: 'This device cannot work out the times',
  nothing: 'Nothing needs you',
} as const;

/** What the clock line says while nothing rings: the time, the next moment hands are needed, what may wait. */
export function ClockLine({
  makes,
  chores,
  nowMs,
  without,
}: {
  readonly makes: readonly Attended[];
  /** What else is to be done, besides the batches. */
  readonly chores: readonly Chore[];
  readonly nowMs: number;
  /** What to say when no moment is known. */
  readonly without: keyof typeof WITHOUT;
}) {
  const units = useUnits();
  const next = [
    ...makes.flatMap(({ id, name, next: hands }) =>
      hands ? [{ id, name, to: `/makes/${id}`, ...hands, later: name }] : [],
    ),
    ...chores.map((chore) => ({ ...chore, later: `${chore.act.toLowerCase()}, ${chore.name}` })),
  ].sort((a, b) => a.atMs - b.atMs);
  const soonest = next[0];
  const left = soonest ? soonest.atMs - nowMs : 0;
  return (
    <>
      <span className="time number">{units.time(nowMs, nowMs)}</span>
      {soonest ? (
        <Link to={soonest.to} className={soonest.mustAct && left <= 0 ? 'must' : ''}>
          <span className="due number">
            {left > 45_000 ? `in about ${formatMinutes(left / MINUTE_MS)}` : 'now'}
          </span>
          <span>
            {soonest.act}, {soonest.name}
          </span>
        </Link>
      ) : (
        <span className="quiet">{WITHOUT[without]}</span>
      )}
      <span className="spacer" />
      {next.slice(1, 3).map(({ id, to, later, mustAct, atMs }) => (
        <Link key={id} to={to} className="may-wait quiet">
          <span>
            {mustAct ? 'then' : 'can wait:'} {later} about {units.time(atMs, nowMs)}
          </span>
        </Link>
      ))}
    </>
  );
}
