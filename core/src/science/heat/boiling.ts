import { bisect } from '../numerics/index.ts';

/**
 * Saturation pressure of water vapour in Pa (Buck's equation), −20…120 °C.
 */
export function saturationPressurePa(temperatureC: number): number {
  return 611.21 * Math.exp(((18.678 - temperatureC / 234.5) * temperatureC) / (257.14 + temperatureC));
}

/**
 * Boiling point of water at an altitude, °C, by the standard atmosphere.
 * @param altitudeM −400…6000 m above the sea
 * @example boilingPointC(1800) // 94.0
 */
export function boilingPointC(altitudeM: number): number {
  const pressurePa = 101325 * (1 - 2.25577e-5 * altitudeM) ** 5.25588;
  return bisect((t) => saturationPressurePa(t) - pressurePa, 40, 120, 1e-6).x;
}
