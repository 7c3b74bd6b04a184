import type { KitchenSettings, Method } from '../contract/index.ts';
import { planOfMethod } from '../products/index.ts';
import { endlessStep } from './from-makes.ts';
import { FULLEST } from './vessels.ts';

/**
 * The most of a method that one batch can be: a pot holds it, and the burner gets it hot enough in that pot, L. 0 where no pot does.
 * @example mostLitres(yogurt, kitchen, startAt) // 4.75 where the five-litre pot is the widest that boils
 */
export function mostLitres(method: Method, kitchen: KitchenSettings, startAt: string): number {
  const sizes = [...kitchen.pots].sort((a, b) => b.litres - a.litres);
  for (const pot of sizes) {
    const litres = pot.litres * FULLEST;
    const plan = { ...planOfMethod(method, kitchen, startAt, litres), pot };
    if (endlessStep(plan) === null) return litres;
  }
  return 0;
}
