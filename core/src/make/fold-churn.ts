import type { EventOf } from '../contract/index.ts';
import { instantOf, type LoggedEvent } from '../log/index.ts';
import { MINUTE_MS } from '../science/units/index.ts';

/** The stages of one kind among those that were seen. */
export const seenOf = <S extends string>(
  events: readonly EventOf<'stage-seen'>[],
  stages: readonly S[],
): { readonly stage: S; readonly atMs: number }[] =>
  events.flatMap((event) => {
    const stage = stages.find((one) => one === event.data.stage);
    return stage === undefined ? [] : [{ stage, atMs: instantOf(event) }];
  });

/** The pan as it was weighed; what another pan weighs is told as if the first had gone on: pouring loses no water. */
export function panOf(
  weighed: readonly EventOf<'pan-weighed'>[],
  changedMs: readonly number[],
): { massKg: number; atMs: number }[] {
  const pan: { massKg: number; atMs: number }[] = [];
  let offKg = 0;
  let lastMs = -Infinity;
  for (const event of weighed) {
    const atMs = instantOf(event);
    const before = pan.at(-1);
    if (before && changedMs.some((ms) => ms > lastMs && ms <= atMs))
      offKg = before.massKg - event.data.massKg;
    pan.push({ massKg: event.data.massKg + offKg, atMs });
    lastMs = atMs;
  }
  return pan;
}

/** Clocks of two tablets may be so far apart, ms. */
const CLOCKS_APART_MS = 2 * MINUTE_MS;
/** In which order they came in; what was not sent yet comes last. */
const orderOf = (event: LoggedEvent): number => event.seq ?? Number.MAX_SAFE_INTEGER;

/**
 * When each load after the first went in: two tablets may both have said so, and the first counts. A break that was known when it
 * went in was not after it, whatever the two clocks say.
 */
export function loadsBegun(
  events: readonly EventOf<'load-begun'>[],
  stages: readonly EventOf<'stage-seen'>[],
): number[] {
  const broken = stages.filter(({ data }) => data.stage === 'broken' || data.stage === 'lump');
  const first = new Map<number, number>();
  for (const event of events) {
    if (first.has(event.data.load)) continue;
    const atMs = instantOf(event);
    const known = broken.filter(
      (b) => orderOf(b) < orderOf(event) && instantOf(b) > atMs && instantOf(b) - atMs < CLOCKS_APART_MS,
    );
    first.set(event.data.load, Math.max(atMs, ...known.map(instantOf)));
  }
  return [...first].sort(([a], [b]) => a - b).map(([, atMs]) => atMs);
}

/** From when to when the churn stood still. */
export function restsOf(
  events: readonly EventOf<'churn-rested'>[],
): { fromMs: number; toMs: number | null }[] {
  const rests: { fromMs: number; toMs: number | null }[] = [];
  for (const event of events) {
    const open = rests.at(-1);
    if (event.data.resting && (!open || open.toMs !== null))
      rests.push({ fromMs: instantOf(event), toMs: null });
    else if (!event.data.resting && open && open.toMs === null) open.toMs = instantOf(event);
  }
  return rests;
}
