import { instantOfLocal } from '../kitchen/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../science/units/index.ts';

/** How a file writes its instants. */
export const TIME_FORMATS = [
  'iso',
  'day-month-year',
  'month-day-year',
  'clock',
  'unix-s',
  'unix-ms',
  'elapsed-s',
  'elapsed-min',
  'elapsed-h',
] as const;
export type TimeFormat = (typeof TIME_FORMATS)[number];

export const TIME_FORMAT_LABEL: Readonly<Record<TimeFormat, string>> = {
  iso: 'year-month-day, such as 2026-03-14 06:30',
  'day-month-year': 'day, month, year, such as 14.03.2026 06:30',
  'month-day-year': 'month, day, year, such as 03/14/2026 6:30 AM',
  clock: 'time of day only, such as 06:30:00',
  'unix-s': 'seconds since 1970',
  'unix-ms': 'milliseconds since 1970',
  'elapsed-s': 'seconds since the batch started',
  'elapsed-min': 'minutes since the batch started',
  'elapsed-h': 'hours since the batch started',
};

const ISO =
  /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ]+(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,](\d{1,3}))?)?\s*([AaPp][Mm])?)?\s*(Z|[+-]\d{2}:?\d{2})?$/;
const PARTED =
  /^(\d{1,2})[-/. ](\d{1,2})[-/. ](\d{2}|\d{4})(?:[T ,]+(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,](\d{1,3}))?)?\s*([AaPp][Mm])?)?$/;
const CLOCK = /^(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,](\d{1,3}))?)?\s*([AaPp][Mm])?$/;
const NUMBER = /^-?\d+(?:[.,]\d+)?$/;

/** Which shape a cell has; `parted` may be day-month or month-day. */
export function timeShape(text: string): 'iso' | 'parted' | 'clock' | 'number' | null {
  const plain = text.trim();
  if (ISO.test(plain)) return 'iso';
  if (PARTED.test(plain)) return 'parted';
  if (CLOCK.test(plain)) return 'clock';
  return NUMBER.test(plain) ? 'number' : null;
}

/** Day first when a first figure is above 12, month first when a second one is; `null` when nothing tells. */
export function partedOrder(cells: readonly string[]): 'day-month-year' | 'month-day-year' | null {
  for (const cell of cells) {
    const found = PARTED.exec(cell.trim());
    if (!found) continue;
    if (Number(found[1]) > 12) return 'day-month-year';
    if (Number(found[2]) > 12) return 'month-day-year';
    if (found[8]) return 'month-day-year';
  }
  return null;
}

interface Parts {
  readonly year: number;
  readonly month: number;
  readonly day: number;
  readonly ms: number;
}

function clockMs(
  hour: string | undefined,
  minute: string | undefined,
  second: string | undefined,
  fraction: string | undefined,
  half: string | undefined,
): number | null {
  let h = Number(hour ?? 0);
  if (half) h = (h % 12) + (/p/i.test(half) ? 12 : 0);
  const m = Number(minute ?? 0);
  const s = Number(second ?? 0);
  if (h > 23 || m > 59 || s > 59) return null;
  return ((h * 60 + m) * 60 + s) * 1000 + Number((fraction ?? '0').padEnd(3, '0'));
}

/**
 * Reads cells as instants, ms since 1970; `null` for one that cannot be read. Local times are the kitchen's; a clock
 * alone is taken from the day the make began on, over midnight as often as the clock goes back.
 * @param context.startMs when the make began
 */
export function createTimeReader(
  format: TimeFormat,
  context: { readonly zone: string; readonly startMs: number },
): (text: string) => number | null {
  const offsets = new Map<number, number>();
  const localMs = ({ year, month, day, ms }: Parts): number | null => {
    const midnight = Date.UTC(year, month - 1, day);
    const date = new Date(midnight);
    if (date.getUTCMonth() !== month - 1 || date.getUTCDate() !== day) return null;
    const naive = midnight + ms;
    // A zone's offset is looked up once an hour: asking the calendar for every row would take minutes.
    const hour = Math.floor(naive / HOUR_MS);
    let offset = offsets.get(hour);
    if (offset === undefined) {
      const at = new Date(hour * HOUR_MS).toISOString();
      offset = instantOfLocal(context.zone, at.slice(0, 10), at.slice(11, 16)) - hour * HOUR_MS;
      offsets.set(hour, offset);
    }
    return naive + offset;
  };
  const number = (text: string): number | null => (NUMBER.test(text) ? Number(text.replace(',', '.')) : null);
  const scaled = (factor: number, from: number) => (text: string) => {
    const value = number(text.trim());
    return value === null ? null : Math.round(from + value * factor);
  };
  switch (format) {
    case 'iso':
      return (text) => {
        const found = ISO.exec(text.trim());
        if (!found) return null;
        const [, year, month, day, h, m, s, f, half, zone] = found;
        const ms = clockMs(h, m, s, f, half);
        if (ms === null) return null;
        const parts = { year: Number(year), month: Number(month), day: Number(day), ms };
        if (zone === undefined) return localMs(parts);
        const utc = Date.UTC(parts.year, parts.month - 1, parts.day) + ms;
        if (zone === 'Z') return utc;
        const [sign, zh, zm] = [zone[0] === '-' ? -1 : 1, Number(zone.slice(1, 3)), Number(zone.slice(-2))];
        return utc - sign * (zh * 60 + zm) * MINUTE_MS;
      };
    case 'day-month-year':
    case 'month-day-year':
      return (text) => {
        const found = PARTED.exec(text.trim());
        if (!found) return null;
        const [, first, second, y, h, m, s, f, half] = found;
        const ms = clockMs(h, m, s, f, half);
        if (ms === null) return null;
        const year = y!.length === 2 ? 2000 + Number(y) : Number(y);
        const [day, month] = format === 'day-month-year' ? [first, second] : [second, first];
        return localMs({ year, month: Number(month), day: Number(day), ms });
      };
    case 'clock': {
      const local = new Date(context.startMs);
      let dayMs = Number.NaN;
      let before = Number.NEGATIVE_INFINITY;
      return (text) => {
        const found = CLOCK.exec(text.trim());
        if (!found) return null;
        const ms = clockMs(found[1], found[2], found[3], found[4], found[5]);
        if (ms === null) return null;
        if (Number.isNaN(dayMs))
          dayMs = Date.UTC(local.getUTCFullYear(), local.getUTCMonth(), local.getUTCDate());
        if (ms < before - HOUR_MS) dayMs += DAY_MS;
        before = ms;
        const date = new Date(dayMs);
        return localMs({
          year: date.getUTCFullYear(),
          month: date.getUTCMonth() + 1,
          day: date.getUTCDate(),
          ms,
        });
      };
    }
    case 'unix-s':
      return scaled(1000, 0);
    case 'unix-ms':
      return scaled(1, 0);
    case 'elapsed-s':
      return scaled(1000, context.startMs);
    case 'elapsed-min':
      return scaled(60_000, context.startMs);
    case 'elapsed-h':
      return scaled(HOUR_MS, context.startMs);
  }
}
