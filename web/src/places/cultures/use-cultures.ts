import { daysOld, dueOf, isLive, placeOf, STARTER_FACTS, type Due } from '@morning-crock/core';
import type { Culture } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useCulturesQuery } from '../../api/api.ts';
import { culturesAfter } from '../../app/register-pictures.ts';
import { useAppSelector } from '../../app/store.ts';

/** Entries not yet stored that change the picture; what makes do to a culture comes with their makes. */
const CULTURE_ENTRIES = new Set(['culture-changed', 'voided', 'corrected']);
const NO_CULTURES: readonly Culture[] = [];

/** The cultures as they are now, with what is kept on this device carried out, and what is due. */
export interface CulturesNow {
  readonly cultures: readonly Culture[];
  readonly due: readonly Due[];
  readonly known: boolean;
  readonly failed: boolean;
  readonly again: () => void;
}

export function useCultures(nowMs: number): CulturesNow {
  const { data, isError, refetch } = useCulturesQuery();
  const entries = useAppSelector((s) => s.outbox.entries);
  const stored = data?.cultures ?? NO_CULTURES;
  const cultures = useMemo(() => {
    const kept = entries.filter((e) => !e.refused && CULTURE_ENTRIES.has(e.draft.type)).map((e) => e.draft);
    return kept.length === 0 ? stored : culturesAfter(stored, kept);
  }, [stored, entries]);
  const due = useMemo(() => dueOf(cultures, data?.underWay ?? [], nowMs), [cultures, data, nowMs]);
  return {
    cultures,
    due,
    known: data !== undefined,
    failed: isError && data === undefined,
    again: () => void refetch(),
  };
}

const PLACE = { cold: 'in the cold', freezer: 'in the freezer', room: 'at room heat' } as const;

/** "turn 3, 2 days old, in the cold". */
export function cultureWords(culture: Culture, nowMs: number): string {
  const days = Math.floor(daysOld(culture, nowMs));
  const age = days === 0 ? 'from today' : `${days} ${days === 1 ? 'day' : 'days'} old`;
  if (culture.packet) return `${STARTER_FACTS[culture.kind].label.toLowerCase()}, ${PLACE[placeOf(culture)]}`;
  return `turn ${culture.turn}, ${age}, ${isLive(culture) ? PLACE[placeOf(culture)] : 'none left'}`;
}
