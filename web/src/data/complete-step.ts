import { doneEntries, type MakeState } from '@morning-crock/core';
import type { StepId } from '@morning-crock/core/contract';

import { record, recordAll } from './store.ts';

/** Marks the present step done. */
export const completeStep = (state: MakeState): Promise<void> => recordAll(state.id, doneEntries(state));

/** Leaves the present step out. */
export async function skipStep(id: string, step: StepId): Promise<void> {
  await record(id, 'step-skipped', { step });
}
