import type { MakePlan } from '../contract/index.ts';
import { makeFlow, pointForecast, stateOfPlan } from '../make/index.ts';
import { instructionOf } from './recipe-words.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/**
 * What to do in each step of a plan, as it stands on a sheet or in a calendar: by itself, with its temperature, minutes, amount
 * and cue.
 * @example planInstructions(plan).get('heat') // "Heat the milk and keep stirring. Stop at 85 °C (185 °F), after about 17 min."
 */
export function planInstructions(plan: MakePlan): ReadonlyMap<string, string> {
  const state = stateOfPlan(plan);
  const point = pointForecast(state, Date.parse(plan.startAt));
  const { added } = makeFlow(state, point.denatured);
  return new Map(
    state.steps.map(({ step }, n) => {
      const time = point.steps[n];
      const startMs = point.steps[n - 1]?.endMs ?? time?.startMs ?? 0;
      const minutes = time && !time.endless ? (time.endMs - Math.min(time.endMs, startMs)) / MINUTE_MS : 0;
      return [step.id, instructionOf(step, plan, added, minutes)];
    }),
  );
}
