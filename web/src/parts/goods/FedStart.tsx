import type { KeptDay } from '@morning-crock/core/contract';
import { Button } from '@mantine/core';
import type { DayChanges } from '../../data/use-day-changes.ts';
import { useUnits } from '../../data/use-units.ts';
import { useFed } from './use-fed.ts';

/** A batch that waits for another one of its day: begun with one tap, once that is done. */
export function FedStart(props: {
  readonly going: KeptDay;
  readonly changes: DayChanges;
  /** The batch in the day. */
  readonly make: string;
}) {
  const { going, changes, make } = props;
  const { fed, starting, refused, start } = useFed(going, changes);
  const units = useUnits();
  const own = fed.find(({ id }) => id === make);
  if (!own) return null;
  const massKg = own.plan?.milk.goods?.[0]?.massKg;
  return (
    <>
      {massKg === undefined ? (
        <span className="quiet">Waits until {own.feeder} is done.</span>
      ) : (
        <>
          <Button disabled={starting !== null} onClick={() => void start(own)}>
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
