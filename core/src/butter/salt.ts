/** Water in butter worked by hand, 0..1: an estimate where nobody measured it. */
export const HAND_WORKED_WATER = 0.16;

export interface Salted {
  /** Salt of the whole, 0..1. */
  readonly saltFraction: number;
  /** Salt of the brine that the butter's water makes with it, 0..1; from about 0.08 it keeps notably better. */
  readonly brineFraction: number;
}

/**
 * How salty butter is, and its water.
 * @param butterKg before salting @param moistureFraction water in it, 0..1
 * @example salted(0.43, 0.16, 0.0073).brineFraction // 0.0959
 */
export function salted(butterKg: number, moistureFraction: number, saltKg: number): Salted {
  if (saltKg === 0) return { saltFraction: 0, brineFraction: 0 };
  return {
    saltFraction: saltKg / (butterKg + saltKg),
    brineFraction: saltKg / (saltKg + moistureFraction * butterKg),
  };
}
