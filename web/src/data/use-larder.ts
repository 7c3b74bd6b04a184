import type { Good, LarderLine } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useLarderQuery } from './api.ts';
import * as pictures from './register-pictures.ts';
import { picturesCame, useAppSelector } from './store.ts';

picturesCame(pictures);

const NO_GOODS: readonly Good[] = [];
const NO_LINES: readonly LarderLine[] = [];
/** Entries not yet stored that change the picture. */
const LARDER_ENTRIES = new Set(['larder-moved', 'voided', 'corrected']);

/** The larder as it is now, with what is kept on this device carried out. */
export interface LarderNow {
  readonly goods: readonly Good[];
  /** What happened in it, as stored. */
  readonly lines: readonly LarderLine[];
  readonly known: boolean;
  readonly failed: boolean;
  readonly again: () => void;
}

export function useLarder(): LarderNow {
  const { data, isError, refetch } = useLarderQuery();
  const entries = useAppSelector((s) => s.outbox.entries);
  const stored = data?.goods ?? NO_GOODS;
  const goods = useMemo(() => {
    const kept = entries.filter((e) => !e.refused && LARDER_ENTRIES.has(e.draft.type)).map((e) => e.draft);
    return kept.length === 0 ? stored : pictures.goodsAfter(stored, kept);
  }, [stored, entries]);
  return {
    goods,
    lines: data?.lines ?? NO_LINES,
    known: data !== undefined,
    failed: isError && data === undefined,
    again: () => void refetch(),
  };
}
