import type { Alarm } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { ring, soundUnlocked, unlockSound } from './sound.ts';
import { record } from '../data/store.ts';
import type { Attended } from '../data/attended.ts';
import './alarms.css';

const RING_EVERY_MS = 4000;

/** Alarms that are due, across all makes: the one that spoils fastest is shown, the others stay listed. */
export function Alarms({ makes, nowMs }: { readonly makes: readonly Attended[]; readonly nowMs: number }) {
  const due = makes
    .flatMap((make) => make.alarms.filter((a) => a.dueAtMs <= nowMs).map((alarm) => ({ make, alarm })))
    .sort((a, b) => a.alarm.rank - b.alarm.rank);
  const [unlocked, setUnlocked] = useState(soundUnlocked);
  const first = due[0];
  const key = first ? `${first.make.id} ${first.alarm.id}` : null;
  const mustAct = first?.alarm.mustAct ?? false;

  useEffect(() => {
    const unlock = (): void => void unlockSound().then(setUnlocked);
    document.addEventListener('pointerdown', unlock, { once: true });
    return () => document.removeEventListener('pointerdown', unlock);
  }, []);
  useEffect(() => {
    if (key === null) return;
    ring(mustAct);
    const timer = setInterval(() => ring(mustAct), RING_EVERY_MS);
    return () => clearInterval(timer);
  }, [key, mustAct]);

  if (!first) return null;
  const acknowledge = (make: Attended, alarm: Alarm): void => {
    void record(make.id, 'alarm-acknowledged', { alarm: alarm.id });
  };
  const { make, alarm } = first;
  const others = due.slice(1);
  const silent = !unlocked && ' Tap this page once to turn on the sound.';
  if (alarm.fills)
    return (
      // One thing, one answer: it goes where it burns, and is heard.
      <section aria-label="Alarms" className={`alarms fills ${alarm.rank === 0 ? 'bad' : ''}`}>
        <div role="alert" className="alarm">
          <strong>{alarm.title}</strong>
          <span className="alarm-text">
            {make.name}. {alarm.text}
            {silent}
          </span>
        </div>
        <Button
          component={Link}
          to={`/makes/${make.id}`}
          variant="default"
          onClick={() => acknowledge(make, alarm)}
        >
          Open batch
        </Button>
      </section>
    );
  return (
    // Laid over the clock line: nothing on the page may move under a finger because something rings.
    <section aria-label="Alarms" className={`alarms ${alarm.rank === 0 ? 'bad' : ''}`}>
      <div role="alert" className="alarm">
        <strong>
          {alarm.title}: {make.name}
        </strong>
        <span className="alarm-text">
          {alarm.text}
          {silent}
        </span>
      </div>
      {others[0] && (
        <Button variant="default" onClick={() => acknowledge(others[0]!.make, others[0]!.alarm)} size="md">
          Also: {others[0].alarm.title}, {others[0].make.name}
          {others.length > 1 ? ` and ${others.length - 1} more` : ''} · Got it
        </Button>
      )}
      <Button component={Link} to={`/makes/${make.id}`} variant="default" size="md">
        Open batch
      </Button>
      <Button variant="default" size="md" onClick={() => acknowledge(make, alarm)}>
        Got it
      </Button>
    </section>
  );
}
