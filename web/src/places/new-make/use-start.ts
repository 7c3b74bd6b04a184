import { instantOfLocal, localDate, priced, productOf, roomOf, DAY_MS } from '@morning-crock/core';
import type { KitchenSettings, MakePlan } from '@morning-crock/core/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useNavigate, useNavigation } from 'react-router';
import { now } from '../../data/clock.ts';
import { beginBatch } from '../../parts/goods/begin-batch.ts';
import { useGoods } from '../../parts/goods/use-goods.ts';

/** "HH:MM" as the next such moment. */
function nextAt(zone: string, time: string, nowMs: number): number {
  const today = instantOfLocal(zone, localDate(zone, nowMs), time);
  return today >= nowMs - 60_000 ? today : instantOfLocal(zone, localDate(zone, nowMs + DAY_MS), time);
}

/** When a plan starts, and its start. */
export interface Start {
  /** "HH:MM", empty for now. */
  readonly time: string;
  /** A start further away than today, as an offer had it. */
  readonly offeredMs: number | null;
  readonly starting: boolean;
  /** Why the server did not take the start. */
  readonly refusal: string | null;
  readonly onTime: (time: string) => void;
  readonly onOffer: (startMs: number | null) => void;
  readonly onStart: () => void;
  /** Forgets why the last start was refused. */
  readonly again: () => void;
}

/** Starts a plan now, at a time of day, or when an offer had it. */
export function useStart(props: {
  readonly makeId: string;
  readonly plan: MakePlan;
  readonly kitchen: KitchenSettings;
  readonly change: (part: Partial<MakePlan>) => void;
}): Start {
  const { makeId, plan, kitchen, change } = props;
  const { zone } = kitchen.site;
  const { batches } = useGoods();
  const navigate = useNavigate();
  const [time, setTime] = useState('');
  const [offeredMs, setOfferedMs] = useState<number | null>(null);
  const [starting, setStarting] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const here = useRef(true);
  // On the way elsewhere, this place stands until the next one has been fetched.
  const leaving = useRef(false);
  const { state: going } = useNavigation();
  useEffect(() => {
    leaving.current = going !== 'idle';
  }, [going]);
  const onTime = useCallback(
    (typed: string): void => {
      setTime(typed);
      setOfferedMs(null);
      const beginMs = typed === '' ? now() : nextAt(zone, typed, now());
      change({ startAt: new Date(Math.round(beginMs)).toISOString() });
    },
    [change, zone],
  );
  const onOffer = useCallback((startMs: number | null): void => {
    setTime('');
    setOfferedMs(startMs);
  }, []);
  const again = useCallback((): void => setRefusal(null), []);

  async function start(): Promise<void> {
    setStarting(true);
    // The browser's way back shows at once where it leads, before anything is drawn.
    const from = window.location.pathname;
    const nowMs = Math.round(now());
    const beginMs =
      time !== '' ? nextAt(zone, time, nowMs) : offeredMs !== null && offeredMs > nowMs ? offeredMs : nowMs;
    const final = priced(
      {
        ...plan,
        name: plan.name.trim() || productOf(plan).label,
        startAt: new Date(beginMs).toISOString(),
        ...roomOf(kitchen.site, beginMs),
      },
      kitchen,
    );
    const refused = await beginBatch(makeId, final, batches, nowMs);
    if (refused !== null) {
      setRefusal(refused);
      setStarting(false);
      return;
    }
    // Who went elsewhere meanwhile is not called back.
    if (here.current && !leaving.current && window.location.pathname === from)
      void navigate(`/makes/${makeId}`);
  }
  // The latest start is called, whenever it was drawn.
  const latest = useRef(start);
  useEffect(() => {
    latest.current = start;
  });
  useEffect(() => {
    here.current = true;
    return () => void (here.current = false);
  }, []);
  const onStart = useCallback((): void => void latest.current(), []);
  return { time, offeredMs, starting, refusal, onTime, onOffer, onStart, again };
}
