import { useState } from 'react';
import * as z from 'zod';

/** What is put together for a day and not begun: kept on this device until it is. */
const dayDraft = z.object({
  makes: z
    .array(
      z.object({
        id: z.string(),
        methodId: z.string(),
        litres: z.number().positive().max(60),
        /** Wished to be done by this time of the day, "18:00"; empty no matter when. */
        by: z.string(),
      }),
    )
    .max(16),
  days: z.number().int().min(1).max(4),
});
export type DayDraft = z.infer<typeof dayDraft>;

const KEY = 'day-draft';
const EMPTY: DayDraft = { makes: [], days: 3 };

function kept(): DayDraft {
  try {
    return dayDraft.parse(JSON.parse(localStorage.getItem(KEY) ?? ''));
  } catch {
    return EMPTY;
  }
}

/** The draft, kept as it is changed. */
export function useDayDraft(): readonly [DayDraft, (next: DayDraft) => void] {
  const [draft, setDraft] = useState(kept);
  const set = (next: DayDraft): void => {
    setDraft(next);
    try {
      localStorage.setItem(KEY, JSON.stringify(next));
    } catch {
      // A browser that keeps nothing shows it all the same.
    }
  };
  return [draft, set];
}
