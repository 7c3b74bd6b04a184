/** How whey runs off: through a cloth, from renneted skimmed curd, from curd hung up, or under a weight. */
export const DRAIN_WAYS = ['cloth', 'renneted', 'hung', 'pressed'] as const;
export type DrainWay = (typeof DRAIN_WAYS)[number];

/** Time constant at 6 °C of each way, h [F]. */
export const DRAIN_TAU_AT_6C_H: Readonly<Record<DrainWay, number>> = {
  cloth: 6,
  renneted: 0.9,
  hung: 3,
  pressed: 1,
};
/** Warm whey runs faster, 1/K [F]. */
const PER_KELVIN = 0.05;
/** Early it runs fast, later ever slower [F]. */
const STRETCH = 0.6;
/** Water that a gram of protein holds against a cloth, g [F]. */
const HELD_PER_PROTEIN = 7;
/** Protein of the whey: heated whey protein stays with the curd [F]. */
const WHEY_PROTEIN = { heated: 0.0035, unheated: 0.008 } as const;
/** How far τ of a cloth nobody has learned is off, and one batch of a known one, σ of ln [F]. */
export const DRAIN_SIGMA = { cloth: 0.4, batch: 0.2 } as const;
/** How far one weighing of bag or whey tells τ, σ of ln [F: judgement]. */
const WEIGHING_SIGMA = 0.1;

/** Curd or yogurt in its cloth. */
export interface Draining {
  readonly massKg: number;
  readonly fatFraction: number;
  readonly proteinFraction: number;
  /** Whether its whey protein was unfolded by heat, so that it stays. */
  readonly heated: boolean;
  /** Time constant at 6 °C, h: the way's, or the cloth's own as learned. */
  readonly tauAt6CH: number;
  readonly celsius: number;
}

/** Curd and whey after some hours. */
export interface Drained {
  readonly wheyKg: number;
  readonly curdKg: number;
  readonly proteinFraction: number;
  readonly fatFraction: number;
  readonly wheyProteinFraction: number;
}

/** Protein of the whey that runs off. */
export const wheyProtein = (heated: boolean): number => WHEY_PROTEIN[heated ? 'heated' : 'unheated'];

/** Share of the whole that can run off at all: fat and protein stay with what they bind. */
export const mostWheyFraction = ({
  fatFraction,
  proteinFraction,
}: Pick<Draining, 'fatFraction' | 'proteinFraction'>) =>
  Math.max(0, 1 - fatFraction - HELD_PER_PROTEIN * proteinFraction);

const tauH = ({ tauAt6CH, celsius }: Draining): number => tauAt6CH * Math.exp(-PER_KELVIN * (celsius - 6));

/** Curd and whey when a share of the whole has run off; fat stays, whey takes its own protein. */
function partedAt(of: Draining, wheyShare: number): Drained {
  const { massKg, fatFraction, proteinFraction } = of;
  const left = 1 - wheyShare;
  const inWhey = Math.min(wheyProtein(of.heated), proteinFraction);
  return {
    wheyKg: massKg * wheyShare,
    curdKg: massKg * left,
    proteinFraction: (proteinFraction - wheyShare * inWhey) / left,
    fatFraction: fatFraction / left,
    wheyProteinFraction: inWhey,
  };
}

/**
 * What has run off after some hours. Source: docs/SCIENCE.md, draining [F: about]. Mass, fat and protein are conserved.
 * @param hours in the cloth, ≥ 0
 * @example drainedAfter({ massKg: 2.1, fatFraction: 0.036, proteinFraction: 0.034, heated: true, tauAt6CH: 6, celsius: 5 }, 4).wheyKg // 0.812
 */
export function drainedAfter(of: Draining, hours: number): Drained {
  const share = mostWheyFraction(of) * (1 - Math.exp(-((Math.max(0, hours) / tauH(of)) ** STRETCH)));
  return partedAt(of, share);
}

/** What a curd is drained to: by its protein, or, of cream, by its fat. */
export interface Thickness {
  readonly of: 'protein' | 'fat';
  readonly fraction: number;
}

/** Share that has to run off until it is so thick; at most 1. */
function shareFor(of: Draining, { of: by, fraction }: Thickness): number {
  if (by === 'fat') return 1 - of.fatFraction / fraction;
  const inWhey = Math.min(wheyProtein(of.heated), of.proteinFraction);
  return fraction <= inWhey ? 0 : (fraction - of.proteinFraction) / (fraction - inWhey);
}

/**
 * Hours until it is so thick; 0 when it is already, `null` when it never gets there.
 * @example hoursToThickness(draining, { of: 'protein', fraction: 0.06 }) // 6.4
 */
export function hoursToThickness(of: Draining, target: Thickness): number | null {
  const share = shareFor(of, target);
  if (share <= 0) return 0;
  const most = mostWheyFraction(of);
  if (share >= most) return null;
  return tauH(of) * (-Math.log(1 - share / most)) ** (1 / STRETCH);
}

/** Curd and whey at a thickness; as far as it can run off when it never gets there. */
export const drainedTo = (of: Draining, target: Thickness): Drained =>
  partedAt(of, Math.min(Math.max(0, shareFor(of, target)), mostWheyFraction(of) * 0.999));

/** Curd and whey when some whey was caught, or some curd is left. */
export const drainedBy = (of: Draining, wheyKg: number): Drained =>
  partedAt(of, Math.min(Math.max(0, wheyKg / of.massKg), mostWheyFraction(of) * 0.999));

/**
 * Whey to stir back into what was drained too far, kg; 0 when it is not too thick.
 * @param curd what is in the cloth now
 */
export function wheyBackKg(
  curd: Pick<Drained, 'curdKg' | 'proteinFraction' | 'fatFraction' | 'wheyProteinFraction'>,
  { of: by, fraction }: Thickness,
): number {
  const [has, whey] = by === 'fat' ? [curd.fatFraction, 0] : [curd.proteinFraction, curd.wheyProteinFraction];
  return fraction <= whey ? 0 : Math.max(0, (curd.curdKg * (has - fraction)) / (fraction - whey));
}

/**
 * τ of a draining by what was weighed on the way: the cloth's belief met by each weighing.
 * @param weighings whey caught by then; such as say nothing (none yet, or more than can run off) are passed over
 * @param sigma of ln, of the cloth before
 * @returns τ at 6 °C, h, and what is left of its σ of ln
 */
export function tauByWeighings(
  of: Draining,
  weighings: readonly { readonly hours: number; readonly wheyKg: number }[],
  sigma: number = Math.hypot(DRAIN_SIGMA.cloth, DRAIN_SIGMA.batch),
): { readonly tauAt6CH: number; readonly sigma: number } {
  let precision = 1 / sigma ** 2;
  let weighted = Math.log(of.tauAt6CH) * precision;
  const most = mostWheyFraction(of);
  for (const { hours, wheyKg } of weighings) {
    const share = wheyKg / of.massKg;
    if (!(hours > 0) || share <= 0 || share >= most) continue;
    const tau = hours / (-Math.log(1 - share / most)) ** (1 / STRETCH);
    weighted += (Math.log(tau) + PER_KELVIN * (of.celsius - 6)) / WEIGHING_SIGMA ** 2;
    precision += 1 / WEIGHING_SIGMA ** 2;
  }
  return { tauAt6CH: Math.exp(weighted / precision), sigma: Math.sqrt(1 / precision) };
}
