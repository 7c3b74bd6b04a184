import { TREATMENTS } from '@morning-crock/core';
import { feedKg, type WakingPlan } from '@morning-crock/core/contract';
import { useUnits } from '../../data/use-units.ts';
import { Choices } from '../../parts/fields/Choices.tsx';
import { StepSlider } from '../../parts/fields/StepSlider.tsx';

/** Which milk feeds a waking, and how much of it each time. */
export function WakeMilk(props: { readonly plan: WakingPlan; readonly onPlan: (plan: WakingPlan) => void }) {
  const { plan, onPlan } = props;
  const units = useUnits();
  const set = (part: Partial<WakingPlan>): void => onPlan({ ...plan, ...part });
  return (
    <section className="section" aria-labelledby="wake-milk">
      <h2 id="wake-milk">Milk</h2>
      <Choices
        legend="Milk"
        value={plan.treatment}
        options={TREATMENTS.map((t) => ({ value: t, label: t }))}
        onChange={(treatment) => set({ treatment })}
      />
      <p className="quiet">
        {plan.treatment === 'ultra-heated'
          ? 'Ultra-heated milk needs no scalding.'
          : 'Scald and cool the milk for each feed before adding the culture.'}
      </p>
      <StepSlider
        label="First feed"
        value={Math.round(plan.firstFeedKg * 1000)}
        shown={units.mass(plan.firstFeedKg)}
        min={20}
        max={500}
        step={10}
        onChange={(g) => set({ firstFeedKg: g / 1000, feedsKg: undefined })}
      />
      <StepSlider
        label="Each feed"
        value={plan.growth}
        shown={`${plan.growth} times the one before`}
        min={1.5}
        max={6}
        step={0.5}
        onChange={(growth) => set({ growth, feedsKg: undefined })}
      />
      <StepSlider
        label="Feeds"
        value={plan.feeds}
        shown={String(plan.feeds)}
        min={1}
        max={8}
        step={1}
        onChange={(feeds) => set({ feeds, feedsKg: undefined })}
      />
      <details>
        <summary className="unfolds">Amounts as the packet says</summary>
        {Array.from({ length: plan.feeds }, (_, i) => feedKg(plan, i + 1)).map((kg, i, all) => (
          <StepSlider
            key={i}
            label={`Feed ${i + 1}`}
            value={Math.round(kg * 1000)}
            shown={units.mass(kg)}
            min={20}
            max={4000}
            step={10}
            onChange={(g) => {
              const feedsKg = all.map((own, n) => (n === i ? g / 1000 : own));
              set({ feedsKg, firstFeedKg: Math.min(2, feedsKg[0]!) });
            }}
          />
        ))}
      </details>
      <StepSlider
        label="Carton size"
        value={plan.cartonLitres ?? 1}
        shown={units.volume(plan.cartonLitres ?? 1)}
        min={0.5}
        max={4}
        step={0.5}
        onChange={(cartonLitres) => set({ cartonLitres })}
      />
    </section>
  );
}
