import {
  butterKeeping,
  KEEPING_SERUM,
  salted,
  type ButterKeeping,
  type ButterPlace,
} from '../butter/index.ts';
import { productOf } from '../products/index.ts';
import { serumLeft } from '../steps/index.ts';
import { fatBalance } from './fat-balance.ts';
import type { MakeState } from './state.ts';

/** Buttermilk left in the butter of a make, share of what it carried, 0..1; water that ran clear says that it is enough. */
export function serumLeftIn({ steps, plan, rinses }: Pick<MakeState, 'steps' | 'plan' | 'rinses'>): number {
  const wash = steps.find(({ step }) => step.facts.tells === 'rinses');
  if (!wash) return 1;
  const left = serumLeft({ step: wash.step.instance, goods: productOf(plan).goods }, rinses.length);
  return rinses.at(-1)?.clear ? Math.min(left, KEEPING_SERUM) : left;
}

/** How long the butter of a make keeps in a place, and why; `null` for what is no butter. An estimate. */
export function keepsOf(state: MakeState, place: ButterPlace): ButterKeeping | null {
  const fat = fatBalance(state, state.finished?.atMs ?? state.startedAtMs);
  if (!fat) return null;
  const butterKg = fat.realKg ?? fat.likelyKg;
  return butterKeeping({
    place,
    serumLeft: serumLeftIn(state),
    brineFraction:
      state.saltKg === null ? 0 : salted(butterKg, fat.moistureFraction, state.saltKg).brineFraction,
    cultured: state.plan.milk.soured === true,
    flavoured: state.flavours.map((f) => f.with),
  });
}
