import { fromCelsius } from '../units/index.ts';
import { boilingPointC } from './boiling.ts';

/** A thermometer held in ice slush and in boiling water; either may be missing. */
export interface ThermometerCheck {
  readonly iceC: number | null;
  readonly boilingC: number | null;
  readonly altitudeM: number;
}

/** What turns a raw reading into a corrected one: `offsetC + slope · raw`. */
export interface ThermometerCorrection {
  readonly offsetC: number;
  readonly slope: number;
}

/** Beyond this the instrument, or the way it was held, is at fault, K [F: judgement]. */
const WORST_OFFSET_C = 8;

/** A difference in both degrees: whoever reads it thinks in one of them. */
const apart = (kelvin: number): string =>
  `${Math.abs(kelvin).toFixed(0)} °C (${Math.abs(kelvin * 1.8).toFixed(0)} °F)`;

/** What speaks against a check, in words; `null` when it can be used. */
export function thermometerFault(check: ThermometerCheck): string | null {
  const boilsAtC = boilingPointC(check.altitudeM);
  if (check.iceC === null && check.boilingC === null) return 'needs at least one of the two readings';
  if (check.iceC !== null && Math.abs(check.iceC) > WORST_OFFSET_C)
    return `is ${apart(check.iceC)} off for melting ice. Use more ice than water, stir, and hold the tip in the middle`;
  if (check.boilingC !== null && Math.abs(check.boilingC - boilsAtC) > WORST_OFFSET_C)
    return `is ${apart(check.boilingC - boilsAtC)} off for water boiling here at ${boilsAtC.toFixed(1)} °C (${fromCelsius(boilsAtC, 'F').toFixed(0)} °F). Bring the water to a full boil and keep the tip off the bottom`;
  return null;
}

/**
 * Offset and slope from an ice slush (0 °C) and boiling water at the kitchen's altitude. One point alone gives an
 * offset. Source: two-point linear correction.
 * @throws RangeError for a check that `thermometerFault` refuses
 * @example thermometerCorrection({ iceC: 0.6, boilingC: 98.8, altitudeM: 100 }) // offset −0.61, slope 1.015
 */
export function thermometerCorrection(check: ThermometerCheck): ThermometerCorrection {
  const fault = thermometerFault(check);
  if (fault !== null) throw new RangeError(fault);
  const boilsAtC = boilingPointC(check.altitudeM);
  if (check.boilingC === null) return { offsetC: -(check.iceC ?? 0), slope: 1 };
  if (check.iceC === null) return { offsetC: boilsAtC - check.boilingC, slope: 1 };
  const slope = boilsAtC / (check.boilingC - check.iceC);
  return { offsetC: -slope * check.iceC, slope };
}

/** A raw reading set right. */
export function correctedC(rawC: number, correction: ThermometerCorrection | null): number {
  return correction === null ? rawC : correction.offsetC + correction.slope * rawC;
}
