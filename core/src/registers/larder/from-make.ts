import type { GoodFacts, GoodKeeping } from '../../contract/index.ts';
import { isHeated } from '../../setup/index.ts';
import { keepsOf, type MakeState } from '../../make/index.ts';
import { countedIn, worthOf, type TakenGoods } from '../../daybook/worth/index.ts';
import { usualKeeping } from './kinds.ts';

/** Salt of a product, by mass; `null` where nobody salted. */
function saltOf({ saltKg, weighedKg }: MakeState): number | null {
  return saltKg === null || weighedKg === null || weighedKg <= 0 ? null : Math.min(0.3, saltKg / weighedKg);
}

/** How long what a make gave keeps: of butter by how it was washed and salted, of all else by what it is. */
function keepingOfMake(state: MakeState): GoodKeeping[] {
  return usualKeeping(state.plan.product).map((usual) => {
    if (usual.place === 'cellar' || usual.place === 'stall') return usual;
    const butter = keepsOf(state, usual.place);
    return butter
      ? { place: usual.place, days: [...butter.days], reason: butter.reason.slice(0, 160) }
      : usual;
  });
}

/**
 * What a make's product is as goods, with what its record says of it.
 * @param code what its label will carry
 * @param taken goods that went into it
 * @example goodOfMake(state, '4F7K2Q', nowMs).name // 'Stall yogurt'
 */
export function goodOfMake(
  state: MakeState,
  code: string,
  nowMs: number,
  taken: readonly TakenGoods[] = [],
): GoodFacts {
  const { plan } = state;
  const worth = worthOf(state, taken);
  const churned = state.steps.some(({ step }) => step.facts.parts);
  return {
    name: plan.name,
    what: plan.product,
    code,
    makeId: state.id,
    madeAt: new Date(state.chilledAtMs ?? state.finished?.atMs ?? nowMs).toISOString(),
    sour: churned ? (plan.milk.soured === true ? 'cultured' : 'sweet') : null,
    saltFraction: saltOf(state),
    milk: { kind: plan.milk.kind, raw: plan.milk.treatment === 'raw' && !isHeated(plan) },
    keeps: keepingOfMake(state),
    costPerKg: worth.perKg,
    ...(worth.perKg === null ? {} : { costCounts: countedIn(worth) }),
    note: '',
  };
}
