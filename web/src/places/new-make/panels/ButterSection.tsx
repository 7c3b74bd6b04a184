import {
  batchOf,
  butterPour,
  HAND_WORKED_FAT,
  toKilograms,
  SYSTEM_UNITS,
  UNIT_LABEL,
} from '@morning-crock/core';
import type { MakePlan } from '@morning-crock/core/contract';
import { useUnits } from '../../../data/use-units.ts';
import { Choices } from '../../../parts/Choices.tsx';
import { QuantityField } from '../../../parts/QuantityField.tsx';
import { stepOf, withStep } from './method-step.ts';

/** How wet butter is: water and fat, 0..1. Estimates; a pan test says it. */
const WETNESS = {
  worked: { label: 'washed and worked', water: 0.17, fat: HAND_WORKED_FAT },
  bought: { label: 'bought', water: 0.16, fat: 0.82 },
  lumps: { label: 'wet lumps, hardly worked', water: 0.25, fat: 0.73 },
} as const;
type Wetness = keyof typeof WETNESS;
const WETNESSES = Object.keys(WETNESS) as Wetness[];

/** What butter goes into the pan: how much, and how wet. */
export function ButterSection(props: {
  readonly plan: MakePlan;
  readonly change: (part: Partial<MakePlan>) => void;
  readonly onFault: (field: string, faulty: boolean) => void;
}) {
  const { plan, change, onFault } = props;
  const units = useUnits();
  const clarify = stepOf(plan, 'clarify');
  if (!clarify) return null;
  const { massKg, composition } = batchOf(plan);
  const { typed } = plan.milk;
  const massUnits = SYSTEM_UNITS[units.system].mass;
  const set = (kg: number, as: MakePlan['milk']['typed'], water: number, fat: number): void =>
    change({
      milk: { ...plan.milk, ...butterPour(kg, water, fat, as) },
      method: withStep(plan, 'clarify', { moistureFraction: water }),
    });
  const wet = WETNESSES.find((w) => WETNESS[w].water === clarify.moistureFraction) ?? 'worked';
  return (
    <section className="section" aria-labelledby="butter">
      <h2 id="butter">Butter</h2>
      <QuantityField
        label="Amount"
        value={typed.value}
        unit={massUnits.find((u) => u === typed.unit) ?? massUnits[0]!}
        units={massUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
        check={(value, unit) => {
          const kg = toKilograms(value, unit);
          if (!(kg >= 0.05)) return 'Less than 50 g scorches before it clears. Use more butter.';
          return kg > 20 ? `That is ${units.mass(kg)} of butter. Check the unit.` : null;
        }}
        onFault={(faulty) => onFault('amount', faulty)}
        onChange={(value, unit) =>
          set(toKilograms(value, unit), { value, unit }, clarify.moistureFraction, composition.fatFraction)
        }
      />
      <Choices
        legend="Kind"
        value={wet}
        options={WETNESSES.map((w) => ({ value: w, label: WETNESS[w].label }))}
        onChange={(w) => set(massKg, typed, WETNESS[w].water, WETNESS[w].fat)}
      />
      <p className="quiet">
        About {Math.round(clarify.moistureFraction * 100)} % water,{' '}
        {units.mass(massKg * clarify.moistureFraction)} to boil off. Wetter butter takes longer and gives less
        ghee.
      </p>
    </section>
  );
}
