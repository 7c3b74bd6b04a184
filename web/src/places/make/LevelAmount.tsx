import { besidesOf, LEVEL_SPREAD, levelKg, type MakeState } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { record } from '../../data/store.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { LevelFields } from '../../parts/fields/LevelFields.tsx';

/** No scales: how full a jar or pot is counts as an amount, about. */
export function LevelAmount({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const kitchen = useKitchen();
  const [litres, setLitres] = useState<number | null>(null);
  const step = state.current?.step;
  // Butter is a lump: it stands at no level.
  if (step?.facts.endedBy !== 'weighed') return null;
  if (besidesOf(state.plan) && !step.facts.weighs) return null;
  if (kitchen.jars.length + kitchen.pots.length === 0) return null;
  const massKg = litres === null ? null : levelKg(state, litres);
  return (
    <details className="above-s">
      <summary className="unfolds">No scales? Tell by level</summary>
      <LevelFields onLitres={setLitres} />
      {massKg !== null && (
        <p role="status">
          About {units.mass(massKg)}, give or take {units.mass(massKg * LEVEL_SPREAD)}: a level is read by
          eye.
        </p>
      )}
      <Button
        variant="default"
        mt={12}
        disabled={massKg === null}
        onClick={() => {
          if (massKg === null) return;
          void record(state.id, 'weighed', {
            massKg,
            typed: { value: Math.round(massKg * 1000), unit: 'g' },
            byLevel: true,
            ...(step.facts.weighs ? { of: step.facts.weighs } : {}),
          });
        }}
      >
        Save estimate
      </Button>
    </details>
  );
}
