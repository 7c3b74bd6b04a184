import { productOf } from '../products/index.ts';
import type { MakeAt } from '../steps/index.ts';
import { makeFlow } from './make-flow.ts';
import type { MakeState } from './state.ts';
import { legRunOf, walkThermal } from './thermal.ts';

/**
 * A make at an instant, as its steps ask about it: nothing is worked out before one does.
 * @param nowMs the present, ms since 1970: a running step never ends before it
 * @example fatBalance(makeAt(state, nowMs))?.likelyKg
 */
export function makeAt(state: MakeState, nowMs: number): MakeAt {
  const { goods } = productOf(state.plan);
  const walk = () => walkThermal(state, nowMs);
  const startMs: MakeAt['startMs'] = ({ step, startedAtMs }) =>
    startedAtMs ?? walk().steps.find(({ id }) => id === step.id)?.startMs ?? state.startedAtMs;
  return {
    make: state,
    nowMs,
    of: ({ step }) => ({ step: step.instance, goods }),
    startMs,
    run: (step, otherwise = {}) => {
      const beganMs = otherwise.startMs ?? startMs(step);
      const startC =
        otherwise.startC ?? walk().course.findLast(([ms]) => ms <= beganMs)?.[1] ?? state.plan.milk.startC;
      const as = otherwise.plan ? { ...state, plan: otherwise.plan } : state;
      return legRunOf(as, step, startC, beganMs, nowMs);
    },
    into: ({ step }, denatured) => makeFlow(state, denatured).into.get(step.id)!,
    denatured: () => walk().denatured,
  };
}
