import { butterKeeping, salted, type ButterKeeping, type ButterPlace } from '../science/butter/index.ts';
import { isHeated } from '../setup/index.ts';
import { fatBalance } from './fat-balance.ts';
import { serumLeftIn } from './serum.ts';
import type { MakeState } from './state.ts';

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
    raw: state.plan.milk.treatment === 'raw' && !isHeated(state.plan),
  });
}
