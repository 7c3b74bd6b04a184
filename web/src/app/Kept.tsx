import type { EventType } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { Link, useLocation } from 'react-router';
import { formatMinutes, MINUTE_MS } from '@morning-crock/core';
import { useNow } from '../data/clock.ts';
import { useUnits } from '../data/use-units.ts';
import { beginsStream, outboxSlice } from '../data/outbox.ts';
import { refusalWords } from '../data/refusal-words.ts';
import { dropRefused, useAppDispatch, useAppSelector } from '../data/store.ts';

/** What an entry is about, in a word or two. */
const ENTRY_WORDS: Partial<Record<EventType, string>> = {
  'make-started': 'the start of a batch',
  'temperature-read': 'a temperature',
  'ph-read': 'a pH',
  titrated: 'an acidity reading',
  weighed: 'a weight',
  reserved: 'starter kept for next time',
  'starter-added': 'starter',
  'step-done': 'a step',
  'cue-seen': 'an observation',
  'stage-seen': 'an observation',
  rinsed: 'a wash',
  'pan-tested': 'a pan test',
  'pan-weighed': 'a pan weight',
  'pan-changed': 'a change of pan',
  fed: 'a feed',
  salted: 'salt',
  'load-begun': 'the start of a load',
  'churn-rested': 'a pause in churning',
  'water-poured': 'water',
  iced: 'a rest in iced water',
  flavoured: 'a flavouring',
  shaped: 'pieces',
  'fault-told': 'what went wrong',
  noted: 'a note',
  finished: 'the end of a batch',
  'milk-moved': 'milk',
  'culture-changed': 'a culture',
  'drain-weighed': 'a weight',
  'whey-returned': 'whey',
  'break-tried': 'an observation',
  'heat-felt': 'an observation',
  turned: 'a turn of the cheese',
  'split-off': 'a split batch',
  joined: 'a combined batch',
  'method-changed': 'a change to a method',
  'day-changed': 'a change to a day',
  'larder-moved': 'a larder entry',
  'kitchen-changed': 'a setting',
  corrected: 'an edit',
  voided: 'an undo',
};

const entriesWords = (entries: number): string => (entries === 1 ? '1 entry' : `${entries} entries`);

/** What goes on while the kitchen's computer is away. */
const waitingWords = (waiting: number): string =>
  waiting === 0
    ? 'The kitchen’s computer is not answering. Timers, alarms and forecasts go on here. Entries are saved on this device and sent later.'
    : `The kitchen’s computer is not answering. ${entriesWords(waiting)} ${waiting === 1 ? 'is' : 'are'} safe on this device and will be sent automatically. Carry on working.`;

/** What is handed over when it answers again. */
const backWords = (waited: number, minutes: number): string =>
  `This device was on its own for ${formatMinutes(minutes)}. ${waited === 0 ? 'Nothing had to be sent.' : `${entriesWords(waited)} went to the kitchen.`} What others entered meanwhile is here now.`;

/** What the server fell over, by what the entries are about. */
const asideWords = (about: readonly string[]): string =>
  `The server could not save ${about.length === 1 ? 'one entry' : `${about.length} entries`} (${about.join(', ')}). ${about.length === 1 ? 'It is' : 'They are'} safe on this device and will be tried again every minute. Your other entries are not affected.`;

/** Says what is kept on this device and what the server refused, with what to do. */
export function Kept() {
  const { entries, reachable, aloneSinceMs, back } = useAppSelector((s) => s.outbox);
  const dispatch = useAppDispatch();
  const units = useUnits();
  const nowMs = useNow(10_000);
  const { pathname } = useLocation();
  const allRefused = entries.filter((e) => e.refused);
  /** What was not begun is told once, and where to go on from there. */
  const begun = new Set(allRefused.filter((e) => beginsStream(e.draft)).map((e) => e.draft.streamId));
  const refused = allRefused
    .filter((e) => beginsStream(e.draft) || !begun.has(e.draft.streamId))
    // Its own page says it already, with what can be done.
    .filter((e) => pathname !== `/makes/${e.draft.streamId}` || !begun.has(e.draft.streamId));
  const aside = entries.filter((e) => e.aside && !e.refused);
  const waiting = entries.length - allRefused.length;
  const outdated = useAppSelector((s) => s.live.outdated);
  if (reachable && back === null && refused.length === 0 && aside.length === 0 && !outdated) return null;
  return (
    <div className="kept-strip">
      {outdated && (
        <div className="banner" role="status">
          <strong>New version</strong>
          <span>
            The kitchen’s computer now runs a newer Morning Crock. Reload this page. Your entries are safe:
            saved already, or waiting here to be sent.
          </span>
          <Button variant="default" onClick={() => globalThis.location.reload()}>
            Reload page
          </Button>
        </div>
      )}
      {!reachable && aloneSinceMs !== null && (
        <div className="banner" role="status">
          <strong>On its own since {units.time(aloneSinceMs, nowMs)}</strong>
          <span>{waitingWords(waiting)}</span>
        </div>
      )}
      {back && (
        <div className="banner" role="status">
          <strong>Back since {units.time(back.untilMs, nowMs)}</strong>
          <span>{backWords(back.waited, Math.max(1, (back.untilMs - back.sinceMs) / MINUTE_MS))}</span>
          <Button variant="default" onClick={() => dispatch(outboxSlice.actions.backSeen())}>
            Got it
          </Button>
        </div>
      )}
      {aside.length > 0 && (
        <div className="banner" role="status">
          <strong>Not sent yet</strong>
          <span>{asideWords(aside.map((e) => ENTRY_WORDS[e.draft.type] ?? 'an entry'))}</span>
        </div>
      )}
      {refused.map(({ draft, refused: error }) => (
        <div key={draft.id} className="banner" role="alert">
          <strong className="danger">Not accepted</strong>
          <span>{error && refusalWords(error)}</span>
          {begun.has(draft.streamId) ? (
            <Button component={Link} to={`/makes/${draft.streamId}`} variant="default">
              Open plan
            </Button>
          ) : (
            <Button variant="default" onClick={() => void dropRefused(draft.id)}>
              Remove entry
            </Button>
          )}
        </div>
      ))}
    </div>
  );
}
