/** Small spoons as sets of them are sold, in teaspoons. */
export const SMALL_SPOONS = [
  { id: 'tsp', label: 'teaspoons', tsp: 1 },
  { id: 'eighth', label: '⅛ tsp (a dash)', tsp: 1 / 8 },
  { id: 'sixteenth', label: '1/16 tsp (a pinch)', tsp: 1 / 16 },
  { id: 'thirty-second', label: '1/32 tsp (a smidgen)', tsp: 1 / 32 },
] as const;

/** What the label of a dried culture says: a whole packet, or some spoons of it, are for so much milk. */
export interface PacketLabel {
  readonly litres: number;
  /** Teaspoons for that much; `null` when a whole packet is. */
  readonly tsp: number | null;
}

/**
 * What is put in, as a share of what the label gives for this much milk: that share drives the clock.
 * @param amount packets, or teaspoons where the label counts in them
 * @throws RangeError for milk, a label or an amount that is not positive
 * @example packetRatio(0.5, { litres: 4, tsp: null }, 2) // 1: half a packet for half its milk
 */
export function packetRatio(amount: number, { litres, tsp }: PacketLabel, milkLitres: number): number {
  if (!(amount > 0 && litres > 0 && milkLitres > 0) || (tsp !== null && !(tsp > 0)))
    throw new RangeError('amounts must be above 0');
  return ((amount / (tsp ?? 1)) * litres) / milkLitres;
}
