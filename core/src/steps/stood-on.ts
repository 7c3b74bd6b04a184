import { runVessel } from '../science/heat/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import type { Leg, Vessel } from './leg.ts';

/** So many σ after it should have been at its heat, nobody is still waiting for it: it goes on towards the room. */
const SURELY = 3;
/** Somebody who reads it there goes on with it by then, min. */
const GRACE_MIN = 20;
/** Nobody keeps a pot on its fire so much longer than was wanted, unless they say so: it is out by then, min [judgement]. */
export const FIRE_OUT_MIN = 60;
/** It never comes quite to the heat of the room, K. */
const OFF_ROOM_K = 0.5;

/** The minute by which it surely was at its heat, and somebody would have ended it. */
const surelyMin = ({ minutes, sigmaMin }: Leg, graceMin = GRACE_MIN): number =>
  minutes + Math.max(graceMin, SURELY * sigmaMin);

/** A pot, or one with a lid, in the room it is left standing in. */
interface Stands {
  readonly vessel: Vessel;
  readonly lidded: boolean;
  /** So long after its end it is still taken to be looked after, min; left out, as long as somebody takes to fetch the starter. */
  readonly graceMin?: number;
}

/** How it goes on, from the minute by which it surely was at its heat. */
function onward(
  leg: Leg,
  { vessel, lidded, graceMin }: Stands,
): { readonly fromMin: number; readonly minutes: readonly number[]; readonly celsius: readonly number[] } {
  const off = leg.endC < vessel.airC ? -OFF_ROOM_K : OFF_ROOM_K;
  const isThere = Math.abs(leg.endC - vessel.airC) <= OFF_ROOM_K;
  const { secondsAndCelsius } = runVessel(
    { ...vessel, startC: leg.endC, lidded },
    isThere ? leg.endC : vessel.airC + off,
  );
  return {
    fromMin: surelyMin(leg, graceMin),
    minutes: secondsAndCelsius.map(([s]) => s / 60),
    celsius: secondsAndCelsius.map(([, c]) => c),
  };
}

/**
 * A cooling or warming that nobody has ended: until it surely was at its heat it is taken to be, and then it goes on towards the
 * room it stands in.
 * @param elapsedMin since the step began
 * @example stoodOn(cooling, 12 * 60, { vessel, lidded: false }).endC // about 22: it was forgotten
 */
export function stoodOn(leg: Leg, elapsedMin: number, stands: Stands): Leg {
  if (leg.endless || elapsedMin <= surelyMin(leg, stands.graceMin)) return leg;
  const { fromMin, minutes, celsius } = onward(leg, stands);
  const endC = interpolateLinear(minutes, celsius, elapsedMin - fromMin);
  return {
    ...leg,
    minutes: elapsedMin,
    endC,
    curve: [
      ...leg.curve,
      ...minutes.flatMap((m, i) => (m < elapsedMin - fromMin ? [[fromMin + m, celsius[i]!] as const] : [])),
      [elapsedMin, endC],
    ],
  };
}

/**
 * When what was forgotten is so far beyond the heat it was to have, minutes since the step began; `null` when it never is.
 * @param byK how far, K
 */
export function tooFarMin(leg: Leg, stands: Stands, byK: number): number | null {
  if (leg.endless) return null;
  const { fromMin, minutes, celsius } = onward(leg, stands);
  const far = celsius.findIndex((c) => Math.abs(c - leg.endC) >= byK);
  return far < 0 ? null : fromMin + minutes[far]!;
}
