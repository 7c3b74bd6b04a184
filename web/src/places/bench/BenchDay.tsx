import { formatMinutes, listed, MINUTE_MS, waitingIn } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { soonerAt, type Attended } from '../../data/attended.ts';
import { chosenCook } from '../../data/device.ts';
import { useAppSelector } from '../../data/store.ts';
import { useDayChanges } from '../../data/use-day-changes.ts';
import { useDays } from '../../data/use-days.ts';
import { useUnits } from '../../data/use-units.ts';
import { FedStart } from '../../parts/goods/FedStart.tsx';
import { speak } from '../../parts/words/speak.ts';

const SPOKEN = 'day-spoken';
/** So many things are told after the one to do now. */
const MOST_TOLD = 3;

/** Of a day that is going on: what moved and why, what may wait, and whether it is spoken. */
export function BenchDay({ makes, nowMs }: { readonly makes: readonly Attended[]; readonly nowMs: number }) {
  const day = useAppSelector((s) => s.live.day);
  const going = useDays().find(({ id }) => id === day?.id) ?? null;
  const doc = going?.day;
  const changes = useDayChanges(going);
  const units = useUnits();
  const [spoken, setSpoken] = useState(() => localStorage.getItem(SPOKEN) === 'yes');
  const me = chosenCook();
  const mine = makes
    .flatMap(({ id, name, next, alarms }) => (next ? [{ id, name, next, alarms }] : []))
    .filter(({ id }) => me === null || !day?.next[id] || day.next[id].cookId === me)
    .sort(soonerAt(nowMs));
  const first = mine[0];
  const then = mine.slice(1, 1 + MOST_TOLD);
  const canWait = mine.slice(1).filter(({ next }) => next.atMs <= nowMs && !next.mustAct);
  /** Batches that are made from another one of the day and not begun, and when they are to be. */
  const waiting = (doc ? waitingIn(doc) : []).flatMap(({ id, name }) => {
    const begins = doc?.slots.filter(({ make }) => make === id).sort((a, b) => a.from - b.from)[0];
    if (!doc || !begins || (me !== null && begins.cook !== me)) return [];
    return [{ id, name, atMs: Date.parse(doc.zeroAt) + begins.from * MINUTE_MS }];
  });
  const things = (first && day?.next[first.id]?.things) ?? [];
  const due =
    first && first.next.atMs <= nowMs + 45_000
      ? [
          `${first.next.act}. ${first.name}.`,
          ...(things.length > 0 ? [`You need ${listed(things)}.`] : []),
          ...(canWait.length > 0 ? [`${canWait.map(({ name }) => name).join(', ')} can wait.`] : []),
        ].join(' ')
      : null;
  const said = useRef<string | null>(null);
  useEffect(() => {
    if (!spoken || due === null || said.current === due) return;
    said.current = due;
    speak(due);
  }, [spoken, due]);
  if (!doc) return null;
  return (
    <section aria-label="Day in progress" className="bench-day">
      {/* First, so that they do not move under a finger when something below is said. */}
      <div className="row">
        <Button component={Link} to="/day" variant="default">
          Open schedule
        </Button>
        <Button
          variant="default"
          aria-pressed={spoken}
          onClick={() => {
            setSpoken(!spoken);
            localStorage.setItem(SPOKEN, spoken ? 'no' : 'yes');
            if (!spoken && due) speak(due);
          }}
        >
          {spoken ? 'Read aloud: on' : 'Read aloud: off'}
        </Button>
      </div>
      {(then.length > 0 || waiting.length > 0) && <h2>After that</h2>}
      <ol className="bare next-three" aria-label="After that">
        {then.map(({ id, name, next }) => (
          <li key={id}>
            <span className="number">{units.time(next.atMs, nowMs)}</span>
            <span>
              <Link to={`/makes/${id}`}>{next.act}</Link> <span className="quiet">{name}</span>
            </span>
          </li>
        ))}
        {waiting.map(({ id, name, atMs }) => (
          <li key={id}>
            <span className="number">{units.time(atMs, nowMs)}</span>
            <span>
              {name}
              {/* Where only what is all done is left it is the one thing to do, above. */}
              {(first !== undefined || makes.length === 0) && (
                <span className="row">
                  <FedStart going={going} changes={changes} make={id} />
                </span>
              )}
            </span>
          </li>
        ))}
      </ol>
      {changes.undoWords !== null && (
        <div className="row">
          <span className="quiet">{changes.undoWords}.</span>
          <Button variant="default" onClick={changes.undo}>
            Undo
          </Button>
        </div>
      )}
      {doc.moved.length > 0 && (
        <div role="status">
          <strong>
            {doc.moved.length === 1 ? 'One step has a new time' : `${doc.moved.length} steps have new times`}
          </strong>{' '}
          ({doc.because}).
        </div>
      )}
      {doc.broken > 0 && (
        <p className="caution">
          The times clash. One step has to wait {formatMinutes(doc.broken)} too long. Open the schedule, then
          move or drop a batch.
        </p>
      )}
    </section>
  );
}
