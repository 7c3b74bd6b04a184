import { BY_PART, type ByGood, type GoodKind } from '../../contract/index.ts';
import { likelyKg, stateOfPlan } from '../../make/index.ts';
import { besidesOf, massFlow } from '../../products/index.ts';
import type { MadeOf } from './larder-register.ts';

/** Scales differ: so much more than was weighed may be put up. */
const SCALE_SHARE = 0.02;
const SCALE_KG = 0.01;
/** What nobody weighed is an estimate: a cloth drains more or less, cream is fatter than was thought [judgement]. */
const GUESS_SHARE = 0.7;

/** Most that may be put up of what was weighed, kg. @example mostPutUpKg(1) // 1.03 */
export const mostPutUpKg = (weighedKg: number): number => weighedKg * (1 + SCALE_SHARE) + SCALE_KG;

/** What came out of a make of one kind. */
export interface CameOut {
  /** Weighed, or about, kg. */
  readonly massKg: number;
  readonly weighed: boolean;
  /** Most that may be put up of it, kg. */
  readonly mostKg: number;
}

const isByGood = (what: GoodKind): what is ByGood => what in BY_PART;

/** Of which part of its make goods are: its product, or one that came out besides. */
export const partOf = (what: GoodKind): string => (isByGood(what) ? (BY_PART[what] ?? what) : 'product');

/**
 * What a make gave of the kind that goods are: as weighed, else as its plan has it.
 * @returns `null` where neither is known
 */
export function cameOut({ weighedKg, byProductsKg, plan, skipped }: MadeOf, what: GoodKind): CameOut | null {
  const part = isByGood(what) ? BY_PART[what] : null;
  const scaled = isByGood(what) ? (part === null ? undefined : byProductsKg[part]) : (weighedKg ?? undefined);
  if (scaled !== undefined) return { massKg: scaled, weighed: true, mostKg: mostPutUpKg(scaled) };
  if (!plan) return null;
  const { wentIn, out, off, added } = massFlow(plan, { skipped });
  const inKg = wentIn.massKg + added.reduce((sum, { massKg: kg }) => sum + kg, 0);
  const productKg = likelyKg(stateOfPlan(plan)) ?? out.massKg;
  const parted = off.filter(({ what: of }) => of === part).reduce((sum, { massKg: kg }) => sum + kg, 0);
  const besidesKg = besidesOf(plan)?.massKg ?? (parted > 0 ? parted : inKg - productKg);
  const massKg = isByGood(what) ? besidesKg : productKg;
  // Nothing comes out that did not go in, whatever is estimated.
  return { massKg, weighed: false, mostKg: mostPutUpKg(Math.min(massKg * (1 + GUESS_SHARE), inKg)) };
}
