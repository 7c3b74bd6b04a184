import type { KeptDay } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import { Link } from 'react-router';
import type { DayChanges } from '../../data/use-day-changes.ts';
import { useUnits } from '../../data/use-units.ts';
import { useFed } from './use-fed.ts';

/** A batch that waits for another one of its day: begun with one tap, once that is done. */
export function FedStart(props: {
  readonly going: KeptDay;
  readonly changes: DayChanges;
  /** The batch in the day. */
  readonly make: string;
  /** It is the one thing to do. */
  readonly great?: boolean;
  readonly onStarted?: ((makeId: string) => void) | undefined;
}) {
  const { going, changes, make, great = false, onStarted } = props;
  const { fed, starting, refused, start } = useFed(going, changes);
  const units = useUnits();
  const own = fed.find(({ id }) => id === make);
  if (!own) return null;
  const begin = async (): Promise<void> => {
    const makeId = await start(own);
    if (makeId !== null) onStarted?.(makeId);
  };
  const massKg = own.plan?.milk.goods?.[0]?.massKg;
  return (
    <>
      {massKg === undefined ? (
        <span className="quiet">
          {own.overId === null ? (
            `Waits until ${own.feeder} is done.`
          ) : (
            <>
              {own.feeder} is finished. <Link to={`/daybook/${own.overId}`}>Add it to the larder</Link> to
              make {own.name} from it.
            </>
          )}
        </span>
      ) : (
        <>
          <Button
            {...(great ? { className: 'great', h: 72 } : {})}
            disabled={starting !== null}
            onClick={() => void begin()}
          >
            Start {own.name}
          </Button>
          <span className="quiet">
            with {units.mass(massKg)} from {own.feeder}
          </span>
        </>
      )}
      {refused && (
        <span className="field-error" role="alert">
          {refused}
        </span>
      )}
    </>
  );
}
