import type { KitchenSettings, MakePlan } from '../contract/index.ts';
import { STARTER_FACTS } from '../science/souring/index.ts';
import { batchOf } from '../setup/index.ts';
import { methodSteps, planOfMethod, productOf } from '../products/index.ts';
import type { DayWish } from './asked-day.ts';

/** Whether a starter goes into it. */
export const isInoculated = (plan: MakePlan): boolean =>
  methodSteps(plan).some(({ facts }) => facts.inoculates);

/** Something to have ready before a day begins. */
export type DayNeed =
  | { readonly what: string; readonly litres: number; readonly of: readonly string[] }
  | { readonly what: string; readonly massKg: number | null; readonly of: readonly string[] };

/**
 * Milk, cream and starters of a day, each once, with the makes they are for. What is dosed by the packet has no weight.
 * @example dayNeeds([{ name: 'Yogurt', method, litres: 2 }], kitchen, startAt) // [{ what: 'milk', litres: 2, of: ['Yogurt'] }, …]
 */
export function dayNeeds(
  makes: readonly Pick<DayWish['makes'][number], 'name' | 'method' | 'litres'>[],
  kitchen: KitchenSettings,
  startAt: string,
): DayNeed[] {
  const poured = new Map<string, { litres: number; of: string[] }>();
  const stirred = new Map<string, { massKg: number | null; of: string[] }>();
  for (const { name, method, litres } of makes) {
    const plan = planOfMethod(method, kitchen, startAt, litres);
    const { into } = productOf(plan).goods;
    const milk = poured.get(into) ?? { litres: 0, of: [] };
    poured.set(into, { litres: milk.litres + batchOf(plan).litres, of: [...milk.of, name] });
    // Milk set by an acid has a starter in its plan like any other, and no step in which it goes in.
    if (!isInoculated(plan)) continue;
    const { kind, massKg, also } = plan.starter;
    for (const starter of [{ kind, massKg }, ...(also ? [also] : [])]) {
      if (starter.kind === 'none') continue;
      const { label } = STARTER_FACTS[starter.kind];
      const before = stirred.get(label);
      stirred.set(label, {
        massKg: starter.massKg === null ? (before?.massKg ?? null) : (before?.massKg ?? 0) + starter.massKg,
        of: [...(before?.of ?? []), name],
      });
    }
  }
  return [
    ...[...poured].map(([what, need]) => ({ what, ...need })),
    ...[...stirred].map(([what, need]) => ({ what, ...need })),
  ];
}
