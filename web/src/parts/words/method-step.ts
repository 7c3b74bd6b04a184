import type { MakePlan, StepInstance, StepKind } from '@morning-crock/core/contract';

/** A step of one kind with its own parameters. */
export type Of<K extends StepKind> = Extract<StepInstance, { readonly kind: K }>;
/** The method of a plan with one kind of its steps changed. */
export function withStep<K extends StepKind>(
  plan: MakePlan,
  kind: K,
  part: Partial<Omit<Of<K>, 'id' | 'kind'>>,
): MakePlan['method'] {
  return {
    ...plan.method,
    steps: plan.method.steps.map((step) => (step.kind === kind ? { ...step, ...part } : step)),
  };
}

/** The step of a kind in a plan's method. */
export const stepOf = <K extends StepKind>(plan: MakePlan, kind: K): Of<K> | undefined =>
  plan.method.steps.find((step): step is Of<K> => step.kind === kind);
