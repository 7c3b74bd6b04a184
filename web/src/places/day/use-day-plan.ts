import {
  dayNeeds,
  handsPaces,
  instantOfLocal,
  localDate,
  planOfMethod,
  pourDay,
  SKIM_MIN,
  PRODUCTS,
  poursFor,
  wantsOf,
  type DayPours,
  type DayWish,
  DAY_MIN,
  DAY_MS,
  MINUTE_MS,
} from '@morning-crock/core';
import type { MakePlan, Method } from '@morning-crock/core/contract';
import { useMemo } from 'react';
import { useFactorsQuery } from '../../data/api.ts';
import { useMethods } from '../../data/use-methods.ts';
import { useLarder } from '../../data/use-larder.ts';
import { useMilkRoom } from '../../data/use-milk.ts';
import { useGoods } from '../../parts/goods/use-goods.ts';
import { amountOf, goodsToCome, plansOfGoods } from './day-goods.ts';
import { milkOf } from './milk-of.ts';
import { isClock, type DayDraft } from './day-draft.ts';
import { useDayHours } from './use-day-hours.ts';
import { useDaySearch } from './use-day-search.ts';

/** What is kept of a title. */
const MOST_TITLE = 80;

/** A make of the draft with what follows from it. */
export interface AskedMake {
  readonly id: string;
  readonly name: string;
  readonly method: Method;
  readonly litres: number;
  readonly by: string;
  readonly byDay: number;
  readonly cooling?: 'iced-bath' | undefined;
  readonly place?: DayDraft['makes'][number]['place'];
  readonly starterShare?: number | undefined;
  readonly goods?: DayDraft['makes'][number]['goods'] | undefined;
  readonly fedBy?: string | undefined;
  readonly early?: true | undefined;
  readonly fixed: Readonly<Record<string, number>>;
  readonly who: Readonly<Record<string, string>>;
}

/** Makes of one name are told apart by a number. */
function asked(draft: DayDraft, methods: ReadonlyMap<string, Method>): AskedMake[] {
  const seen = new Map<string, number>();
  return draft.makes.flatMap(({ methodId, ...make }) => {
    const method = methods.get(methodId);
    if (!method) return [];
    const { label } = PRODUCTS[method.product];
    const count = (seen.get(label) ?? 0) + 1;
    seen.set(label, count);
    const { cooling, place, starterShare } = make;
    const aims = {
      ...method.aims,
      ...(cooling ? { cooling } : {}),
      ...(place ? { place: { kind: place } } : {}),
      ...(starterShare !== undefined && method.aims.starter
        ? { starter: { ...method.aims.starter, share: starterShare } }
        : {}),
    };
    return [{ ...make, name: count === 1 ? label : `${label} ${count}`, method: { ...method, aims } }];
  });
}

/** A time of one of the days, min from the zero; of the first day, the next time it is that time. */
function minuteOf(zone: string, zeroMs: number, day: number, time: string): number | null {
  if (!isClock(time)) return null;
  const ms = instantOfLocal(zone, localDate(zone, zeroMs + day * DAY_MS), time);
  return Math.round(((day === 0 && ms <= zeroMs ? ms + DAY_MS : ms) - zeroMs) / MINUTE_MS);
}

/** So long before the day itself a batch may be begun at the most, and less is not worth it, min. */
const EVE_MOST_MIN = 16 * 60;
const EVE_LEAST_MIN = 60;

/** From when on single batches may be begun before the day opens; `null` where there is no time left before it. */
const eveOf = (opensMs: number, nowMs: number): number | null => {
  const fromMs = Math.max(nowMs, opensMs - EVE_MOST_MIN * MINUTE_MS);
  return opensMs - fromMs >= EVE_LEAST_MIN * MINUTE_MS ? fromMs : null;
};

/**
 * Everything that follows from a draft: its pours, its timetable worked out in the worker, what it needs.
 * @param opensMs when the day is to begin
 * @param nowMs what begins before it begins no sooner than this
 */
export function useDayPlan(draft: DayDraft, opensMs: number, nowMs: number) {
  const eveMs = eveOf(opensMs, nowMs);
  /** All minutes are told from here: what begins before the day moves it. */
  const zeroMs = eveMs !== null && draft.makes.some(({ early }) => early) ? eveMs : opensMs;
  const opensMin = Math.round((opensMs - zeroMs) / MINUTE_MS);
  const daysLaid = draft.days + opensMin / DAY_MIN;
  const { shown, kitchen, known } = useMethods();
  const room = useMilkRoom();
  const here = useGoods();
  const larder = useLarder();
  const { data: factors, isError: noFactors } = useFactorsQuery();
  const paces = useMemo(() => handsPaces(factors ?? []), [factors]);
  /** What the kitchen learned is here, or nobody answers: a day is laid out once, not twice. */
  const learned = factors !== undefined || noFactors;
  const { zone } = kitchen.site;
  const makes = useMemo(
    () => asked(draft, new Map(shown.map(({ id, method }) => [id, method]))),
    [draft, shown],
  );
  /** What batches are made of is known, or nobody answers. */
  const stocked = larder.known || larder.failed || makes.every(({ goods }) => goods === undefined);
  const valid = !Number.isNaN(zeroMs);
  /** As their methods have them, whatever they are made of. */
  const usual = useMemo(
    () =>
      new Map<string, MakePlan>(
        valid
          ? makes.map(({ id, name, method, litres }) => [
              id,
              { ...planOfMethod(method, kitchen, new Date(zeroMs).toISOString(), litres), name },
            ])
          : [],
      ),
    [makes, kitchen, zeroMs, valid],
  );
  const ofGoods = useMemo(
    () =>
      plansOfGoods(
        makes.flatMap(({ id, goods, fedBy }) => {
          const plan = usual.get(id);
          return plan ? [{ id, plan, goods, fedBy }] : [];
        }),
        here.goods,
      ),
    [makes, usual, here.goods],
  );
  const plans = useMemo(() => new Map([...ofGoods].map(([id, { plan }]) => [id, plan])), [ofGoods]);
  const coming = useMemo(() => goodsToCome(plans), [plans]);
  /** Batches that are made from others of the plan, and which. */
  const fedBy = useMemo(
    () =>
      new Map([...ofGoods].flatMap(([id, { fedBy: of }]) => (of === undefined ? [] : [[id, of] as const]))),
    [ofGoods],
  );
  const needs = useMemo(
    () =>
      dayNeeds(
        [...plans.values()],
        [...fedBy.keys()].map((id) => plans.get(id)!),
      ),
    [plans, fedBy],
  );
  const pours = useMemo((): DayPours | null => {
    if (!room.known || !valid) return null;
    const wants = [...plans].flatMap(([id, plan]) => wantsOf(id, plan));
    const skims = draft.skims.map(({ lotId, at }) => ({ lotId, atMs: Math.max(zeroMs, Date.parse(at)) }));
    return pourDay(room.lots, wants, skims, zeroMs, (source) => room.learned(source));
    // The milk room is a new object at each look; what is in it is not.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [room.lots, room.known, plans, draft.skims, zeroMs, valid]);
  const { kept, session } = useDayHours(draft, zeroMs, daysLaid);
  const chores = draft.skims.flatMap(({ lotId, at }) => {
    const lot = room.lots.find(({ id }) => id === lotId);
    const minute = Math.max(0, Math.round((Date.parse(at) - zeroMs) / MINUTE_MS));
    return lot
      ? [{ id: lotId, title: `Skim ${lot.name}`.slice(0, MOST_TITLE), at: minute, minutes: SKIM_MIN }]
      : [];
  });
  /** What comes of a skimming is not there before. */
  const fromOf = (id: string): number => {
    const lots = pours ? poursFor(pours, id).flatMap(({ from }) => from) : [];
    return lots.reduce((latest, { lotId }) => {
      const ready = pours?.readyMs.get(lotId);
      return ready === undefined
        ? latest
        : Math.max(latest, Math.round((ready - zeroMs) / MINUTE_MS) + SKIM_MIN);
    }, 0);
  };
  const later = (minute: number | null): number | null => (minute === null ? null : minute + opensMin);
  const wishMakes = makes.map(({ id, method, litres, by, byDay, ...make }) => {
    const plan = plans.get(id);
    const own = plan?.milk.goods ? plan : null;
    return {
      ...make,
      id,
      // Told from the day's own beginning, whatever begins before it.
      fixed: Object.fromEntries(
        Object.entries(make.fixed).map(([step, minute]) => [step, minute + opensMin]),
      ),
      // Laid out as it will be begun: cream that is leaner or warmer than usual takes another time.
      method: own ? { ...method, steps: own.method.steps } : method,
      litres: own ? amountOf(own) : litres,
      fedBy: fedBy.get(id),
      milk: own?.milk ?? (plan && milkOf(id, plan, pours, room.lots, zeroMs)) ?? undefined,
      from: Math.max(fromOf(id), make.early ? 0 : opensMin),
      by: valid ? later(minuteOf(zone, opensMs, byDay, by)) : null,
    };
  });
  const wish = JSON.stringify([
    wishMakes.map(({ method, ...make }) => [make, method.id, method.version]),
    chores,
    kept,
    session,
    daysLaid,
    zeroMs,
    paces,
  ]);
  const asking = (): DayWish => ({
    kitchen,
    zeroMs,
    days: daysLaid,
    chores,
    keptFree: kept,
    paces,
    ...(session && session.length > 0 ? { session } : {}),
    ...(eveMs === null ? {} : { eve: { fromMs: eveMs, opensMin } }),
    makes: wishMakes.map(
      ({ cooling: _cooling, place: _place, starterShare: _share, goods: _goods, early: _early, ...make }) =>
        make,
    ),
  });
  const search = useDaySearch(
    wish,
    asking,
    known && learned && stocked && makes.length > 0 && valid,
    kitchen,
  );
  return {
    /** What all minutes are told from, and how long after it the day itself begins. */
    zeroMs,
    opensMin,
    /** Days that are laid out from there. */
    daysLaid: Math.ceil(daysLaid),
    makes,
    wishMakes,
    plans,
    usual,
    fedBy,
    /** What the batches will give, of which others could be made. */
    coming,
    /** What is here to be made something of, and how much of what was chosen there is for each batch, kg. */
    here,
    stocked,
    thereKg: new Map([...ofGoods].map(([id, { thereKg }]) => [id, thereKg])),
    needs,
    pours,
    kept,
    chores,
    room,
    asking,
    wish,
    ...search,
  };
}
export type DayPlan = ReturnType<typeof useDayPlan>;
