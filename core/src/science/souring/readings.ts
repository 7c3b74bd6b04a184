import { gelPh } from './judge.ts';
import { memberPh, type Ensemble } from './ensemble.ts';

// Bound once: a look-up of the global in the inner loops costs more than the function itself in some hosts.
const { exp, abs, log, max } = Math;

/** What a person sees when tilting a jar of milk, in order. */
export const MILK_CUES = ['liquid', 'trembles', 'set', 'whey-shows'] as const;
/** What a person sees of a jar of cream, in order. */
export const CREAM_CUES = ['runs', 'thick', 'dollop', 'curdled'] as const;
export const CUES = [...MILK_CUES, ...CREAM_CUES] as const;
export type Cue = (typeof CUES)[number];

interface PhReading {
  readonly kind: 'ph';
  readonly hour: number;
  readonly ph: number;
  /** The instrument's own scatter, one σ in pH. */
  readonly sigma: number;
  readonly instrument: string;
}

/** An observation of the milk's acidity, hours since inoculation. */
export type AcidityReading = PhReading | { readonly kind: 'cue'; readonly hour: number; readonly cue: Cue };

/** One σ of a kitchen titration, % lactic acid [F]. */
export const TITRATION_SIGMA_PERCENT = 0.05;
/** One σ of each instrument unless stated [F]. */
export const PH_SIGMA = { meter: 0.1, strip: 0.3 } as const;
/** The model's own error in pH, and the offset all readings of one meter share [F]. */
export const MODEL_PH_SIGMA = 0.07;
const METER_OFFSET_SIGMA = 0.07;
export const CUE_SIGMA = 0.15;
/** Share of cues that are simply wrong. */
const CUE_MISREPORT = 0.03;
/** One instrument's readings count once in this time, h. */
export const COUNT_ONCE_H = 0.25;

/** Standard normal distribution function (Abramowitz & Stegun 7.1.26, error below 2e-7). */
export function normalCdf(x: number): number {
  const t = 1 / (1 + (0.3275911 * abs(x)) / Math.SQRT2);
  const poly =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const tail = 0.5 * poly * exp((-x * x) / 2);
  return x >= 0 ? 1 - tail : tail;
}

/** A scale of cues with the pH each is typical at. */
interface Scale {
  readonly cues: readonly Cue[];
  readonly typicalPh: (denatured: number) => readonly number[];
}
const SCALES: readonly Scale[] = [
  {
    cues: MILK_CUES,
    typicalPh: (denatured) => [gelPh(denatured) + 0.1, gelPh(denatured) - 0.1, 4.6, 4.4],
  },
  // Cream begins to thicken at 5.0, is thick at 4.7 and parts from its whey when it is left too long [F].
  { cues: CREAM_CUES, typicalPh: () => [4.95, 4.7, 4.55, 4.3] },
];

/**
 * The span of pH a cue speaks for, 0..14 where it is open; the change from one to the next is taken half-way between
 * the pH each is typical at.
 */
export function cueSpan(
  cue: Cue,
  denatured: number,
): { readonly above: number | null; readonly below: number | null } {
  const scale = SCALES.find(({ cues }) => cues.includes(cue))!;
  const at = scale.cues.indexOf(cue);
  const typical = scale.typicalPh(denatured);
  const cut = (i: number): number => (typical[i]! + typical[i + 1]!) / 2;
  return {
    above: at === scale.cues.length - 1 ? null : cut(at),
    below: at === 0 ? null : cut(at - 1),
  };
}

/** Cues of one scale. */
const CUES_OF_SCALE = 4;

/** Probability that somebody reports `cue` when the pH is `ph`. */
export function cueProbability(cue: Cue, ph: number, denatured: number): number {
  const { above, below } = cueSpan(cue, denatured);
  const higher = (cut: number): number => normalCdf((ph - cut) / CUE_SIGMA);
  const chance =
    above === null ? 1 - higher(below!) : below === null ? higher(above) : higher(above) - higher(below);
  return CUE_MISREPORT / CUES_OF_SCALE + (1 - CUE_MISREPORT) * max(0, chance);
}

/** Thins pH readings so that one instrument counts once per quarter of an hour (the latest wins). */
export function countedReadings(readings: readonly AcidityReading[]): AcidityReading[] {
  const kept: AcidityReading[] = [];
  const latest = new Map<string, number>();
  for (const reading of [...readings].sort((a, b) => b.hour - a.hour)) {
    const key = reading.kind === 'ph' ? reading.instrument : 'cue';
    const after = latest.get(key);
    if (after !== undefined && after - reading.hour < COUNT_ONCE_H) continue;
    latest.set(key, reading.hour);
    kept.push(reading);
  }
  return kept.reverse();
}

/**
 * ln likelihood of the readings for each member. Readings of one instrument share an offset, integrated out in
 * closed form (covariance σ²I + s²11ᵀ).
 */
export function lnLikelihoods(
  ensemble: Ensemble,
  readings: readonly AcidityReading[],
  denatured: number,
): Float64Array {
  const counted = countedReadings(readings);
  const instruments = new Map<string, PhReading[]>();
  for (const reading of counted) {
    if (reading.kind !== 'ph') continue;
    instruments.set(reading.instrument, [...(instruments.get(reading.instrument) ?? []), reading]);
  }
  const cues = counted.filter((r) => r.kind === 'cue');
  const result = new Float64Array(ensemble.members);
  for (let m = 0; m < ensemble.members; m++) {
    let sum = 0;
    for (const group of instruments.values()) {
      let precision = 0;
      let weighted = 0;
      let squares = 0;
      for (const reading of group) {
        const variance = reading.sigma ** 2 + MODEL_PH_SIGMA ** 2;
        const residual = reading.ph - memberPh(ensemble, m, reading.hour);
        precision += 1 / variance;
        weighted += residual / variance;
        squares += (residual * residual) / variance;
      }
      sum -= 0.5 * (squares - (weighted * weighted) / (1 / METER_OFFSET_SIGMA ** 2 + precision));
    }
    for (const reading of cues) {
      sum += log(cueProbability(reading.cue, memberPh(ensemble, m, reading.hour), denatured));
    }
    result[m] = sum;
  }
  return result;
}
