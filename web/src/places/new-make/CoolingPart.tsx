import { batchOf, coldBath, coolingMin, formatMinutes } from '@morning-crock/core';
import type { CoolingPlan, MakePlan } from '@morning-crock/core/contract';
import { Link } from 'react-router';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';

const WAYS = {
  open: 'uncovered',
  lid: 'lid on',
  bath: 'in cold water',
  'iced-bath': 'in iced water',
} as const;
type Way = keyof typeof WAYS;

const wayOf = ({ cooling }: MakePlan): Way =>
  !cooling || cooling.kind === 'counter' ? (cooling?.lidOn ? 'lid' : 'open') : cooling.kind;

/** The plan's milk cooled another way, with the water it had. */
function cooledBy(plan: MakePlan, way: Way): MakePlan {
  const { cooling: before, ...rest } = plan;
  if (way === 'open') return rest;
  const water: CoolingPlan = before && before.kind !== 'counter' ? before : coldBath(batchOf(plan).litres);
  return {
    ...rest,
    cooling:
      way === 'lid'
        ? { ...water, kind: 'counter', iceKg: 0, lidOn: true }
        : { ...water, kind: way, iceKg: way === 'iced-bath' ? Math.max(1, water.iceKg) : 0 },
  };
}

/** How heated milk comes down to the temperature it is inoculated at, and how long each way takes. */
export function CoolingPart({
  plan,
  replace,
}: {
  readonly plan: MakePlan;
  readonly replace: (plan: MakePlan) => void;
}) {
  const units = useUnits();
  const label = (way: Way): string => {
    const minutes = coolingMin(cooledBy(plan, way));
    return `${WAYS[way]}, ${Number.isFinite(minutes) ? `about ${formatMinutes(minutes)}` : 'never cool enough'}`;
  };
  return (
    <>
      <Choices
        legend="Cooling"
        value={wayOf(plan)}
        options={(Object.keys(WAYS) as Way[]).map((way) => ({ value: way, label: label(way) }))}
        onChange={(way) => replace(cooledBy(plan, way))}
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
