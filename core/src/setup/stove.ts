import { BURNER_FACTS, FLAME_SHARE } from '../science/heat/index.ts';
import type { MakePlan } from '../contract/index.ts';

/** What a plan's stove gives and its lid keeps in: of today's plans, and of those stored before either was a choice. */

/** Share of its burner's power a plan heats with. */
export const flameShare = ({ heat }: Pick<MakePlan, 'heat'>): number => FLAME_SHARE[heat.flame ?? 'full'];

/**
 * What reaches the milk while it is heated, kW.
 * @param lnFactor what the kitchen taught of this burner at this flame; left out, what the plan knows of it
 * @example heatingKw(plan) // 0.45 on a medium burner of 1.8 kW
 */
export const heatingKw = (plan: MakePlan, lnFactor = plan.factors?.burner?.value ?? 0): number =>
  plan.burner.powerKw * plan.burner.efficiency * flameShare(plan) * Math.exp(lnFactor);

/** Whether the milk cools under its lid. */
export const coolsCovered = ({ cooling, pot }: Pick<MakePlan, 'cooling' | 'pot'>): boolean =>
  cooling?.lidOn ?? pot.lidded ?? false;

/** How slowly the burner follows its switch, s; 0 follows at once. */
export const burnerLagS = ({ burner }: Pick<MakePlan, 'burner'>): number =>
  burner.kind ? BURNER_FACTS[burner.kind].lagS : 0;
