import type { MakeState } from '@morning-crock/core';
import type { StepId } from '@morning-crock/core/contract';
import { record } from '../../app/store.ts';

/** Marks the present step done; inoculating records the planned dose as the one that went in. */
export async function completeStep(state: MakeState): Promise<void> {
  const step = state.current?.step.id;
  if (!step) return;
  if (step === 'inoculate' && state.plan.starter.kind !== 'none') {
    const { massKg, statedRatio, typed } = state.plan.starter;
    await record(state.id, 'starter-added', { massKg, statedRatio, typed });
    return;
  }
  await record(state.id, 'step-done', { step });
}

/** Leaves the present step out. */
export async function skipStep(id: string, step: StepId): Promise<void> {
  await record(id, 'step-skipped', { step });
}
