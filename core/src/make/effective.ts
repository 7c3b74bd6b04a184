import { EVENT_DATA, type DraftEvent, type EventOf } from '../contract/index.ts';

/** An event as a device or the log has it; unsent ones have no `seq` yet. */
export type LoggedEvent = DraftEvent & { readonly seq?: number | undefined };

const BEGINNINGS: ReadonlySet<string> = new Set(['make-started', 'waking-started']);

/** The order of the log; entries not yet sent come last, in the order of their making. */
const order = (event: LoggedEvent): number => event.seq ?? Number.MAX_SAFE_INTEGER;
const byLog = (a: LoggedEvent, b: LoggedEvent): number =>
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

/**
 * What counts of a make's events: voided ones dropped, the correction with the highest `seq` applied, doubles of
 * the same id once, sorted by `at`, then `seq`.
 */
export function effectiveEvents(events: readonly LoggedEvent[]): LoggedEvent[] {
  const unique = [
    ...new Map(
      [...events]
        .sort(byLog)
        .reverse()
        .map((event) => [event.id, event]),
    ).values(),
  ].reverse();
  const gone = voidedIds(unique);
  const corrections = new Map<string, EventOf<'corrected'> & { seq?: number | undefined }>();
  for (const event of unique.sort(byLog)) {
    if (event.type === 'corrected' && !gone.has(event.id)) corrections.set(event.data.target, event);
  }
  return (
    unique
      // A make cannot be undone out of the record: it is discarded instead.
      .filter((event) => BEGINNINGS.has(event.type) || !gone.has(event.id))
      .filter((event) => event.type !== 'voided' && event.type !== 'corrected')
      .map((event) => {
        const correction = corrections.get(event.id);
        if (!correction) return event;
        const data = EVENT_DATA[event.type].safeParse(correction.data.data);
        // A correction that does not fit its target's shape is refused at the door; one that got in changes nothing.
        if (!data.success) return event;
        return { ...event, at: correction.data.at ?? event.at, data: data.data } as LoggedEvent;
      })
      // An instant is read once: a log of years has ten thousands of them.
      .map((event) => ({ event, atMs: Date.parse(event.at) }))
      .sort((a, b) => a.atMs - b.atMs || byLog(a.event, b.event))
      .map(({ event }) => event)
  );
}

/** The latest un-voided entry of one device that undo takes back; `null` when there is none. */
export function undoTarget(events: readonly LoggedEvent[], deviceId: string): LoggedEvent | null {
  const gone = voidedIds(events);
  const keep = new Set([...BEGINNINGS, 'planned', 'alarm-acknowledged', 'voided']);
  return (
    [...events]
      .sort(byLog)
      .reverse()
      .find((event) => event.deviceId === deviceId && !gone.has(event.id) && !keep.has(event.type)) ?? null
  );
}
