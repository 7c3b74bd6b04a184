import { EVERYTHING, filtered, type DaybookFilter } from '@morning-crock/core';
import type { MakeSummary } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { useMakesQuery, useRecentMakesQuery } from '../../data/api.ts';
import { useKitchen } from '../../data/use-units.ts';

/** How the filters are called in an address. */
const NAMES = {
  words: 'q',
  product: 'product',
  animal: 'animal',
  lineId: 'culture',
  pot: 'pot',
  cookId: 'cook',
  year: 'year',
} as const satisfies Record<keyof DaybookFilter, string>;
const KEYS = Object.keys(NAMES) as (keyof DaybookFilter)[];
const NO_MAKES: readonly MakeSummary[] = [];

/** All makes, and those that the address lets through. */
export interface DaybookNow {
  readonly all: readonly MakeSummary[];
  readonly makes: readonly MakeSummary[];
  /** Of those, what is over, was something to eat and can be read: what is added up and asked about. */
  readonly done: readonly MakeSummary[];
  readonly filter: DaybookFilter;
  readonly isFiltered: boolean;
  readonly set: (key: keyof DaybookFilter, value: string) => void;
  readonly clear: () => void;
  readonly known: boolean;
  readonly failed: boolean;
  readonly again: () => void;
}

export function useDaybook(): DaybookNow {
  const { data, isError, refetch } = useMakesQuery();
  const { site } = useKitchen();
  const [search, setSearch] = useSearchParams();
  const filter = useMemo(
    () =>
      KEYS.reduce<DaybookFilter>(
        (before, key) => ({ ...before, [key]: search.get(NAMES[key]) ?? EVERYTHING[key] }),
        EVERYTHING,
      ),
    [search],
  );
  // Ten years of makes take a moment: till then the latest stand there.
  const { data: recent } = useRecentMakesQuery();
  const all = data ?? recent ?? NO_MAKES;
  const makes = useMemo(() => filtered(all, filter, site.zone), [all, filter, site.zone]);
  const done = useMemo(
    () =>
      // Of some of them nothing is added up.
      (data ? makes : NO_MAKES).filter(
        ({ status, waking }) => !waking && (status === 'kept' || status === 'discarded'),
      ),
    [data, makes],
  );
  const changed = (change: (next: URLSearchParams) => void): void =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        change(next);
        return next;
      },
      { replace: true },
    );
  return {
    all,
    makes,
    done,
    filter,
    isFiltered: KEYS.some((key) => search.has(NAMES[key])),
    set: (key, value) =>
      changed((next) => {
        if (value) next.set(NAMES[key], value);
        else next.delete(NAMES[key]);
      }),
    clear: () =>
      changed((next) => {
        for (const key of KEYS) next.delete(NAMES[key]);
      }),
    known: data !== undefined,
    failed: isError && data === undefined,
    again: () => void refetch(),
  };
}
