import { Button } from '@mantine/core';
import { useState } from 'react';
import { ring, unlockSound } from '../../parts/alerts/sound.ts';
import { DeviceDrawing } from '../../parts/drawings/DeviceDrawing.tsx';

/** Whether alarms can be heard: played, and asked of whoever should hear them. */
export function SoundStep({ onNext }: { readonly onNext: () => void }) {
  const [played, setPlayed] = useState<'not-yet' | 'played' | 'blocked' | 'not-heard'>('not-yet');
  const play = async (): Promise<void> => {
    const works = await unlockSound();
    if (works) ring(true);
    setPlayed(works ? 'played' : 'blocked');
  };
  return (
    <>
      <h1>Hear the alarms</h1>
      <DeviceDrawing act="sound" alone />
      <p>Turn up the volume and play the sound. Every alarm begins with these two tones.</p>
      <Button className="great" h={72} onClick={() => void play()}>
        Play sound
      </Button>
      {played === 'played' && (
        <div className="row" role="group" aria-label="Did you hear two tones?">
          <span className="whole-row">Did you hear two tones?</span>
          <Button h={56} onClick={onNext}>
            Yes
          </Button>
          <Button variant="default" h={56} onClick={() => setPlayed('not-heard')}>
            No
          </Button>
        </div>
      )}
      {(played === 'not-heard' || played === 'blocked') && (
        <p role="alert">
          {played === 'blocked'
            ? 'This browser blocks sound. Allow sound for this page in its settings, then play it again.'
            : 'Turn up the volume, switch off silent mode, then play it again.'}
        </p>
      )}
      <Button variant="default" h={56} onClick={onNext}>
        Skip
      </Button>
    </>
  );
}
