import { runVessel } from '../science/heat/index.ts';
import { interpolateLinear } from '../science/numerics/index.ts';
import type { Leg, Vessel } from './leg.ts';

/** So many σ after it should have been cool enough, nobody is still waiting for it: it goes on cooling. */
const SURELY = 3;
/** Somebody who reads it cool enough has the starter in by then, min. */
const GRACE_MIN = 20;
/** It never comes quite as low as the room, K. */
const ABOVE_ROOM_K = 0.5;

/** The minute by which it surely was cool enough, and somebody would have ended it. */
const surelyMin = ({ minutes, sigmaMin }: Leg): number => minutes + Math.max(GRACE_MIN, SURELY * sigmaMin);

/** Milk that is left to stand after it was cool enough: how it goes on, from the minute by which it surely was. */
function onward(
  leg: Leg,
  vessel: Vessel,
  lidded: boolean,
): { fromMin: number; minutes: number[]; celsius: number[] } {
  const fromMin = surelyMin(leg);
  const { secondsAndCelsius } = runVessel(
    { ...vessel, startC: leg.endC, lidded },
    Math.min(leg.endC, vessel.airC + ABOVE_ROOM_K),
  );
  return {
    fromMin,
    minutes: secondsAndCelsius.map(([s]) => s / 60),
    celsius: secondsAndCelsius.map(([, c]) => c),
  };
}

/**
 * A cooling that nobody has ended: until it surely was cool enough it is taken to be so, and then the milk goes on towards the room.
 * @param elapsedMin since the step began
 * @example cooledOn(leg, 12 * 60, vessel, false).endC // about 22: it was forgotten
 */
export function cooledOn(leg: Leg, elapsedMin: number, vessel: Vessel, lidded: boolean): Leg {
  if (leg.endless || elapsedMin <= surelyMin(leg)) return leg;
  const { fromMin, minutes, celsius } = onward(leg, vessel, lidded);
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
 * When forgotten milk has cooled by so much beyond what was wanted, minutes since the step began; `null` when it never does.
 * @param byK how much, K
 */
export function tooCoolMin(leg: Leg, vessel: Vessel, lidded: boolean, byK: number): number | null {
  if (leg.endless) return null;
  const { fromMin, minutes, celsius } = onward(leg, vessel, lidded);
  const below = celsius.findIndex((c) => c <= leg.endC - byK);
  return below < 0 ? null : fromMin + minutes[below]!;
}
