import { MINUTE_MS } from '../science/units/index.ts';

const formatters = new Map<string, Intl.DateTimeFormat>();

/** What a calendar and clock of a zone show at an instant, as if it were UTC, ms since 1970. */
function shownIn(zone: string, ms: number): number {
  let format = formatters.get(zone);
  if (!format) {
    format = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      second: '2-digit',
    });
    formatters.set(zone, format);
  }
  const p = Object.fromEntries(format.formatToParts(ms).map((part) => [part.type, Number(part.value)]));
  return Date.UTC(p['year']!, p['month']! - 1, p['day'], p['hour'], p['minute'], p['second']);
}

const QUARTER_MS = 15 * MINUTE_MS;
/** Quarters of an hour whose offset is kept; a timetable asks for thousands of instants of the same days. */
const MOST_QUARTERS = 20_000;
const quarters = new Map<string, number>();

/** Offset at the beginning of a quarter of an hour. */
function offsetOfQuarter(zone: string, quarter: number): number {
  const key = `${zone} ${quarter}`;
  const known = quarters.get(key);
  if (known !== undefined) return known;
  const ms = quarter * QUARTER_MS;
  const offset = shownIn(zone, ms) - ms;
  if (quarters.size >= MOST_QUARTERS) quarters.clear();
  quarters.set(key, offset);
  return offset;
}

/** Offset of a zone from UTC at an instant, ms. */
function offsetMs(zone: string, ms: number): number {
  const quarter = Math.floor(ms / QUARTER_MS);
  const offset = offsetOfQuarter(zone, quarter);
  // Clocks are changed at a full quarter nearly always; where they were not, this instant itself is asked for.
  if (offset === offsetOfQuarter(zone, quarter + 1)) return offset;
  return shownIn(zone, ms) - Math.floor(ms / 1000) * 1000;
}

/** Calendar and clock of a zone at an instant, read off as UTC. */
const localIn = (zone: string, ms: number): Date => new Date(ms + offsetMs(zone, ms));

/** Minutes since local midnight of an instant in a zone. */
export function minuteOfDay(zone: string, ms: number): number {
  const local = localIn(zone, ms);
  return local.getUTCHours() * 60 + local.getUTCMinutes();
}

/** The clock time of an instant in a zone, as a time field wants it. @example clockTime('UTC', 0) // '00:00' */
export const clockTime = (zone: string, ms: number): string => localIn(zone, ms).toISOString().slice(11, 16);

/** The local calendar date of an instant as "2026-01-31". */
export const localDate = (zone: string, ms: number): string => localIn(zone, ms).toISOString().slice(0, 10);

/**
 * The instant of a local clock time. A time that does not exist (clocks going forward) moves forward by the gap;
 * a doubled one takes the first.
 * @param date "2026-01-31" @param time "06:30"
 */
export function instantOfLocal(zone: string, date: string, time: string): number {
  const naive = Date.parse(`${date}T${time}:00.000Z`);
  const candidates = [offsetMs(zone, naive - 86_400_000), offsetMs(zone, naive + 86_400_000)];
  const valid = candidates.map((offset) => naive - offset).filter((ms) => ms + offsetMs(zone, ms) === naive);
  // In a gap neither offset fits: read with the offset before the change, the time lands after the gap.
  return valid.length > 0 ? Math.min(...valid) : naive - candidates[0]!;
}

/** Whether an instant falls into a nightly sleep, which may run over midnight. */
export function isAsleep(zone: string, ms: number, sleep: { sleepFrom: string; sleepTo: string }): boolean {
  const minutes = (text: string): number => Number(text.slice(0, 2)) * 60 + Number(text.slice(3));
  const from = minutes(sleep.sleepFrom);
  const to = minutes(sleep.sleepTo);
  const at = minuteOfDay(zone, ms);
  return from <= to ? at >= from && at < to : at >= from || at < to;
}

/** Spells of sleep within a window, for shading. Resolution: five minutes. */
export function sleepSpells(
  zone: string,
  sleep: { sleepFrom: string; sleepTo: string },
  fromMs: number,
  toMs: number,
): { fromMs: number; toMs: number }[] {
  const spells: { fromMs: number; toMs: number }[] = [];
  const step = 5 * MINUTE_MS;
  let open: number | null = null;
  for (let ms = Math.floor(fromMs / step) * step; ms <= toMs; ms += step) {
    const asleep = isAsleep(zone, ms, sleep);
    if (asleep && open === null) open = Math.max(ms, fromMs);
    if (!asleep && open !== null) {
      spells.push({ fromMs: open, toMs: ms });
      open = null;
    }
  }
  if (open !== null) spells.push({ fromMs: open, toMs });
  return spells;
}
