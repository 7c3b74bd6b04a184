import { daySpells, MINUTE_MS, SPARE_DAYS, type KeptFree } from '@morning-crock/core';
import { useMemo } from 'react';
import { useKitchen, useUnits } from '../../data/use-units.ts';
import { isClock, type DayDraft } from './day-draft.ts';

/** Hours of a plan, told in minutes of its own: those wished free, and those in the kitchen. */
export function useDayHours(draft: DayDraft, zeroMs: number, daysLaid: number) {
  const units = useUnits();
  const { zone } = useKitchen().site;
  const valid = !Number.isNaN(zeroMs);
  const spells = useMemo(
    () =>
      (from: string, to: string): ReturnType<typeof daySpells> =>
        valid && isClock(from) && isClock(to)
          ? daySpells(zone, zeroMs, Math.ceil(daysLaid) + SPARE_DAYS, { from, to })
          : [],
    [daysLaid, zeroMs, zone, valid],
  );
  const kept = useMemo(
    (): KeptFree[] =>
      draft.freeHours.flatMap(({ id, from, to }) =>
        spells(from, to).map(([begin, end]): KeptFree => {
          const clock = (minute: number): string => units.clock(zeroMs + minute * MINUTE_MS);
          const title = `Time off ${clock(begin)}–${clock(end)}`;
          return { id, title, from: Math.max(0, begin), to: end, cook: null };
        }),
      ),
    [draft.freeHours, spells, zeroMs, units],
  );
  const session = useMemo(
    () =>
      draft.session &&
      spells(draft.session.from, draft.session.to).map(([from, to]) => [Math.max(0, from), to] as const),
    [draft.session, spells],
  );
  return { kept, session };
}
