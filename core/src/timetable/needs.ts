import { PRODUCT_TAKES, type MakePlan } from '../contract/index.ts';
import { STARTER_FACTS } from '../science/souring/index.ts';
import { batchOf } from '../setup/index.ts';
import { methodSteps, productOf } from '../products/index.ts';

/** Whether a starter goes into it. */
export const isInoculated = (plan: MakePlan): boolean =>
  methodSteps(plan).some(({ facts }) => facts.inoculates);

/** Something to have ready before a day begins, and the makes it is for. */
export type DayNeed = { readonly what: string; readonly of: readonly string[] } & (
  | { readonly litres: number }
  /** `null` where the packet says how much. */
  | { readonly massKg: number | null; readonly isHere?: boolean }
);

/** What goes into a make: goods by their name, butter by weight, all else by volume. */
function pouredInto(plan: MakePlan): DayNeed {
  const { name, milk, product } = plan;
  const of = [name];
  const [goods] = milk.goods ?? [];
  if (goods) return { what: goods.name, massKg: goods.massKg, of, isHere: true };
  const { litres, massKg } = batchOf(plan);
  const what = productOf(plan).goods.into;
  return PRODUCT_TAKES[product] === 'butter' ? { what, massKg, of } : { what, litres, of };
}

/** Starters of a make, each with its weight. */
function stirredInto(plan: MakePlan): DayNeed[] {
  // Milk set by an acid has a starter in its plan like any other, and no step in which it goes in.
  if (!isInoculated(plan)) return [];
  const { kind, massKg, also } = plan.starter;
  return [{ kind, massKg }, ...(also ? [also] : [])]
    .filter((starter) => starter.kind !== 'none')
    .map((starter) => ({
      what: STARTER_FACTS[starter.kind].label,
      massKg: starter.massKg,
      of: [plan.name],
    }));
}

/** The same thing for two makes. What is dosed by the packet adds no weight. */
function both(a: DayNeed, b: DayNeed): DayNeed {
  const of = [...a.of, ...b.of];
  if ('litres' in a) return { ...a, of, litres: a.litres + ('litres' in b ? b.litres : 0) };
  const more = 'massKg' in b ? b.massKg : null;
  return { ...a, of, massKg: more === null ? a.massKg : (a.massKg ?? 0) + more };
}

/**
 * What goes into the makes of a day and their starters, each once, with the makes they are for.
 * @param fed plans of them that are made from others: what goes in comes of those
 * @example dayNeeds([yogurtOf(2)]) // [{ what: 'milk', litres: 2, of: ['Yogurt'] }, …]
 */
export function dayNeeds(plans: readonly MakePlan[], fed: readonly MakePlan[] = []): DayNeed[] {
  const needs = new Map<string, DayNeed>();
  const poured = plans.filter((plan) => !fed.includes(plan)).map(pouredInto);
  for (const need of [...poured, ...plans.flatMap(stirredInto)]) {
    // What stands in the larder may be called as what is bought.
    const key = `${need.what} ${'isHere' in need}`;
    const before = needs.get(key);
    needs.set(key, before ? both(before, need) : need);
  }
  return [...needs.values()];
}
