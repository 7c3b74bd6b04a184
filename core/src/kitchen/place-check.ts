import type { KitchenPlace } from '../contract/index.ts';
import { fitNewton, placeAmbientC, placeWarms } from '../science/heat/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** A place slower or quicker than this was not what was measured, h for two litres. */
const LIKELY_TAU_H = [0.1, 60] as const;

/** What a check came to: how far the place is off and how slowly it follows, or why it says nothing. */
export type CheckResult =
  | { readonly outcome: 'known'; readonly biasC: number; readonly tauH: number; readonly holdsC: number }
  | { readonly outcome: 'fault'; readonly fault: string };

/**
 * What water in a place tells of it: where its temperature goes, and how fast. An appliance is held against its setting;
 * any other place against the room. Newton's law through the start and the readings; hours are those of two litres.
 * @throws RangeError without two readings @example checkResult(place, 20).biasC // -2.4
 */
export function checkResult(place: KitchenPlace, roomC: number): CheckResult {
  const { check } = place;
  if (!check || check.readings.length < 2) throw new RangeError('a check needs two readings');
  const startMs = Date.parse(check.startedAt);
  const readings = [
    { minutes: 0, temperatureC: check.startC },
    ...check.readings.map(({ at, celsius }) => ({
      minutes: (Date.parse(at) - startMs) / MINUTE_MS,
      temperatureC: celsius,
    })),
  ].sort((a, b) => a.minutes - b.minutes);
  const saidC = placeAmbientC({ ...place, biasC: 0 }, roomC);
  // A place without heat of its own goes to the room: only its pace is to be found.
  const own = placeWarms(place);
  const fit = fitNewton(readings, own ? undefined : saidC);
  const tauH = fit.tauMinutes / 60 / Math.cbrt(check.litres / 2);
  const [least, most] = LIKELY_TAU_H;
  const still = Math.abs(readings.at(-1)!.temperatureC - check.startC) < 1;
  // Water put in as warm as the place is tells where it stays, not how fast it goes there.
  if (own && still)
    return {
      outcome: 'known',
      biasC: readings.at(-1)!.temperatureC - saidC,
      tauH: place.tauH,
      holdsC: readings.at(-1)!.temperatureC,
    };
  if (!(tauH > least && tauH < most) || Math.abs(fit.ambientC - saidC) > 20)
    return {
      outcome: 'fault',
      fault: 'These readings do not fit one place. Check the thermometer, then start the check again.',
    };
  return { outcome: 'known', biasC: own ? fit.ambientC - saidC : 0, tauH, holdsC: fit.ambientC };
}

/** The place as it is known once its check is over. @throws RangeError without two readings */
export function checkedPlace(place: KitchenPlace, roomC: number): KitchenPlace {
  const result = checkResult(place, roomC);
  const { check, biasSigmaC: _before, ...rest } = place;
  if (result.outcome === 'fault') return rest;
  const round = (value: number): number => Math.round(value * 100) / 100;
  return {
    ...rest,
    tauH: round(result.tauH),
    ...(placeWarms(place) ? { biasC: round(result.biasC) } : {}),
    checkedAt: check!.readings.at(-1)!.at,
  };
}
