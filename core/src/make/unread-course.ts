import type { MakePlan } from '../contract/index.ts';
import { boxCourse, placeAmbientC, placeFades, type WarmBox } from '../science/heat/index.ts';
import { roomAtC, type Batch } from '../setup/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import { HOUR_MS } from '../science/units/index.ts';

/** Step along a room that warms and cools, h. */
const DRIFT_STEP_H = 0.25;

interface Unread {
  readonly startC: number;
  readonly tauH: number;
  /** What the place is known to be warmer than it says, K. */
  readonly shiftC: number;
  readonly horizonH: number;
  readonly zeroMs: number;
}

/**
 * The milk's course in its place when nobody reads it: toward a dial's heat or the room as it warms and cools over the
 * day, helped by bottles of hot water when there are some.
 */
export function unreadCourse(
  plan: MakePlan,
  batch: Batch,
  unread: Unread,
): { readonly at: (hour: number) => number; readonly ambientC: number } {
  const { startC, tauH, shiftC, horizonH, zeroMs } = unread;
  const roomC = (hour: number): number => roomAtC(plan, zeroMs + hour * HOUR_MS);
  const ambient = (hour: number): number => placeAmbientC(plan.place, roomC(hour), hour) + shiftC;
  if (plan.bottles && plan.place.kind !== 'appliance') {
    const box: WarmBox = {
      composition: batch.composition,
      litres: batch.litres,
      startC,
      roomC: ambient(0),
      tauH: plan.place.tauH * Math.exp(plan.factors?.placeTau?.value ?? 0),
      bottlesC: plan.bottles.celsius,
    };
    const { milk } = boxCourse(box, plan.bottles.litres, horizonH);
    const hours = milk.map(([h]) => h);
    const celsius = milk.map(([, c]) => c);
    return { at: (hour) => interpolateLinear(hours, celsius, hour), ambientC: ambient(0) };
  }
  if (plan.place.kind === 'appliance' || (!plan.roomByUtcHour && !placeFades(plan.place))) {
    const ambientC = ambient(0);
    return { at: (hour) => ambientC + (startC - ambientC) * Math.exp(-hour / tauH), ambientC };
  }
  const hours = [0];
  const celsius = [startC];
  for (let h = DRIFT_STEP_H; h <= horizonH + DRIFT_STEP_H; h += DRIFT_STEP_H) {
    // Exact for the step when the ambient is taken at its middle.
    const toward = ambient(h - DRIFT_STEP_H / 2);
    hours.push(h);
    celsius.push(toward + (celsius.at(-1)! - toward) * Math.exp(-DRIFT_STEP_H / tauH));
  }
  return { at: (hour) => interpolateLinear(hours, celsius, hour), ambientC: ambient(0) };
}
