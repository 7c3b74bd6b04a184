import { boilingPointC, FLAMES, isHeated, usualFlame } from '@morning-crock/core';
import { PRODUCT_TAKES, type MakePlan } from '@morning-crock/core/contract';
import { Checkbox } from '@mantine/core';
import { Link } from 'react-router';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';
import { CoolingPart } from './CoolingPart.tsx';

const SCALD_KINDS = [
  { value: 'none', label: 'no' },
  { value: 'touch', label: 'to temperature' },
  { value: 'hold', label: 'to temperature, and hold' },
] as const;
const KINDS = [
  { value: 'hold', label: 'hold' },
  { value: 'touch', label: 'touch' },
  { value: 'boil', label: 'boil' },
  { value: 'none', label: 'none' },
] as const;

/** Heat treatment, how it cools, and the heat to inoculate at. */
export function HeatPart({
  plan,
  change,
  replace,
}: {
  readonly plan: MakePlan;
  readonly change: (part: Partial<MakePlan>) => void;
  readonly replace: (plan: MakePlan) => void;
}) {
  const units = useUnits();
  const { heat } = plan;
  const scalds = PRODUCT_TAKES[plan.product] === 'cream';
  const set = (part: Partial<MakePlan['heat']>): void => change({ heat: { ...heat, ...part } });
  const turnTo = (kind: MakePlan['heat']['kind']): void => {
    const usual = {
      hold: { targetC: 85, holdMin: 10 },
      touch: { targetC: 82, holdMin: 0 },
      boil: { targetC: boilingPointC(plan.altitudeM) - 0.3, holdMin: 0 },
      none: { targetC: plan.inoculateC, holdMin: 0 },
    }[kind];
    change({ heat: { ...heat, kind, ...usual, flame: usualFlame(kind) } });
  };
  return (
    <>
      {scalds ? (
        <Choices legend="Scald the cream first" value={heat.kind} options={SCALD_KINDS} onChange={turnTo} />
      ) : (
        <Choices legend="Before culturing" value={heat.kind} options={KINDS} onChange={turnTo} />
      )}
      {(heat.kind === 'hold' || heat.kind === 'touch') && (
        <StepSlider
          label="To"
          value={Math.round(heat.targetC)}
          shown={units.temperature(heat.targetC)}
          min={60}
          max={98}
          step={1}
          onChange={(targetC) => set({ targetC })}
        />
      )}
      {(heat.kind === 'hold' || heat.kind === 'boil') && (
        <StepSlider
          label="Hold"
          value={heat.holdMin}
          shown={`${heat.holdMin} min`}
          min={0}
          max={60}
          step={1}
          onChange={(holdMin) => set({ holdMin })}
        />
      )}
      {isHeated(plan) && (
        <>
          <Choices
            legend="Burner setting"
            value={heat.flame ?? 'full'}
            options={FLAMES.map((flame) => ({ value: flame, label: flame }))}
            onChange={(flame) => set({ flame })}
          />
          <Checkbox
            label="Lid on while heating"
            checked={heat.lidOn ?? false}
            onChange={(e) => set({ lidOn: e.currentTarget.checked })}
          />
        </>
      )}
      {scalds && heat.kind === 'none' ? (
        <p className="quiet">The starter goes into the cream as it is. The cream warms up in its place.</p>
      ) : (
        <StepSlider
          label="Inoculate at"
          value={plan.inoculateC}
          shown={units.temperature(plan.inoculateC)}
          min={15}
          max={60}
          step={0.5}
          onChange={(inoculateC) => change({ inoculateC })}
        />
      )}
      {isHeated(plan) && <CoolingPart plan={plan} replace={replace} />}
      <Link to="/sums/pasteurise?for=new">Is this hold long enough?</Link>
    </>
  );
}
