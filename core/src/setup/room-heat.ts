import type { KitchenSettings, MakePlan } from '../contract/index.ts';
import { APPLIANCE_SIGMA_C } from '../science/heat/index.ts';
import { minuteOfDay } from '../kitchen/index.ts';
import { HOUR_MS } from '../science/units/index.ts';

/**
 * Whether a plan leans on an appliance that nobody has held a thermometer into: neither checked with water, nor read in
 * any batch. @example placeUnchecked(plan) // true, in a kitchen nobody has told anything
 */
export const placeUnchecked = ({ place, factors }: Pick<MakePlan, 'place' | 'factors'>): boolean =>
  place.kind === 'appliance' &&
  (place.biasSigmaC ?? 0) > APPLIANCE_SIGMA_C.checked &&
  factors?.placeHeat === undefined;

/** Room heat at an instant: the plan's day curve, straight between full hours, or its one room heat. */
export function roomAtC(plan: Pick<MakePlan, 'roomC' | 'roomByUtcHour'>, ms: number): number {
  const curve = plan.roomByUtcHour;
  if (!curve) return plan.roomC;
  const hours = (((ms / HOUR_MS) % 24) + 24) % 24;
  const from = Math.floor(hours) % 24;
  return curve[from]! + (hours - Math.floor(hours)) * (curve[(from + 1) % 24]! - curve[from]!);
}

/**
 * A kitchen's day curve as heat at each UTC hour of the day that begins around `ms`; straight between the points,
 * over midnight too. `undefined` when the room has no curve.
 */
export function roomByUtcHour(site: KitchenSettings['site'], ms: number): number[] | undefined {
  const points = (site.dayCurve ?? [])
    .map(({ at, celsius }) => ({ minute: Number(at.slice(0, 2)) * 60 + Number(at.slice(3)), celsius }))
    .sort((a, b) => a.minute - b.minute);
  if (points.length === 0) return undefined;
  const around = [
    { ...points.at(-1)!, minute: points.at(-1)!.minute - 1440 },
    ...points,
    { ...points[0]!, minute: points[0]!.minute + 1440 },
  ];
  const dayStart = Math.floor(ms / (24 * HOUR_MS)) * 24 * HOUR_MS;
  return Array.from({ length: 24 }, (_, hour) => {
    const minute = minuteOfDay(site.zone, dayStart + hour * HOUR_MS);
    const next = around.findIndex((p) => p.minute >= minute);
    const b = around[next]!;
    const a = around[Math.max(0, next - 1)]!;
    const share = b.minute === a.minute ? 0 : (minute - a.minute) / (b.minute - a.minute);
    return Math.round((a.celsius + share * (b.celsius - a.celsius)) * 100) / 100;
  });
}

/** The parts of a plan that follow from the kitchen's room at its start. */
export function roomOf(
  site: KitchenSettings['site'],
  startMs: number,
): Pick<MakePlan, 'roomC' | 'roomByUtcHour'> {
  const curve = roomByUtcHour(site, startMs);
  return curve
    ? { roomC: roomAtC({ roomC: site.roomC, roomByUtcHour: curve }, startMs), roomByUtcHour: curve }
    : { roomC: site.roomC };
}
