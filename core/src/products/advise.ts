import type { MakePlan } from '../contract/index.ts';
import { commonAdvice, souringAdvice, type Advice, type AdviceUnits } from '../setup/index.ts';
import { loadsOf, STEP_ADVICE } from '../steps/index.ts';
import { typedSteps } from './catalogue.ts';

/** Everything to say about a plan, the gravest first. */
export function adviseOn(
  plan: MakePlan,
  units: AdviceUnits = { temperature: 'C', measures: 'metric' },
): Advice[] {
  const rank = { stop: 0, caution: 1, note: 2 } as const;
  const steps = typedSteps(plan);
  // What is churned by loads stands in its pot a load at a time.
  const loads = loadsOf(plan);
  const atOnce = loads === 1 ? plan : { ...plan, milk: { ...plan.milk, litres: plan.milk.litres / loads } };
  return [
    ...commonAdvice(atOnce, units),
    ...(steps.some(({ type }) => type.facts.sours) ? souringAdvice(plan, units) : []),
    ...steps.flatMap(({ type, of }) => STEP_ADVICE[type.kind]?.(plan, units, of) ?? []),
  ]
    .filter((advice) => advice !== null)
    .sort((a, b) => rank[a.severity] - rank[b.severity]);
}
