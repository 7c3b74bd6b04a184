import { drainRescue, type ComplaintId, type MakeState } from '@morning-crock/core';
import { useMemo } from 'react';
import { useUnits } from '../../data/use-units.ts';

/** What came out thin may be drained: how long, and what is left of it; nothing where a cloth does not help. */
export function DrainIt(props: {
  readonly state: MakeState;
  readonly complaint: ComplaintId;
  readonly nowMs: number;
}) {
  const { state, complaint, nowMs } = props;
  const units = useUnits();
  const drain = useMemo(() => drainRescue(state, complaint, nowMs), [state, complaint, nowMs]);
  if (!drain) return null;
  const [from, , to] = drain.hours;
  return (
    <section aria-label="What to do now" className="rescues">
      <h2>What to do now</h2>
      <p>
        <strong>Drain it through a cloth in the fridge</strong> for{' '}
        <span className="number">
          {Math.max(0.5, Math.floor(2 * from) / 2)} to {Math.ceil(2 * to) / 2} h
        </span>
        . About {units.mass(drain.curdKg)} stays, with {(100 * drain.proteinFraction).toFixed(1)} % protein,
        and {units.mass(drain.wheyKg)} of whey runs off.
      </p>
      <p className="quiet">An estimate. Stop when a spoon of it stands.</p>
    </section>
  );
}
