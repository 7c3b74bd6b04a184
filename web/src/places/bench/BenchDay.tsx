import { formatMinutes } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Attended } from '../../data/attended.ts';
import { chosenCook } from '../../data/device.ts';
import { useAppSelector } from '../../data/store.ts';
import { useDays } from '../../data/use-days.ts';
import { useUnits } from '../../data/use-units.ts';

const MINUTE_MS = 60_000;
const SPOKEN = 'day-spoken';
const MOST_MOVED = 3;

/** Says it with the browser's own voice, where it has one. */
function speak(text: string): void {
  if (typeof speechSynthesis === 'undefined') return;
  speechSynthesis.cancel();
  speechSynthesis.speak(new SpeechSynthesisUtterance(text));
}

/** Of a day that is going on: what moved and why, what may wait, and whether it is spoken. */
export function BenchDay({ makes, nowMs }: { readonly makes: readonly Attended[]; readonly nowMs: number }) {
  const units = useUnits();
  const day = useAppSelector((s) => s.live.day);
  const doc = useDays().find(({ id }) => id === day?.id)?.day;
  const [spoken, setSpoken] = useState(() => localStorage.getItem(SPOKEN) === 'yes');
  const me = chosenCook();
  const mine = makes
    .flatMap(({ id, name, next }) => (next ? [{ id, name, next }] : []))
    .filter(({ id }) => me === null || !day?.next[id] || day.next[id].cookId === me)
    .sort((a, b) => a.next.atMs - b.next.atMs);
  const first = mine[0];
  const waiting = mine.slice(1).filter(({ next }) => next.atMs <= nowMs && !next.mustAct);
  const due =
    first && first.next.atMs <= nowMs + 45_000
      ? [
          `${first.next.act}. ${first.name}.`,
          ...(waiting.length > 0 ? [`${waiting.map(({ name }) => name).join(', ')} can wait.`] : []),
        ].join(' ')
      : null;
  const said = useRef<string | null>(null);
  useEffect(() => {
    if (!spoken || due === null || said.current === due) return;
    said.current = due;
    speak(due);
  }, [spoken, due]);
  if (!doc) return null;
  const timeOf = (minute: number): string => units.time(Date.parse(doc.zeroAt) + minute * MINUTE_MS, nowMs);
  const titleOf = (make: string, task: string): string =>
    `${doc.slots.find((slot) => slot.make === make && slot.task === task)?.title ?? ''}, ${
      doc.makes.find(({ id }) => id === make)?.name ?? ''
    }`;
  return (
    <section aria-label="Day in progress" className="bench-day">
      {doc.moved.length > 0 && (
        <div role="status">
          <strong>New times.</strong> {doc.because}.{' '}
          {doc.moved.slice(0, MOST_MOVED).map(({ make, task, was, now }) => (
            <span key={`${make} ${task}`} className="quiet">
              {titleOf(make, task)}: {timeOf(now)}, was {timeOf(was)}.{' '}
            </span>
          ))}
          {doc.moved.length > MOST_MOVED && (
            <span className="quiet">And {doc.moved.length - MOST_MOVED} more.</span>
          )}
        </div>
      )}
      {doc.broken > 0 && (
        <p className="caution">
          The times clash. One step has to wait {formatMinutes(doc.broken)} too long. Open the schedule, then
          move or drop a batch.
        </p>
      )}
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
    </section>
  );
}
