import { GHEE_STAGES, type GheeStage } from '../science/butter/index.ts';
import { instantOf, type LoggedEvent } from '../log/index.ts';
import { stagesSeen } from './stages-seen.ts';
import { entriesOf, type Told } from './told.ts';

/** What a pan on the fire looked like, and what it weighed with what was in it. */
export interface PanTold {
  readonly stages: readonly { readonly stage: GheeStage; readonly atMs: number }[];
  readonly weighed: readonly { readonly massKg: number; readonly atMs: number }[];
}

/** The pan as it was weighed; what another pan weighs is told as if the first had gone on: pouring loses no water. */
function weighedOf(events: readonly LoggedEvent[]): PanTold['weighed'] {
  const changedMs = entriesOf(events, 'pan-changed').map(instantOf);
  const pan: PanTold['weighed'][number][] = [];
  let offKg = 0;
  let lastMs = -Infinity;
  for (const event of entriesOf(events, 'pan-weighed')) {
    const atMs = instantOf(event);
    const before = pan.at(-1);
    if (before && changedMs.some((ms) => ms > lastMs && ms <= atMs))
      offKg = before.massKg - event.data.massKg;
    pan.push({ massKg: event.data.massKg + offKg, atMs });
    lastMs = atMs;
  }
  return pan;
}

/** What was told of a pan. */
export const PAN_TOLD: Told<PanTold> = {
  reduce: (events) => ({ stages: stagesSeen(events, GHEE_STAGES), weighed: weighedOf(events) }),
};
