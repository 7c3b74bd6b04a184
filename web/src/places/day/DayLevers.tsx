import type { DayWish, Lever } from '@morning-crock/core';
import { Button, Progress } from '@mantine/core';
import { useEffect, useState } from 'react';
import { useUnits } from '../../data/use-units.ts';
import { cancelForecast, requestLevers } from '../../workers/kitchen-client.ts';
import { helpWords, leverWords } from './lever-words.ts';

const KEY = 'day levers';

/** What would help: worked out when somebody asks, each with what it brings; one tap takes what is about a batch. */
export function DayLevers(props: {
  /** The schedule stands: what would help is held against it. */
  readonly ready: boolean;
  /** What the day asks for; another object means another day. */
  readonly asked: string;
  readonly asking: () => DayWish;
  readonly nameOf: (make: string) => string;
  readonly onTake: (lever: Lever) => void;
}) {
  const { ready, asked, asking, nameOf, onTake } = props;
  const units = useUnits();
  const [found, setFound] = useState<{ readonly asked: string; readonly levers: readonly Lever[] } | null>(
    null,
  );
  const [share, setShare] = useState<number | null>(null);
  const [failed, setFailed] = useState(false);
  // What was worked out for another day says nothing of this one.
  useEffect(() => () => cancelForecast(KEY), [asked]);
  const levers = found?.asked === asked ? found.levers : null;
  const look = (): void => {
    setShare(0);
    setFailed(false);
    requestLevers(KEY, asking(), setShare).then(
      (told) => {
        setShare(null);
        if (told) setFound({ asked, levers: told });
      },
      () => {
        setShare(null);
        setFailed(true);
      },
    );
  };
  return (
    <section aria-label="What would help" className="column">
      {share === null ? (
        !levers && (
          <div className="row">
            <Button variant="default" disabled={!ready} onClick={look}>
              What would help?
            </Button>
          </div>
        )
      ) : (
        <div className="row">
          <span className="quiet">Trying what would help …</span>
          <Progress value={share * 100} aria-label="Trying what would help" className="grows" />
          <Button
            variant="default"
            onClick={() => {
              cancelForecast(KEY);
              setShare(null);
            }}
          >
            Stop
          </Button>
        </div>
      )}
      {failed && (
        <p className="field-error" role="alert">
          This device could not work that out. Your plan is safe. Try again.
        </p>
      )}
      {levers?.length === 0 && (
        <p className="quiet">
          Neither ice, another way to keep warm, more or less starter, a smaller batch, another pot or burner,
          nor somebody to help would make much difference.
        </p>
      )}
      {levers && levers.length > 0 && (
        <>
          <h2>What would help</h2>
          <ul className="bare">
            {levers.map((lever) => {
              const words = leverWords(lever, nameOf(lever.make ?? ''), units);
              return (
                <li key={`${lever.kind} ${lever.make ?? ''}`} className="row tall-row">
                  <span className="grows">
                    {words} <span className="quiet">{helpWords(lever)}</span>
                  </span>
                  {lever.make !== null && (
                    <Button variant="default" aria-label={`Use: ${words}`} onClick={() => onTake(lever)}>
                      Use
                    </Button>
                  )}
                </li>
              );
            })}
          </ul>
        </>
      )}
    </section>
  );
}
