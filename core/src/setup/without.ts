import type { MakePlan } from '../contract/index.ts';

/**
 * A plan without the part that went another way: everything measured by the batch is less, what stands in jars lacks those.
 * @param share of it that went, 0..1
 */
export function planWithout(plan: MakePlan, share: number, jars: readonly string[]): MakePlan {
  const keeps = 1 - share;
  const { milk, starter } = plan;
  return {
    ...plan,
    milk: {
      ...milk,
      litres: milk.litres * keeps,
      typed: { ...milk.typed, value: milk.typed.value * keeps },
      ...(milk.second && { second: { ...milk.second, litres: milk.second.litres * keeps } }),
      ...(milk.powder && { powder: { ...milk.powder, massKg: milk.powder.massKg * keeps } }),
      ...(milk.goods && { goods: milk.goods.map((good) => ({ ...good, massKg: good.massKg * keeps })) }),
      ...(milk.lots && { lots: milk.lots.map((lot) => ({ ...lot, massKg: lot.massKg * keeps })) }),
    },
    starter: {
      ...starter,
      massKg: starter.massKg === null ? null : starter.massKg * keeps,
      ...(starter.good && { good: { ...starter.good, massKg: starter.good.massKg * keeps } }),
      ...(starter.lot && { lot: { ...starter.lot, massKg: starter.lot.massKg * keeps } }),
      ...(starter.also && { also: { ...starter.also, massKg: starter.also.massKg * keeps } }),
    },
    ...(plan.jars && { jars: plan.jars.filter(({ id }) => !jars.includes(id)) }),
  };
}
