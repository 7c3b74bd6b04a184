import {
  productOf,
  souringOf,
  SYSTEM_UNITS,
  UNIT_LABEL,
  type Cue,
  type MakeState,
  type ValueKind,
} from '@morning-crock/core';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useEffect, useRef, useState } from 'react';
import { useKeys } from '../../parts/keys/use-keys.ts';
import { chosenThermometer, chooseThermometer } from '../../data/device.ts';
import { record } from '../../data/store.ts';
import { now } from '../../data/clock.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { CueDrawing } from '../../parts/drawings/CueDrawing.tsx';
import { CUE_WORDS } from '../../charts/curve-data.ts';
import { FeltChips } from './FeltChips.tsx';
import { LevelAmount } from './LevelAmount.tsx';
import { padEntry, type PadValues } from './pad-entry.ts';
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
  const massUnits = SYSTEM_UNITS[units.system].mass;
  const form = useForm<PadValues>({
    initialValues: {
      text: '',
      sample: '9',
      takenAt: '',
      thermometerId: chosenThermometer(),
      instrument: 'meter',
      massUnit: massUnits[0] ?? 'g',
    },
  });
  const { text, sample, takenAt, thermometerId, instrument, massUnit } = form.values;
  const fault = Object.values(form.errors)[0] ?? null;
  const set = (part: Partial<PadValues>): void => {
    form.setValues(part);
    form.clearErrors();
  };
  const thermometer = thermometers.find((t) => t.id === thermometerId);
  const step = state.current?.step;
  const stepId = step?.id;
  const keeps = step?.facts.endedBy === 'reserved';
  const wanted: ValueKind = step?.facts.pad ?? 'temperature';
  const [choice, setChoice] = useState<{ kind: ValueKind; forStep: string | undefined } | null>(null);
  const kind = choice && choice.forStep === stepId ? choice.kind : wanted;
  const [smells, setSmells] = useState(false);
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
  const cue = (seen: Cue): void =>
    void record(state.id, 'cue-seen', { cue: seen, cleanSmell: smells ? true : null });
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
          {kind === 'mass' ? (
            <NativeSelect
              aria-label="Unit of weight"
              data={massUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
              value={massUnit}
              onChange={(e) =>
                set({ massUnit: massUnits.find((u) => u === e.currentTarget.value) ?? massUnit })
              }
              w={92}
              styles={{ input: { minHeight: 48, paddingInlineStart: 10, paddingInlineEnd: 30 } }}
              flex="none"
            />
          ) : kind === 'ph' ? (
            <NativeSelect
              aria-label="Instrument"
              data={[
                { value: 'meter', label: 'meter' },
                { value: 'strip', label: 'strip' },
              ]}
              value={instrument}
              onChange={(e) => set({ instrument: e.currentTarget.value === 'strip' ? 'strip' : 'meter' })}
              w={122}
              styles={{ input: { minHeight: 48, paddingInlineStart: 10, paddingInlineEnd: 30 } }}
              flex="none"
            />
          ) : kind === 'acid' ? (
            <small>mL</small>
          ) : thermometers.length > 0 ? (
            <NativeSelect
              aria-label="Thermometer"
              data={[
                { value: '', label: `°${units.temperatureUnit}` },
                ...thermometers.map((t) => ({ value: t.id, label: `°${units.temperatureUnit} ${t.name}` })),
              ]}
              value={thermometer?.id ?? ''}
              onChange={(e) => {
                set({ thermometerId: e.currentTarget.value });
                chooseThermometer(e.currentTarget.value);
              }}
              w={122}
              styles={{ input: { minHeight: 48, paddingInlineStart: 10, paddingInlineEnd: 30 } }}
              flex="none"
            />
          ) : (
            <small>°{units.temperatureUnit}</small>
          )}
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
      {state.inoculatedAtMs !== null && souring !== null && souring.cues.length > 0 && (
        <div className="above-s">
          <div
            className={`chips ${souring.smellCounts ? 'with-smell' : ''}`}
            role="group"
            aria-label="What you see"
          >
            {souring.smellCounts && (
              <button
                type="button"
                className="chip smell"
                aria-pressed={smells}
                onClick={() => setSmells(!smells)}
              >
                smells clean and sour
              </button>
            )}
            {souring.cues.map((c) => (
              <button key={c} type="button" className="chip" onClick={() => cue(c)}>
                <CueDrawing cue={c} />
                {CUE_WORDS[c]}
              </button>
            ))}
          </div>
        </div>
      )}
    </section>
  );
}
