import type { Units } from '../../data/units-of.ts';

/** "4 × 250 g, 1 × 62 g" */
export const piecesWords = (
  pieces: readonly { readonly count: number; readonly massKg: number }[],
  units: Units,
): string => pieces.map(({ count, massKg }) => `${count} × ${units.mass(massKg)}`).join(', ');
