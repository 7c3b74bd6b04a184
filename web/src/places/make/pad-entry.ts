import {
  handReading,
  readTypedNumber,
  titratedPercent,
  toCelsius,
  toKilograms,
  type MakeState,
  type MassUnit,
  type ValueKind,
} from '@morning-crock/core';
import type { EventOf, KitchenThermometer, TypedQuantity } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';
import { sampleFault, valueFault } from '../../parts/fields/value-checks.ts';
import { butterWeightFault } from './panels/butter-weight.ts';
import { readTakenAt } from './taken-at.ts';

/** What the fields of the pad hold, as they are typed and chosen. */
export interface PadValues {
  readonly text: string;
  /** Weight of the titrated sample, g. */
  readonly sample: string;
  /** Empty means now. */
  readonly takenAt: string;
  readonly thermometerId: string | null;
  readonly instrument: 'meter' | 'strip';
  readonly massUnit: MassUnit;
}

type PadType = 'temperature-read' | 'ph-read' | 'titrated' | 'weighed' | 'reserved' | 'starter-added' | 'fed';
/** An entry of the pad, or what is wrong with it and where. */
export type PadEntry =
  | {
      readonly ok: true;
      readonly atMs: number;
      readonly entry: { [T in PadType]: { readonly type: T; readonly data: EventOf<T>['data'] } }[PadType];
    }
  | { readonly ok: false; readonly field: keyof PadValues; readonly fault: string };

const wrong = (field: keyof PadValues, fault: string): PadEntry => ({ ok: false, field, fault });

/** The number that was typed, or why it is none. */
function numberOf(text: string): number | string {
  const read = readTypedNumber(text);
  if (read.ok) return read.value;
  if (read.reason === 'ambiguous')
    return `“${text}” could mean ${read.readings[0]} or ${read.readings[1]}. Type the number without the comma.`;
  return read.reason === 'empty' ? 'Type a number first.' : `“${text}” is not a number.`;
}

/** A weight, as the present step takes it: what was fed, dosed, kept, or what came out. */
function weighing(
  state: MakeState,
  massKg: number,
  typed: TypedQuantity,
  atMs: number,
  units: Units,
): PadEntry {
  const step = state.current?.step;
  if (step?.facts.endedBy === 'fed')
    return { ok: true, atMs, entry: { type: 'fed', data: { step: step.id, massKg, typed } } };
  if (step?.facts.inoculates)
    return { ok: true, atMs, entry: { type: 'starter-added', data: { massKg, statedRatio: null, typed } } };
  if (step?.facts.endedBy === 'reserved')
    return { ok: true, atMs, entry: { type: 'reserved', data: { massKg, typed } } };
  const by = step?.facts.weighs;
  const fault = butterWeightFault(state, massKg, typed, by, atMs, units);
  if (fault !== null) return wrong('text', fault);
  return { ok: true, atMs, entry: { type: 'weighed', data: { massKg, typed, ...(by ? { of: by } : {}) } } };
}

/** What the pad is about: the make, its kitchen, and the present. */
interface About {
  readonly state: MakeState;
  readonly units: Units;
  readonly zone: string;
  readonly thermometers: readonly KitchenThermometer[];
  readonly nowMs: number;
}

/** Reads the pad: the entry that its fields make, or the first fault with its field. */
export function padEntry(kind: ValueKind, values: PadValues, about: About): PadEntry {
  const { state, units, zone, thermometers, nowMs } = about;
  const { temperatureUnit } = units;
  const unit = { temperature: temperatureUnit, ph: 'pH', acid: 'mL', mass: values.massUnit } as const;
  const value = numberOf(values.text);
  if (typeof value === 'string') return wrong('text', value);
  const of = state.current?.step.facts.fat ? 'fat' : 'milk';
  const fault = valueFault(kind, value, unit[kind], of);
  if (fault) return wrong('text', fault);
  const when = readTakenAt(values.takenAt, zone, nowMs);
  if (!when.ok) return wrong('takenAt', when.fault);
  const { atMs } = when;
  const typed: TypedQuantity = { value, unit: unit[kind] };
  switch (kind) {
    case 'temperature': {
      const data = handReading(toCelsius(value, temperatureUnit), typed, thermometers, values.thermometerId);
      return { ok: true, atMs, entry: { type: 'temperature-read', data } };
    }
    case 'ph':
      return {
        ok: true,
        atMs,
        entry: { type: 'ph-read', data: { ph: value, instrument: values.instrument, sigma: null, typed } },
      };
    case 'acid': {
      const sample = numberOf(values.sample);
      const sampleG = typeof sample === 'number' ? sample : Number.NaN;
      const percent = titratedPercent(value, sampleG);
      const bad = sampleFault(sampleG, percent);
      if (bad) return wrong('sample', bad);
      return {
        ok: true,
        atMs,
        entry: { type: 'titrated', data: { naohMl: value, sampleG, percent, typed } },
      };
    }
    case 'mass':
      return weighing(state, toKilograms(value, values.massUnit), typed, atMs, units);
  }
}
