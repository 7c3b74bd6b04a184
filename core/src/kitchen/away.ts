import type { KitchenSettings } from '../contract/index.ts';
import { isAsleep, localDate } from './zone.ts';
import { MINUTE_MS } from '../science/units/index.ts';

type Hours = Pick<KitchenSettings, 'cooks' | 'absences'> & {
  readonly site: Pick<KitchenSettings['site'], 'zone'>;
};

/** Whether one cook is asleep or away at an instant. Absences over midnight belong to the day they begin on. */
function isAway(kitchen: Hours, cook: KitchenSettings['cooks'][number], ms: number): boolean {
  const { zone } = kitchen.site;
  if (isAsleep(zone, ms, cook)) return true;
  return kitchen.absences.some(({ cookId, days, from, to }) => {
    if (cookId !== cook.id || !isAsleep(zone, ms, { sleepFrom: from, sleepTo: to })) return false;
    const over = from > to && isAsleep(zone, ms, { sleepFrom: '00:00', sleepTo: to });
    const began = localDate(zone, over ? ms - 86_400_000 : ms);
    return days.includes(new Date(`${began}T00:00:00.000Z`).getUTCDay());
  });
}

/** Whether there is nobody at an instant: everybody asleep or away. */
export function nobodyThere(kitchen: Hours, ms: number): boolean {
  return kitchen.cooks.every((cook) => isAway(kitchen, cook, ms));
}

const GRID_MS = 5 * MINUTE_MS;

/** Who is there, looked up once on a grid of five minutes. */
export interface Attendance {
  /** Somebody is there at this instant. */
  at(ms: number): boolean;
  /** Somebody is there all the time between. */
  throughout(fromMs: number, toMs: number): boolean;
  /** The first moment from here on when somebody is there; `null` within two days. */
  nextAt(ms: number): number | null;
}

/** Looks a kitchen's hours up between two instants; outside, nobody is taken to be there. */
export function attendance(kitchen: Hours, fromMs: number, toMs: number): Attendance {
  const zero = Math.floor(fromMs / GRID_MS) * GRID_MS;
  const there = Array.from(
    { length: Math.ceil((toMs - zero) / GRID_MS) + 1 },
    (_, i) => !nobodyThere(kitchen, zero + i * GRID_MS),
  );
  const cell = (ms: number): number => Math.floor((ms - zero) / GRID_MS);
  return {
    at: (ms) => there[cell(ms)] ?? false,
    throughout: (from, to) => {
      for (let i = cell(from); i <= cell(to); i++) if (!there[i]) return false;
      return true;
    },
    nextAt: (ms) => {
      if (there[cell(ms)]) return ms;
      const next = there.indexOf(true, Math.max(0, cell(ms)));
      return next < 0 ? null : zero + next * GRID_MS;
    },
  };
}
