import type { StepInstance, StepKind } from '../contract/index.ts';

/** A step's name that no other of the method has. @example freeName(steps, 'rest') // 'rest-2' */
export function freeName(steps: readonly StepInstance[], kind: StepKind): string {
  for (let n = 1; ; n++) {
    const id = n === 1 ? kind : `${kind}-${n}`;
    if (!steps.some((step) => step.id === id)) return id;
  }
}
