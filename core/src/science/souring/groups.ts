// Bound once: a look-up of the global in the inner loops costs more than the function itself in some hosts.
const { log, expm1, max } = Math;

/** The three groups of bacteria every product here is made of. */
export const GROUPS = ['st', 'lb', 'lc'] as const;
/** st: Streptococcus thermophilus, lb: Lactobacillus bulgaricus, lc: mesophilic lactococci and leuconostocs. */
export type Group = (typeof GROUPS)[number];

export interface GroupConstants {
  readonly tMinC: number;
  readonly tOptC: number;
  readonly tMaxC: number;
  readonly phMin: number;
  readonly phOpt: number;
  readonly phMax: number;
  /** Growth rate at the optimum, 1/h. */
  readonly muPerH: number;
  readonly log10NMax: number;
  /** Acid made by growing, mmol/kg plasma per 1e9 CFU/mL. */
  readonly growthYield: number;
  /** Acid made by merely living, mmol/kg/h per 1e9 CFU/mL. */
  readonly maintenance: number;
  /** Temperature at which one decade dies in 1/30 h, °C. */
  readonly killRefC: number;
  /** mol of lactic acid per mol of lactose: 2 where the galactose half stays, 4 where all is used. */
  readonly acidPerLactose: 2 | 4;
}

const row = (
  t: readonly [number, number, number],
  ph: readonly [number, number, number],
  muPerH: number,
  log10NMax: number,
  growthYield: number,
  maintenance: number,
  killRefC: number,
  acidPerLactose: 2 | 4,
): GroupConstants => ({
  tMinC: t[0],
  tOptC: t[1],
  tMaxC: t[2],
  phMin: ph[0],
  phOpt: ph[1],
  phMax: ph[2],
  muPerH,
  log10NMax,
  growthYield,
  maintenance,
  killRefC,
  acidPerLactose,
});

/** All fitted together [F] to sixteen published or generally observed setting times; each kitchen corrects them. */
export const GROUP_CONSTANTS: Readonly<Record<Group, GroupConstants>> = {
  st: row([13.7, 42.5, 50.5], [4.15, 6.6, 8.0], 2.21, 9.1, 53.6, 2.97, 58, 2),
  lb: row([23.6, 44.5, 51.5], [3.63, 5.7, 7.2], 1.69, 8.8, 70.2, 4.72, 58, 2),
  lc: row([8.7, 30.5, 39.5], [4.15, 6.5, 8.0], 1.05, 9.1, 63.1, 3.05, 52, 4),
};

/** Decimal reduction time at a group's kill reference, h [F]. */
const D_REF_H = 1 / 30;
const KILL_Z_K = 5;

/** Cardinal temperature factor 0..1. Source: Rosso, Lobry & Flandrois (1993), J. Theor. Biol. 162:447. */
export function temperatureFactor(c: GroupConstants, t: number): number {
  if (t <= c.tMinC || t >= c.tMaxC) return 0;
  const low = t - c.tMinC;
  return (
    ((t - c.tMaxC) * low * low) /
    ((c.tOptC - c.tMinC) *
      ((c.tOptC - c.tMinC) * (t - c.tOptC) - (c.tOptC - c.tMaxC) * (c.tOptC + c.tMinC - 2 * t)))
  );
}

/** Cardinal pH factor 0..1. Same source. */
export function phFactor(c: GroupConstants, ph: number): number {
  if (ph <= c.phMin || ph >= c.phMax) return 0;
  const product = (ph - c.phMin) * (ph - c.phMax);
  return product / (product - (ph - c.phOpt) ** 2);
}

/** Death rate above the group's maximal temperature, 1/h. */
export function killRatePerH(c: GroupConstants, t: number): number {
  return t > c.tMaxC ? Math.LN10 / (D_REF_H * 10 ** ((c.killRefC - t) / KILL_Z_K)) : 0;
}

/** ln of the initial readiness q0 = 1/(e^(μ·lag) − 1). Source: Baranyi & Roberts (1994). */
export function lnReadiness(c: GroupConstants, lagH: number): number {
  return -log(expm1(c.muPerH * max(lagH, 1e-6)));
}
