import type { Alarm } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { ring, soundUnlocked, unlockSound } from './sound.ts';
import { record } from './store.ts';
import type { LiveMake } from './use-make.ts';

const RING_EVERY_MS = 4000;

/** Alarms that are due, across all makes: the one that spoils fastest is shown, the others stay listed. */
export function Alarms({ makes, nowMs }: { readonly makes: readonly LiveMake[]; readonly nowMs: number }) {
  const due = makes
    .flatMap((make) => make.alarms.filter((a) => a.dueAtMs <= nowMs).map((alarm) => ({ make, alarm })))
    .sort((a, b) => a.alarm.rank - b.alarm.rank);
  const [unlocked, setUnlocked] = useState(soundUnlocked);
  const first = due[0];
  const key = first ? `${first.make.state.id} ${first.alarm.id}` : null;
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
  const acknowledge = (make: LiveMake, alarm: Alarm): void => {
    void record(make.state.id, 'alarm-acknowledged', { alarm: alarm.id });
  };
  const { make, alarm } = first;
  return (
    <section aria-label="Alarms">
      <div role="alert" className={`banner ringing ${alarm.rank === 0 ? 'bad' : ''}`}>
        <strong>
          {alarm.title}: {make.state.plan.name}
        </strong>
        <span>{alarm.text}</span>
        <span style={{ marginLeft: 'auto', display: 'flex', gap: 12 }}>
          <Button component={Link} to={`/makes/${make.state.id}`} variant="default">
            Go there
          </Button>
          <Button variant="default" onClick={() => acknowledge(make, alarm)}>
            Heard
          </Button>
        </span>
      </div>
      {!unlocked && (
        <div className="banner">
          <span>Sound is blocked until you touch this page once.</span>
        </div>
      )}
      {due.length > 1 && (
        <div className="banner" style={{ padding: '4px 24px' }}>
          <span className="quiet">Also due:</span>
          {due.slice(1, 4).map((other) => (
            <Button key={`${other.make.state.id}${other.alarm.id}`} variant="subtle" onClick={() => acknowledge(other.make, other.alarm)}>
              {other.alarm.title}: {other.make.state.plan.name} · Heard
            </Button>
          ))}
        </div>
      )}
    </section>
  );
}
