import { Button } from '@mantine/core';
import { useAppSelector } from '../../data/store.ts';
import { MORE_MIN, useDayChanges } from '../../data/use-day-changes.ts';
import { useDays } from '../../data/use-days.ts';

/** The next step of a batch of the day in progress, a little later; the rest is laid out anew around it. */
export function PutOff({ makeId }: { readonly makeId: string }) {
  const day = useAppSelector((s) => s.live.day);
  const going = useDays().find(({ id }) => id === day?.id) ?? null;
  const changes = useDayChanges(going);
  const at = day?.next[makeId];
  return (
    <>
      <Button variant="default" disabled={!at} flex={1} onClick={() => at && changes.putOff(at)}>
        {MORE_MIN} more minutes
      </Button>
      {changes.refused && (
        <span className="field-error" role="alert">
          Not changed: another tablet changed the schedule. Tap again.
        </span>
      )}
    </>
  );
}
