import { productOf, souringOf, SYSTEM_UNITS, type MakeState, type ValueKind } from '@morning-crock/core';
import { Button, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useEffect, useRef, useState } from 'react';
import { useKeys } from '../../parts/keys/use-keys.ts';
import { chosenThermometer } from '../../data/device.ts';
import { record } from '../../data/store.ts';
import { now } from '../../data/clock.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { FeltChips } from './FeltChips.tsx';
import { LevelAmount } from './LevelAmount.tsx';
import { padEntry, type PadValues } from './pad-entry.ts';
import { PadCues } from './PadCues.tsx';
import { PadUnit } from './PadUnit.tsx';
import { ClockField } from '../../parts/fields/ClockField.tsx';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫'] as const;

/** Where nothing sours there is no acid to read. */
const BARE_KINDS: readonly ValueKind[] = ['temperature', 'mass'];
const DRY_KINDS: readonly ValueKind[] = ['temperature', 'ph', 'mass'];
const WET_KINDS: readonly ValueKind[] = ['temperature', 'ph', 'acid', 'mass'];
const KIND_WORDS = { ph: 'pH', acid: 'Acidity', mass: 'Weight' } as const;

/** Big digits for °C, °F, pH or weight, and the cue chips. */
export function Pad({ state, focus }: { readonly state: MakeState; readonly focus: boolean }) {
  const units = useUnits();
  const { site, thermometers } = useKitchen();
  const form = useForm<PadValues>({
    initialValues: {
      text: '',
      sample: '9',
      takenAt: '',
      thermometerId: chosenThermometer(),
      instrument: 'meter',
      massUnit: SYSTEM_UNITS[units.system].mass[0] ?? 'g',
    },
  });
  const { text, sample, takenAt } = form.values;
  const fault = Object.values(form.errors)[0] ?? null;
  const set = (part: Partial<PadValues>): void => {
    form.setValues(part);
    form.clearErrors();
  };
  const step = state.current?.step;
  const stepId = step?.id;
  const keeps = step?.facts.endedBy === 'reserved';
  const wanted: ValueKind = step?.facts.pad ?? 'temperature';
  const [choice, setChoice] = useState<{ kind: ValueKind; forStep: string | undefined } | null>(null);
  const kind = choice && choice.forStep === stepId ? choice.kind : wanted;
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (focus) field.current?.focus();
  }, [focus]);

  const press = (key: string): void => set({ text: key === '⌫' ? text.slice(0, -1) : text + key });
  useKeys((key, event) => {
    if (/^[0-9.,]$/.test(key)) press(key);
    else if (key === 'Backspace') press('⌫');
    else if (key === 'Enter' && text !== '' && !(event.target instanceof HTMLButtonElement)) void submit();
    else if (key === 'r') {
      event.preventDefault();
      field.current?.focus();
    }
  });

  async function submit(): Promise<void> {
    const read = padEntry(kind, form.values, { state, units, zone: site.zone, thermometers, nowMs: now() });
    if (!read.ok) {
      form.setErrors({ [read.field]: read.fault });
      return;
    }
    await record(state.id, read.entry.type, read.entry.data, read.atMs);
    set({ text: '', takenAt: '' });
  }
  const souring = souringOf(state);
  const massMeans =
    step?.facts.endedBy === 'fed'
      ? 'Milk added'
      : step?.facts.inoculates === true
        ? 'Starter added'
        : keeps
          ? 'Kept for next time'
          : `Weight of the ${step?.facts.weighs ?? productOf(state.plan).goods.out}`;
  return (
    <section className="pad-face" aria-label="Reading">
      <div className="kinds" role="group" aria-label="Type of reading">
        {(!souring ? BARE_KINDS : state.inoculatedAtMs === null ? DRY_KINDS : WET_KINDS).map((k) => (
          <button
            key={k}
            type="button"
            aria-pressed={k === kind}
            onClick={() => {
              setChoice({ kind: k, forStep: stepId });
              form.clearErrors();
            }}
          >
            {k === 'temperature' ? `°${units.temperatureUnit}` : KIND_WORDS[k]}
          </button>
        ))}
      </div>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <div className="pad-digits">
          <input
            ref={field}
            className="pad-input"
            inputMode="decimal"
            autoComplete="off"
            aria-label={
              kind === 'temperature'
                ? `Temperature, °${units.temperatureUnit}`
                : kind === 'ph'
                  ? 'pH reading'
                  : kind === 'acid'
                    ? '0.1 N NaOH used, mL'
                    : massMeans
            }
            aria-invalid={fault !== null}
            aria-describedby={fault ? 'pad-fault' : undefined}
            placeholder="–"
            maxLength={12}
            value={text}
            onChange={(event) => set({ text: event.currentTarget.value })}
          />
          <PadUnit kind={kind} values={form.values} onValues={set} />
        </div>
        {kind === 'mass' && <p className="quiet">{massMeans}</p>}
        {kind === 'acid' && (
          <TextInput
            label="Sample titrated with 0.1 N NaOH, g"
            value={sample}
            inputMode="decimal"
            onChange={(e) => set({ sample: e.currentTarget.value })}
          />
        )}
        {fault && (
          <p id="pad-fault" className="field-error" role="alert">
            {fault}
          </p>
        )}
        <div className="keys">
          {KEYS.map((key) => (
            <button
              key={key}
              type="button"
              onClick={() => press(key)}
              aria-label={key === '⌫' ? 'Delete last digit' : key}
            >
              {key}
            </button>
          ))}
        </div>
        <div className="field-row above-s one-line">
          <span className="quiet in-the-middle">at</span>
          <ClockField
            label="Time of reading (leave empty for now)"
            value={takenAt}
            width={units.clockHabit === '12h' ? 176 : 126}
            onValue={(time) => set({ takenAt: time })}
          />
          <Button type="submit" variant="default" flex={1}>
            Save
          </Button>
        </div>
      </form>
      {kind === 'temperature' && <FeltChips state={state} />}
      {kind === 'mass' && <LevelAmount state={state} />}
      <PadCues state={state} />
    </section>
  );
}
