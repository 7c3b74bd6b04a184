import { MILK_EVENTS, type CreamFactor } from '@morning-crock/core';
import type { Lot } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useMilkRoomQuery } from './api.ts';
import * as pictures from './register-pictures.ts';
import { picturesCame, useAppSelector } from './store.ts';

picturesCame(pictures);

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
      lots: kept.length === 0 ? stored : pictures.carriedOut(stored, kept),
      learned: (source) => data?.creamFactors.find((f) => f.source === source),
      known: data !== undefined,
      failed: isError && data === undefined,
      again: () => void refetch(),
    };
  }, [data, isError, refetch, entries]);
}
