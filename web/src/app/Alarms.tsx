import type { Alarm } from '@morning-crock/core';
import { Button } from '@mantine/core';
import { IconBell, IconBellOff } from '@tabler/icons-react';
import { useEffect, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { ring, soundUnlocked, unlockSound } from '../parts/alerts/sound.ts';
import { useAlarmNotices } from '../parts/alerts/use-alarm-notices.ts';
import { record } from '../data/store.ts';
import type { Attended } from '../data/attended.ts';
import './alarms.css';

const RING_EVERY_MS = 4000;
/** How long the bell says what is the matter with the sound. */
const SAID_MS = 6000;

/** Whether alarms can be heard on this device, and what to do when they cannot. */
function Bell({ on, onTried }: { readonly on: boolean; readonly onTried: (on: boolean) => void }) {
  const [said, setSaid] = useState<string | null>(null);
  useEffect(() => {
    if (said === null) return;
    const timer = setTimeout(() => setSaid(null), SAID_MS);
    return () => clearTimeout(timer);
  }, [said]);
  const Icon = on ? IconBell : IconBellOff;
  return (
    <span className="bell">
      <button
        type="button"
        aria-label={on ? 'Sound is on' : 'Sound is off. Turn on'}
        onClick={() =>
          void unlockSound().then((works) => {
            onTried(works);
            if (works) ring(false);
            setSaid(
              works
                ? 'Sound is on. Alarms ring on this device.'
                : 'This browser blocks sound. Allow sound for this page in its settings.',
            );
          })
        }
      >
        <Icon size={26} stroke={1.6} aria-hidden="true" />
      </button>
      <span role="status" className={said === null ? '' : 'bell-said'}>
        {said}
      </span>
    </span>
  );
}

/**
 * The clock line's own place: what it says as long as nothing rings, and the alarm that spoils fastest when something does.
 * Nothing on the page moves under a finger because of it.
 */
export function Alarms({
  makes,
  nowMs,
  children,
}: {
  readonly makes: readonly Attended[];
  readonly nowMs: number;
  /** What stands there while nothing rings. */
  readonly children?: ReactNode;
}) {
  const due = makes
    .flatMap((make) => make.alarms.filter((a) => a.dueAtMs <= nowMs).map((alarm) => ({ make, alarm })))
    .sort((a, b) => a.alarm.rank - b.alarm.rank);
  const [unlocked, setUnlocked] = useState(soundUnlocked);
  /** The one that is shown when several ring, by how many were stepped over. */
  const [step, setStep] = useState(0);
  const first = due[0];
  const key = first ? `${first.make.id} ${first.alarm.id}` : null;
  const mustAct = first?.alarm.mustAct ?? false;

  useEffect(() => {
    const unlock = (): void => void unlockSound().then(setUnlocked);
    document.addEventListener('pointerdown', unlock, { once: true });
    return () => document.removeEventListener('pointerdown', unlock);
  }, []);
  // What is most urgent is shown again when it changes.
  useEffect(() => setStep(0), [key]);
  useEffect(() => {
    if (key === null) return;
    ring(mustAct);
    const timer = setInterval(() => ring(mustAct), RING_EVERY_MS);
    return () => clearInterval(timer);
  }, [key, mustAct]);

  useAlarmNotices(
    due.map(({ make, alarm }) => ({
      key: `${make.id} ${alarm.id}`,
      title: alarm.title,
      text: `${alarm.text} ${make.name}.`,
      path: `/makes/${make.id}`,
      stays: alarm.mustAct,
    })),
  );

  const bell = <Bell on={unlocked} onTried={setUnlocked} />;
  if (!first)
    return (
      <>
        {children}
        {bell}
      </>
    );
  const acknowledge = (make: Attended, alarm: Alarm): void => {
    void record(make.id, 'alarm-acknowledged', { alarm: alarm.id });
  };
  if (first.alarm.fills)
    return (
      <>
        {children}
        {/* One thing, one answer: it goes where it burns, and is heard. */}
        <section aria-label="Alarms" className={`alarms ${first.alarm.rank === 0 ? 'bad' : ''}`}>
          <div role="alert" className="alarm">
            <strong>{first.alarm.title}</strong>
            <span className="alarm-text">
              {first.make.name}. {first.alarm.text}
            </span>
          </div>
          <Button
            component={Link}
            to={`/makes/${first.make.id}`}
            variant="default"
            onClick={() => acknowledge(first.make, first.alarm)}
          >
            Open batch
          </Button>
        </section>
      </>
    );
  const at = step % due.length;
  const { make, alarm } = due[at]!;
  return (
    <section aria-label="Alarms" className={`ringing ${alarm.rank === 0 ? 'bad' : ''}`}>
      <div role="alert" className="alarm">
        <strong>{alarm.title}</strong> <span className="alarm-of">{make.name}</span>
        <span className="alarm-text">{alarm.text}</span>
      </div>
      <div className="alarm-buttons">
        {due.length > 1 && (
          <Button
            variant="default"
            size="md"
            aria-label={`Alarm ${at + 1} of ${due.length}. Show next`}
            onClick={() => setStep(at + 1)}
          >
            {at + 1} of {due.length}
          </Button>
        )}
        <Button component={Link} to={`/makes/${make.id}`} variant="default" size="md" aria-label="Open batch">
          Open
        </Button>
        <Button variant="default" size="md" onClick={() => acknowledge(make, alarm)}>
          Got it
        </Button>
        {bell}
      </div>
    </section>
  );
}
