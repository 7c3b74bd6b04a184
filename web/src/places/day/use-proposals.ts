import {
  dueProducts,
  fedProducts,
  fedUsualOf,
  lackingOf,
  productsByHabit,
  PRODUCTS,
  supplyOf,
  usualOf,
  type BySort,
  type Lacking,
  type PourSort,
  type ProposalWish,
  type ProposedDay,
  DAY_MS,
} from '@morning-crock/core';
import type { ProductId } from '@morning-crock/core/contract';
import { useMemo, useState } from 'react';
import { useMakesQuery } from '../../data/api.ts';
import { useUnderWayLogs } from '../../data/under-way-logs.ts';
import { useCultures } from '../../data/use-cultures.ts';
import { useLarder } from '../../data/use-larder.ts';
import { useMethods } from '../../data/use-methods.ts';
import { cancelForecast, requestProposals } from '../../workers/kitchen-client.ts';
import type { DayDraft } from './day-draft.ts';
import type { DayPlan } from './use-day-plan.ts';

const KEY = 'day proposals';
/** A kitchen that made fewer products is offered the usual ones besides; of one that made many, what it makes most often. */
const FEW = 3;
const MANY = 7;

/** What a day is proposed from: what is there unless somebody says otherwise, and what is made here. */
export interface ProposalAsks {
  /** Litres as somebody typed them; what is left out is as the milk room has it. */
  readonly typed: Partial<BySort>;
  /** What it may be of; `null` what this kitchen makes. */
  readonly products: readonly ProductId[] | null;
}

/** Days to choose from: worked out when somebody asks, from the milk room, the larder, the cultures and what was made before. */
export function useProposals(plan: DayPlan, draft: DayDraft, zeroMs: number) {
  const { days, session, freeHours } = draft;
  const { shown, kitchen } = useMethods();
  const { goods } = useLarder();
  const logs = useUnderWayLogs();
  const { data: made = [] } = useMakesQuery();
  const { cultures, due } = useCultures(zeroMs);
  const [asks, setAsks] = useState<ProposalAsks>({ typed: {}, products: null });
  const [found, setFound] = useState<{
    readonly for: string;
    readonly days: readonly ProposedDay[];
    readonly lacking: readonly Lacking[];
  } | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [failed, setFailed] = useState(false);
  const methods = useMemo(() => shown.map(({ method }) => method), [shown]);
  const { room } = plan;
  const valid = !Number.isNaN(zeroMs);
  /** What is suggested for other hours says nothing of these. */
  const hours = JSON.stringify([zeroMs, days, session, freeHours]);
  const supply = useMemo(
    () =>
      valid ? supplyOf(room.lots, zeroMs, zeroMs + days * DAY_MS, (source) => room.learned(source)) : null,
    // The milk room is a new object at each look; what is in it is not.
    // oxlint-disable-next-line react/exhaustive-deps
    [room.lots, zeroMs, days, valid],
  );
  const could = useMemo(() => {
    const ofMilk = productsByHabit(methods, made);
    const times = (product: ProductId): number => made.filter((make) => make.product === product).length;
    return [...ofMilk, ...fedProducts(methods, ofMilk)].sort((a, b) => times(b) - times(a));
  }, [methods, made]);
  const habits = useMemo(() => {
    const own = could.filter((product) => made.some((make) => make.product === product));
    const usual = could.filter((product) => PRODUCTS[product].usual === true && !own.includes(product));
    return own.length < FEW ? [...own, ...usual] : own.slice(0, MANY);
  }, [could, made]);
  const chosen = asks.products ?? habits;
  const there = (sort: PourSort): number => asks.typed[sort] ?? supply?.there[sort] ?? 0;
  const propose = (): void => {
    if (!supply) return;
    const { makes: _makes, chores: _chores, ...day } = plan.asking();
    const here = { methods, made, kitchen, startAt: new Date(zeroMs).toISOString() };
    const { zone } = kitchen.site;
    const underWay = logs.flatMap(({ state }) => (state && !state.finished ? [state.plan] : []));
    const lacking = lackingOf({ wanted: kitchen.wanted, goods, underWay, zone, nowMs: zeroMs }).filter(
      ({ product }) => chosen.includes(product),
    );
    const wish: ProposalWish = {
      day,
      lacking,
      usuals: chosen.flatMap((product) => usualOf(product, here) ?? []),
      fed: chosen.flatMap((product) => fedUsualOf(product, here) ?? []),
      due: dueProducts(due, cultures, chosen, zeroMs + days * DAY_MS),
      supply: {
        there: { milk: there('milk'), skimmed: there('skimmed'), cream: there('cream') },
        turning: supply.turning,
        skimmable: supply.skimmable,
      },
    };
    setShare(0);
    setFailed(false);
    setFound(null);
    requestProposals(KEY, wish, setShare).then(
      (told) => {
        setShare(null);
        if (told) setFound({ for: hours, days: told, lacking });
      },
      () => {
        setShare(null);
        setFailed(true);
      },
    );
  };
  return {
    could,
    chosen,
    there,
    supply,
    habits,
    found: found?.for === hours ? found : null,
    share,
    failed,
    ask: (change: (before: ProposalAsks) => ProposalAsks) => {
      setAsks(change);
      setFound(null);
    },
    propose,
    stop: () => {
      cancelForecast(KEY);
      setShare(null);
    },
  };
}
