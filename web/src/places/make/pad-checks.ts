import {
  formatTemperature,
  isMassUnit,
  otherUnitFits,
  THERMOMETER_RANGE_C,
  toCelsius,
  toKilograms,
  type MassUnit,
  type TemperatureUnit,
} from '@morning-crock/core';

/** What the pad can take. */
export type PadKind = 'temperature' | 'ph' | 'mass';

/** °C that make sense for milk on its way to yogurt. */
const MILK_RANGE_C = { min: -2, max: 110 };

/** What is wrong with a typed value, in words with what to do; `null` when it is fine. */
export function padFault(kind: PadKind, value: number, unit: string): string | null {
  if (kind === 'ph') {
    if (value < 3 || value > 8)
      return `pH ${value} cannot be milk: it goes from about 3.5 to 6.8. Read the meter again.`;
    return null;
  }
  if (kind === 'mass') {
    if (!isMassUnit(unit)) return 'Choose a unit of weight.';
    if (value <= 0) return 'A weight is above 0.';
    return toKilograms(value, unit) > 100 ? 'That is more than 100 kg. Grams instead of kilograms?' : null;
  }
  const own = unit as TemperatureUnit;
  const other = otherUnitFits(value, own, MILK_RANGE_C);
  if (other) {
    return `${value} °${own}? ${value} °${other} is ${formatTemperature(toCelsius(value, other), own)}. Change the unit or the number.`;
  }
  const celsius = toCelsius(value, own);
  if (celsius < THERMOMETER_RANGE_C.min || celsius > THERMOMETER_RANGE_C.max || celsius > MILK_RANGE_C.max) {
    return `${value} °${own} cannot be milk.`;
  }
  return celsius < MILK_RANGE_C.min ? `${value} °${own} would be frozen milk.` : null;
}

/** Grams typed in a unit, as kilograms. */
export function padMassKg(value: number, unit: string): number {
  return toKilograms(value, unit as MassUnit);
}
