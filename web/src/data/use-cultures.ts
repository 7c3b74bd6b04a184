import { dueOf, type Due } from '@morning-crock/core';
import type { Culture } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useCulturesQuery } from './api.ts';
import * as pictures from './register-pictures.ts';
import { picturesCame, useAppSelector } from './store.ts';

picturesCame(pictures);

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
    return kept.length === 0 ? stored : pictures.culturesAfter(stored, kept);
  }, [stored, entries]);
  const makes = useAppSelector((s) => s.live.pictures);
  const due = useMemo(() => {
    // Of what is to be discarded nothing is kept.
    const underWay = (data?.underWay ?? []).filter(({ id }) => makes[id]?.over !== true);
    return dueOf(cultures, underWay, nowMs);
  }, [cultures, data, makes, nowMs]);
  return {
    cultures,
    due,
    known: data !== undefined,
    failed: isError && data === undefined,
    again: () => void refetch(),
  };
}
