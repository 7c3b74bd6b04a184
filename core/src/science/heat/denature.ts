/** A temperature profile as [seconds, °C] points, linear in between. */
export type HeatProfile = readonly (readonly [number, number])[];

const GAS_J_PER_MOL_K = 8.314;
/** Counting starts here, °C: below it the whey protein holds. */
const COUNT_FROM_C = 60;

/**
 * Rate of β-lactoglobulin denaturation, relative order 1.5, 1/s.
 * Source: Dannenberg & Kessler (1988), J. Food Sci. 53:258, variant A: the smaller of two Arrhenius branches.
 */
export function denaturationRatePerS(temperatureC: number): number {
  if (temperatureC < COUNT_FROM_C) return 0;
  const rt = GAS_J_PER_MOL_K * (temperatureC + 273.15);
  return Math.min(Math.exp(84.16 - 265210 / rt), Math.exp(14.41 - 54070 / rt));
}

/** Integrates a rate over a profile by Simpson's rule on pieces of at most two seconds. */
export function integrateProfile(profile: HeatProfile, rate: (temperatureC: number) => number): number {
  let sum = 0;
  for (let i = 1; i < profile.length; i++) {
    const [fromS, fromC] = profile[i - 1]!;
    const [toS, toC] = profile[i]!;
    if (Math.max(fromC, toC) < COUNT_FROM_C) continue;
    const pieces = Math.max(1, Math.min(20_000, Math.ceil((toS - fromS) / 2)));
    const widthS = (toS - fromS) / pieces;
    let a = fromC;
    let atA = rate(a);
    for (let k = 0; k < pieces; k++) {
      const b = fromC + ((toC - fromC) * (k + 1)) / pieces;
      // A milk that is held stays at one temperature for hours.
      const level = b === a;
      const atB = level ? atA : rate(b);
      sum += (widthS / 6) * (atA + 4 * (level ? atA : rate((a + b) / 2)) + atB);
      a = b;
      atA = atB;
    }
  }
  return sum;
}

/** Denatured share by the integral of the rate so far, 0..1: what goes on step by step sums that up by itself. @example denaturedByDose(2) // 0.75 */
export const denaturedByDose = (integral: number): number => 1 - (1 + 0.5 * integral) ** -2;

/**
 * Denatured share of the whey protein β-lactoglobulin, 0..1. 0.80–0.98 makes the firmest yogurt.
 * @param profile points in time order, coldest part of the pot
 * @example denaturedFraction([[0, 85], [300, 85]]) // 0.775
 */
export function denaturedFraction(profile: HeatProfile): number {
  return denaturedByDose(integrateProfile(profile, denaturationRatePerS));
}
