import type { FaultTold } from '../contract/index.ts';
import type { ComplaintId } from '../science/causes/index.ts';
import type { StepTold } from '../steps/index.ts';

/** What was told of each complaint of a batch, the latest complaint last. */
export const FAULTS_TOLD: StepTold<ReadonlyMap<ComplaintId, FaultTold>> = {
  reduce: (events) => {
    const faults = new Map<ComplaintId, FaultTold>();
    for (const event of events) {
      if (event.type !== 'fault-told') continue;
      faults.delete(event.data.complaint);
      faults.set(event.data.complaint, event.data);
    }
    return faults;
  },
};
