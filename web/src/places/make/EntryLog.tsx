import {
  instantOfLocal,
  localDate,
  readTypedNumber,
  titratedPercent,
  toCelsius,
  toKilograms,
  type LoggedEvent,
  type MakeState,
} from '@morning-crock/core';
import type { KitchenThermometer, TypedQuantity } from '@morning-crock/core/contract';
import { Button, Modal, TextInput } from '@mantine/core';
import { useState } from 'react';
import { now } from '../../app/clock.ts';
import { record, useAppSelector } from '../../app/store.ts';
import { useKitchen, useUnits } from '../../app/use-units.ts';
import { entryWords } from './entry-words.ts';
import { handReading } from './Pad.tsx';
import { padFault, type PadKind } from './pad-checks.ts';

/** The number of an entry that can be corrected, with its unit; `null` when it has none. */
function valueOf(event: LoggedEvent): { kind: PadKind; typed: TypedQuantity } | null {
  if (event.type === 'temperature-read') return { kind: 'temperature', typed: event.data.typed };
  if (event.type === 'ph-read') return { kind: 'ph', typed: event.data.typed };
  if (event.type === 'weighed' || event.type === 'reserved') return { kind: 'mass', typed: event.data.typed };
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

function Correction({
  state,
  event,
  onClose,
}: {
  readonly state: MakeState;
  readonly event: LoggedEvent;
  readonly onClose: () => void;
}) {
  const { site, thermometers } = useKitchen();
  const atMs = Date.parse(event.at);
  const clock = new Intl.DateTimeFormat('en-GB', {
    timeZone: site.zone,
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).format(atMs);
  const old = valueOf(event);
  const [time, setTime] = useState(clock);
  const [text, setText] = useState(old ? String(old.typed.value) : '');
  const [fault, setFault] = useState<string | null>(null);
  const save = (): void => {
    let data: Record<string, unknown> = { ...event.data };
    if (old) {
      const read = readTypedNumber(text);
      if (!read.ok) return setFault(`“${text}” is not a number.`);
      const problem = padFault(old.kind, read.value, old.typed.unit);
      if (problem) return setFault(problem);
      data = withValue(event, read.value, thermometers);
    }
    const newMs = time === clock ? null : instantOfLocal(site.zone, localDate(site.zone, atMs), time);
    if (newMs !== null && newMs > now() + 60_000) return setFault(`${time} lies in the future.`);
    void record(state.id, 'corrected', {
      target: event.id,
      at: newMs === null ? null : new Date(newMs).toISOString(),
      data,
    });
    onClose();
  };
  return (
    <Modal opened onClose={onClose} title="Correct this entry" closeButtonProps={{ 'aria-label': 'Close' }}>
      <form
        style={{ display: 'flex', flexDirection: 'column', gap: 16 }}
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        {old && (
          <TextInput
            label={`Value (${old.typed.unit === 'C' || old.typed.unit === 'F' ? `°${old.typed.unit}` : old.typed.unit})`}
            inputMode="decimal"
            value={text}
            onChange={(e) => {
              setText(e.currentTarget.value);
              setFault(null);
            }}
          />
        )}
        <TextInput
          label="Time"
          type="time"
          value={time}
          onChange={(e) => {
            setTime(e.currentTarget.value);
            setFault(null);
          }}
        />
        {fault && (
          <p className="field-error" role="alert">
            {fault}
          </p>
        )}
        <p className="quiet">What was first entered stays in the record.</p>
        <Button type="submit">Save the correction</Button>
      </form>
    </Modal>
  );
}

const SHOWN = 8;

/** What was entered, latest first; each can be corrected or taken back. A probe's readings are counted, not listed. */
export function EntryLog({ state }: { readonly state: MakeState }) {
  const units = useUnits();
  const pending = useAppSelector((s) => s.outbox.entries);
  const [all, setAll] = useState(false);
  const [correcting, setCorrecting] = useState<LoggedEvent | null>(null);
  const own = state.events.filter((e) => !e.deviceId.startsWith('device:') && entryWords(e, units) !== null);
  const devices = state.events.filter((e) => e.deviceId.startsWith('device:'));
  const shown = [...own].reverse().slice(0, all ? undefined : SHOWN);
  return (
    <section aria-label="Entries">
      <h2 style={{ marginBottom: 8 }}>Entries</h2>
      <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {shown.map((event) => (
          <li key={event.id} style={{ display: 'flex', gap: 12, alignItems: 'center', minHeight: 48 }}>
            <span className="number" style={{ minWidth: 54 }}>
              {units.time(Date.parse(event.at), state.finished?.atMs ?? now())}
            </span>
            <span style={{ flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}>
              {entryWords(event, units)}
              {pending.some((p) => p.draft.id === event.id) && <span className="quiet"> · kept here</span>}
            </span>
            {event.type !== 'make-started' && (
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
                  onClick={() => void record(state.id, 'voided', { target: event.id })}
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
      {correcting && <Correction state={state} event={correcting} onClose={() => setCorrecting(null)} />}
    </section>
  );
}
