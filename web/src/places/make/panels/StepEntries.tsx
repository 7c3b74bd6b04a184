import {
  GHEE_STAGES,
  GHEE_STAGE_WORDS,
  SYSTEM_UNITS,
  toKilograms,
  UNIT_LABEL,
  type MakeState,
  type PointForecast,
  PAN_TOLD,
  told,
} from '@morning-crock/core';
import { Button } from '@mantine/core';
import type { StepKind } from '@morning-crock/core/contract';
import { useState, type ComponentType } from 'react';
import { record } from '../../../data/store.ts';
import { useUnits } from '../../../data/use-units.ts';
import { QuantityField } from '../../../parts/fields/QuantityField.tsx';
import { usePractice } from '../../../parts/practice/practice-context.ts';
import { ChilledWater, ChurnEntries } from './ChurnEntries.tsx';
import { Drips, Grains, Tries, Turns } from './CurdEntries.tsx';
import { Pieces } from './Pieces.tsx';
import { WashEntries } from './WashEntries.tsx';
import { WorkEntries } from './WorkEntries.tsx';
import './panels.css';

/** One tap what the pan looks like; and the pan on the scales, which tells it best. */
function Pan({ state }: { readonly state: MakeState }) {
  const practice = usePractice();
  const units = useUnits();
  const massUnits = SYSTEM_UNITS[units.system].mass;
  const unit = massUnits[0] ?? 'g';
  const [typed, setTyped] = useState<{ value: number; unit: typeof unit } | null>(null);
  const last = told(state, PAN_TOLD).stages.at(-1)?.stage;
  const from = last ? GHEE_STAGES.indexOf(last) + 1 : 0;
  const changed = state.events.findLast((e) => e.type === 'pan-changed');
  const weighed = told(state, PAN_TOLD).weighed.at(-1);
  // Another pan weighs what it weighs: nothing to hold it against yet.
  const before = weighed && changed && Date.parse(changed.at) >= weighed.atMs ? undefined : weighed;
  return (
    <>
      <div className="stage-buttons" role="group" aria-label="What the pan looks like">
        {GHEE_STAGES.map((stage) => (
          <button
            key={stage}
            type="button"
            className="chip"
            aria-pressed={told(state, PAN_TOLD).stages.some((s) => s.stage === stage)}
            disabled={GHEE_STAGES.indexOf(stage) < from}
            onClick={() => void record(state.id, 'stage-seen', { stage })}
          >
            {GHEE_STAGE_WORDS[stage]}
          </button>
        ))}
      </div>
      {!practice && (
        <>
          <form
            aria-label="Weigh the pan"
            onSubmit={(event) => {
              event.preventDefault();
              if (typed)
                void record(state.id, 'pan-weighed', { massKg: toKilograms(typed.value, typed.unit), typed });
            }}
          >
            <QuantityField
              key={`${told(state, PAN_TOLD).weighed.length} ${changed?.id}`}
              label={before ? 'Weight of pan and butter now' : 'Weight of pan and butter'}
              value={null}
              unit={unit}
              units={massUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
              check={(value, u) => {
                const kg = toKilograms(value, u);
                if (!(kg > 0)) return 'Enter a weight above 0.';
                return before && kg > before.massKg + 0.002
                  ? `The pan weighed ${units.mass(before.massKg)} before and cannot get heavier on the heat. Check the weight.`
                  : null;
              }}
              onFault={(faulty) => {
                if (faulty) setTyped(null);
              }}
              onChange={(value, u) => setTyped({ value, unit: u })}
            />
            <Button type="submit" variant="default" h={56} disabled={!typed} mt={12}>
              Save weight
            </Button>
          </form>
          <details>
            <summary className="unfolds">Solids sticking? Change pans</summary>
            <p className="caution">
              Turn off the heat first and wait until the bubbling stops. The other pan must be bone dry. A
              drop of water in it spatters hot fat. Pour away from you and leave the stuck solids behind.
            </p>
            <Button variant="default" h={56} mt={12} onClick={() => void record(state.id, 'pan-changed', {})}>
              Mark pan as changed
            </Button>
          </details>
        </>
      )}
    </>
  );
}

type EntriesProps = { readonly state: MakeState; readonly point: PointForecast };

/** What hands tell of a kind of step besides that it is done. */
const BY_KIND: Readonly<Partial<Record<StepKind, ComponentType<EntriesProps>>>> = {
  churn: ChurnEntries,
  drain: ChilledWater,
  wash: WashEntries,
  work: WorkEntries,
  clarify: Pan,
  strain: Drips,
  coagulate: Tries,
  press: Turns,
  dry: Turns,
  age: Turns,
  freeze: Turns,
  'grains-out': Grains,
};

/** Of these only weights are told. */
const TYPED: ReadonlySet<StepKind> = new Set(['strain', 'grains-out']);

/** What hands tell of the present step; of butter that is weighed, how it is cut. */
export function StepEntries({ state, point }: EntriesProps) {
  const practice = usePractice();
  if (!state.current) return practice ? null : <Pieces state={state} />;
  // What stands on a simulated scale is read off it, not typed.
  const Entries =
    practice && TYPED.has(state.current.step.kind) ? undefined : BY_KIND[state.current.step.kind];
  return Entries ? <Entries state={state} point={point} /> : null;
}
