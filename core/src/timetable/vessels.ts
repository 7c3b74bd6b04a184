import type { MakePlan } from '../contract/index.ts';
import { batchOf } from '../setup/index.ts';
import type { MethodStep } from '../steps/index.ts';
import type { DayTask } from './problem.ts';

/** What a batch stands in that a kitchen has few of. */
export type Vessel = 'pot' | 'churn' | 'colander';

/** A pot is filled no fuller than this: milk rises. */
export const FULLEST = 0.95;
/** Where nobody said how many colanders there are, a usual kitchen has so many. */
export const USUAL_COLANDERS = 2;

/** Washing up what was emptied, min [judgement]: a pot by what was in it, a churn with its lid or blades, a colander with its cloth. */
const WASH_MIN: Readonly<Record<Exclude<Vessel, 'pot'>, number>> = { churn: 6, colander: 4 };
const WASH_POT_MIN: Readonly<Partial<Record<MethodStep['facts']['inThePot'], number>>> = {
  'hot-milk': 8,
  curd: 6,
  ghee: 8,
  'hot-ghee': 8,
};
const WASH_MILK_MIN = 4;

type Stands = MethodStep['facts']['inThePot'];
/** Only a pot will do. */
const OF_A_POT: ReadonlySet<Stands> = new Set<Stands>(['hot-milk', 'curd', 'ghee', 'hot-ghee']);
const MAY_BE_IN_A_POT: ReadonlySet<Stands> = new Set<Stands>([...OF_A_POT, 'milk', 'warm-milk']);

/** Whether it goes on in the pot once it soured: it is cut, stirred or warmed there, and not poured off first. */
function goesOnInPot(after: readonly MethodStep[]): boolean {
  const next = after.find(({ facts }) => facts.inThePot !== 'souring');
  return next !== undefined && ['curd', 'warm-milk', 'hot-milk'].includes(next.facts.inThePot);
}

/** Whether what sours stands in the pot: it is set and cut there, or nobody filled jars and the pot itself is wrapped up. */
const soursInPot = (plan: MakePlan, after: readonly MethodStep[]): boolean =>
  goesOnInPot(after) || (plan.place.kind === 'towel' && (plan.jars?.length ?? 0) === 0);

/**
 * Whether a batch has the pot in each of its steps. It has it from the first thing that is done to the last that needs it; left for
 * jars, a cloth or the churn, it does not come back to it.
 * @example inPot(plan, stepsOfYogurt) // [true, true, true, true, true, false, …] poured into jars with its starter
 */
function inPot(plan: MakePlan, steps: readonly MethodStep[]): boolean[] {
  // What is only poured and stirred is so in the jar or bowl it stays in.
  let has = steps.some(({ facts }) => OF_A_POT.has(facts.inThePot));
  let soured = false;
  return steps.map(({ facts }, i) => {
    if (!has) return false;
    const { inThePot } = facts;
    if (inThePot === 'souring') {
      has = soursInPot(plan, steps.slice(i + 1));
      soured = has;
    } else if (inThePot === 'cold') has = soured && facts.waits;
    else has = MAY_BE_IN_A_POT.has(inThePot);
    return has;
  });
}

/** What each step of a batch takes of the kitchen's few vessels. */
export function vesselsOf(plan: MakePlan, steps: readonly MethodStep[]): Vessel[][] {
  const pots = inPot(plan, steps);
  return steps.map(({ facts }, i) => [
    ...(pots[i] ? (['pot'] as const) : []),
    ...(facts.uses?.includes('churn') ? (['churn'] as const) : []),
    ...(facts.uses?.includes('cloth') ? (['colander'] as const) : []),
  ]);
}

/** The smallest pot that holds a batch, L. @example leastPot(twoLitres) // 2.1 */
export const leastPot = (plan: MakePlan): number => batchOf(plan).litres / FULLEST;

function washMin(vessel: Vessel, steps: readonly MethodStep[]): number {
  if (vessel !== 'pot') return WASH_MIN[vessel];
  return Math.max(WASH_MILK_MIN, ...steps.map(({ facts }) => WASH_POT_MIN[facts.inThePot] ?? 0));
}

/**
 * Washing up is hands, and what is not washed is not free: it follows what empties a vessel, in the first wait that is long enough,
 * and until then the vessel is held. What comes after it is due no later for it.
 * @param tasks of the steps, in their order
 */
export function washedUp(steps: readonly MethodStep[], tasks: readonly DayTask[]): DayTask[] {
  const own = tasks.map((task) => ({ ...task, holds: [...task.holds], washes: [...(task.washes ?? [])] }));
  for (const vessel of ['pot', 'churn', 'colander'] as const) {
    const lastHeld = own.findLastIndex(({ holds }) => holds.includes(vessel));
    if (lastHeld < 0) continue;
    const minutes = washMin(vessel, steps);
    let at = lastHeld;
    while (at + 1 < own.length && own[at + 1]!.after < minutes) {
      at++;
      own[at]!.holds.push(vessel);
    }
    const least = own[lastHeld]!.least;
    for (let n = lastHeld + 1; n <= at; n++) if (least) own[n] = { ...own[n]!, least };
    own[at] = { ...own[at]!, minutes: own[at]!.minutes + minutes, washes: [...own[at]!.washes, vessel] };
    const then = own[at + 1];
    if (then) own[at + 1] = { ...then, after: then.after - minutes };
  }
  return own;
}
