import { boilOffRescue, CAUTIONS, type ComplaintId, type MakeState } from '@morning-crock/core';
import { useMemo } from 'react';
import { useUnits } from '../../data/use-units.ts';

/** Ghee with water in it goes back on the heat: how long, and what is left of it; nothing where that does not help. */
export function BoilItOff(props: {
  readonly state: MakeState;
  readonly complaint: ComplaintId;
  readonly nowMs: number;
}) {
  const { state, complaint, nowMs } = props;
  const units = useUnits();
  const boil = useMemo(() => boilOffRescue(state, complaint, nowMs), [state, complaint, nowMs]);
  if (!boil) return null;
  const [from, middle, to] = boil.minutes;
  return (
    <section aria-label="What to do now" className="rescues">
      <h2>What to do now</h2>
      <p>
        If water is left in it, <strong>warm it again on low heat</strong> for about{' '}
        <span className="number">{Math.max(1, Math.round(middle))} min</span>, until no bubbles rise and the
        crackling stops. It may take{' '}
        <span className="number">
          {Math.max(1, Math.floor(from))} to {Math.ceil(to)} min
        </span>
        . Then take it off at once and filter it. About {units.mass(boil.gheeKg)} of ghee stays.
      </p>
      <p className="caution">{CAUTIONS['never-leave-fat']}</p>
      <p className="quiet">An estimate, for about {units.mass(boil.waterKg)} of water.</p>
    </section>
  );
}
