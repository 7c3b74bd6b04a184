import { batchOf, DOSED, DOSED_KINDS, dosesOf, mixedIn, withDose, withMixedIn } from '@morning-crock/core';
import type { MakePlan, StepInstance } from '@morning-crock/core/contract';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { QuantityField } from '../../parts/fields/QuantityField.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';

interface ExtrasProps {
  readonly plan: MakePlan;
  readonly change: (part: Partial<MakePlan>) => void;
}

/** What is stirred in to begin with, share of the whole. */
const USUAL_FRACTION = 0.06;
const MOST_PERCENT = 30;
const DOSE_UNITS = ['mL', 'g', 'drops'] as const;

const withSteps = (plan: MakePlan, steps: readonly StepInstance[]): Partial<MakePlan> => ({
  method: { ...plan.method, steps: [...steps] },
});
const without = (plan: MakePlan, id: string): Partial<MakePlan> =>
  withSteps(
    plan,
    plan.method.steps.filter((step) => step.id !== id),
  );
const changed = (plan: MakePlan, id: string, part: Record<string, unknown>): Partial<MakePlan> =>
  withSteps(
    plan,
    plan.method.steps.map((step) => (step.id === id ? { ...step, ...part } : step)),
  );

/** Honey, sugar, fruit: what is stirred in when it is cold, and how much of it. */
export function SweetenPart({ plan, change }: ExtrasProps) {
  const units = useUnits();
  const [what, setWhat] = useState('honey');
  const { massKg } = batchOf(plan);
  const share = (percent: number): number => (massKg * percent) / Math.max(1, 100 - percent);
  return (
    <>
      {mixedIn(plan).map((step) => (
        <div key={step.id} className="row">
          <StepSlider
            label={step.what.charAt(0).toUpperCase() + step.what.slice(1)}
            value={Math.round(step.fraction * 1000) / 10}
            shown={`${(step.fraction * 100).toFixed(1)} %, about ${units.mass(share(step.fraction * 100))}`}
            min={0.5}
            max={MOST_PERCENT}
            step={0.5}
            onChange={(percent) => change(changed(plan, step.id, { fraction: percent / 100 }))}
          />
          <Button variant="subtle" onClick={() => change(without(plan, step.id))}>
            Remove {step.what}
          </Button>
        </div>
      ))}
      <div className="row">
        <TextInput
          label="Sweeten or flavour with"
          value={what}
          maxLength={40}
          error={
            what.trim() === '' && mixedIn(plan).length === 0 ? 'Enter what goes in, for example honey.' : null
          }
          onChange={(event) => setWhat(event.currentTarget.value)}
        />
        <Button
          variant="default"
          disabled={what.trim() === ''}
          onClick={() => {
            change(withSteps(plan, withMixedIn(plan.method.steps, what.trim(), USUAL_FRACTION)));
            setWhat('');
          }}
        >
          Add to plan
        </Button>
      </div>
      <p className="quiet">
        Stirred in when it is cold: sugar slows the culture, and honey holds it back. Never give honey to a
        child under one year.
      </p>
    </>
  );
}

/** What is dosed by its own label before the rennet. */
export function DosesPart({
  plan,
  change,
  onFault,
}: ExtrasProps & { readonly onFault: (field: string, faulty: boolean) => void }) {
  const units = useUnits();
  const present = dosesOf(plan);
  if (withDose(plan.method.steps, 'calcium-chloride') === null) return null;
  const { litres } = batchOf(plan);
  return (
    <>
      {present.map((step) => (
        <div key={step.id} className="row">
          <QuantityField
            label={`${DOSED[step.what].label.charAt(0).toUpperCase()}${DOSED[step.what].label.slice(1)}, by its label`}
            value={step.perLitre}
            unit={step.unit}
            units={DOSE_UNITS.map((unit) => ({ value: unit, label: `${unit} per litre of milk` }))}
            check={(perLitre) =>
              perLitre >= 0.001 && perLitre <= 20 ? null : 'Enter what the label says for one litre of milk.'
            }
            onFault={(faulty) => onFault(step.what, faulty)}
            onChange={(perLitre, unit) => change(changed(plan, step.id, { perLitre, unit }))}
          />
          <span className="quiet">
            {Number((step.perLitre * litres).toPrecision(2))} {step.unit} for {units.volume(litres)}
          </span>
          <Button
            variant="subtle"
            onClick={() => {
              onFault(step.what, false);
              change(without(plan, step.id));
            }}
          >
            Remove {DOSED[step.what].label}
          </Button>
        </div>
      ))}
      <div className="row">
        {DOSED_KINDS.filter((what) => present.every((step) => step.what !== what)).map((what) => (
          <Button
            key={what}
            variant="default"
            onClick={() => change(withSteps(plan, withDose(plan.method.steps, what)!))}
          >
            Add {DOSED[what].label}
          </Button>
        ))}
      </div>
    </>
  );
}
