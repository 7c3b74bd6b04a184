import { waitingFor } from '@morning-crock/core';
import { useAppSelector } from '../../data/store.ts';
import { useDayChanges } from '../../data/use-day-changes.ts';
import { useDays } from '../../data/use-days.ts';
import { FedStart } from './FedStart.tsx';

/** What is to be made next from a batch of the day in progress that is done; nothing where nothing waits for it. */
export function FedByThis(props: {
  readonly makeId: string;
  /** It is begun: where to go on. */
  readonly onStarted?: (makeId: string) => void;
}) {
  const { makeId, onStarted } = props;
  const followed = useAppSelector((s) => s.live.day);
  const going = useDays().find(({ id }) => id === followed?.id) ?? null;
  const changes = useDayChanges(going);
  if (!going) return null;
  return (
    <>
      {waitingFor(going.day, makeId).map(({ id }) => (
        <FedStart key={id} going={going} changes={changes} make={id} great onStarted={onStarted} />
      ))}
    </>
  );
}
