import { placeOf, starterFromCulture, starterMovedTo, startersFor } from '@morning-crock/core';
import { useEffect, useRef } from 'react';
import type { CulturesNow } from '../../data/use-cultures.ts';
import type { Planning } from './use-plan.ts';

/** Which culture a new plan begins with. */
export type WantedCulture =
  | { readonly kind: 'named'; readonly id: string }
  /** The youngest living one of a line: what a repeated make was begun with. */
  | { readonly kind: 'line'; readonly id: string }
  /** The youngest living one of the product's usual kind. */
  | { readonly kind: 'any' }
  /** The plan has its starter already. */
  | { readonly kind: 'none' };

/** Lets the chosen culture go on ageing when the start of the plan is moved. */
export function useAgeAtStart({ cultures }: CulturesNow, { plan, change }: Planning): void {
  const before = useRef(plan.startAt);
  useEffect(() => {
    const from = before.current;
    before.current = plan.startAt;
    const culture = cultures.find((c) => c.id === plan.starter.cultureId);
    if (!culture || from === plan.startAt) return;
    const starter = starterMovedTo(plan.starter, culture, Date.parse(from), Date.parse(plan.startAt));
    if (starter !== plan.starter) change({ starter });
  }, [cultures, plan, change]);
}

/** Fills a new plan's starter once from the register, when there is such a culture. */
export function useCultureFrom(
  wanted: WantedCulture,
  { cultures, known }: CulturesNow,
  planning: Planning,
): void {
  const done = useRef(false);
  useEffect(() => {
    if (done.current || wanted.kind === 'none' || !known) return;
    done.current = true;
    const { plan, change } = planning;
    const own = startersFor(cultures).filter((c) => c.signs.length === 0);
    const ready = own.filter((c) => placeOf(c) !== 'freezer');
    const culture =
      wanted.kind === 'named'
        ? own.find((c) => c.id === wanted.id)
        : wanted.kind === 'line'
          ? ready.find((c) => c.lineId === wanted.id)
          : ready.find((c) => c.kind === plan.starter.kind);
    if (culture) change({ starter: starterFromCulture(plan, culture, Date.parse(plan.startAt)) });
  }, [wanted, cultures, known, planning]);
}
