import { formatMinutes } from '@morning-crock/core';
import { Link } from 'react-router';
import { useUnits } from './use-units.ts';
import type { Attended } from './attended.ts';

/** Always there: the time, the next moment hands are needed, what may wait. */
export function ClockLine({
  makes,
  nowMs,
  working,
}: {
  readonly makes: readonly Attended[];
  readonly nowMs: number;
  /** Makes are under way whose forecast is not there yet. */
  readonly working: boolean;
}) {
  const units = useUnits();
  const next = makes
    .flatMap((make) => (make.next ? [{ make, hands: make.next }] : []))
    .sort((a, b) => a.hands.atMs - b.hands.atMs);
  const soonest = next[0];
  const left = soonest ? soonest.hands.atMs - nowMs : 0;
  return (
    <header className="clock-line">
      <span className="time number">{units.time(nowMs, nowMs)}</span>
      {soonest ? (
        <Link to={`/makes/${soonest.make.id}`} className={soonest.hands.mustAct && left <= 0 ? 'must' : ''}>
          <span className="due number">
            {left > 45_000 ? `in about ${formatMinutes(left / 60_000)}` : 'now'}
          </span>
          <span>
            {soonest.hands.stepTitle}, {soonest.make.name}
          </span>
        </Link>
      ) : (
        <span className="quiet">{working ? 'Working out the times …' : 'No hands needed'}</span>
      )}
      <span className="spacer" />
      {next.slice(1, 3).map(({ make, hands }) => (
        <Link key={make.id} to={`/makes/${make.id}`} className="may-wait quiet">
          <span>
            {hands.mustAct ? 'then' : 'may wait:'} {make.name} about {units.time(hands.atMs, nowMs)}
          </span>
        </Link>
      ))}
    </header>
  );
}
