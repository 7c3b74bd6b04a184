import { waterFraction, type Composition } from './composition.ts';

/**
 * Specific heat in kJ/(kg·K), lactose taken as carbohydrate.
 * Source: Choi & Okos (1986), component polynomials in °C. Valid 0–110 °C; fat melting is not in it.
 * @example specificHeatKjPerKgK(milk, 20) // about 3.88
 */
export function specificHeatKjPerKgK(c: Composition, temperatureC: number): number {
  const t = temperatureC;
  const t2 = t * t;
  return (
    waterFraction(c) * (4.1762 - 9.0864e-5 * t + 5.4731e-6 * t2) +
    c.proteinFraction * (2.0082 + 1.2089e-3 * t - 1.3129e-6 * t2) +
    c.fatFraction * (1.9842 + 1.4733e-3 * t - 4.8008e-6 * t2) +
    c.lactoseFraction * (1.5488 + 1.9625e-3 * t - 5.9399e-6 * t2) +
    c.ashFraction * (1.0926 + 1.8896e-3 * t - 3.6817e-6 * t2)
  );
}
