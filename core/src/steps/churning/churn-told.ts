import { CHURN_STAGES, type ChurnStage } from '../../science/butter/index.ts';
import { byLog, instantOf, type LoggedEvent } from '../../log/index.ts';
import { MINUTE_MS } from '../../science/units/index.ts';
import { stagesSeen } from '../stages-seen.ts';
import { entriesOf, type Told } from '../told.ts';

/** What hands told of a churning, all its loads together. */
export interface ChurnTold {
  readonly stages: readonly { readonly stage: ChurnStage; readonly atMs: number }[];
  /** When the second load and those after it went into the churn. */
  readonly loadsAtMs: readonly number[];
  /** When the churn stood still; `null` it still does. */
  readonly rests: readonly { readonly fromMs: number; readonly toMs: number | null }[];
  /** Water poured into the churn. */
  readonly poured: readonly { readonly massKg: number; readonly celsius: number; readonly atMs: number }[];
  /** Since when soft butter lay in iced water, and until when it was to. */
  readonly iced: { readonly fromMs: number; readonly toMs: number } | null;
}

/** Clocks of two tablets may be so far apart, ms. */
const CLOCKS_APART_MS = 2 * MINUTE_MS;

/**
 * When each load after the first went in: two tablets may both have said so, and the first counts. A break that was known when it
 * went in was not after it, whatever the two clocks say.
 */
function loadsBegun(events: readonly LoggedEvent[]): number[] {
  const broken = entriesOf(events, 'stage-seen').filter(
    ({ data }) => data.stage === 'broken' || data.stage === 'lump',
  );
  const first = new Map<number, number>();
  for (const event of entriesOf(events, 'load-begun')) {
    if (first.has(event.data.load)) continue;
    const atMs = instantOf(event);
    const before = broken.filter(
      (b) => byLog(b, event) < 0 && instantOf(b) > atMs && instantOf(b) - atMs < CLOCKS_APART_MS,
    );
    first.set(event.data.load, Math.max(atMs, ...before.map(instantOf)));
  }
  return [...first].sort(([a], [b]) => a - b).map(([, atMs]) => atMs);
}

/** From when to when the churn stood still. */
function restsOf(events: readonly LoggedEvent[]): { fromMs: number; toMs: number | null }[] {
  const rests: { fromMs: number; toMs: number | null }[] = [];
  for (const event of entriesOf(events, 'churn-rested')) {
    const open = rests.at(-1);
    if (event.data.resting && (!open || open.toMs !== null))
      rests.push({ fromMs: instantOf(event), toMs: null });
    else if (!event.data.resting && open && open.toMs === null) open.toMs = instantOf(event);
  }
  return rests;
}

/** What was told of a churning. */
export const CHURN_TOLD: Told<ChurnTold> = {
  reduce: (events) => {
    const laid = entriesOf(events, 'iced').at(-1);
    return {
      stages: stagesSeen(events, CHURN_STAGES),
      loadsAtMs: loadsBegun(events),
      rests: restsOf(events),
      poured: entriesOf(events, 'water-poured').map((event) => ({
        massKg: event.data.massKg,
        celsius: event.data.celsius,
        atMs: instantOf(event),
      })),
      iced: laid ? { fromMs: instantOf(laid), toMs: instantOf(laid) + laid.data.minutes * MINUTE_MS } : null,
    };
  },
};
