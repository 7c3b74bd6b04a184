import type { KeptDay } from '../contract/index.ts';
import { effectiveEvents, type LoggedEvent } from '../log/index.ts';

/**
 * The days of a kitchen as they were laid out last, the latest first; dropped ones are gone.
 * @param events of any streams, in any order; undone ones do not count
 */
export function foldDays(events: readonly LoggedEvent[]): KeptDay[] {
  const kept = new Map<string, KeptDay>();
  for (const event of effectiveEvents(events)) {
    if (event.type !== 'day-changed') continue;
    if (event.data.kind === 'dropped') kept.delete(event.streamId);
    else {
      const before = kept.get(event.streamId);
      if (!before || before.day.version < event.data.day.version)
        kept.set(event.streamId, { id: event.streamId, at: event.at, day: event.data.day });
    }
  }
  return [...kept.values()].sort((a, b) => (a.at < b.at ? 1 : -1));
}
