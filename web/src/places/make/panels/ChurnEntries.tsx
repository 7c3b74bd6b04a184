import {
  CHURN_FACTS,
  CHURN_STAGES,
  loadStanding,
  STAGE_WORDS,
  stagesOfLoad,
  SYSTEM_UNITS,
  toLitres,
  UNIT_LABEL,
  type MakeState,
  CHURN_TOLD,
  told,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { record } from '../../../data/store.ts';
import { useUnits } from '../../../data/use-units.ts';
import { QuantityField } from '../../../parts/fields/QuantityField.tsx';
import { StepSlider } from '../../../parts/fields/StepSlider.tsx';

/** One tap a stage, as eye and ear tell it, of the load in the churn. */
function Stages({ state }: { readonly state: MakeState }) {
  const seen = stagesOfLoad(state);
  const last = seen.at(-1)?.stage;
  const from = last ? CHURN_STAGES.indexOf(last) + 1 : 0;
  return (
    <div className="stage-buttons" role="group" aria-label="Churning stage">
      {CHURN_STAGES.filter((stage) => stage !== 'broken').map((stage) => (
        <button
          key={stage}
          type="button"
          className="chip"
          aria-pressed={seen.some((s) => s.stage === stage)}
          disabled={CHURN_STAGES.indexOf(stage) < from}
          onClick={() => void record(state.id, 'stage-seen', { stage })}
        >
          {STAGE_WORDS[stage]}
        </button>
      ))}
    </div>
  );
}

/** Colder than this from the cold hardly comes, warmer hardly cools, °C. */
const [COLDEST_C, WARMEST_C] = [1, 16];
const CHILLED_C = 4;

/** Chilled water in the churn: cools what is too warm, and thins the buttermilk. */
export function ChilledWater({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const volumeUnits = SYSTEM_UNITS[units.system].milk;
  // By the cup, not by the churn.
  const unit = volumeUnits.find((u) => u === 'mL' || u === 'cup-us') ?? volumeUnits[0] ?? 'L';
  const [celsius, setCelsius] = useState(CHILLED_C);
  const [typed, setTyped] = useState<{ value: number; unit: typeof unit } | null>(null);
  return (
    <details>
      <summary className="unfolds">
        {told(state, CHURN_TOLD).poured.length === 0
          ? 'Add chilled water'
          : `Water added: ${units.volume(told(state, CHURN_TOLD).poured.reduce((sum, p) => sum + p.massKg, 0))}`}
      </summary>
      <form
        aria-label="Chilled water"
        onSubmit={(event) => {
          event.preventDefault();
          if (!typed) return;
          const massKg = toLitres(typed.value, typed.unit);
          void record(state.id, 'water-poured', { massKg, celsius, typed });
        }}
      >
        <QuantityField
          key={told(state, CHURN_TOLD).poured.length}
          label="Water"
          value={null}
          unit={unit}
          units={volumeUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
          check={(value, u) => {
            const litres = toLitres(value, u);
            if (!(litres > 0)) return 'Enter an amount above 0.';
            return litres > state.plan.milk.litres
              ? `That is more than the ${units.volume(state.plan.milk.litres)} of cream. Check the unit.`
              : null;
          }}
          onFault={(faulty) => {
            if (faulty) setTyped(null);
          }}
          onChange={(value, u) => setTyped({ value, unit: u })}
        />
        <StepSlider
          label="Temperature"
          value={celsius}
          shown={units.temperature(celsius)}
          min={COLDEST_C}
          max={WARMEST_C}
          step={1}
          onChange={setCelsius}
        />
        <Button type="submit" variant="default" h={56} disabled={!typed} mt={12}>
          Mark as added
        </Button>
        <p className="quiet">Use drinking water. It cools the cream at once, but thins the buttermilk.</p>
      </form>
    </details>
  );
}

/** What hands tell of a churning besides that it broke. */
export function ChurnEntries({ state }: { readonly state: MakeState }) {
  const churn = state.current?.step.instance;
  if (churn?.kind !== 'churn' || loadStanding(state)?.broke) return null;
  const resting = told(state, CHURN_TOLD).rests.at(-1)?.toMs === null;
  return (
    <>
      <Stages state={state} />
      <Button
        variant="default"
        h={56}
        mt={12}
        aria-pressed={resting}
        onClick={() => void record(state.id, 'churn-rested', { resting: !resting })}
      >
        {resting ? 'Resume churning' : CHURN_FACTS[churn.churn].motor ? 'Rest the motor' : 'Pause churning'}
      </Button>
      <ChilledWater state={state} />
    </>
  );
}
