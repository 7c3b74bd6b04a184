import {
  isCream,
  keepOf,
  litresOfMass,
  massOfLitresKg,
  MILK_EVENTS,
  SYSTEM_UNITS,
  toLitres,
  UNIT_LABEL,
  type CreamFactor,
} from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useMilkRoomQuery } from '../../api/api.ts';
import { carriedOut } from '../../app/register-pictures.ts';
import { useAppSelector } from '../../app/store.ts';
import type { Units } from '../../app/units-of.ts';

const NO_LOTS: readonly Lot[] = [];

/** The milk room as it is now, with what is kept on this device carried out. */
export interface MilkRoomNow {
  readonly lots: readonly Lot[];
  /** What weighed churnings taught of a source's cream. */
  learned(source: string): CreamFactor | undefined;
  readonly known: boolean;
  readonly failed: boolean;
  readonly again: () => void;
}

export function useMilkRoom(): MilkRoomNow {
  const { data, isError, refetch } = useMilkRoomQuery();
  const entries = useAppSelector((s) => s.outbox.entries);
  return useMemo(() => {
    const kept = entries.filter((e) => !e.refused && MILK_EVENTS.includes(e.draft.type)).map((e) => e.draft);
    const stored = data?.lots ?? NO_LOTS;
    return {
      lots: kept.length === 0 ? stored : carriedOut(stored, kept),
      learned: (source) => data?.creamFactors.find((f) => f.source === source),
      known: data !== undefined,
      failed: isError && data === undefined,
      again: () => void refetch(),
    };
  }, [data, isError, refetch, entries]);
}

export const ROLE_WORD = { milk: 'milk', cream: 'cream', skimmed: 'skimmed milk', pot: 'cream pot' } as const;
export const PLACE_WORD = { cold: 'in the cold', counter: 'on the counter', freezer: 'frozen' } as const;

/** Some of a lot: "8.2 L", or by weight for cream; of an overdrawn one there is nothing. */
export function someOf(lot: Pick<Lot, 'role' | 'of'>, massKg: number, units: Units): string {
  const there = Math.max(0, massKg);
  return isCream(lot) ? units.mass(there) : units.volume(litresOfMass(there, lot.of));
}

/** All of it. */
export const lotAmount = (lot: Lot, units: Units): string => someOf(lot, lot.has.massKg, units);

/** What a measure of it cost; `null` when nobody said. @example '0.62 crowns a L' */
export function costWords(lot: Lot, units: Units): string | null {
  if (lot.costPerKg === null) return null;
  const unit = SYSTEM_UNITS[units.system].milk[0]!;
  const kgPerUnit = massOfLitresKg(toLitres(1, unit), lot.of);
  return `${units.cost(lot.costPerKg * kgPerUnit)} a ${UNIT_LABEL[unit]}`;
}

/** "use by Wed 25–Fri 27 Nov", or that its time is over. */
export function keepWords(lot: Lot, nowMs: number, units: Units): { text: string; late: boolean } {
  const keep = keepOf(lot, nowMs);
  if (keep.toMs <= nowMs) return { text: `past its time (${keep.reason})`, late: true };
  const from = units.day(Math.max(nowMs, keep.fromMs));
  const to = units.day(keep.toMs);
  return {
    text: `${keep.fromMs <= nowMs ? 'use now; at the latest' : 'use by'} ${from === to || keep.fromMs <= nowMs ? to : `${from} to ${to}`}`,
    late: keep.fromMs <= nowMs,
  };
}

/** A share with its range: "340–510 g". */
export function massRange(massKg: number, spread: number, units: Units): string {
  return units.massRange(massKg * (1 - spread), massKg * (1 + spread));
}

export const percent = (fraction: number, decimals = 1): string => `${(fraction * 100).toFixed(decimals)} %`;
