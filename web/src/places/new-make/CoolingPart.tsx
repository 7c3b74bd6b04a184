import { batchOf, coldBath } from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { Link } from 'react-router';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/Choices.tsx';

type Way = 'counter' | 'bath' | 'iced-bath';

/** How heated milk comes down to the heat it is inoculated at. */
export function CoolingPart({
  plan,
  replace,
}: {
  readonly plan: MakePlan;
  readonly replace: (plan: MakePlan) => void;
}) {
  const units = useUnits();
  const way: Way = plan.cooling?.kind ?? 'counter';
  const turnTo = (kind: Way): void => {
    const { cooling: before, ...rest } = plan;
    if (kind === 'counter') return replace(rest);
    const water = before && before.kind !== 'counter' ? before : coldBath(batchOf(plan).litres);
    replace({
      ...rest,
      cooling: { ...water, kind, iceKg: kind === 'iced-bath' ? Math.max(1, water.iceKg) : 0 },
    });
  };
  return (
    <>
      <Choices
        legend="Cooling"
        value={way}
        options={[
          { value: 'counter', label: 'on the counter' },
          { value: 'bath', label: 'in cold water' },
          { value: 'iced-bath', label: 'in iced water' },
        ]}
        onChange={turnTo}
      />
      {plan.cooling && plan.cooling.kind !== 'counter' && (
        <p role="status">
          {units.volume(plan.cooling.waterLitres)} of water at {units.temperature(plan.cooling.waterC)}
          {plan.cooling.kind === 'iced-bath' && `, ${units.mass(plan.cooling.iceKg)} of ice`}.
        </p>
      )}
      <Link to="/sums/ice-bath?for=new">Open Ice bath</Link>
    </>
  );
}
