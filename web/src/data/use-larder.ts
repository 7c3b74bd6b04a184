import type { Good, LarderLine } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { larderApi, useLarderQuery } from './larder-api.ts';
import * as pictures from './register-pictures.ts';
import { goodsPictureCame, picturesCame, store, useAppSelector } from './store.ts';

picturesCame(pictures);
goodsPictureCame((event) => {
  store.dispatch(
    larderApi.util.updateQueryData('larder', undefined, (picture) =>
      event.seq <= picture.lastSeq
        ? picture
        : { ...picture, ...pictures.larderAfter(picture, [event]), lastSeq: event.seq },
    ),
  );
});

const NO_GOODS: readonly Good[] = [];
const NO_LINES: readonly LarderLine[] = [];
/** Entries not yet stored that change the picture. */
const LARDER_ENTRIES = new Set(['larder-moved', 'voided', 'corrected']);

/** The larder as it is now, with what is kept on this device carried out. */
export interface LarderNow {
  readonly goods: readonly Good[];
  /** What happened in it. */
  readonly lines: readonly LarderLine[];
  readonly known: boolean;
  readonly failed: boolean;
  readonly again: () => void;
}

export function useLarder(): LarderNow {
  const { data, isError, refetch } = useLarderQuery();
  const entries = useAppSelector((s) => s.outbox.entries);
  const { goods, lines } = useMemo(() => {
    const kept = entries.filter((e) => !e.refused && LARDER_ENTRIES.has(e.draft.type)).map((e) => e.draft);
    const stored = { goods: data?.goods ?? NO_GOODS, lines: data?.lines ?? NO_LINES };
    return kept.length === 0 ? stored : pictures.larderAfter(stored, kept);
  }, [data, entries]);
  return {
    goods,
    lines,
    known: data !== undefined,
    failed: isError && data === undefined,
    again: () => void refetch(),
  };
}
