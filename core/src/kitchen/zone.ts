const MINUTE_MS = 60_000;
const formatters = new Map<string, Intl.DateTimeFormat>();

function partsIn(zone: string, ms: number): Record<string, number> {
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
  return Object.fromEntries(format.formatToParts(ms).map((part) => [part.type, Number(part.value)]));
}

/** Minutes since local midnight of an instant in a zone. */
export function minuteOfDay(zone: string, ms: number): number {
  const p = partsIn(zone, ms);
  return (p['hour'] ?? 0) * 60 + (p['minute'] ?? 0);
}

const two = (n: number | undefined): string => String(n ?? 0).padStart(2, '0');

/** The clock time of an instant in a zone, as a time field wants it. @example clockTime('UTC', 0) // '00:00' */
export function clockTime(zone: string, ms: number): string {
  const p = partsIn(zone, ms);
  return `${two(p['hour'])}:${two(p['minute'])}`;
}

/** The local calendar date of an instant as "2026-01-31". */
export function localDate(zone: string, ms: number): string {
  const p = partsIn(zone, ms);
  return `${p['year']}-${two(p['month'])}-${two(p['day'])}`;
}

/** Offset of a zone from UTC at an instant, ms. */
function offsetMs(zone: string, ms: number): number {
  const p = partsIn(zone, ms);
  const local = Date.UTC(p['year']!, p['month']! - 1, p['day'], p['hour'], p['minute'], p['second']);
  return local - Math.floor(ms / 1000) * 1000;
}

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
