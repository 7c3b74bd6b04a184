import {
  EVENT_DATA,
  type EventOf,
  type KitchenThermometer,
  type TraceFacts,
  type TypedQuantity,
} from '../contract/index.ts';
import { titratedPercent } from '../science/souring/index.ts';
import { correctedC, thermometerCorrection } from '../science/heat/index.ts';
import { isMassUnit, isTemperatureUnit, toCelsius, toKilograms } from '../science/units/index.ts';
import type { LoggedEvent } from '../log/index.ts';

/** What a hand reads and types: °C or °F, pH, lye in mL, a weight. */
export type ValueKind = 'temperature' | 'ph' | 'acid' | 'mass';

/** The one number of an entry, as somebody typed it. */
export interface EntryValue {
  readonly kind: ValueKind;
  readonly typed: TypedQuantity;
}

/** Two decimals: a thermometer never says more. */
const rounded = (celsius: number): number => Math.round(celsius * 100) / 100;

/** What sets a thermometer right; `null` when there is no such thermometer or it was never checked. */
export function checkedCorrection(
  thermometers: readonly KitchenThermometer[],
  thermometerId: string | null | undefined,
): TraceFacts['correction'] {
  const own = thermometers.find((t) => t.id === thermometerId);
  if (!own || (own.iceC === null && own.boilingC === null)) return null;
  return { thermometerId: own.id, ...thermometerCorrection(own) };
}

/**
 * A reading by hand, set right when it was taken with a checked thermometer; what it said is kept beside.
 * @param rawC °C, as the instrument said
 * @example handReading(44, { value: 44, unit: 'C' }, thermometers, null) // { celsius: 44, instrument: 'hand', … }
 */
export function handReading(
  rawC: number,
  typed: TypedQuantity,
  thermometers: readonly KitchenThermometer[],
  thermometerId: string | null | undefined,
): EventOf<'temperature-read'>['data'] {
  const instrument = thermometers.find((t) => t.id === thermometerId)?.name ?? 'hand';
  const correction = checkedCorrection(thermometers, thermometerId);
  if (!correction) return { celsius: rawC, instrument, typed };
  return {
    celsius: rounded(correctedC(rawC, correction)),
    instrument,
    typed,
    rawC,
    thermometerId: correction.thermometerId,
  };
}

/** The number of an entry that can be corrected, with its unit; `null` when it has none. */
export function entryValue(event: LoggedEvent): EntryValue | null {
  switch (event.type) {
    case 'temperature-read':
      return { kind: 'temperature', typed: event.data.typed };
    case 'ph-read':
      return { kind: 'ph', typed: event.data.typed };
    case 'titrated':
      return { kind: 'acid', typed: event.data.typed };
    case 'weighed':
    case 'pan-weighed':
    case 'reserved':
      return { kind: 'mass', typed: event.data.typed };
    case 'starter-added':
      return event.data.massKg === null || !event.data.typed
        ? null
        : { kind: 'mass', typed: event.data.typed };
    case 'fed':
      // Given as planned, nobody typed it.
      return event.data.massKg === null
        ? null
        : {
            kind: 'mass',
            typed: event.data.typed ?? { value: Math.round(event.data.massKg * 1000), unit: 'g' },
          };
    default:
      return null;
  }
}

/**
 * An entry's data with another number in it, in the unit it was typed in.
 * @returns the data of a correction; `null` when the entry has no such number or the number does not fit it
 */
export function withEntryValue(
  event: LoggedEvent,
  value: number,
  thermometers: readonly KitchenThermometer[],
): Readonly<Record<string, unknown>> | null {
  const old = entryValue(event);
  if (!old) return null;
  const typed: TypedQuantity = { ...old.typed, value };
  const { unit } = typed;
  let data: Record<string, unknown>;
  if (event.type === 'temperature-read') {
    if (!isTemperatureUnit(unit)) return null;
    const reading = handReading(toCelsius(value, unit), typed, thermometers, event.data.thermometerId);
    data = { ...reading, instrument: event.data.instrument };
  } else if (event.type === 'titrated') {
    data = { ...event.data, naohMl: value, percent: titratedPercent(value, event.data.sampleG), typed };
  } else if (event.type === 'ph-read') {
    data = { ...event.data, ph: value, typed };
  } else {
    if (!isMassUnit(unit)) return null;
    data = { ...event.data, massKg: toKilograms(value, unit), typed };
  }
  return EVENT_DATA[event.type].safeParse(data).success ? data : null;
}
