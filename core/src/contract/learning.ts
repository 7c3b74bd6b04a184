import * as z from 'zod';
import { instant, ulid } from './quantities.ts';

/**
 * What a kitchen's makes teach: the culture's pace, a place's heat and slowness, a pot's cooling, a burner's power,
 * how long a churn takes at a speed, how fast a cloth lets the whey go,
 * how long hands are at a kind of step.
 */
export const FACTOR_KINDS = [
  'rate',
  'place-heat',
  'place-tau',
  'cooling',
  'burner',
  'churn',
  'cloth',
  'hands',
] as const;
export type FactorKind = (typeof FACTOR_KINDS)[number];

/** One make's say on a factor and where the belief stood after it. Values against what is typed now. */
export const factorStep = z.strictObject({
  makeId: ulid,
  name: z.string(),
  at: instant,
  observed: z.number(),
  sigma: z.number(),
  mean: z.number(),
  meanSigma: z.number(),
});

/**
 * One learned factor. `mean` and `sigma` are in ln (in K for the heat of a place), relative to the value as typed,
 * which is never changed.
 */
export const factor = z.strictObject({
  kind: z.enum(FACTOR_KINDS),
  /** Starter kind, or the identity of the place, pot or burner; the speed and name of a churn; the way a curd drains; a kind of step. */
  thing: z.string(),
  name: z.string(),
  mean: z.number(),
  sigma: z.number(),
  makes: z.number().int(),
  history: z.array(factorStep),
});
export type Factor = z.infer<typeof factor>;
export const factorsResponse = z.strictObject({ factors: z.array(factor), now: instant });
