import { boilingPointC } from './boiling.ts';

/** What eye and finger tell of how warm milk is, from hot to cold. */
export const HEAT_CUES = [
  'boils',
  'rim-bubbles',
  'skin',
  'steams',
  'ten-seconds',
  'body-warm',
  'lukewarm',
  'cool',
] as const;
export type HeatCue = (typeof HEAT_CUES)[number];

interface HeatCueFacts {
  readonly words: string;
  /** Typical temperature, °C; `null` at the boil of the place. */
  readonly celsius: number | null;
  /** How far it may be from that, one σ, K. */
  readonly sigmaC: number;
}

/** How warm each usually is [F: judgement of what makers say; wide]. */
export const HEAT_CUE_FACTS: Readonly<Record<HeatCue, HeatCueFacts>> = {
  boils: { words: 'boils', celsius: null, sigmaC: 0.7 },
  'rim-bubbles': { words: 'small bubbles at the rim', celsius: 83, sigmaC: 3 },
  skin: { words: 'a skin forms', celsius: 72, sigmaC: 6 },
  steams: { words: 'steams', celsius: 66, sigmaC: 6 },
  'ten-seconds': { words: 'a finger bears it 10 s', celsius: 46, sigmaC: 2.5 },
  'body-warm': { words: 'body-warm', celsius: 37, sigmaC: 2.5 },
  lukewarm: { words: 'lukewarm', celsius: 31, sigmaC: 4 },
  cool: { words: 'cool', celsius: 20, sigmaC: 5 },
};

/**
 * A cue as a rough reading: how warm milk is that shows it, and one σ, °C.
 * @example feltHeat('ten-seconds', 100) // { celsius: 46, sigmaC: 2.5 }
 */
export function feltHeat(
  cue: HeatCue,
  altitudeM: number,
): { readonly celsius: number; readonly sigmaC: number } {
  const { celsius, sigmaC } = HEAT_CUE_FACTS[cue];
  return { celsius: celsius ?? boilingPointC(altitudeM), sigmaC };
}
