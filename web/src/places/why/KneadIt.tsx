import { kneadRescue, type ButterKeeping, type ComplaintId, type MakeState } from '@morning-crock/core';
import { useMemo } from 'react';
import { useUnits } from '../../data/use-units.ts';

/** Grams of salt that are worth weighing, kg. */
const LEAST_SALT_KG = 0.001;

const days = ({ days: [from, to] }: ButterKeeping): string => `${from} to ${to} days`;

/** Butter that weeps is kneaded in cold water: how often, and how much longer it keeps; nothing where that does not help. */
export function KneadIt(props: {
  readonly state: MakeState;
  readonly complaint: ComplaintId;
  readonly nowMs: number;
}) {
  const { state, complaint, nowMs } = props;
  const units = useUnits();
  const knead = useMemo(() => kneadRescue(state, complaint, nowMs), [state, complaint, nowMs]);
  if (!knead) return null;
  const [before, after] = knead.keeps;
  return (
    <section aria-label="What to do now" className="rescues">
      <h2>What to do now</h2>
      <p>
        <strong>Knead it in very cold drinking water</strong>, about{' '}
        <span className="number">{knead.times} times</span>, each time with {units.mass(knead.waterKg)} of
        fresh water, until the water runs clear. Then press it dry.
        {knead.saltKg >= LEAST_SALT_KG &&
          ` The water carries off about ${units.mass(knead.saltKg)} of its salt: work that in again.`}
      </p>
      <p>
        In the fridge it then keeps <span className="number">{days(after)}</span> instead of{' '}
        <span className="number">{days(before)}</span>.
      </p>
      <p className="quiet">
        An estimate: {Math.round(100 * knead.serum[0])} % of its buttermilk is left now,{' '}
        {Math.max(1, Math.round(100 * knead.serum[1]))} % then.
      </p>
    </section>
  );
}
