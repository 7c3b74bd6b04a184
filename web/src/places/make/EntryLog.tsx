import {
  readTypedNumber,
  titratedPercent,
  toCelsius,
  toKilograms,
  type LoggedEvent,
} from '@morning-crock/core';
import type { KitchenThermometer, TypedQuantity } from '@morning-crock/core/contract';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { now } from '../../app/clock.ts';
import { record, useAppSelector } from '../../app/store.ts';
import { useKitchen, useUnits } from '../../app/use-units.ts';
import { CorrectEntry, type Corrected } from '../../parts/CorrectEntry.tsx';
import { entryWords } from './entry-words.ts';
import { handReading } from './Pad.tsx';
import { padFault, type PadKind } from './pad-checks.ts';

/** The number of an entry that can be corrected, with its unit; `null` when it has none. */
function valueOf(event: LoggedEvent): { kind: PadKind; typed: TypedQuantity } | null {
  if (event.type === 'temperature-read') return { kind: 'temperature', typed: event.data.typed };
  if (event.type === 'ph-read') return { kind: 'ph', typed: event.data.typed };
  if (event.type === 'weighed' || event.type === 'reserved') return { kind: 'mass', typed: event.data.typed };
  if (event.type === 'waking-done' && event.data.massKg !== null) {
    // Given as planned, nobody typed it.
    const planned = { value: Math.round(event.data.massKg * 1000), unit: 'g' };
    return { kind: 'mass', typed: event.data.typed ?? planned };
  }
  if (event.type === 'starter-added' && event.data.massKg !== null && event.data.typed)
    return { kind: 'mass', typed: event.data.typed };
  if (event.type === 'titrated') return { kind: 'acid', typed: event.data.typed };
  return null;
}

/** An entry's data with another number in it. */
function withValue(
  event: LoggedEvent,
  value: number,
  thermometers: readonly KitchenThermometer[],
): Record<string, unknown> {
  const old = valueOf(event);
  if (!old) return { ...event.data };
  const typed = { ...old.typed, value };
  if (event.type === 'temperature-read') {
    const rawC = toCelsius(value, typed.unit as 'C' | 'F');
    const own = thermometers.find((t) => t.id === event.data.thermometerId);
    return { ...handReading(rawC, typed, own), instrument: event.data.instrument };
  }
  if (event.type === 'titrated')
    return { ...event.data, naohMl: value, percent: titratedPercent(value, event.data.sampleG), typed };
  if (old.kind === 'ph') return { ...event.data, ph: value, typed };
  return { ...event.data, massKg: toKilograms(value, typed.unit as 'g'), typed };
}

function Correction({ event, onClose }: { readonly event: LoggedEvent; readonly onClose: () => void }) {
  const { thermometers } = useKitchen();
  const old = valueOf(event);
  const [text, setText] = useState(old ? String(old.typed.value) : '');
  const corrected = (): Corrected => {
    if (!old) return { data: { ...event.data } };
    const read = readTypedNumber(text);
    if (!read.ok) return { fault: `“${text}” is not a number.` };
    const fault = padFault(old.kind, read.value, old.typed.unit);
    return fault ? { fault } : { data: withValue(event, read.value, thermometers) };
  };
  return (
    <CorrectEntry event={event} corrected={corrected} onClose={onClose}>
      {old && (
        <TextInput
          label={`Value (${old.typed.unit === 'C' || old.typed.unit === 'F' ? `°${old.typed.unit}` : old.typed.unit})`}
          inputMode="decimal"
          value={text}
          onChange={(e) => setText(e.currentTarget.value)}
        />
      )}
    </CorrectEntry>
  );
}

const SHOWN = 8;

/** What was entered, latest first; each can be corrected or taken back. A probe's readings are counted, not listed. */
export function EntryLog(props: {
  readonly streamId: string;
  readonly events: readonly LoggedEvent[];
  /** The day whose clock times need no weekday; now while it is under way. */
  readonly endedMs?: number | undefined;
}) {
  const { streamId, events, endedMs } = props;
  const units = useUnits();
  const pending = useAppSelector((s) => s.outbox.entries);
  const [all, setAll] = useState(false);
  const [correcting, setCorrecting] = useState<LoggedEvent | null>(null);
  const own = events.filter((e) => !e.deviceId.startsWith('device:') && entryWords(e, units) !== null);
  const devices = events.filter((e) => e.deviceId.startsWith('device:'));
  const shown = [...own].reverse().slice(0, all ? undefined : SHOWN);
  return (
    <section aria-label="Entries">
      <h2 style={{ marginBottom: 8 }}>Entries</h2>
      <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {shown.map((event) => (
          <li key={event.id} style={{ display: 'flex', gap: 12, alignItems: 'center', minHeight: 48 }}>
            <span className="number" style={{ minWidth: 54 }}>
              {units.time(Date.parse(event.at), endedMs ?? now())}
            </span>
            <span style={{ flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}>
              {entryWords(event, units)}
              {pending.some((p) => p.draft.id === event.id) && <span className="quiet"> · kept here</span>}
            </span>
            {event.type !== 'make-started' && event.type !== 'waking-started' && (
              <>
                {!['trace-imported', 'replanned'].includes(event.type) && (
                  <Button
                    variant="subtle"
                    px={6}
                    onClick={() => setCorrecting(event)}
                    aria-label={`Correct: ${entryWords(event, units)}`}
                  >
                    Correct
                  </Button>
                )}
                <Button
                  variant="subtle"
                  px={6}
                  onClick={() => void record(streamId, 'voided', { target: event.id })}
                  aria-label={`Take back: ${entryWords(event, units)}`}
                >
                  Take back
                </Button>
              </>
            )}
          </li>
        ))}
      </ul>
      {devices.length > 0 && (
        <p className="quiet">
          and {devices.length} readings from{' '}
          {new Set(devices.map((e) => e.deviceId.slice(7))).size === 1
            ? devices[0]!.deviceId.slice(7)
            : 'several devices'}
        </p>
      )}
      {own.length > SHOWN && !all && (
        <Button variant="default" onClick={() => setAll(true)}>
          Show all {own.length}
        </Button>
      )}
      {correcting && <Correction event={correcting} onClose={() => setCorrecting(null)} />}
    </section>
  );
}
