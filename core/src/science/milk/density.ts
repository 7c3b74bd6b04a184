import { waterFraction, type Composition } from './composition.ts';

/**
 * Density at 20 °C in kg/m³ from component densities.
 * Source: Walstra, Wouters & Geurts, Dairy Science and Technology: 1/ρ = Σ fraction/ρ_component.
 * Valid for milk and cream up to about 60 % fat.
 * @example densityKgPerM3({ fatFraction: 0.038, proteinFraction: 0.033, lactoseFraction: 0.047, ashFraction: 0.0072 }) // 1029.19
 */
export function densityKgPerM3(c: Composition): number {
  return (
    1 /
    (waterFraction(c) / 998.2 +
      c.fatFraction / 918 +
      c.proteinFraction / 1400 +
      c.lactoseFraction / 1780 +
      c.ashFraction / 1850)
  );
}

/** Mass in kg of some litres at 20 °C. */
export function massOfLitresKg(litres: number, c: Composition): number {
  return (litres * densityKgPerM3(c)) / 1000;
}

/** Litres at 20 °C of some mass in kg. */
export function litresOfMass(massKg: number, c: Composition): number {
  return (massKg * 1000) / densityKgPerM3(c);
}
