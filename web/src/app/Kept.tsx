import type { EventType } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { Link, useLocation } from 'react-router';
import { beginsStream } from '../data/outbox.ts';
import { refusalWords } from '../data/refusal-words.ts';
import { dropRefused, useAppSelector } from '../data/store.ts';

/** What an entry is about, in a word or two. */
const ENTRY_WORDS: Partial<Record<EventType, string>> = {
  'make-started': 'a make’s beginning',
  'temperature-read': 'a temperature',
  'ph-read': 'a pH',
  titrated: 'an acidity',
  weighed: 'a weight',
  reserved: 'what was kept',
  'starter-added': 'starter',
  'step-done': 'a step',
  'cue-seen': 'what was seen',
  'stage-seen': 'what was seen',
  rinsed: 'a wash',
  'pan-tested': 'a pan test',
  'pan-weighed': 'a weight of the pan',
  'pan-changed': 'another pan',
  fed: 'a feed',
  salted: 'salt',
  'load-begun': 'a load',
  'churn-rested': 'a rest',
  'water-poured': 'water',
  iced: 'a rest in iced water',
  flavoured: 'what is in it',
  shaped: 'pieces',
  noted: 'a note',
  finished: 'an ending',
  'milk-moved': 'milk',
  'culture-changed': 'a culture',
  'drain-weighed': 'a weight',
  'whey-returned': 'whey',
  'break-tried': 'what was seen',
  turned: 'a turn',
  'split-off': 'a part of it',
  joined: 'what was poured in',
  'method-changed': 'a method',
  'day-changed': 'a day',
  'larder-moved': 'goods of the larder',
  'kitchen-changed': 'a setting',
  corrected: 'a correction',
  voided: 'an undo',
};

/** Says what is kept on this device and what the server refused, with what to do. */
export function Kept() {
  const { entries, reachable } = useAppSelector((s) => s.outbox);
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
  if (reachable && refused.length === 0 && aside.length === 0 && !outdated) return null;
  return (
    <div className="kept-strip">
      {outdated && (
        <div className="banner" role="status">
          <strong>Reload</strong>
          <span>
            A newer Morning Crock runs on the kitchen’s computer. Load this page anew: all that was entered
            here is stored, or waits here and is sent.
          </span>
          <Button variant="default" onClick={() => globalThis.location.reload()}>
            Reload now
          </Button>
        </div>
      )}
      {!reachable && (
        <div className="banner" role="status">
          <strong>Kept here</strong>
          <span>
            The kitchen’s server does not answer. {waiting} {waiting === 1 ? 'entry is' : 'entries are'} safe
            on this device and will be sent by {waiting === 1 ? 'itself' : 'themselves'}. Go on working.
          </span>
        </div>
      )}
      {aside.length > 0 && (
        <div className="banner" role="status">
          <strong>Set aside</strong>
          <span>
            The server fails at {aside.length === 1 ? 'one entry' : `${aside.length} entries`} (
            {aside.map((e) => ENTRY_WORDS[e.draft.type] ?? 'an entry').join(', ')}).{' '}
            {aside.length === 1 ? 'It is' : 'They are'} safe on this device and tried again every minute; all
            other entries go on.
          </span>
        </div>
      )}
      {refused.map(({ draft, refused: error }) => (
        <div key={draft.id} className="banner" role="alert">
          <strong className="danger">Not taken</strong>
          <span>{error && refusalWords(error)}</span>
          {begun.has(draft.streamId) ? (
            <Button component={Link} to={`/makes/${draft.streamId}`} variant="default">
              See the plan
            </Button>
          ) : (
            <Button variant="default" onClick={() => void dropRefused(draft.id)}>
              Take it away
            </Button>
          )}
        </div>
      ))}
    </div>
  );
}
