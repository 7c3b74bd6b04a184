import { freeName, stepFacts, STEP_TYPES } from '../steps/index.ts';
import { method, type Method, type StepInstance, type StepKind } from '../contract/index.ts';

/** A step of a kind with usual parameters. */
export const freshStep = (steps: readonly StepInstance[], kind: StepKind): StepInstance =>
  ({ id: freeName(steps, kind), kind, ...STEP_TYPES[kind].usual }) as StepInstance;

/** A method with a step put in behind another; at the end when there is none. */
export const withStep = (of: Method, step: StepInstance, at: number): Method => ({
  ...of,
  steps: [...of.steps.slice(0, at), step, ...of.steps.slice(at)],
});

/** With two steps exchanged; beyond the ends nothing changes. */
export function movedStep(of: Method, index: number, by: -1 | 1): Method {
  const to = index + by;
  if (to < 0 || to >= of.steps.length) return of;
  const steps = [...of.steps];
  [steps[index], steps[to]] = [steps[to]!, steps[index]!];
  return { ...of, steps };
}

export const withoutStep = (of: Method, index: number): Method => ({
  ...of,
  steps: of.steps.filter((_, i) => i !== index),
});

/** What is wrong with a method, where, in words; empty when it can be kept. */
export function methodFaults(of: Method): { readonly path: string; readonly message: string }[] {
  const result = method.safeParse(of);
  if (result.success) return orderFaults(of);
  return result.error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
}

/** What cannot be done in this order, whatever each step is. */
function orderFaults({ steps }: Method): { path: string; message: string }[] {
  const sours = steps.findIndex(({ kind }) => stepFacts(kind).sours);
  const inoculates = steps.findIndex(({ kind }) => stepFacts(kind).inoculates);
  if (sours < 0) return [];
  if (inoculates < 0)
    return [
      {
        path: `steps.${sours}.kind`,
        message: 'sours, but no starter goes in before it. Add the step Inoculate first',
      },
    ];
  if (inoculates > sours)
    return [{ path: `steps.${inoculates}.kind`, message: 'comes after the souring step. Move it up' }];
  // Heat and churning are worked out of what was poured: what soured is poured into a batch of its own.
  return steps.flatMap(({ kind }, at) =>
    at > sours && STEP_TYPES[kind].leg && !STEP_TYPES[kind].later
      ? [
          {
            path: `steps.${at}.kind`,
            message:
              'comes after the souring step, so its time cannot be worked out. Make two methods: one that sours, and one that goes on with what soured',
          },
        ]
      : [],
  );
}

/** A method of one's own from another: a new identity, the first version. @param id an identity made for it */
export const duplicated = (of: Method, id: string, name: string): Method => ({
  ...of,
  id,
  version: 1,
  name,
  basedOn: { id: of.id, version: of.version },
});
