import {
  souringOf,
  handReading,
  butterDoubt,
  productOf,
  readTypedNumber,
  SYSTEM_UNITS,
  titratedPercent,
  toCelsius,
  UNIT_LABEL,
  type ButterDoubt,
  type Cue,
  toKilograms,
  type MakeState,
  type MassUnit,
  type ValueKind,
} from '@morning-crock/core';
import type { TypedQuantity } from '@morning-crock/core/contract';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { useKeys } from '../../parts/use-keys.ts';
import { chosenThermometer, chooseThermometer } from '../../data/device.ts';
import { record } from '../../data/store.ts';
import { now } from '../../data/clock.ts';
import type { Units } from '../../data/units-of.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { CUE_WORDS } from '../../charts/curve-data.ts';
import { sampleFault, valueFault } from '../../parts/value-checks.ts';
import { readTakenAt } from './taken-at.ts';
import { ClockField } from '../../parts/ClockField.tsx';

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫'] as const;

/** Where nothing sours there is no acid to read. */
const BARE_KINDS: readonly ValueKind[] = ['temperature', 'mass'];
const DRY_KINDS: readonly ValueKind[] = ['temperature', 'ph', 'mass'];
const WET_KINDS: readonly ValueKind[] = ['temperature', 'ph', 'acid', 'mass'];
const KIND_WORDS = { ph: 'pH', acid: 'Acid', mass: 'Weight' } as const;

/** Why so much butter cannot be, with the likely slip. */
function doubtWords({ why, mostKg, gramsMeant }: ButterDoubt, units: Units): string {
  const most = `${units.mass(mostKg)} at most`;
  if (gramsMeant) return `That cannot be: ${most}. Ounces for grams?`;
  return why === 'more-than-cream'
    ? `That is more than the cream weighed: ${most}. Another unit, or the bowl weighed with it?`
    : `That is more than its fat allows: ${most}, even unworked and wet. Drain and work it first, or weigh without the bowl.`;
}

/** Big digits for °C, °F, pH or weight, and the cue chips. */
export function Pad({ state, focus }: { readonly state: MakeState; readonly focus: boolean }) {
  const units = useUnits();
  const { site, thermometers } = useKitchen();
  const [thermometerId, setThermometerId] = useState(() => chosenThermometer());
  const thermometer = thermometers.find((t) => t.id === thermometerId);
  const [sample, setSample] = useState('9');
  const [takenAt, setTakenAt] = useState('');
  const step = state.current?.step;
  const stepId = step?.id;
  const keeps = step?.facts.endedBy === 'reserved';
  const wanted: ValueKind = step?.facts.pad ?? 'temperature';
  const [choice, setChoice] = useState<{ kind: ValueKind; forStep: string | undefined } | null>(null);
  const kind = choice && choice.forStep === stepId ? choice.kind : wanted;
  const [instrument, setInstrument] = useState<'meter' | 'strip'>('meter');
  const [smells, setSmells] = useState(false);
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const massUnits = SYSTEM_UNITS[units.system].mass;
  const [massUnit, setMassUnit] = useState<MassUnit>(massUnits[0] ?? 'g');
  const field = useRef<HTMLInputElement>(null);
  const unit =
    kind === 'temperature' ? units.temperatureUnit : kind === 'ph' ? 'pH' : kind === 'acid' ? 'mL' : massUnit;
  useEffect(() => {
    if (focus) field.current?.focus();
  }, [focus]);

  const change = (next: string): void => {
    setText(next);
    setFault(null);
  };
  const press = (key: string): void => change(key === '⌫' ? text.slice(0, -1) : text + key);
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
    const read = readTypedNumber(text);
    if (!read.ok) {
      setFault(
        read.reason === 'ambiguous'
          ? `“${text}” may be ${read.readings[0]} or ${read.readings[1]}: type it without the comma.`
          : read.reason === 'empty'
            ? 'Type a number first.'
            : `“${text}” is not a number.`,
      );
      return;
    }
    const problem = valueFault(kind, read.value, unit);
    if (problem) {
      setFault(problem);
      return;
    }
    const when = readTakenAt(takenAt, site.zone, now());
    if (!when.ok) {
      setFault(when.fault);
      return;
    }
    const { atMs } = when;
    const typed: TypedQuantity = { value: read.value, unit };
    if (kind === 'temperature') {
      await record(
        state.id,
        'temperature-read',
        handReading(toCelsius(read.value, units.temperatureUnit), typed, thermometers, thermometerId),
        atMs,
      );
    } else if (kind === 'ph') {
      await record(state.id, 'ph-read', { ph: read.value, instrument, sigma: null, typed }, atMs);
    } else if (kind === 'acid') {
      const sampleG = readTypedNumber(sample);
      const grams = sampleG.ok ? sampleG.value : Number.NaN;
      const percent = titratedPercent(read.value, grams);
      const wrong = sampleFault(grams, percent);
      if (wrong) {
        setFault(wrong);
        return;
      }
      await record(state.id, 'titrated', { naohMl: read.value, sampleG: grams, percent, typed }, atMs);
    } else {
      const massKg = toKilograms(read.value, massUnit);
      if (step?.facts.endedBy === 'fed')
        await record(state.id, 'fed', { step: step.id, massKg, typed }, atMs);
      else if (step?.facts.inoculates)
        await record(state.id, 'starter-added', { massKg, statedRatio: null, typed }, atMs);
      else if (keeps) await record(state.id, 'reserved', { massKg, typed }, atMs);
      else {
        const by = step?.facts.weighs;
        const doubt = by ? null : butterDoubt(state, massKg, typed, atMs);
        if (doubt) {
          setFault(doubtWords(doubt, units));
          return;
        }
        await record(state.id, 'weighed', { massKg, typed, ...(by ? { of: by } : {}) }, atMs);
      }
    }
    setText('');
    setTakenAt('');
  }
  const souring = souringOf(state);
  const cue = (seen: Cue): void =>
    void record(state.id, 'cue-seen', { cue: seen, cleanSmell: smells ? true : null });
  const massMeans =
    step?.facts.endedBy === 'fed'
      ? 'Milk given'
      : step?.facts.inoculates === true
        ? 'Starter added'
        : keeps
          ? 'Kept for next time'
          : `Weight of the ${step?.facts.weighs ?? productOf(state.plan).goods.out}`;
  return (
    <section className="pad-face" aria-label="Pad">
      <div className="kinds" role="group" aria-label="What to enter">
        {(!souring ? BARE_KINDS : state.inoculatedAtMs === null ? DRY_KINDS : WET_KINDS).map((k) => (
          <button
            key={k}
            type="button"
            aria-pressed={k === kind}
            onClick={() => {
              setChoice({ kind: k, forStep: stepId });
              setFault(null);
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
                    ? 'Lye used, mL of 0.1 N'
                    : massMeans
            }
            aria-invalid={fault !== null}
            aria-describedby={fault ? 'pad-fault' : undefined}
            placeholder="–"
            maxLength={12}
            value={text}
            onChange={(event) => change(event.currentTarget.value)}
          />
          {kind === 'mass' ? (
            <NativeSelect
              aria-label="Unit of weight"
              data={massUnits.map((u) => ({ value: u, label: UNIT_LABEL[u] }))}
              value={massUnit}
              onChange={(e) => setMassUnit(massUnits.find((u) => u === e.currentTarget.value) ?? massUnit)}
              style={{ flex: 'none' }}
              w={92}
              styles={{ input: { minHeight: 48, paddingInlineStart: 10, paddingInlineEnd: 30 } }}
            />
          ) : kind === 'ph' ? (
            <NativeSelect
              aria-label="Instrument"
              data={[
                { value: 'meter', label: 'meter' },
                { value: 'strip', label: 'strip' },
              ]}
              value={instrument}
              onChange={(e) => setInstrument(e.currentTarget.value === 'strip' ? 'strip' : 'meter')}
              style={{ flex: 'none' }}
              w={122}
              styles={{ input: { minHeight: 48, paddingInlineStart: 10, paddingInlineEnd: 30 } }}
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
              value={thermometer ? thermometerId : ''}
              onChange={(e) => {
                setThermometerId(e.currentTarget.value);
                chooseThermometer(e.currentTarget.value);
              }}
              style={{ flex: 'none' }}
              w={122}
              styles={{ input: { minHeight: 48, paddingInlineStart: 10, paddingInlineEnd: 30 } }}
            />
          ) : (
            <small>°{units.temperatureUnit}</small>
          )}
        </div>
        {kind === 'mass' && <p className="quiet">{massMeans}</p>}
        {kind === 'acid' && (
          <TextInput
            label="0.1 N lye on a sample of (g)"
            value={sample}
            inputMode="decimal"
            onChange={(e) => {
              setSample(e.currentTarget.value);
              setFault(null);
            }}
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
        <div className="field-row" style={{ marginTop: 8, flexWrap: 'nowrap' }}>
          <span className="quiet" style={{ alignSelf: 'center' }}>
            at
          </span>
          <ClockField
            label="Taken at; empty means now"
            value={takenAt}
            width={units.clockHabit === '12h' ? 176 : 126}
            onValue={(time) => {
              setTakenAt(time);
              setFault(null);
            }}
          />
          <Button type="submit" variant="default" style={{ flex: 1 }}>
            Record
          </Button>
        </div>
      </form>
      {state.inoculatedAtMs !== null && (
        <div style={{ marginTop: 10 }}>
          <div
            className={`chips ${souring?.smellCounts ? 'with-smell' : ''}`}
            role="group"
            aria-label="What you see"
          >
            {souring?.smellCounts && (
              <button
                type="button"
                className="chip smell"
                aria-pressed={smells}
                onClick={() => setSmells(!smells)}
              >
                smells clean and sour
              </button>
            )}
            {souring?.cues.map((c) => (
              <button key={c} type="button" className="chip" onClick={() => cue(c)}>
                {CUE_WORDS[c]}
              </button>
            ))}
          </div>
        </div>
      )}
    </section>
  );
}
