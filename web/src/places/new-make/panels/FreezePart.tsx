import { batchOf, FREEZING_MACHINE_FACTS, MACHINE_FILL } from '@morning-crock/core';
import { FREEZING_MACHINES, type MakePlan } from '@morning-crock/core/contract';
import { useUnits } from '../../../data/use-units.ts';
import { Choices } from '../../../parts/fields/Choices.tsx';
import { MACHINE_LABEL } from '../../../parts/words/freezing-words.ts';
import { stepOf } from '../../../parts/words/method-step.ts';
import { StepSlider } from '../../../parts/fields/StepSlider.tsx';

const BY_HAND = 'hand';
const STIR_MIN = 40;

/** How it is frozen: stirred by hand, or churned in a machine and hardened. */
export function FreezePart({
  plan,
  change,
}: {
  readonly plan: MakePlan;
  readonly change: (part: Partial<MakePlan>) => void;
}) {
  const units = useUnits();
  const freeze = stepOf(plan, 'freeze');
  if (!freeze) return null;
  const set = (next: typeof freeze): void =>
    change({
      method: {
        ...plan.method,
        steps: plan.method.steps.map((step) => (step.id === freeze.id ? next : step)),
      },
    });
  const { machine, ...byHand } = freeze;
  return (
    <>
      <Choices
        legend="Churned"
        value={machine ?? BY_HAND}
        options={[
          { value: BY_HAND, label: 'by hand, in the freezer' },
          ...FREEZING_MACHINES.map((value) => ({ value, label: MACHINE_LABEL[value] })),
        ]}
        onChange={(value) => {
          const chosen = FREEZING_MACHINES.find((one) => one === value);
          set(
            chosen
              ? { ...byHand, machine: chosen, stirEveryMin: null }
              : { ...byHand, stirEveryMin: freeze.stirEveryMin ?? STIR_MIN },
          );
        }}
      />
      {machine && (
        <p className="quiet">
          Churns for about {FREEZING_MACHINE_FACTS[machine].churnMin.join('–')} min. It takes up air, so the
          machine must hold at least {units.aboutVolume(batchOf(plan).litres / MACHINE_FILL)}.
        </p>
      )}
      <StepSlider
        label={machine ? 'Harden in the freezer' : 'In the freezer'}
        value={freeze.hours}
        shown={`${freeze.hours} h`}
        min={0.5}
        max={12}
        step={0.5}
        onChange={(hours) => set({ ...freeze, hours })}
      />
    </>
  );
}
