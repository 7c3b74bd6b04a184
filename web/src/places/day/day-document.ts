import { litresOfMass, MINUTE_MS, slotsOf, type DayPours } from '@morning-crock/core';
import type { DayDoc, KitchenSettings, MakePlan } from '@morning-crock/core/contract';
import { isClock, type DayDraft } from './day-draft.ts';
import { milkOf } from './milk-of.ts';
import type { DayPlan } from './use-day-plan.ts';

/** No day goes on for longer. */
const MOST_DAYS = 4;

/** A draft as a day of the log: kept, or begun with the makes it became. */
export function dayDocOf(
  draft: DayDraft,
  {
    wishMakes,
    kept,
    answer,
    zeroMs,
    daysLaid,
  }: Pick<DayPlan, 'wishMakes' | 'kept' | 'answer' | 'zeroMs' | 'daysLaid'>,
  over: {
    readonly version: number;
    readonly begunAt: string | null;
    readonly ids: ReadonlyMap<string, string>;
    /** How those that are made from others of it will be begun. */
    readonly fed: ReadonlyMap<string, MakePlan>;
  },
): DayDoc {
  const { version, begunAt, ids, fed } = over;
  return {
    name: draft.name.trim() === '' ? 'Day' : draft.name.trim(),
    version,
    zeroAt: new Date(zeroMs).toISOString(),
    days: Math.min(MOST_DAYS, daysLaid),
    makes: wishMakes.map(
      ({ id, name, method, litres, by, fixed, who, cooling, place, starterShare, goods, fedBy }) => ({
        id,
        name,
        methodId: method.id,
        litres,
        by,
        fixed: { ...fixed },
        who: { ...who },
        ...(cooling ? { cooling } : {}),
        ...(place ? { place } : {}),
        ...(starterShare === undefined ? {} : { starterShare }),
        ...(goods ? { goods: { goodId: goods.goodId, place: goods.place, size: goods.size } } : {}),
        ...(fedBy === undefined ? {} : { fedBy }),
        ...(fed.has(id) ? { plan: fed.get(id) } : {}),
        makeId: ids.get(id) ?? null,
      }),
    ),
    ...(draft.session && isClock(draft.session.from) && isClock(draft.session.to)
      ? { session: draft.session }
      : {}),
    keptFree: kept.map((hours) => ({ ...hours })),
    skims: draft.skims,
    // What is made every week is the kept day; one that goes on is made once.
    every: begunAt === null ? draft.every : null,
    begunAt,
    slots: answer?.fits ? slotsOf(answer.hands) : [],
    moved: [],
    because: '',
    broken: 0,
  };
}

/** A day as it is kept for another time: told from its own beginning, whatever was to begin before it that once. */
export function keptDocOf(doc: DayDoc, { opensMin }: Pick<DayPlan, 'opensMin'>, days: number): DayDoc {
  if (opensMin === 0) return doc;
  const earlier = <T extends { readonly from: number; readonly to: number }>(span: T): T => ({
    ...span,
    from: span.from - opensMin,
    to: span.to - opensMin,
  });
  return {
    ...doc,
    days,
    zeroAt: new Date(Date.parse(doc.zeroAt) + opensMin * MINUTE_MS).toISOString(),
    makes: doc.makes.map((make) => ({
      ...make,
      by: make.by === null ? null : make.by - opensMin,
      fixed: Object.fromEntries(
        Object.entries(make.fixed).map(([step, minute]) => [step, minute - opensMin]),
      ),
    })),
    keptFree: doc.keptFree.map(earlier),
    slots: doc.slots.map(earlier),
  };
}

/** A make of the day as it is begun: at its time, of its lots where they are there and enough. */
export function startingPlanOf(id: string, name: string, plan: DayPlan, kitchen: KitchenSettings): MakePlan {
  const { answer, pours, room, zeroMs } = plan;
  const first = answer?.fits ? answer.hands.find((h) => h.make === id) : undefined;
  const startMs = zeroMs + (first?.from ?? 0) * MINUTE_MS;
  const pot = answer?.fits ? answer.pots.find((p) => p.make === id)?.pot : undefined;
  const planned = plan.plans.get(id)!;
  const made = {
    ...planned,
    pot: kitchen.pots.find((p) => p.id === pot) ?? planned.pot,
    name,
    startAt: new Date(startMs).toISOString(),
  };
  const milk = milkOf(id, made, pours, room.lots, startMs);
  return milk ? { ...made, milk } : made;
}

/** What the milk room lacks for a day, each sort once, rounded up to a tenth of a litre. */
export function missingOf(pours: DayPours | null): { readonly sort: string; readonly litres: number }[] {
  const litres = new Map<string, number>();
  for (const { want, from, shortKg } of pours?.allocation.wants ?? []) {
    if (shortKg <= 0) continue;
    const has = from.reduce((sum, { lotId, massKg }) => {
      const lot = pours?.lots.find(({ id }) => id === lotId);
      return sum + (lot ? litresOfMass(massKg, lot.of) : 0);
    }, 0);
    litres.set(want.sort, (litres.get(want.sort) ?? 0) + want.litres - has);
  }
  return [...litres].map(([sort, sum]) => ({ sort, litres: Math.ceil(sum * 10) / 10 }));
}
