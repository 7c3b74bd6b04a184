import { Button } from '@mantine/core';
import { IconArrowBackUp, IconPlayerPause, IconVolume, IconVolumeOff } from '@tabler/icons-react';
import { useEffect, useState } from 'react';
import { useNow } from '../../data/clock.ts';
import { useUnits } from '../../data/use-units.ts';
import { speak } from '../../parts/words/speak.ts';
import { SPEEDS } from './practice-words.ts';
import type { Session } from './session.ts';
import { useSessionState } from './use-session.ts';

const SPOKEN = 'practice-spoken';

/** The clock of a practice: what it shows, how fast it goes, and back. */
export function TimeBar({ session, no }: { readonly session: Session; readonly no: number }) {
  const units = useUnits();
  const { speed, stopped, batches } = useSessionState(session);
  const nowMs = useNow();
  const [spoken, setSpoken] = useState(() => localStorage.getItem(SPOKEN) === 'yes');
  useEffect(() => {
    // It says first that it is not in earnest.
    if (spoken && stopped !== '') speak(`Practice. ${stopped}`);
  }, [spoken, stopped]);
  return (
    <section className="practice-bar" aria-label="Practice clock">
      <div className="practice-word">Practice</div>
      <div className="practice-clock number" role="timer" aria-label="Time in this practice">
        {units.time(nowMs, session.startMs)}
      </div>
      <div className="practice-speeds" role="group" aria-label="How much time goes by in a second">
        <button type="button" className="hand" aria-pressed={speed === 0} onClick={() => session.goAt(0)}>
          <IconPlayerPause size={20} aria-hidden="true" /> Stop
        </button>
        {SPEEDS.map((one) => (
          <button
            key={one.speed}
            type="button"
            className="hand"
            aria-pressed={speed === one.speed}
            aria-label={`${one.words} a second`}
            onClick={() => session.goAt(one.speed)}
          >
            {one.words}
          </button>
        ))}
        <span className="quiet">a second</span>
      </div>
      <span className="grows" />
      <button
        type="button"
        className="hand"
        aria-pressed={spoken}
        aria-label="Read aloud"
        onClick={() => {
          localStorage.setItem(SPOKEN, spoken ? 'no' : 'yes');
          setSpoken(!spoken);
        }}
      >
        {spoken ? (
          <IconVolume size={24} aria-hidden="true" />
        ) : (
          <IconVolumeOff size={24} aria-hidden="true" />
        )}
      </button>
      <Button
        variant="default"
        leftSection={<IconArrowBackUp size={22} aria-hidden="true" />}
        disabled={batches[no]!.hands.length === 0}
        onClick={() => session.stepBack(no)}
      >
        Step back
      </Button>
      <Button variant="default" onClick={() => session.end()}>
        End practice
      </Button>
      {stopped !== '' && (
        <p className="practice-stopped" role="status">
          <strong>The clock stopped.</strong> {stopped}
        </p>
      )}
    </section>
  );
}
