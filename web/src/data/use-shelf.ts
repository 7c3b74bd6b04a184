import { useMemo } from 'react';
import type { MakePicture } from '../workers/make-picture.ts';
import { useAppSelector } from './store.ts';
import { useUnderWayIds } from './under-way.ts';

/** A make on the shelf. */
export interface Shelved extends MakePicture {
  /** As it was drawn the last time the page was open: shown, but nothing is recorded by it, and nothing rings while it is drawn anew. */
  readonly recalled: boolean;
}

/** All makes under way that have a picture, for the shelf, the clock line and the alarms. */
export function useShelf(): readonly Shelved[] {
  const ids = useUnderWayIds();
  const pictures = useAppSelector((s) => s.live.pictures);
  const recalled = useAppSelector((s) => s.live.recalled);
  const failed = useAppSelector((s) => s.live.failed);
  const day = useAppSelector((s) => s.live.day);
  return useMemo(
    () =>
      ids.flatMap((id): Shelved[] => {
        const drawn = pictures[id];
        const own = drawn ?? recalled[id];
        if (!own) return [];
        const make: Shelved = {
          ...own,
          recalled: !drawn,
          // Where it cannot be drawn anew, it is the best there is.
          alarms: drawn || failed[id] ? own.alarms : [],
        };
        const planned = day?.next[id];
        // The day has its own order: what may wait is not asked for before its turn.
        return planned && make.next && planned.atMs > make.next.atMs
          ? [
              {
                ...make,
                next: { ...make.next, atMs: planned.atMs, mustAct: false },
                alarms: make.alarms.map((alarm) =>
                  alarm.mustAct ? alarm : { ...alarm, dueAtMs: Math.max(alarm.dueAtMs, planned.atMs) },
                ),
              },
            ]
          : [make];
      }),
    [ids, pictures, recalled, failed, day],
  );
}
