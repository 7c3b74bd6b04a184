/** Temperature units a maker may type or read. */
export type TemperatureUnit = 'C' | 'F';

/** Whether a unit is one of temperature. */
export function isTemperatureUnit(unit: string): unit is TemperatureUnit {
  return unit === 'C' || unit === 'F';
}

/**
 * Converts a temperature to °C.
 * @param value in `unit`
 * @example toCelsius(180, 'F') // 82.22…
 */
export function toCelsius(value: number, unit: TemperatureUnit): number {
  return unit === 'C' ? value : ((value - 32) * 5) / 9;
}

/**
 * Converts °C to a display unit.
 * @example fromCelsius(43, 'F') // 109.4
 */
export function fromCelsius(celsius: number, unit: TemperatureUnit): number {
  return unit === 'C' ? celsius : (celsius * 9) / 5 + 32;
}

/** What a kitchen thermometer can honestly read, °C: from a deep freezer to smoking ghee. */
export const THERMOMETER_RANGE_C = { min: -30, max: 200 } as const;

/**
 * Looks for the commonest slip, a value typed in the other scale.
 * @param value as typed, in `unit`
 * @param plausibleC the range that makes sense here, °C
 * @returns the other unit when the value only makes sense there, else `null`
 * @example otherUnitFits(180, 'C', { min: 0, max: 110 }) // 'F', since 180 °F is 82 °C
 */
export function otherUnitFits(
  value: number,
  unit: TemperatureUnit,
  plausibleC: { readonly min: number; readonly max: number },
): TemperatureUnit | null {
  const inside = (c: number): boolean => c >= plausibleC.min && c <= plausibleC.max;
  const other: TemperatureUnit = unit === 'C' ? 'F' : 'C';
  return !inside(toCelsius(value, unit)) && inside(toCelsius(value, other)) ? other : null;
}
