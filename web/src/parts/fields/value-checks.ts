import {
  formatTemperature,
  isMassUnit,
  isTemperatureUnit,
  otherUnitFits,
  THERMOMETER_RANGE_C,
  toCelsius,
  toKilograms,
  type ValueKind,
} from '@morning-crock/core';

/** °C that make sense for milk, and for fat on the fire. */
const MILK_RANGE_C = { min: -2, max: 110 };
const FAT_RANGE_C = { min: -2, max: THERMOMETER_RANGE_C.max };

/**
 * What is wrong with a typed value, in words with what to do; `null` when it is fine.
 * @param of what was read: milk or cream, or fat that may be hot
 */
export function valueFault(
  kind: ValueKind,
  value: number,
  unit: string,
  of: 'milk' | 'fat' = 'milk',
): string | null {
  if (kind === 'ph') {
    if (value < 3 || value > 8)
      return `pH ${value} is not possible for milk (about 3.5–6.8). Read the meter again.`;
    return null;
  }
  if (kind === 'acid') {
    if (value <= 0) return 'Enter more than 0 mL of lye.';
    return value > 60 ? 'That is more than a burette holds (60 mL). Enter millilitres of 0.1 N lye.' : null;
  }
  if (kind === 'mass') {
    if (!isMassUnit(unit)) return 'Choose a unit of weight.';
    if (value <= 0) return 'Enter a weight above 0.';
    return toKilograms(value, unit) > 100 ? 'That is more than 100 kg. Did you mean grams?' : null;
  }
  if (!isTemperatureUnit(unit)) return 'Choose a unit of temperature.';
  const own = unit;
  const range = of === 'fat' ? FAT_RANGE_C : MILK_RANGE_C;
  const other = otherUnitFits(value, own, range);
  if (other) {
    return `Did you mean ${value} °${own}? ${value} °${other} is ${formatTemperature(toCelsius(value, other), own)}. Change the unit or the number.`;
  }
  const celsius = toCelsius(value, own);
  if (celsius < THERMOMETER_RANGE_C.min || celsius > THERMOMETER_RANGE_C.max || celsius > range.max) {
    return `${value} °${own} is not possible for ${of === 'fat' ? 'butter' : 'milk'}. Check the number.`;
  }
  return celsius < range.min ? `Milk is frozen at ${value} °${own}. Check the number.` : null;
}

/** What is wrong with a titration's sample, g; `null` when it is fine. */
export function sampleFault(sampleG: number, percent: number): string | null {
  if (!(sampleG >= 0.5)) return 'The sample must weigh at least 0.5 g.';
  if (sampleG > 200) return 'That is more than 200 g. Check the sample weight.';
  if (percent > 4)
    return `That is ${percent.toFixed(1)} % acid, more than any yogurt. Check that the lye is 0.1 N.`;
  return percent < 0.02 ? 'That is less acid than any milk has. Weigh the sample again.' : null;
}
