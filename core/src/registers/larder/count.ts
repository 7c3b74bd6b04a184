import type { Good, GoodStock } from '../../contract/index.ts';

/** A piece counts as whole when it lacks no more than this of its weight: scales and spoons differ. */
const WHOLE_SHARE = 0.03;

/** Pieces of a stock: whole ones, and what is in the one that was opened, kg. */
export interface PieceCount {
  readonly whole: number;
  readonly openKg: number;
}

/**
 * How many pieces a stock is.
 * @example countPieces({ sizesKg: [0.25] }, { size: 0, massKg: 0.6 }) // 2 whole, 0.1 kg in an open one
 */
export function countPieces(
  good: Pick<Good, 'sizesKg'>,
  stock: Pick<GoodStock, 'size' | 'massKg'>,
): PieceCount {
  const eachKg = good.sizesKg[stock.size] ?? stock.massKg;
  if (eachKg <= 0 || stock.massKg <= 0) return { whole: 0, openKg: Math.max(0, stock.massKg) };
  const pieces = stock.massKg / eachKg;
  const nearest = Math.round(pieces);
  if (Math.abs(pieces - nearest) <= WHOLE_SHARE && nearest > 0) return { whole: nearest, openKg: 0 };
  const whole = Math.floor(pieces);
  return { whole, openKg: stock.massKg - whole * eachKg };
}

/** Mass of some whole pieces; of all there are it is all the mass there is. */
export function massOfPieces(good: Pick<Good, 'sizesKg'>, stock: GoodStock, count: number): number {
  const { whole, openKg } = countPieces(good, stock);
  return count === whole && openKg === 0 ? stock.massKg : count * (good.sizesKg[stock.size] ?? 0);
}

/** All there is of a lot, kg. */
export const goodKg = ({ stocks }: Pick<Good, 'stocks'>): number =>
  stocks.reduce((sum, { massKg }) => sum + massKg, 0);
