import { productOf } from '../products/index.ts';
import { STEP_TYPES } from '../steps/index.ts';
import { makeFlow } from './make-flow.ts';
import type { MakeState } from './state.ts';

/** Something that is to be put in. */
export interface ToAdd {
  readonly what: string;
  readonly massKg: number;
  /** What is as heavy as water is measured in a jug. */
  readonly by: 'weight' | 'volume';
  /** How hot it must be, °C; `null` as it is. */
  readonly celsius: number | null;
  /** How warm all of it is then, °C; only for what is put in hot. */
  readonly toC: number | null;
}

/**
 * What the present step puts in, worked out from what is there by now. Estimates until it is weighed.
 * @param denatured whey protein unfolded, 0..1; @param nowC how warm it is, °C
 * @example toAdd(salting, 0, 20) // [{ what: 'salt', massKg: 0.009, by: 'weight', celsius: null, toC: null }]
 */
export function toAdd(state: MakeState, denatured: number, nowC: number): readonly ToAdd[] {
  const { current, plan } = state;
  if (!current) return [];
  const { instance, kind } = current.step;
  const of = { step: instance, goods: productOf(plan).goods };
  const { adds } = STEP_TYPES[kind];
  return makeFlow(state, denatured)
    .added.filter(({ step }) => step === instance.id)
    .map(({ what, massKg }) => ({
      what,
      massKg,
      by: adds?.by ?? 'weight',
      celsius: adds?.hotC?.(plan, of, nowC) ?? null,
      toC: adds?.toC?.(of) ?? null,
    }));
}
