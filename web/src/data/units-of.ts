import {
  formatDifference,
  formatMass,
  formatTemperature,
  formatVolume,
  localDate,
  outwardBand,
  type MeasureSystem,
  type TemperatureUnit,
  DAY_MS,
} from '@morning-crock/core';
import type { KitchenSettings } from '@morning-crock/core/contract';

/** Words for quantities and times as this kitchen wants them. */
export interface Units {
  readonly temperatureUnit: TemperatureUnit;
  readonly system: MeasureSystem;
  temperature(celsius: number): string;
  /** How far two temperatures are apart: "4 °C". */
  difference(kelvin: number): string;
  mass(massKg: number): string;
  volume(litres: number): string;
  /** "530–590 g": an estimate, rounded outward to ten grams or a hundredth of a kilogram. */
  massRange(fromKg: number, toKg: number): string;
  /** "10.2–14.1 L": an estimate, rounded outward to a tenth. */
  volumeRange(fromLitres: number, toLitres: number): string;
  /** "150 L": an estimate of a volume, no finer than it is known. */
  aboutVolume(litres: number): string;
  /** What money is called here; empty when nobody said. */
  readonly money: string;
  /** "0.62 crowns". */
  cost(amount: number): string;
  /** "18:10", with the weekday when it is not today. */
  time(ms: number, nowMs: number): string;
  /** "18:10–18:50", rounded outward to five minutes. */
  span(fromMs: number | null, toMs: number | null, nowMs: number): string;
  /** "18:10", whatever the day. */
  clock(ms: number): string;
  /** "Mon 23 Nov", or "Mon Nov 23". */
  day(ms: number): string;
  /** The day with its year when that is another: "Mon 23 Nov 2019". */
  dayAndYear(ms: number, nowMs: number): string;
  /** How times of day are typed. */
  readonly clockHabit: '24h' | '12h';
  /** How days are typed. */
  readonly dayHabit: string;
}

/** Two amounts as a range: the unit once when both have the same. */
function range(from: string, to: string): string {
  const [fromNumber, ...fromUnit] = from.split(' ');
  const [, ...toUnit] = to.split(' ');
  return fromUnit.join(' ') === toUnit.join(' ') ? `${fromNumber}–${to}` : `${from}–${to}`;
}

type DayOrder = NonNullable<KitchenSettings['units']['dayOrder']>;
const DAY_FORMAT: Readonly<Record<DayOrder, string>> = {
  'day-month': 'DD.MM.YYYY',
  'month-day': 'MM/DD/YYYY',
  'year-month': 'YYYY-MM-DD',
};

/** A day in words, its parts in the kitchen's order. */
function dayWords(parts: readonly Intl.DateTimeFormatPart[], order: DayOrder): string {
  const of = (type: Intl.DateTimeFormatPartTypes): string => parts.find((p) => p.type === type)?.value ?? '';
  const [day, month] = [of('day'), of('month')];
  return `${of('weekday')} ${order === 'day-month' ? `${day} ${month}` : `${month} ${day}`}`;
}

/** From so far away on a day is told by its date, ms. */
const WEEK_MS = 6 * DAY_MS;

/** Words as a kitchen's settings want them. */
export function unitsOf({ units, site }: Pick<KitchenSettings, 'units' | 'site'>): Units {
  const clock = new Intl.DateTimeFormat('en-GB', {
    timeZone: site.zone,
    hour: units.clock === '12h' ? 'numeric' : '2-digit',
    minute: '2-digit',
    hourCycle: units.clock === '12h' ? 'h12' : 'h23',
  });
  const weekday = new Intl.DateTimeFormat('en-GB', { timeZone: site.zone, weekday: 'short' });
  const date = new Intl.DateTimeFormat('en-GB', {
    timeZone: site.zone,
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  });
  const full = new Intl.DateTimeFormat('en-GB', { timeZone: site.zone, dateStyle: 'short' });
  const time = (ms: number, nowMs: number): string =>
    full.format(ms) === full.format(nowMs)
      ? clock.format(ms)
      : // The weekday of another week says nothing.
        Math.abs(ms - nowMs) > WEEK_MS
        ? dayWords(date.formatToParts(ms), units.dayOrder ?? 'day-month')
        : `${weekday.format(ms)} ${clock.format(ms)}`;
  return {
    temperatureUnit: units.temperature,
    system: units.measures,
    temperature: (celsius) => formatTemperature(celsius, units.temperature),
    difference: (kelvin) => formatDifference(kelvin, units.temperature),
    mass: (massKg) => formatMass(massKg, units.measures),
    massRange: (fromKg, toKg) =>
      range(
        formatMass(Math.floor(fromKg * 100) / 100, units.measures),
        formatMass(Math.ceil(toKg * 100) / 100, units.measures),
      ),
    volumeRange: (from, to) =>
      range(
        formatVolume(Math.floor(from * 10) / 10, units.measures),
        formatVolume(Math.ceil(to * 10) / 10, units.measures),
      ),
    aboutVolume: (litres) =>
      formatVolume(litres >= 10 ? Math.round(litres) : Math.round(litres * 10) / 10, units.measures),
    money: units.money ?? '',
    cost: (amount) => `${amount.toFixed(2)}${units.money ? ` ${units.money}` : ''}`,
    volume: (litres) => formatVolume(litres, units.measures),
    time,
    span: (fromMs, toMs, nowMs) => {
      if (fromMs === null) return 'not within the forecast';
      const band = outwardBand(fromMs, toMs ?? fromMs);
      const from = time(band.fromMs, nowMs);
      if (toMs === null) return `after ${from}`;
      const sameDay = full.format(band.fromMs) === full.format(band.toMs);
      // Told by its day alone, it has no hours to end at.
      const to = time(band.toMs, nowMs);
      if (sameDay && from === to) return from;
      return `${from}–${sameDay ? clock.format(band.toMs) : to}`;
    },
    clock: (ms) => clock.format(ms),
    day: (ms) => dayWords(date.formatToParts(ms), units.dayOrder ?? 'day-month'),
    dayAndYear: (ms, nowMs) => {
      const day = dayWords(date.formatToParts(ms), units.dayOrder ?? 'day-month');
      const [then, today] = [ms, nowMs].map((at) => localDate(site.zone, at).slice(0, 4));
      return then === today ? day : `${day} ${then}`;
    },
    clockHabit: units.clock ?? '24h',
    dayHabit: DAY_FORMAT[units.dayOrder ?? 'day-month'],
  };
}
