import { instantOfLocal, localDate, DAY_MS, HOUR_MS } from '@morning-crock/core';

/** A typed time up to this far ahead counts as now: clocks differ. */
const NOW_MS = 90_000;
/** A typed time later than this ago is yesterday's only when today's would lie in the future by hours. */
const YESTERDAY_FROM_MS = 3 * HOUR_MS;

/**
 * Reads "14:05" as the latest such moment: today's, or yesterday's when today's is hours ahead (typed after
 * midnight). A little ahead is a slip and is said.
 */
export function readTakenAt(
  text: string,
  zone: string,
  nowMs: number,
): { readonly ok: true; readonly atMs: number } | { readonly ok: false; readonly fault: string } {
  if (text === '') return { ok: true, atMs: nowMs };
  const today = instantOfLocal(zone, localDate(zone, nowMs), text);
  if (today <= nowMs + NOW_MS) return { ok: true, atMs: Math.min(today, nowMs) };
  if (today - nowMs > YESTERDAY_FROM_MS)
    return { ok: true, atMs: instantOfLocal(zone, localDate(zone, nowMs - DAY_MS), text) };
  return { ok: false, fault: `${text} is in the future. Enter the time you took the reading.` };
}
