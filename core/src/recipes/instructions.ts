import type { MakePlan } from '../contract/index.ts';
import { makeFlow, pointForecast, stateOfPlan } from '../make/index.ts';
import type { MethodStep } from '../steps/index.ts';
import { instructionOf } from './recipe-words.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** Hands come at its end; those that are at it all along begin with it. */
const goesByItself = ({ facts, allAlong }: MethodStep): boolean => facts.waits && allAlong !== true;

/**
 * What hands do each time a step of a plan wants them, as it stands on a sheet or in a calendar, with temperatures, minutes, amounts and
 * cues. What goes by itself wants them at its end: there it is told what to look for; how it is set going stands with the step before it.
 * @example planInstructions(plan).get('pour') // "Pour the milk into the pot. Then: Heat the milk and keep stirring. Stop at 85 °C (185 °F), after about 17 min."
 */
export function planInstructions(plan: MakePlan): ReadonlyMap<string, string> {
  const state = stateOfPlan(plan);
  const point = pointForecast(state, Date.parse(plan.startAt));
  const { added } = makeFlow(state, point.denatured);
  const own = state.steps.map(({ step }, n) => {
    const time = point.steps[n];
    const startMs = point.steps[n - 1]?.endMs ?? time?.startMs ?? 0;
    const minutes = time && !time.endless ? (time.endMs - Math.min(time.endMs, startMs)) / MINUTE_MS : 0;
    return instructionOf(step, plan, added, minutes);
  });
  return new Map(
    state.steps.map(({ step }, n) => {
      const next = state.steps[n + 1]?.step;
      const { due, doing } = step;
      const atEnd = due && due.text !== doing ? due.text : '';
      const told = goesByItself(step) ? [n === 0 ? own[n]! : '', atEnd] : [own[n]!];
      const then = next && goesByItself(next) ? [`Then: ${own[n + 1]!}`] : [];
      return [step.id, [...told, ...then].filter((text) => text !== '').join(' ')];
    }),
  );
}
