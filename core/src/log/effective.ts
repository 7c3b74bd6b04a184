import { broughtUp, dataBroughtUp, EVENT_DATA, type DraftEvent, type EventOf } from '../contract/index.ts';
import { beginsMake, EVENT_FACTS, isChange } from './facts.ts';
import { toTheEnd } from './to-the-end.ts';

/** An event as a device or the log has it; unsent ones have no `seq` yet. */
export type LoggedEvent = DraftEvent & { readonly seq?: number | undefined };

const order = (event: LoggedEvent): number => event.seq ?? Number.MAX_SAFE_INTEGER;
/** The order of the log; entries not yet sent come last, in the order of their making, which is that of their ids. */
export const byLog = (a: LoggedEvent, b: LoggedEvent): number =>
  order(a) - order(b) || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/**
 * Ids that an un-voided `voided` points at; undo of undo restores. However long a chain of undos is, it is followed
 * without calling itself; a ring of them, which no page can make, counts as not undone.
 */
export function voidedIds(events: readonly LoggedEvent[]): ReadonlySet<string> {
  const undoing = new Map<string, string[]>();
  for (const event of events) {
    if (event.type !== 'voided') continue;
    const by = undoing.get(event.data.target);
    if (by) by.push(event.id);
    else undoing.set(event.data.target, [event.id]);
  }
  const known = new Map<string, boolean>();
  for (const start of undoing.keys()) {
    const path = [start];
    const onPath = new Set(path);
    for (let id = path.at(-1); id !== undefined; id = path.at(-1)) {
      const undoneBy = undoing.get(id) ?? [];
      const open = undoneBy.find((by) => undoing.has(by) && !known.has(by) && !onPath.has(by));
      if (open !== undefined) {
        path.push(open);
        onPath.add(open);
        continue;
      }
      known.set(
        id,
        undoneBy.some((by) => known.get(by) !== true),
      );
      path.pop();
      onPath.delete(id);
    }
  }
  return new Set(events.flatMap((event) => (known.get(event.id) === true ? [event.id] : [])));
}

/** An event is read again at every fold of its log, its instant only once. */
const instants = new WeakMap<LoggedEvent, number>();

/** When an event happened, ms since 1970. */
export function instantOf(event: LoggedEvent): number {
  const known = instants.get(event);
  if (known !== undefined) return known;
  const ms = Date.parse(event.at);
  instants.set(event, ms);
  return ms;
}

const byTime = (a: LoggedEvent, b: LoggedEvent): number => instantOf(a) - instantOf(b) || byLog(a, b);

/** Sorted anew only where it is not in order: most logs are. */
function inOrder(events: readonly LoggedEvent[], order: typeof byLog): readonly LoggedEvent[] {
  return events.every((event, i) => i === 0 || order(events[i - 1]!, event) <= 0)
    ? events
    : [...events].sort(order);
}

/** An event of an older version is brought up once: whoever folds its log again has the same one. */
const todays = new WeakMap<LoggedEvent, LoggedEvent>();
const isToday = (event: LoggedEvent): boolean => today(event) === event;

/** An event as the present version has it. */
export function today<E extends LoggedEvent>(event: E): E {
  const known = todays.get(event);
  if (known !== undefined) return known as E;
  const up = broughtUp(event);
  if (up !== event) todays.set(event, up);
  return up;
}

/** The same events in the order of the log and as the present version has them, each identity once: as it is stored, when it is. */
function uniqueOf(events: readonly LoggedEvent[]): readonly LoggedEvent[] {
  const ordered = inOrder(events, byLog);
  const sorted = ordered.every(isToday) ? ordered : ordered.map(today);
  const seen = new Set<string>();
  const unique = sorted.filter(({ id }) => !seen.has(id) && seen.add(id));
  return unique.length === sorted.length ? sorted : unique;
}

/** An event with what its correction says instead. */
function correctedBy(event: LoggedEvent, correction: EventOf<'corrected'>): LoggedEvent {
  const data = EVENT_DATA[event.type].safeParse(dataBroughtUp(event.type, correction.data.data));
  // A correction that does not fit its target's shape is refused at the door; one that got in changes nothing.
  if (!data.success) return event;
  return { ...event, at: correction.data.at ?? event.at, data: data.data } as LoggedEvent;
}

/** The same as `effectiveEvents`, with pauses for whoever has others to serve meanwhile. */
export function* findingEffective(events: readonly LoggedEvent[]): Generator<void, readonly LoggedEvent[]> {
  const unique = uniqueOf(events);
  yield;
  // Few logs have a change in them.
  if (!unique.some(isChange)) return inOrder(unique, byTime);
  const gone = voidedIds(unique);
  yield;
  const corrections = new Map<string, EventOf<'corrected'>>();
  for (const event of unique)
    if (event.type === 'corrected' && !gone.has(event.id)) corrections.set(event.data.target, event);
  const counting = unique
    // A make cannot be undone out of the record: it is discarded instead.
    .filter((event) => !isChange(event) && (beginsMake(event.type) || !gone.has(event.id)))
    .map((event) => {
      const correction = corrections.get(event.id);
      return correction ? correctedBy(event, correction) : event;
    });
  yield;
  return inOrder(counting, byTime);
}

/**
 * What counts of a make's events: voided ones dropped, the correction with the highest `seq` applied, doubles of
 * the same id once, sorted by `at`, then `seq`.
 */
export const effectiveEvents = (events: readonly LoggedEvent[]): readonly LoggedEvent[] =>
  toTheEnd(findingEffective(events));

/** The latest un-voided entry of one device that undo takes back; `null` when there is none. */
export function undoTarget(events: readonly LoggedEvent[], deviceId: string): LoggedEvent | null {
  const gone = voidedIds(events);
  return (
    [...events]
      .sort(byLog)
      .reverse()
      .find(
        (event) =>
          event.deviceId === deviceId && !gone.has(event.id) && EVENT_FACTS[event.type].unasked !== true,
      ) ?? null
  );
}
