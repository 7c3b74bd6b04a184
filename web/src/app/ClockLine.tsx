import { formatMinutes } from '@morning-crock/core';
import { Link } from 'react-router';
import { useUnits } from '../data/use-units.ts';
import type { Attended } from '../data/attended.ts';

const WITHOUT = {
  working: 'Working out the times …',
  failed: 'This device cannot work out the times',
  nothing: 'Nothing needs you',
} as const;

/** What the clock line says while nothing rings: the time, the next moment hands are needed, what may wait. */
export function ClockLine({
  makes,
  nowMs,
  without,
}: {
  readonly makes: readonly Attended[];
  readonly nowMs: number;
  /** What to say when no moment is known. */
  readonly without: keyof typeof WITHOUT;
}) {
  const units = useUnits();
  const next = makes
    .flatMap((make) => (make.next ? [{ make, hands: make.next }] : []))
    .sort((a, b) => a.hands.atMs - b.hands.atMs);
  const soonest = next[0];
  const left = soonest ? soonest.hands.atMs - nowMs : 0;
  return (
    <>
      <span className="time number">{units.time(nowMs, nowMs)}</span>
      {soonest ? (
        <Link to={`/makes/${soonest.make.id}`} className={soonest.hands.mustAct && left <= 0 ? 'must' : ''}>
          <span className="due number">
            {left > 45_000 ? `in about ${formatMinutes(left / 60_000)}` : 'now'}
          </span>
          <span>
            {soonest.hands.act}, {soonest.make.name}
          </span>
        </Link>
      ) : (
        <span className="quiet">{WITHOUT[without]}</span>
      )}
      <span className="spacer" />
      {next.slice(1, 3).map(({ make, hands }) => (
        <Link key={make.id} to={`/makes/${make.id}`} className="may-wait quiet">
          <span>
            {hands.mustAct ? 'then' : 'can wait:'} {make.name} about {units.time(hands.atMs, nowMs)}
          </span>
        </Link>
      ))}
    </>
  );
}
