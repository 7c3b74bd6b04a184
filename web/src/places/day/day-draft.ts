import { useEffect, useState } from 'react';
import { dayDoc, type DayDoc } from '@morning-crock/core/contract';
import * as z from 'zod';
import { DAY_MS, MINUTE_MS } from '@morning-crock/core';

const of = dayDoc.shape;
const make = of.makes.element;

/** A wish for hours of one's own, as typed: every one of the days from one time to another. */
const freeHours = z.object({ id: z.string(), from: z.string(), to: z.string() });

/** A whole time of day, as a field has it. @example isClock('13:00') // true */
export const isClock = (text: string): boolean => /^\d\d:\d\d$/.test(text);

/** What is put together for a day and not begun: kept on this device until it is. */
const dayDraft = z.object({
  name: of.name,
  makes: z
    .array(
      z.object({
        id: z.string(),
        methodId: make.shape.methodId,
        litres: make.shape.litres,
        /** Wished to be done by this time of the day, "18:00"; empty no matter when. */
        by: z.string(),
        /** On which of the days, 0 the first. */
        byDay: z.number().int().min(0).max(3).default(0),
        cooling: make.shape.cooling,
        place: make.shape.place,
        starterShare: make.shape.starterShare,
        /** What it is made of; of what still stands in a batch under way, which. */
        goods: make.shape.goods
          .unwrap()
          .extend({ makeId: z.string().nullable().default(null) })
          .optional(),
        fedBy: make.shape.fedBy,
        /** Begun before the day itself, where it is planned that early. */
        early: z.literal(true).optional(),
        fixed: make.shape.fixed.default({}),
        who: make.shape.who.default({}),
      }),
    )
    .max(16),
  days: of.days,
  freeHours: z.array(freeHours).max(4).default([]),
  /** Hours meant to be spent at it, as typed; `null` all hours are alike. */
  session: z.object({ from: z.string(), to: z.string() }).nullable().default(null),
  skims: of.skims.default([]),
  every: of.every.default(null),
  /** The kept day it was taken from. */
  from: z.string().nullable().default(null),
});
export type DayDraft = z.infer<typeof dayDraft>;

const KEY = 'day-draft';
const EMPTY: DayDraft = {
  name: 'Day',
  makes: [],
  days: 3,
  freeHours: [],
  session: null,
  skims: [],
  every: null,
  from: null,
};

function kept(): DayDraft {
  try {
    return dayDraft.parse({ name: 'Day', ...JSON.parse(localStorage.getItem(KEY) ?? '') });
  } catch {
    return EMPTY;
  }
}

/** Changes the draft as it is by then: a field that is left may still have something to say when a button is tapped. */
export type ChangeDraft = (change: (before: DayDraft) => DayDraft) => void;

/** The draft, kept as it is changed. */
export function useDayDraft(): readonly [DayDraft, ChangeDraft] {
  const [draft, setDraft] = useState(kept);
  useEffect(() => {
    try {
      localStorage.setItem(KEY, JSON.stringify(draft));
    } catch {
      // A browser that keeps nothing shows it all the same.
    }
  }, [draft]);
  return [draft, setDraft];
}

/** A kept day as a draft again. @param clock tells an instant's time of day */
export function draftOf(id: string, day: DayDoc, clock: (ms: number) => string): DayDraft {
  const zeroMs = Date.parse(day.zeroAt);
  const at = (minute: number): number => zeroMs + minute * MINUTE_MS;
  const seen = new Set<string>();
  return {
    name: day.name,
    days: day.days,
    every: day.every,
    from: id,
    skims: [],
    session: day.session ?? null,
    makes: day.makes.map(
      ({ id: own, methodId, litres, by, fixed, who, cooling, place, starterShare, goods, fedBy }) => ({
        id: own,
        methodId,
        litres,
        fixed,
        who,
        ...(cooling ? { cooling } : {}),
        ...(place ? { place } : {}),
        ...(starterShare === undefined ? {} : { starterShare }),
        ...(goods ? { goods: { ...goods, makeId: null } } : {}),
        ...(fedBy === undefined ? {} : { fedBy }),
        by: by === null ? '' : clock(at(by)),
        byDay: by === null ? 0 : Math.min(3, Math.max(0, Math.floor((at(by) - zeroMs) / DAY_MS))),
      }),
    ),
    freeHours: day.keptFree.flatMap(({ id: own, title, from, to }) => {
      if (seen.has(title)) return [];
      seen.add(title);
      return [{ id: own, from: clock(at(from)), to: clock(at(to)) }];
    }),
  };
}
