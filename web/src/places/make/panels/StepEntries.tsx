import {
  CHURN_STAGES,
  GHEE_STAGES,
  MOST_BUTTER_WATER,
  GHEE_STAGE_WORDS,
  fatBalance,
  readTypedNumber,
  SYSTEM_UNITS,
  toKilograms,
  UNIT_LABEL,
  type MakeState,
  STAGE_WORDS,
} from '@morning-crock/core';
import { Button, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useState } from 'react';
import { now } from '../../../data/clock.ts';
import { record } from '../../../data/store.ts';
import { useUnits } from '../../../data/use-units.ts';
import { QuantityField } from '../../../parts/QuantityField.tsx';
import './panels.css';

/** One tap a stage, as eye and ear tell it. */
function Stages({ state }: { readonly state: MakeState }) {
  const last = state.stages.at(-1)?.stage;
  const from = last ? CHURN_STAGES.indexOf(last) + 1 : 0;
  return (
    <div className="stage-buttons" role="group" aria-label="How far it is">
      {CHURN_STAGES.filter((stage) => stage !== 'broken').map((stage) => (
        <button
          key={stage}
          type="button"
          className="chip"
          aria-pressed={state.stages.some((s) => s.stage === stage)}
          disabled={CHURN_STAGES.indexOf(stage) < from}
          onClick={() => void record(state.id, 'stage-seen', { stage })}
        >
          {STAGE_WORDS[stage]}
        </button>
      ))}
    </div>
  );
}

function Rinses({ state }: { readonly state: MakeState }) {
  return (
    <div className="stage-buttons" role="group" aria-label="Washing">
      <button
        type="button"
        className="chip"
        onClick={() => void record(state.id, 'rinsed', { clear: false })}
      >
        Washed once, cloudy
      </button>
      <button type="button" className="chip" onClick={() => void record(state.id, 'rinsed', { clear: true })}>
        Washed once, clear
      </button>
    </div>
  );
}

/** How wet the butter is: ten grams of it, weighed before and after their water was boiled off. */
function PanTest({ state }: { readonly state: MakeState }) {
  const form = useForm({
    initialValues: { before: '10', after: '' },
    validate: {
      before: (text) => (gramsOf(text) === null ? 'Type the grams of butter, as 10.' : null),
      after: (text, { before }) => {
        const [grams, first] = [gramsOf(text), gramsOf(before)];
        if (grams === null) return 'Type the grams that are left.';
        if (first === null) return null;
        if (grams > first) return 'More than before? Water boils off, nothing comes to it.';
        return grams < (1 - MOST_BUTTER_WATER) * first
          ? 'That little? More than 40 % water is no butter: weigh again, without the pan.'
          : null;
      },
    },
  });
  const known = state.moistureFraction;
  return (
    <details>
      <summary className="unfolds">
        {known === null ? 'How wet is it? A pan test' : `Pan test: ${(known * 100).toFixed(1)} % water`}
      </summary>
      <form
        aria-label="Pan test"
        className="field-row"
        onSubmit={form.onSubmit(({ before, after }) => {
          const [beforeG, afterG] = [gramsOf(before)!, gramsOf(after)!];
          void record(state.id, 'pan-tested', {
            beforeKg: beforeG / 1000,
            afterKg: afterG / 1000,
            typed: { value: afterG, unit: 'g' },
          });
          form.reset();
        })}
      >
        <TextInput label="Butter, g" inputMode="decimal" w={120} {...form.getInputProps('before')} />
        <TextInput label="Left, g" inputMode="decimal" w={120} {...form.getInputProps('after')} />
        <Button type="submit" variant="default">
          Tested
        </Button>
      </form>
      <p className="quiet">Heat it gently in a small pan until it is quiet and smells of nuts.</p>
    </details>
  );
}

/** Grams as typed; `null` for what is none. */
function gramsOf(text: string): number | null {
  const read = readTypedNumber(text);
  return read.ok && read.value > 0 ? read.value : null;
}

/** One tap what the pan looks like; and the pan on the scales, which tells it best. */
function Pan({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const massUnits = SYSTEM_UNITS[units.system].mass;
  const unit = massUnits[0] ?? 'g';
  const [typed, setTyped] = useState<{ value: number; unit: typeof unit } | null>(null);
  const last = state.panStages.at(-1)?.stage;
  const from = last ? GHEE_STAGES.indexOf(last) + 1 : 0;
  const before = state.pan.at(-1);
  return (
    <>
      <div className="stage-buttons" role="group" aria-label="What the pan looks like">
        {GHEE_STAGES.map((stage) => (
          <button
            key={stage}
            type="button"
            className="chip"
            aria-pressed={state.panStages.some((s) => s.stage === stage)}
            disabled={GHEE_STAGES.indexOf(stage) < from}
            onClick={() => void record(state.id, 'stage-seen', { stage })}
          >
            {GHEE_STAGE_WORDS[stage]}
          </button>
        ))}
      </div>
      <form
        aria-label="The pan on the scales"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed)
            void record(state.id, 'pan-weighed', { massKg: toKilograms(typed.value, typed.unit), typed });
        }}
      >
        <QuantityField
          key={state.pan.length}
          label={before ? 'Pan and all, again' : 'Pan and all, on the scales'}
          value={null}
          unit={unit}
          units={massUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
          check={(value, u) => {
            const kg = toKilograms(value, u);
            if (!(kg > 0)) return 'A weight is above 0.';
            return before && kg > before.massKg + 0.002
              ? `It weighed ${units.mass(before.massKg)} before: a pan on the fire gets no heavier.`
              : null;
          }}
          onFault={(faulty) => {
            if (faulty) setTyped(null);
          }}
          onChange={(value, u) => setTyped({ value, unit: u })}
        />
        <Button type="submit" variant="default" h={56} disabled={!typed} mt={12}>
          {before ? 'It weighs that now' : 'Weighed'}
        </Button>
      </form>
    </>
  );
}

/** How much salt went in, beginning with what was planned for the butter there is. */
function Salt({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const unit = SYSTEM_UNITS[units.system].mass[0] ?? 'g';
  const work = state.current?.step.instance;
  const balance = fatBalance(state, now());
  const share = work?.kind === 'work' ? work.saltFraction : 0;
  const butterKg = balance?.realKg ?? balance?.likelyKg ?? 0;
  const wantedKg = (butterKg * share) / (1 - share);
  const [typed, setTyped] = useState<{ value: number; unit: typeof unit } | null>(() => {
    const asked = units.mass(wantedKg).match(/^[\d.,]+/)?.[0] ?? '';
    const read = readTypedNumber(asked);
    return share > 0 && read.ok && units.mass(wantedKg).endsWith(UNIT_LABEL[unit])
      ? { value: read.value, unit }
      : null;
  });
  if (state.saltKg !== null) return <p>Salted with {units.mass(state.saltKg)}.</p>;
  if (share === 0) return null;
  return (
    <form
      aria-label="Salt"
      onSubmit={(event) => {
        event.preventDefault();
        if (typed) void record(state.id, 'salted', { massKg: toKilograms(typed.value, typed.unit), typed });
      }}
    >
      <QuantityField
        label="Salt"
        value={typed?.value ?? null}
        unit={unit}
        units={SYSTEM_UNITS[units.system].mass.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
        check={(value, u) =>
          value > 0
            ? toKilograms(value, u) > butterKg * 0.1
              ? `That is more than a tenth of the ${units.mass(butterKg)} of butter. Another unit?`
              : null
            : 'The salt must be above 0.'
        }
        onFault={(faulty) => {
          if (faulty) setTyped(null);
        }}
        onChange={(value, u) => setTyped({ value, unit: u })}
      />
      <Button type="submit" variant="default" h={56} disabled={!typed} mt={12}>
        The salt is in
      </Button>
    </form>
  );
}

/** What hands tell of the present step besides that it is done. */
export function StepEntries({ state }: { readonly state: MakeState }) {
  switch (state.current?.step.facts.tells) {
    case 'stages':
      return <Stages state={state} />;
    case 'rinses':
      return <Rinses state={state} />;
    case 'pan':
      return <Pan state={state} />;
    case 'salt':
      return (
        <>
          <Salt key={state.saltKg} state={state} />
          <PanTest state={state} />
        </>
      );
    default:
      return null;
  }
}
