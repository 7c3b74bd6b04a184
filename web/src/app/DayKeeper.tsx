import { formatMinutes, MINUTE_MS } from '@morning-crock/core';
import { goingOf } from '../data/going-day.ts';
import { useEffect, useRef, useState } from 'react';
import { now } from '../data/clock.ts';
import { liveSlice } from '../data/live-slice.ts';
import { dropRefused, record, useAppDispatch, whenSettled } from '../data/store.ts';
import { useDays } from '../data/use-days.ts';
import { useKitchen } from '../data/use-units.ts';
import { useUnderWayLogs } from '../data/under-way-logs.ts';
import { requestGoOn } from '../workers/kitchen-client.ts';

/** Looked at again though nothing happened: what is late is late by the clock. */
const AGAIN_MS = 30_000;

/** "24 min later". */
const byWords = (minutes: number): string =>
  `${formatMinutes(Math.abs(minutes))} ${minutes < 0 ? 'earlier' : 'later'}`;

/** Follows the day that is going on: lays the rest out anew when something is late, early, left out or added. Shows nothing. */
export function DayKeeper() {
  const days = useDays();
  const logs = useUnderWayLogs();
  const kitchen = useKitchen();
  const dispatch = useAppDispatch();
  const [turn, setTurn] = useState(0);
  /** What was known when it was laid out here last, and when that was. */
  const laid = useRef<{ readonly logs: unknown; readonly ms: number }>({ logs: null, ms: 0 });
  useEffect(() => {
    const timer = setInterval(() => setTurn((t) => t + 1), AGAIN_MS);
    return () => clearInterval(timer);
  }, []);
  const going = goingOf(days, new Set(logs.map(({ state }) => state?.id ?? '')), now());
  const version = going?.day.version;
  useEffect(() => {
    if (!going) {
      dispatch(liveSlice.actions.dayFollowed(null));
      return;
    }
    const { id, day } = going;
    const own = day.makes.flatMap((make) => {
      const log = logs.find(({ state }) => state !== null && state.id === make.makeId);
      return log?.state && !log.state.finished ? [{ make, log, state: log.state }] : [];
    });
    let wanted = true;
    const zeroMs = Date.parse(day.zeroAt);
    void requestGoOn('going day', {
      kitchen,
      zeroMs,
      days: day.days,
      keptFree: day.keptFree,
      slots: day.slots,
      nowMs: now(),
      makes: own.map(({ make, log, state }) => ({
        id: make.id,
        makeId: state.id,
        events: log.shaping,
        by: make.by,
        fixed: make.fixed,
        who: make.who,
      })),
    }).then(
      async (answer) => {
        if (!wanted || !answer) return;
        const next: Record<string, { atMs: number; cookId: string; cook: string }> = {};
        for (const h of answer.hands) {
          const makeId = day.makes.find((make) => make.id === h.make)?.makeId;
          if (!makeId || next[makeId]) continue;
          next[makeId] = { atMs: zeroMs + h.from * MINUTE_MS, cookId: h.cookId, cook: h.cook };
        }
        dispatch(liveSlice.actions.dayFollowed({ id, next }));
        // By the clock alone it is laid out anew once a minute at most: two ways as good as each other never take turns.
        if (!answer.changed || (laid.current.logs === logs && now() - laid.current.ms < MINUTE_MS)) return;
        laid.current = { logs, ms: now() };
        const left = new Set(own.map(({ make }) => make.id));
        // What is done keeps the time it was laid to: it is the record of the day.
        const done = day.slots.filter(
          (slot) =>
            !answer.hands.some((h) => h.make === slot.make && h.step === slot.task) &&
            !(left.has(slot.make) && slot.from * MINUTE_MS + zeroMs > now()),
        );
        const first = [...answer.moved].sort((a, b) => a.was - b.was)[0];
        const cause = first && answer.hands.find((h) => h.make === first.make && h.step === first.task);
        const name = day.makes.find((make) => make.id === first?.make)?.name ?? '';
        const entry = await record(id, 'day-changed', {
          kind: 'laid',
          day: {
            ...day,
            version: day.version + 1,
            slots: [
              ...done,
              ...answer.hands.map(({ make, step, title, cookId, from, to }) => ({
                make,
                task: step,
                title,
                cook: cookId,
                from,
                to,
              })),
            ],
            moved: [...answer.moved],
            because: cause
              ? `${name}: ${cause.title.toLowerCase()} ${byWords(first.now - first.was)}`.slice(0, 200)
              : 'A batch was added',
            broken: answer.broken,
          },
        });
        // Another tablet was quicker: its timetable is on its way here.
        if (entry !== '' && (await whenSettled(entry))?.code === 'laid-meanwhile') await dropRefused(entry);
      },
      () => undefined,
    );
    return () => {
      wanted = false;
    };
    // The version says which timetable it is; the document is new at each look.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [going?.id, version, logs, kitchen, turn, dispatch]);
  return null;
}
