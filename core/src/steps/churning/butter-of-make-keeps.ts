import { butterKeeping, salted, type ButterKeeping, type ButterPlace } from '../../science/butter/index.ts';
import { isHeated } from '../../setup/index.ts';
import { SALT_TOLD, WORK_TOLD } from '../butter-told.ts';
import type { MakeAt } from '../make-view.ts';
import { told } from '../told.ts';
import { fatBalance } from './fat-balance.ts';
import { serumLeftIn } from './serum.ts';

/**
 * How long the butter of a make keeps in a place, and why; `null` for what is no butter. An estimate.
 * @param serumLeft buttermilk left in it, where it is washed otherwise than its log says, 0..1
 */
export function butterKeepsAt(
  at: MakeAt,
  place: ButterPlace,
  serumLeft = serumLeftIn(at.make),
): ButterKeeping | null {
  const { make } = at;
  const fat = fatBalance(at);
  if (!fat) return null;
  const saltKg = told(make, SALT_TOLD);
  const butterKg = fat.realKg ?? fat.likelyKg;
  return butterKeeping({
    place,
    serumLeft,
    brineFraction: saltKg === null ? 0 : salted(butterKg, fat.moistureFraction, saltKg).brineFraction,
    cultured: make.plan.milk.soured === true,
    flavoured: told(make, WORK_TOLD).flavours.map((f) => f.with),
    raw: make.plan.milk.treatment === 'raw' && !isHeated(make.plan),
  });
}
