import {
  HAND_WORKED_WATER,
  keepingPlanOf,
  preparationOf,
  salted,
  serumLeftFraction,
  washesFor,
  washingOf,
} from '@morning-crock/core';
import type { MakePlan, StepKind } from '@morning-crock/core/contract';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from './Choices.tsx';
import { StepSlider } from './StepSlider.tsx';
import { stepOf, withStep, type Of } from '../words/method-step.ts';

/** How the butter is washed and salted. */
export function FinishPart({
  plan,
  change,
}: {
  readonly plan: MakePlan;
  readonly change: (part: Partial<MakePlan>) => void;
}) {
  const units = useUnits();
  const wash = stepOf(plan, 'wash');
  const work = stepOf(plan, 'work');
  if (!wash || !work) return null;
  const washing = washingOf({ step: wash });
  const keeping = keepingPlanOf(wash.washes, washing);
  const ready = preparationOf(plan);
  const set = <K extends StepKind>(kind: K, part: Partial<Omit<Of<K>, 'id' | 'kind'>>): void =>
    change({ method: withStep(plan, kind, part) });
  const salt = Math.round(work.saltFraction * 1000) / 10;
  const brine = salted(1, HAND_WORKED_WATER, work.saltFraction / (1 - work.saltFraction)).brineFraction;
  return (
    <>
      <Choices
        legend="Use of the butter"
        value={keeping}
        options={[
          { value: 'keep', label: 'for keeping' },
          { value: 'soon', label: 'to eat within a week' },
          { value: 'ghee', label: 'for ghee' },
        ]}
        onChange={(to) => set('wash', { washes: washesFor(to, washing) })}
      />
      <StepSlider
        label="Washes"
        value={wash.washes}
        shown={
          wash.washes === 0
            ? 'none'
            : `${wash.washes} ×, about ${Math.round(100 * serumLeftFraction(washing, wash.washes))} % of the buttermilk left`
        }
        min={0}
        max={8}
        step={1}
        onChange={(washes) => set('wash', { washes })}
      />
      {ready && ready.washLitres > 0 && (
        <p className="quiet">
          Have ready: about {units.aboutVolume(ready.washLitres)} of drinking water, chilled in the fridge or
          with about {units.mass(Math.ceil(10 * ready.iceKg) / 10)} of ice, and a bowl of{' '}
          {units.aboutVolume(ready.bowlLitres)}.
        </p>
      )}
      <StepSlider
        label="Salt"
        value={salt}
        shown={
          salt === 0
            ? 'none'
            : `${salt.toFixed(1)} %, about ${(brine * 100).toFixed(0)} % salt in its water${brine >= 0.08 ? ', so it keeps much better' : ''}`
        }
        min={0}
        max={4}
        step={0.1}
        onChange={(percent) => set('work', { saltFraction: percent / 100 })}
      />
    </>
  );
}
