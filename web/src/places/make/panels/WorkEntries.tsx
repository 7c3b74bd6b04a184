import {
  fatBalance,
  FLAVOURINGS,
  isMassUnit,
  MILLILITRES_PER,
  MOST_BUTTER_WATER,
  readTypedNumber,
  SALT_KINDS,
  saltOfSpoonsKg,
  saltWantedKg,
  SYSTEM_UNITS,
  toKilograms,
  UNIT_LABEL,
  type Flavouring,
  type MakeState,
  type MassUnit,
  type SaltKind,
  type VolumeUnit,
  SALT_TOLD,
  WORK_TOLD,
  makeAt,
  told,
} from '@morning-crock/core';
import { Button, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useState } from 'react';
import { now } from '../../../data/clock.ts';
import { record } from '../../../data/store.ts';
import { useUnits } from '../../../data/use-units.ts';
import { Choices } from '../../../parts/fields/Choices.tsx';
import { Iced } from './WashEntries.tsx';
import { QuantityField } from '../../../parts/fields/QuantityField.tsx';

/** How wet the butter is: ten grams of it, weighed before and after their water was boiled off. */
function PanTest({ state }: { readonly state: MakeState }) {
  const form = useForm({
    initialValues: { before: '10', after: '' },
    validate: {
      before: (text) => (gramsOf(text) === null ? 'Enter the grams of butter, for example 10.' : null),
      after: (text, { before }) => {
        const [grams, first] = [gramsOf(text), gramsOf(before)];
        if (grams === null) return 'Enter the grams left after heating.';
        if (first === null) return null;
        if (grams > first)
          return 'That is more than before. Water boils off, so the weight must fall. Check both weights.';
        return grams < (1 - MOST_BUTTER_WATER) * first
          ? 'That would be more than 40 % water, too wet for butter. Weigh again without the pan.'
          : null;
      },
    },
  });
  const known = told(state, WORK_TOLD).moistureFraction;
  return (
    <details>
      <summary className="unfolds">
        {known === null ? 'How wet is the butter? Pan test' : `Pan test: ${(known * 100).toFixed(1)} % water`}
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
        <TextInput
          label="Left after heating, g"
          inputMode="decimal"
          w={120}
          {...form.getInputProps('after')}
        />
        <Button type="submit" variant="default">
          Save test
        </Button>
      </form>
      <p className="quiet">Heat the butter gently in a small pan until it stops bubbling and smells nutty.</p>
    </details>
  );
}

/** Grams as typed; `null` for what is none. */
function gramsOf(text: string): number | null {
  const read = readTypedNumber(text);
  return read.ok && read.value > 0 ? read.value : null;
}

/** How much salt went in, by weight or by level spoons, beginning with what was planned for the butter there is. */
function Salt({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const { mass, spoons } = SYSTEM_UNITS[units.system];
  const saltUnits: readonly (MassUnit | VolumeUnit)[] = [...mass, ...spoons];
  const unit = saltUnits[0] ?? 'g';
  const [kind, setKind] = useState<SaltKind>('fine');
  const kgOf = (value: number, u: typeof unit): number =>
    isMassUnit(u) ? toKilograms(value, u) : saltOfSpoonsKg(value, MILLILITRES_PER[u], kind);
  const balance = fatBalance(makeAt(state, now()));
  const butterKg = balance?.realKg ?? balance?.likelyKg ?? 0;
  const wantedKg = saltWantedKg(makeAt(state, now()));
  const [typed, setTyped] = useState<{ value: number; unit: typeof unit } | null>(() => {
    if (wantedKg === null) return null;
    const asked = units.mass(wantedKg).match(/^[\d.,]+/)?.[0] ?? '';
    const read = readTypedNumber(asked);
    return read.ok && units.mass(wantedKg).endsWith(UNIT_LABEL[unit]) ? { value: read.value, unit } : null;
  });
  const saltKg = told(state, SALT_TOLD);
  if (saltKg !== null) return <p>Salt added: {units.mass(saltKg)}.</p>;
  if (wantedKg === null) return null;
  return (
    <form
      aria-label="Salt"
      onSubmit={(event) => {
        event.preventDefault();
        if (!typed) return;
        const massKg = kgOf(typed.value, typed.unit);
        void record(state.id, 'salted', isMassUnit(typed.unit) ? { massKg, typed } : { massKg, typed, kind });
      }}
    >
      <QuantityField
        label="Salt"
        value={typed?.value ?? null}
        unit={unit}
        units={saltUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
        check={(value, u) =>
          value > 0
            ? kgOf(value, u) > butterKg * 0.1
              ? `That is more than a tenth of the ${units.mass(butterKg)} of butter. Check the unit.`
              : null
            : 'Enter an amount above 0.'
        }
        onFault={(faulty) => {
          if (faulty) setTyped(null);
        }}
        onChange={(value, u) => setTyped({ value, unit: u })}
      />
      {typed && !isMassUnit(typed.unit) && (
        <>
          <Choices
            legend="Salt"
            value={kind}
            options={SALT_KINDS.map((k) => ({ value: k, label: k }))}
            onChange={setKind}
          />
          <p className="quiet">
            Level spoons: about {units.mass(kgOf(typed.value, typed.unit))}. Salts pack differently, so weigh
            the salt if you can.
          </p>
        </>
      )}
      <Button type="submit" variant="default" h={56} disabled={!typed} mt={12}>
        Mark salt as added
      </Button>
    </form>
  );
}

const FLAVOUR_LABEL: Readonly<Record<Flavouring, string>> = {
  herbs: 'fresh herbs',
  garlic: 'garlic',
  dry: 'dry spice or dried herbs',
};

/** What else goes into it; fresh and moist in fat it must be kept cold. */
function Flavour({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const [what, setWhat] = useState<Flavouring>('herbs');
  const fresh = told(state, WORK_TOLD).flavours.some((f) => f.with !== 'dry');
  return (
    <details>
      <summary className="unfolds">
        {told(state, WORK_TOLD).flavours.length === 0
          ? 'Add herbs or garlic'
          : `In it: ${told(state, WORK_TOLD)
              .flavours.map((f) => FLAVOUR_LABEL[f.with])
              .join(', ')}`}
      </summary>
      <Choices
        legend="Kind"
        value={what}
        options={FLAVOURINGS.map((f) => ({ value: f, label: FLAVOUR_LABEL[f] }))}
        onChange={setWhat}
      />
      <Button
        variant="default"
        h={56}
        mt={12}
        onClick={() => void record(state.id, 'flavoured', { with: what, text: '' })}
      >
        Mark as added
      </Button>
      {(fresh || what !== 'dry') && (
        <p className="caution">
          Fresh garlic or herbs in fat can grow botulism bacteria, salted or not, with no smell or taste. Keep
          this butter at {units.temperature(5)} or less and eat it within four days, or freeze it.
        </p>
      )}
    </details>
  );
}

/** What hands tell while butter is worked. */
export function WorkEntries({ state }: { readonly state: MakeState }) {
  return (
    <>
      <Salt key={told(state, SALT_TOLD)} state={state} />
      <div className="stage-buttons">
        <Iced state={state} />
      </div>
      <PanTest state={state} />
      <Flavour state={state} />
    </>
  );
}
