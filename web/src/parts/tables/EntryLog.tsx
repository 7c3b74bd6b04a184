import {
  stepFacts,
  entryValue,
  isTemperatureUnit,
  readTypedNumber,
  withEntryValue,
  type LoggedEvent,
} from '@morning-crock/core';
import { Button, TextInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import { now } from '../../data/clock.ts';
import type { Units } from '../../data/units-of.ts';
import { record, useAppSelector } from '../../data/store.ts';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { CorrectEntry, type Corrected } from '../fields/CorrectEntry.tsx';
import { entryWords } from '../words/entry-words.ts';
import { valueFault } from '../fields/value-checks.ts';
import './entry-log.css';

/** What these entries read: fat on the fire gets hotter than milk does. */
const readingOf = (events: readonly LoggedEvent[]): 'milk' | 'fat' =>
  events.some((e) => e.type === 'make-started' && e.data.plan.method.steps.some((s) => stepFacts(s.kind).fat))
    ? 'fat'
    : 'milk';

function Correction({
  event,
  of,
  onClose,
}: {
  readonly event: LoggedEvent;
  readonly of: 'milk' | 'fat';
  readonly onClose: () => void;
}) {
  const { thermometers } = useKitchen();
  const old = entryValue(event);
  const [text, setText] = useState(old ? String(old.typed.value) : '');
  const corrected = (): Corrected => {
    if (!old) return { data: { ...event.data } };
    const read = readTypedNumber(text);
    if (!read.ok) return { fault: `“${text}” is not a number.` };
    const fault = valueFault(old.kind, read.value, old.typed.unit, of);
    if (fault) return { fault };
    const data = withEntryValue(event, read.value, thermometers);
    return data ? { data } : { fault: `“${text}” is not a possible value here.` };
  };
  return (
    <CorrectEntry event={event} corrected={corrected} onClose={onClose}>
      {old && (
        <TextInput
          label={`Value (${isTemperatureUnit(old.typed.unit) ? '°' : ''}${old.typed.unit})`}
          inputMode="decimal"
          value={text}
          onChange={(e) => setText(e.currentTarget.value)}
        />
      )}
    </CorrectEntry>
  );
}

const SHOWN = 8;
const OF_DEVICE = 'device:';

/** What hands entered, and how much came from which devices. */
function sorted(events: readonly LoggedEvent[], units: Units) {
  const own: LoggedEvent[] = [];
  const devices = new Set<string>();
  let readings = 0;
  for (const event of events) {
    if (event.deviceId.startsWith(OF_DEVICE)) {
      readings++;
      devices.add(event.deviceId.slice(OF_DEVICE.length));
    } else if (entryWords(event, units) !== null) own.push(event);
  }
  return { own, readings, devices };
}

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
  const { own, readings, devices } = useMemo(() => sorted(events, units), [events, units]);
  const shown = [...own].reverse().slice(0, all ? undefined : SHOWN);
  return (
    <section aria-label="Entries">
      <h2 className="below-s">Entries</h2>
      <ul className="bare">
        {shown.map((event) => (
          <li className="row tall-row" key={event.id}>
            <span className="number entry-at">{units.time(Date.parse(event.at), endedMs ?? now())}</span>
            <span className="grows entry-words">
              {entryWords(event, units)}
              {pending.some((p) => p.draft.id === event.id) && (
                <span className="quiet"> · waiting to send</span>
              )}
            </span>
            {event.type !== 'make-started' && (
              <>
                {!['trace-imported', 'replanned'].includes(event.type) && (
                  <Button
                    variant="subtle"
                    px={6}
                    onClick={() => setCorrecting(event)}
                    aria-label={`Edit: ${entryWords(event, units)}`}
                  >
                    Edit
                  </Button>
                )}
                <Button
                  variant="subtle"
                  px={6}
                  onClick={() => void record(streamId, 'voided', { target: event.id })}
                  aria-label={`Undo: ${entryWords(event, units)}`}
                >
                  Undo
                </Button>
              </>
            )}
          </li>
        ))}
      </ul>
      {readings > 0 && (
        <p className="quiet">
          plus {readings} {readings === 1 ? 'reading' : 'readings'} from{' '}
          {devices.size === 1 ? [...devices][0] : 'several devices'}
        </p>
      )}
      {own.length > SHOWN && !all && (
        <Button variant="default" onClick={() => setAll(true)}>
          Show all {own.length}
        </Button>
      )}
      {correcting && (
        <Correction of={readingOf(events)} event={correcting} onClose={() => setCorrecting(null)} />
      )}
    </section>
  );
}
