import {
  CURD_TOLD,
  drainingNow,
  grainGain,
  grainsAfter,
  nextTurn,
  told,
  SYSTEM_UNITS,
  toKilograms,
  UNIT_LABEL,
  type MakeState,
  type PointForecast,
  makeAt,
} from '@morning-crock/core';
import type { TypedQuantity } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { now } from '../../../data/clock.ts';
import { record } from '../../../data/store.ts';
import { useCultures } from '../../../data/use-cultures.ts';
import { useUnits } from '../../../data/use-units.ts';
import { QuantityField } from '../../../parts/fields/QuantityField.tsx';

/** A weight with one button under it. */
function Weighing(props: {
  readonly label: string;
  readonly says: string;
  readonly fault: (massKg: number) => string | null;
  readonly onWeighed: (massKg: number, typed: TypedQuantity) => void;
}) {
  const units = useUnits();
  const massUnits = SYSTEM_UNITS[units.system].mass;
  const unit = massUnits[0] ?? 'g';
  const [typed, setTyped] = useState<{ value: number; unit: typeof unit } | null>(null);
  const [count, setCount] = useState(0);
  return (
    <form
      aria-label={props.label}
      onSubmit={(event) => {
        event.preventDefault();
        if (!typed) return;
        props.onWeighed(toKilograms(typed.value, typed.unit), typed);
        setTyped(null);
        setCount(count + 1);
      }}
    >
      <QuantityField
        key={count}
        label={props.label}
        value={null}
        unit={unit}
        units={massUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
        check={(value, u) => {
          const kg = toKilograms(value, u);
          return kg > 0 ? props.fault(kg) : 'Enter a weight above 0.';
        }}
        onFault={(faulty) => {
          if (faulty) setTyped(null);
        }}
        onChange={(value, u) => setTyped({ value, unit: u })}
      />
      <Button type="submit" variant="default" h={56} disabled={!typed} mt={12}>
        {props.says}
      </Button>
    </form>
  );
}

interface Now {
  readonly state: MakeState;
  readonly point: PointForecast;
}

/** What a cloth let go, what hangs in it, and whey stirred back. */
export function Drips({ state, point }: Now) {
  const units = useUnits();
  const drain = drainingNow(makeAt(state, now()), point.denatured);
  const [what, setWhat] = useState<'whey' | 'curd' | 'back'>('whey');
  if (!drain) return null;
  const most = drain.startKg;
  const tooMuch = (kg: number): string | null =>
    kg > most * 1.02
      ? `That is more than went into the cloth (${units.mass(most)} at most). Check the weight.`
      : null;
  return (
    <>
      <div className="stage-buttons" role="group" aria-label="What you are weighing">
        {(
          [
            ['whey', 'Whey'],
            ['curd', 'Curd'],
            ['back', 'Whey returned'],
          ] as const
        ).map(([value, label]) => (
          <button
            key={value}
            type="button"
            className="chip"
            aria-pressed={what === value}
            onClick={() => setWhat(value)}
          >
            {label}
          </button>
        ))}
      </div>
      {what === 'back' ? (
        <Weighing
          key="back"
          label="Whey stirred back in"
          says="Save weight"
          fault={(kg) =>
            kg > drain.now.wheyKg + 0.005
              ? `Only about ${units.mass(drain.now.wheyKg)} of whey has drained off. Enter less.`
              : null
          }
          onWeighed={(massKg, typed) =>
            void record(state.id, 'whey-returned', { step: drain.step, massKg, typed })
          }
        />
      ) : (
        <Weighing
          key={what}
          label={what === 'whey' ? 'All the whey caught so far' : 'Curd left in the cloth, without the cloth'}
          says={what === 'whey' ? 'Save weight' : 'Save weight'}
          fault={tooMuch}
          onWeighed={(massKg, typed) =>
            void record(state.id, 'drain-weighed', { step: drain.step, massKg, of: what, typed })
          }
        />
      )}
    </>
  );
}

/** Tried so often without a clean break, something may be wrong. */
const OFTEN = 2;

/** Tried, and not yet: it is tried again. */
export function Tries({ state }: { readonly state: MakeState }) {
  const step = state.current?.step.id;
  if (step === undefined) return null;
  const failed = told(state, CURD_TOLD).tries.filter((one) => one.step === step && !one.clean).length;
  return (
    <div className="stage-buttons" role="group" aria-label="Clean-break test">
      <button
        type="button"
        className="chip whole-row"
        onClick={() => void record(state.id, 'break-tried', { step, clean: false })}
      >
        Record no clean break
      </button>
      {failed >= OFTEN && (
        <Link to={`/why/${state.id}?complaint=no-break`}>Still no clean break? Find out why</Link>
      )}
    </div>
  );
}

/** Turned: the next one is counted from now. */
export function Turns({ state, point }: Now) {
  const turn = nextTurn(state, point);
  if (!turn) return null;
  return (
    <div className="stage-buttons" role="group" aria-label="Turning">
      <button
        type="button"
        className="chip whole-row"
        onClick={() => void record(state.id, 'turned', { step: turn.step })}
      >
        {turn.words === 'Turn the cheese' ? 'Mark as turned' : 'Mark as stirred'}
      </button>
    </div>
  );
}

/** "gained 12 g" */
const gainWords = (kg: number, mass: (kg: number) => string): string =>
  kg >= 0 ? `gained ${mass(kg)}` : `lost ${mass(-kg)}`;

/** The grains on the scales: the register of cultures keeps their growth. */
export function Grains({ state }: { readonly state: MakeState }) {
  const id = state.plan.starter.cultureId;
  const { cultures } = useCultures(now());
  const culture = cultures.find((c) => c.id === id);
  const units = useUnits();
  const gain = grainGain(state, culture, now());
  const grew = gain && (
    <p role="status">
      {units.mass(gain.dosedKg)} went in.{' '}
      {gain.weighedKg === null
        ? `After ${gain.days.toFixed(1)} days the grains should weigh about ${units.mass(gain.expectedKg)}.`
        : `Now ${units.mass(gain.weighedKg)}: ${gainWords(gain.weighedKg - gain.dosedKg, (kg) => units.mass(kg))} in ${gain.days.toFixed(1)} days. About ${units.mass(gain.expectedKg)} is usual.`}
    </p>
  );
  if (id === undefined || !culture)
    return (
      <>
        {grew}
        <p className="quiet">
          To keep the weight of your grains, choose them from My cultures when you start a batch.
        </p>
      </>
    );
  return (
    <>
      <Weighing
        label={`${culture.name}, drained`}
        says="Save weight"
        fault={(kg) => (kg > 20 ? 'That is more than 20 kg of grains. Check the unit.' : null)}
        onWeighed={(massKg, typed) => void record(id, 'culture-changed', { kind: 'weigh', massKg, typed })}
      />
      {grew}
      {culture.massKg !== null && (
        <p className="quiet">
          On record: {units.mass(culture.massKg)}. Kept in milk, they will weigh about{' '}
          {units.mass(grainsAfter(culture.massKg, 1, 'milk'))} tomorrow.
        </p>
      )}
    </>
  );
}
