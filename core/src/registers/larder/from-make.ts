import type { GoodFacts, GoodKeeping } from '../../contract/index.ts';
import { isHeated } from '../../setup/index.ts';
import { makeAt, type MakeState } from '../../make/index.ts';
import { SALT_TOLD, STEP_TYPES, told } from '../../steps/index.ts';
import { countedIn, worthOf, type TakenGoods } from '../../daybook/worth/index.ts';
import { usualKeeping } from './kinds.ts';

/** Salt of a product, by mass; `null` where nobody salted. */
function saltOf(state: MakeState): number | null {
  const { weighedKg } = state;
  const saltKg = told(state, SALT_TOLD);
  return saltKg === null || weighedKg === null || weighedKg <= 0 ? null : Math.min(0.3, saltKg / weighedKg);
}

/** How long what a make gave keeps: by what its steps know of it, else by what it is. */
function keepingOfMake(state: MakeState): GoodKeeping[] {
  const at = makeAt(state, state.finished?.atMs ?? state.startedAtMs);
  const keepers = state.steps.flatMap(({ step }) => STEP_TYPES[step.kind].keeps ?? []);
  return usualKeeping(state.plan.product).map((usual) => {
    if (usual.place === 'cellar' || usual.place === 'stall') return usual;
    const { place } = usual;
    const own = keepers.flatMap((keeps) => keeps(at, place) ?? [])[0];
    return own ? { place, days: [...own.days], reason: own.reason.slice(0, 160) } : usual;
  });
}

/** What its steps have a label say. */
const labelsOf = (state: MakeState): Pick<GoodFacts, 'sour'> =>
  state.steps.reduce<Pick<GoodFacts, 'sour'>>(
    (said, { step }) => ({ ...said, ...STEP_TYPES[step.kind].labels?.(state) }),
    { sour: null },
  );

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
  return {
    name: plan.name,
    what: plan.product,
    code,
    makeId: state.id,
    madeAt: new Date(state.chilledAtMs ?? state.finished?.atMs ?? nowMs).toISOString(),
    ...labelsOf(state),
    saltFraction: saltOf(state),
    milk: { kind: plan.milk.kind, raw: plan.milk.treatment === 'raw' && !isHeated(plan) },
    keeps: keepingOfMake(state),
    costPerKg: worth.perKg,
    ...(worth.perKg === null ? {} : { costCounts: countedIn(worth) }),
    note: '',
  };
}
