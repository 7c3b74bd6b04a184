import type { KitchenSettings, MilkDays } from '../../contract/index.ts';
import {
  expectedLitres,
  fitLactation,
  type DayOfMilk,
  type Lactation,
  type MilkKind,
} from '../../science/milk/index.ts';
import { DAY_MS } from '../../science/units/index.ts';

const WEEKS_BACK = 8;
const WEEKS_AHEAD = 6;
/** Weeks whose use goes on. */
const USE_WEEKS = 4;
/** Taken for an animal nobody said anything of: days in milk at its first milking on record. */
const GUESSED_DAY = 60;
/** An animal not milked for so many days is dry. */
const DRY_AFTER_DAYS = 10;

interface Band {
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

/** One animal or herd: its curve and what it gives. */
export interface SourceOutlook {
  readonly source: string;
  readonly kind: MilkKind;
  readonly curve: Lactation | null;
  /** Days in milk today. */
  readonly dayInMilk: number;
  /** Nobody said when it came into milk. */
  readonly guessed: boolean;
  readonly dry: boolean;
  readonly lastLitresADay: number | null;
  readonly inFourWeeks: Band | null;
}

export interface WeekOfMilk {
  /** Its first day. */
  readonly from: string;
  readonly ahead: boolean;
  readonly milk: Band;
  readonly usedLitres: number;
}

const dayNumber = (day: string): number => Math.floor(Date.parse(`${day}T00:00:00.000Z`) / DAY_MS);
const dayOf = (n: number): string => new Date(n * DAY_MS).toISOString().slice(0, 10);

function sourceOutlook(
  source: string,
  days: MilkDays['days'],
  herd: KitchenSettings['herd'],
  today: number,
): SourceOutlook {
  const own = days.filter((d) => d.source === source);
  const known = herd.find((h) => h.name === source);
  const kind = known?.kind ?? own.at(-1)!.kind;
  const first = dayNumber(own[0]!.day);
  const last = dayNumber(own.at(-1)!.day);
  const fresh = known?.freshSince ? Math.floor(Date.parse(known.freshSince) / DAY_MS) : first - GUESSED_DAY;
  // A day that has not ended may have another milking to come.
  const lactating = own
    .filter((d) => dayNumber(d.day) > fresh && dayNumber(d.day) < today)
    .map((d): DayOfMilk => [dayNumber(d.day) - fresh, d.litres]);
  const curve = fitLactation(lactating, kind);
  const dry = today - last > DRY_AFTER_DAYS;
  const week = own.filter((d) => today - dayNumber(d.day) >= 1 && today - dayNumber(d.day) <= 7);
  return {
    source,
    kind,
    curve,
    dayInMilk: today - fresh,
    guessed: !known?.freshSince,
    dry,
    lastLitresADay: week.length === 0 ? null : week.reduce((sum, d) => sum + d.litres, 0) / week.length,
    inFourWeeks: curve && !dry ? expectedLitres(curve, today - fresh + 28) : null,
  };
}

/**
 * Weeks back as they were and weeks ahead as the lactation curves say, against what the makes take.
 * The curve's own doubt is shared by the days of a week, each day's scatter is its own.
 * @param today "2026-01-31" in the kitchen's zone
 */
export function weeksOfMilk(
  milk: { readonly days: MilkDays['days']; readonly used: MilkDays['used'] },
  herd: KitchenSettings['herd'],
  today: string,
): { readonly sources: readonly SourceOutlook[]; readonly weeks: readonly WeekOfMilk[] } {
  const now = dayNumber(today);
  const sorted = [...milk.days].sort((a, b) => (a.day < b.day ? -1 : 1));
  const sources = [...new Set(sorted.map((d) => d.source))]
    .filter((source) => !sorted.find((d) => d.source === source)!.kind.startsWith('shop'))
    .map((source) => sourceOutlook(source, sorted, herd, now));
  const between = (
    items: readonly { readonly day: string; readonly litres: number }[],
    from: number,
    to: number,
  ): number =>
    items.reduce((sum, d) => {
      const n = dayNumber(d.day);
      return n >= from && n < to ? sum + d.litres : sum;
    }, 0);
  const usual = between(milk.used, now - 7 * USE_WEEKS, now) / USE_WEEKS;
  const weeks: WeekOfMilk[] = [];
  for (let week = -WEEKS_BACK; week < WEEKS_AHEAD; week++) {
    const from = now + 7 * week;
    if (week < 0) {
      const litres = between(sorted, from, from + 7);
      weeks.push({
        from: dayOf(from),
        ahead: false,
        milk: { p10: litres, p50: litres, p90: litres },
        usedLitres: between(milk.used, from, from + 7),
      });
      continue;
    }
    let p50 = 0;
    let variance = 0;
    for (const { curve, dry, dayInMilk } of sources) {
      if (!curve || dry) continue;
      const days = [0, 1, 2, 3, 4, 5, 6].map((d) => dayInMilk + 7 * week + d);
      const litres = days.map((t) => expectedLitres(curve, t).p50);
      const sum = litres.reduce((a, b) => a + b, 0);
      p50 += sum;
      variance +=
        sum ** 2 * curve.lnVariance(days[3]!) + litres.reduce((a, b) => a + (b * curve.dayLnSigma) ** 2, 0);
    }
    const reach = 1.28 * Math.sqrt(variance);
    weeks.push({
      from: dayOf(from),
      ahead: true,
      milk: { p10: Math.max(0, p50 - reach), p50, p90: p50 + reach },
      usedLitres: usual,
    });
  }
  return { sources, weeks };
}
