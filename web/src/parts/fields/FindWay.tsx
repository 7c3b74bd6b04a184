import { Button, Progress } from '@mantine/core';
import { useState } from 'react';
import { cancelForecast } from '../../workers/kitchen-client.ts';
import './work-back.css';
import '@mantine/core/styles/Progress.css';

/** Looks for ways to a wish: how far it is, how to stop it, and what to do when it cannot be worked out. */
export function FindWay(props: {
  /** By it the work is stopped. */
  readonly cancelKey: string;
  /** The work; it is told how far it is, 0..1. */
  readonly find: (tell: (share: number) => void) => Promise<void>;
}) {
  const { cancelKey, find } = props;
  const [share, setShare] = useState<number | null>(null);
  const [failed, setFailed] = useState(false);
  async function work(): Promise<void> {
    setShare(0);
    setFailed(false);
    try {
      await find(setShare);
    } catch {
      setFailed(true);
    }
    setShare(null);
  }
  return (
    <>
      {share === null ? (
        <Button className="at-the-start" onClick={() => void work()}>
          Find options
        </Button>
      ) : (
        <div className="field-row" role="status">
          <Progress value={share * 100} w={260} aria-label="Progress" />
          <span>Looking for options …</span>
          <Button variant="default" onClick={() => cancelForecast(cancelKey)}>
            Stop
          </Button>
        </div>
      )}
      {failed && (
        <p className="caution" role="alert">
          This device could not work out the options. Your choices are kept. Try again.
        </p>
      )}
    </>
  );
}
