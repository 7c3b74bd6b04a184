import { loadStanding, type MakeState } from '@morning-crock/core';
import type { StepId } from '@morning-crock/core/contract';
import { record } from './store.ts';

/** Marks the present step done; pouring and inoculating record what was planned as what went in, churning that it broke, or that the next load is in. */
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
  const load = loadStanding(state);
  if (load) {
    if (!load.broke) await record(state.id, 'stage-seen', { stage: 'broken' });
    else if (load.no < load.of) await record(state.id, 'load-begun', { load: load.no + 1 });
    // One load broke, or the next one went in: the churning itself goes on.
    if (load.no < load.of) return;
  }
  await record(state.id, 'step-done', { step: step.id });
}

/** Leaves the present step out. */
export async function skipStep(id: string, step: StepId): Promise<void> {
  await record(id, 'step-skipped', { step });
}
