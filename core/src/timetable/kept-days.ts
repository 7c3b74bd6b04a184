import type { KeptDay } from '../contract/index.ts';
import { effectiveEvents, type LoggedEvent } from '../log/index.ts';

/**
 * Days as they are after an entry, the latest first: a newer version takes an older one's place, never the other way round; a dropped
 * day is gone.
 */
export function daysAfter(days: readonly KeptDay[], event: LoggedEvent): readonly KeptDay[] {
  if (event.type !== 'day-changed') return days;
  const { streamId: id, at, data } = event;
  const before = days.find((day) => day.id === id);
  if (data.kind !== 'dropped' && before && before.day.version >= data.day.version) return days;
  const others = days.filter((day) => day !== before);
  if (data.kind === 'dropped') return others;
  return [...others, { id, at, day: data.day }].sort((a, b) => (a.at < b.at ? 1 : -1));
}

/**
 * The days of a kitchen as they were laid out last, the latest first; dropped ones are gone.
 * @param events of any streams, in any order; undone ones do not count
 */
export const foldDays = (events: readonly LoggedEvent[]): KeptDay[] => [
  ...effectiveEvents(events).reduce<readonly KeptDay[]>(daysAfter, []),
];
