import { FLAMES } from '@morning-crock/core';
import type { KitchenSettings, MakePlan } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import { useUnits } from '../../../data/use-units.ts';
import { Choices } from '../../../parts/fields/Choices.tsx';
import { StepSlider } from '../../../parts/fields/StepSlider.tsx';
import { stepOf, withStep } from '../../../parts/words/method-step.ts';

/** How it is clarified: fire, school, when it comes off, and how it sets. */
export function PanPart(props: {
  readonly plan: MakePlan;
  readonly kitchen: KitchenSettings;
  readonly change: (part: Partial<MakePlan>) => void;
}) {
  const { plan, kitchen, change } = props;
  const units = useUnits();
  const clarify = stepOf(plan, 'clarify');
  const sets = stepOf(plan, 'cool-ghee');
  if (!clarify || !sets) return null;
  return (
    <>
      <NativeSelect
        label="Burner"
        value={plan.burner.id}
        data={kitchen.burners.map((b) => ({ value: b.id, label: `${b.name}, ${b.powerKw} kW` }))}
        onChange={(e) => {
          const burner = kitchen.burners.find((b) => b.id === e.currentTarget.value);
          if (burner) change({ burner });
        }}
      />
      <Choices
        legend="Heat"
        value={clarify.flame}
        options={FLAMES.map((flame) => ({ value: flame, label: flame }))}
        onChange={(flame) => change({ method: withStep(plan, 'clarify', { flame }) })}
      />
      <Choices
        legend="While clearing"
        value={clarify.school}
        options={[
          { value: 'stir', label: 'stir throughout' },
          { value: 'skim', label: 'leave still and skim' },
        ]}
        onChange={(school) => change({ method: withStep(plan, 'clarify', { school }) })}
      />
      <StepSlider
        label="Take off the heat at"
        value={clarify.doneC}
        shown={`${units.temperature(clarify.doneC)}${clarify.doneC >= 116 ? ', solids browned, nutty taste' : ''}`}
        min={106}
        max={118}
        step={1}
        onChange={(doneC) => change({ method: withStep(plan, 'clarify', { doneC }) })}
      />
      <Choices
        legend="Setting"
        value={sets.as}
        options={[
          { value: 'coarse', label: 'slow, grainy' },
          { value: 'smooth', label: 'fast, smooth' },
        ]}
        onChange={(as) => change({ method: withStep(plan, 'cool-ghee', { as }) })}
      />
    </>
  );
}
