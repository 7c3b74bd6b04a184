import { withinOf, type MakeState } from '@morning-crock/core';
import type { StepId } from '@morning-crock/core/contract';
import { record } from './store.ts';

/** Marks the present step done; pouring and inoculating record what was planned as what went in, and a step of several loads what happened to one of them. */
export async function completeStep(state: MakeState): Promise<void> {
  const step = state.current?.step;
  if (!step) return;
  if (step.facts.endedBy === 'fed') {
    await record(state.id, 'fed', { step: step.id, massKg: null, typed: null });
    return;
  }
  if (step.facts.inoculates && state.plan.starter.kind !== 'none') {
    const { massKg, statedRatio, typed } = state.plan.starter;
    await record(state.id, 'starter-added', { massKg, statedRatio, typed });
    return;
  }
  const { lots } = state.plan.milk;
  if (step.facts.endedBy === 'milk-poured' && lots) {
    await record(state.id, 'milk-poured', {
      from: lots.map(({ lotId, massKg }) => ({
        lotId,
        massKg,
        typed: { value: Math.round(massKg * 1000), unit: 'g' },
      })),
    });
    return;
  }
  const within = withinOf(state);
  for (const { type, data } of within?.says ?? []) await record(state.id, type, data);
  if (within && !within.ends) return;
  await record(state.id, 'step-done', { step: step.id });
}

/** Leaves the present step out. */
export async function skipStep(id: string, step: StepId): Promise<void> {
  await record(id, 'step-skipped', { step });
}
