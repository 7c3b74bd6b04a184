import type { MakePlan } from '../contract/index.ts';
import { STEP_TYPES } from '../steps/index.ts';
import { makeAt } from './make-at.ts';
import type { MakeState } from './state.ts';

/** The plan of a make to be made again: what was measured and told of it takes the place of what was planned. */
export function planAgain(state: MakeState): MakePlan {
  const at = makeAt(state, state.finished?.atMs ?? state.startedAtMs);
  const again = state.steps.map(({ step }) => STEP_TYPES[step.kind].again).find(Boolean);
  return again ? again(at) : state.plan;
}
