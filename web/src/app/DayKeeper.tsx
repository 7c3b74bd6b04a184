import {
  clockTime,
  daySpells,
  formatMinutes,
  goingOf,
  handsPaces,
  movedBy,
  movedSince,
  slotsOf,
  SPARE_DAYS,
  stepAsks,
  MINUTE_MS,
  type DayHands,
  type MovedBy,
  waitingIn,
} from '@morning-crock/core';
import { skipToken } from '@reduxjs/toolkit/query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useFactorsQuery } from '../data/api.ts';
import { now, useTurn } from '../data/clock.ts';
import { liveSlice, type FollowedDay } from '../data/live-slice.ts';
import type { MakeLog } from '../data/make-log.ts';
import { dropRefused, record, useAppDispatch, whenSettled } from '../data/store.ts';
import { useDays } from '../data/use-days.ts';
import { useKitchen } from '../data/use-units.ts';
import { useUnderWayLogs } from '../data/under-way-logs.ts';
import { requestGoOn } from '../workers/kitchen-client.ts';

/** Looked at again though nothing happened: what is late is late by the clock. */
const AGAIN_MS = 30_000;
/** After another tablet was quicker: by then its timetable is here. */
const MEANWHILE_MS = 1000;

/** "24 min later". */
const byWords = (minutes: number): string =>
  `${formatMinutes(Math.abs(minutes))} ${minutes < 0 ? 'earlier' : 'later'}`;

/** What is kept of why steps moved. */
const MOST_WORDS = 200;

/** Why steps moved, in a few words. @example 'Yogurt: heat 39 min later' */
function movedWords(
  why: MovedBy | null,
  hands: readonly DayHands[],
  nameOf: (make: string) => string,
  clockOf: (minute: number) => string,
): string {
  if (!why) return 'A batch was added';
  const title = hands.find((h) => h.make === why.make && h.step === why.step)?.title ?? '';
  return why.by === 'batch'
    ? `${nameOf(why.make)}: ${title.toLowerCase()} ${byWords(why.minutes)}`
    : `${nameOf(why.make)}: ${title.toLowerCase()} was planned for ${clockOf(why.was)} and is not done`;
}

/** Follows the day that is going on: lays the rest out anew when something is late, early, left out or added. Shows nothing. */
export function DayKeeper() {
  const days = useDays();
  const logs = useUnderWayLogs();
  const kitchen = useKitchen();
  const dispatch = useAppDispatch();
  const turn = useTurn(AGAIN_MS);
  const [refusals, setRefusals] = useState(0);
  /** What was known when it was laid out here last, and when that was. */
  const laid = useRef<{ readonly logs: readonly MakeLog[] | null; readonly ms: number }>({
    logs: null,
    ms: 0,
  });
  /** The timetable that was looked at last: one that somebody changed is looked at for the first time once. */
  const seen = useRef<string | null>(null);
  const going = goingOf(days, new Set(logs.map(({ state }) => state?.id ?? '')), now());
  // Only where a day is going on: everybody's first view asks for nothing of it.
  const { data: factors, isError } = useFactorsQuery(going ? undefined : skipToken);
  const paces = useMemo(() => handsPaces(factors ?? []), [factors]);
  const version = going?.day.version;
  useEffect(() => {
    if (!going) {
      dispatch(liveSlice.actions.dayFollowed(null));
      return;
    }
    // The day was laid out by what this kitchen's hands take: without it all of it would move.
    if (!factors && !isError) return;
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
      ...(day.session
        ? { session: daySpells(kitchen.site.zone, zeroMs, day.days + SPARE_DAYS, day.session) }
        : {}),
      slots: day.slots,
      nowMs: now(),
      paces,
      makes: [
        ...own.map(({ make, log, state }) => ({
          id: make.id,
          makeId: state.id,
          events: log.shaping,
          by: make.by,
          fixed: make.fixed,
          who: make.who,
        })),
        // What is made from another batch of the day and not begun.
        ...waitingIn(day).map(({ id: of, by, fixed, who, plan, fedBy }) => ({
          id: of,
          by,
          fixed,
          who,
          plan,
          fedBy,
        })),
      ],
    }).then(
      async (answer) => {
        if (!wanted || !answer) return;
        const next: Record<string, FollowedDay['next'][string]> = {};
        for (const h of answer.hands) {
          const makeId = day.makes.find((make) => make.id === h.make)?.makeId;
          if (!makeId || next[makeId]) continue;
          const step = own
            .find(({ make }) => make.id === h.make)
            ?.state.steps.find((s) => s.step.id === h.step);
          next[makeId] = {
            atMs: zeroMs + h.from * MINUTE_MS,
            cookId: h.cookId,
            cook: h.cook,
            make: h.make,
            step: h.step,
            things: step ? stepAsks(step.step.kind) : [],
          };
        }
        dispatch(liveSlice.actions.dayFollowed({ id, next }));
        const asked = seen.current !== `${id} ${day.version}` && day.moved.length === 0 ? day.because : '';
        seen.current = `${id} ${day.version}`;
        // By the clock alone it is laid out anew once a minute at most: two ways as good as each other never take turns.
        if (!answer.changed || (laid.current.logs === logs && now() - laid.current.ms < MINUTE_MS)) return;
        const told = new Set(
          own
            .filter(({ make, log }) =>
              laid.current.logs?.some((l) => l.state?.id === make.makeId && l.shaping !== log.shaping),
            )
            .map(({ make }) => make.id),
        );
        // What was laid a moment ago nobody has read yet; what moves nothing takes no news away.
        const unread = answer.moved.length === 0 || now() - laid.current.ms < MINUTE_MS;
        laid.current = { logs, ms: now() };
        const left = new Set([...own.map(({ make }) => make.id), ...waitingIn(day).map(({ id: of }) => of)]);
        // What is done keeps the time it was laid to: it is the record of the day.
        const done = day.slots.filter(
          (slot) =>
            !answer.hands.some((h) => h.make === slot.make && h.step === slot.task) &&
            !(left.has(slot.make) && slot.from * MINUTE_MS + zeroMs > now()),
        );
        const why = movedBy({
          moved: answer.moved,
          hands: answer.hands,
          before: day.slots,
          told,
          nowMin: (now() - zeroMs) / MINUTE_MS,
        });
        const nameOf = (make: string): string => day.makes.find((m) => m.id === make)?.name ?? '';
        const clockOf = (minute: number): string => clockTime(kitchen.site.zone, zeroMs + minute * MINUTE_MS);
        const because =
          asked ||
          (answer.moved.length === 0 && day.moved.length > 0
            ? day.because
            : movedWords(why, answer.hands, nameOf, clockOf));
        const entry = await record(id, 'day-changed', {
          kind: 'laid',
          day: {
            ...day,
            version: day.version + 1,
            first: day.first ?? day.slots,
            slots: [...done, ...slotsOf(answer.hands)],
            moved: [...(unread ? movedSince(day.moved, answer.moved, answer.hands) : answer.moved)],
            because: because.slice(0, MOST_WORDS),
            broken: answer.broken,
          },
        });
        // Another tablet was quicker: its timetable is on its way here.
        if (entry === '' || (await whenSettled(entry))?.code !== 'laid-meanwhile') return;
        await dropRefused(entry);
        // Nothing of this one is laid, and theirs may have its number: it is looked at again, whatever was told meanwhile.
        laid.current = { logs: null, ms: 0 };
        setTimeout(() => setRefusals((n) => n + 1), MEANWHILE_MS);
      },
      () => undefined,
    );
    return () => {
      wanted = false;
    };
    // The version says which timetable it is; the document is new at each look.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [going?.id, version, logs, kitchen, turn, refusals, factors, isError, dispatch]);
  return null;
}
