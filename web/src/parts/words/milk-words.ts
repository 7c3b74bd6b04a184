import {
  isCream,
  keepOf,
  litresOfMass,
  massOfLitresKg,
  SYSTEM_UNITS,
  toLitres,
  UNIT_LABEL,
  HOUR_MS,
} from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import type { Units } from '../../data/units-of.ts';

/** Nearer than this an end is told by the clock, not by the day. */
const SOON_MS = 36 * HOUR_MS;
/** Nobody knows an end better than to the half hour. */
const HALF_HOUR_MS = 1_800_000;

export const ROLE_WORD = {
  milk: 'milk',
  cream: 'cream',
  skimmed: 'skimmed milk',
  pot: 'cream pot',
  buttermilk: 'buttermilk',
  whey: 'whey',
} as const;
export const PLACE_WORD = { cold: 'in the fridge', counter: 'on the counter', freezer: 'frozen' } as const;

/** Some of a lot: "8.2 L", or by weight for cream; of an overdrawn one there is nothing. */
export function someOf(lot: Pick<Lot, 'role' | 'of'>, massKg: number, units: Units): string {
  const there = Math.max(0, massKg);
  return isCream(lot) ? units.mass(there) : units.volume(litresOfMass(there, lot.of));
}

/** All of it. */
export const lotAmount = (lot: Lot, units: Units): string => someOf(lot, lot.has.massKg, units);

/** What is taken when somebody says so: all of it means all of it, however the jug's figure was rounded. */
export const takenKg = (lot: Lot, saidKg: number): number =>
  Math.abs(saidKg / lot.has.massKg - 1) < 0.005 ? lot.has.massKg : saidKg;

/** What a measure of it cost; `null` when nobody said. @example '0.62 crowns a L' */
export function costWords(lot: Lot, units: Units): string | null {
  if (lot.costPerKg === null) return null;
  const unit = SYSTEM_UNITS[units.system].milk[0]!;
  const kgPerUnit = massOfLitresKg(toLitres(1, unit), lot.of);
  return `${units.cost(lot.costPerKg * kgPerUnit)}/${UNIT_LABEL[unit]}`;
}

/** "use by Wed 25 Nov to Fri 27 Nov", by the clock when it is soon, or that its time is over. */
export function endWords(
  keep: { readonly fromMs: number; readonly toMs: number; readonly reason: string },
  nowMs: number,
  units: Units,
  /** Frozen things fade; they do not turn. */
  frozen = false,
): { text: string; late: boolean } {
  if (keep.toMs <= nowMs)
    return { text: `past its ${frozen ? 'best' : 'use-by date'} (${keep.reason})`, late: !frozen };
  const told = (ms: number): string =>
    keep.toMs - nowMs < SOON_MS
      ? units.time(Math.floor(ms / HALF_HOUR_MS) * HALF_HOUR_MS, nowMs)
      : units.day(ms);
  const late = keep.fromMs <= nowMs;
  // What may still stand for days is not to be used this minute.
  const hurried = !frozen && keep.toMs - nowMs < SOON_MS;
  const [from, to] = [told(Math.max(nowMs, keep.fromMs)), told(keep.toMs)];
  return {
    text: late
      ? `use ${hurried ? 'now' : 'soon'}, by ${to} at the latest`
      : `use by ${from === to ? to : `${from} to ${to}`}`,
    late: late && hurried,
  };
}

/** The same of milk and cream. */
export function keepWords(lot: Lot, nowMs: number, units: Units): { text: string; late: boolean } {
  const keep = keepOf(lot, nowMs);
  // Cream that is to sour is not late when it is too old to drink.
  if (keep.toChurn && keep.fromMs <= nowMs && nowMs < keep.toChurn.toMs)
    return {
      text: `Souring, too old to drink. Churn or ripen by ${units.day(keep.toChurn.toMs)}.`,
      late: false,
    };
  return endWords(keep, nowMs, units);
}

/** A share with its range: "340–510 g". */
export function massRange(massKg: number, spread: number, units: Units): string {
  return units.massRange(massKg * (1 - spread), massKg * (1 + spread));
}

export const percent = (fraction: number, decimals = 1): string => `${(fraction * 100).toFixed(decimals)} %`;
