import { batchOf, planOfMethod } from '@morning-crock/core';
import { PRODUCT_TAKES, type KitchenSettings, type MakePlan } from '@morning-crock/core/contract';
import { NativeSelect } from '@mantine/core';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useMethods } from '../../data/use-methods.ts';

/** How much goes in, as a plan of its product is begun: butter by weight, the rest by volume. */
const amountOf = (plan: MakePlan): number =>
  PRODUCT_TAKES[plan.product] === 'butter' ? batchOf(plan).massKg : plan.milk.litres;

/** By which method, as a line of a plan: those that came with the product, and the kitchen's own; nothing where there is none. */
export function useMethodLine(
  plan: MakePlan,
  kitchen: KitchenSettings,
  onPlan: (plan: MakePlan) => void,
): { readonly sentence: string; readonly body: ReactNode } | null {
  const { shown } = useMethods();
  const own = shown.filter(({ method }) => method.product === plan.product);
  if (own.length === 0) return null;
  const chosen = own.find(({ id }) => id === plan.method.id);
  const asBefore = plan.method.name ?? 'as made before';
  return {
    sentence: chosen?.method.name ?? asBefore,
    body: (
      <>
        <NativeSelect
          label="Method"
          value={plan.method.id}
          data={[
            ...own.map(({ id, method, own: kept }) => ({
              value: id,
              label: kept ? `${method.name} (yours)` : method.name,
            })),
            // As it was once made, by a method that is here no more.
            ...(chosen ? [] : [{ value: plan.method.id, label: asBefore }]),
          ]}
          onChange={(event) => {
            const next = own.find(({ id }) => id === event.currentTarget.value);
            if (next) onPlan(planOfMethod(next.method, kitchen, plan.startAt, amountOf(plan)));
          }}
        />
        {chosen && (
          <p className="quiet reading">
            {chosen.method.goodFor} <Link to={`/methods?method=${chosen.id}`}>Show steps</Link>
          </p>
        )}
      </>
    ),
  };
}
