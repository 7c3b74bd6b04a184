import { playMake, type DemoCream, type DemoMake } from '@morning-crock/core/demo';
import {
  PRODUCT_TAKES,
  type MakePlan,
  EVENT_VERSION,
  type Culture,
  type CultureChange,
  type DraftEvent,
} from '@morning-crock/core/contract';
import { productOf, DAY_MS, HOUR_MS } from '@morning-crock/core';
import type { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import { entry } from './entry.ts';
import { restOfJarsKg } from './larder.ts';
import { poured, withBoughtMilk } from './milk-for.ts';
import type { Timeline } from './timeline.ts';
import { cultureRegister } from '../features/cultures/culture-service.ts';
import { appendEvents } from '../features/events/append.ts';
import { readKitchen } from '../features/kitchen/kitchen-service.ts';
import { readMake } from '../features/makes/make-service.ts';
import { importTrace } from '../features/traces/trace-service.ts';

/** The stored forecasts of the past are drawn from so many members: a demo is filled while somebody waits. */
const PAST_MEMBERS = 250;
const membersOf = ({ startAt }: MakePlan, nowMs: number): number | undefined =>
  nowMs - Date.parse(startAt) > DAY_MS ? PAST_MEMBERS : undefined;

/** The culture is fed up to this before a make takes of it. */
const FED_UP_KG = 0.28;

/** Plays one make and stores it; gives what it kept, the next turn of its culture. */
export async function store(
  db: DataSource,
  kitchenId: string,
  make: DemoMake,
  untilMs: number,
): Promise<{ readonly makeId: string; readonly kept: DraftEvent | undefined }> {
  const makeId = ulid(Date.parse(make.plan.startAt));
  const plan = await withBoughtMilk(db, kitchenId, make.plan, untilMs);
  const { events, log } = playMake(makeId, plan, make.truth, make.habits, untilMs, membersOf(plan, untilMs));
  const drafts = events.map((event) => ({
    ...event,
    id: ulid(Date.parse(event.at)),
    streamId: makeId,
    version: EVENT_VERSION,
  }));
  await appendEvents(db, kitchenId, poured(plan, drafts), untilMs);
  const kept = drafts.find((d) => d.type === 'reserved');
  const stored = log && (await readMake(db, kitchenId, makeId));
  if (!stored) return { makeId, kept };
  const { settings } = await readKitchen(db, kitchenId);
  await importTrace(
    db,
    kitchenId,
    stored.state.id,
    {
      quantity: 'temperature',
      instrument: log.name,
      fileName: 'shelf-logger.csv',
      unit: 'C',
      thermometerId: settings.thermometers.find((t) => t.name === log.name)?.id ?? null,
      deviceId: make.habits.deviceId,
      at: log.at,
      values: log.values,
    },
    { nowMs: untilMs, cookId: make.habits.cookId },
  );
  return { makeId, kept };
}

/** The branches of the fold's heirloom: one for the cows' milk, one for the ewes'. */
export interface Branches {
  readonly lineId: string;
  house: string;
  ewe: string;
}

export const branchOf = (make: DemoMake): 'house' | 'ewe' =>
  make.plan.milk.kind === 'ewe' ? 'ewe' : 'house';

/** Plays a make from the youngest turn of its branch, fed some days before; what it keeps is the next turn. */
export async function nextTurn(
  db: DataSource,
  kitchenId: string,
  make: DemoMake,
  branches: Branches,
  nowMs: number,
): Promise<string> {
  const startMs = Date.parse(make.plan.startAt);
  const branch = branchOf(make);
  const cultureId = branches[branch];
  const culture = await cultureOf(db, kitchenId, cultureId);
  if (!culture) throw new Error('the demo has lost its culture');
  const change = (atMs: number, data: CultureChange): Promise<unknown> =>
    appendEvents(db, kitchenId, [entry(cultureId, atMs, 'culture-changed', data)], nowMs);
  const fedMs = Math.max(culture.bornMs + HOUR_MS, startMs - (make.plan.starter.ageD ?? 3) * DAY_MS);
  await change(fedMs, {
    kind: 'feed',
    milkKg: FED_UP_KG,
    massKg: FED_UP_KG,
    typed: { value: FED_UP_KG * 1000, unit: 'g' },
  });
  const starter = { ...make.plan.starter, cultureId, lineId: branches.lineId, turn: culture.turn };
  const { makeId, kept } = await store(db, kitchenId, { ...make, plan: { ...make.plan, starter } }, nowMs);
  if (!kept) return makeId;
  branches[branch] = kept.id;
  await change(Date.parse(kept.at) + DAY_MS / 2, { kind: 'discard', reason: 'eaten', note: '' });
  return makeId;
}

export async function cultureOf(db: DataSource, kitchenId: string, id: string): Promise<Culture | undefined> {
  return (await cultureRegister.read(db, kitchenId)).state.cultures.get(id);
}

/** A make of kefir stands on the grains of the register. */
export async function onGrains(db: DataSource, kitchenId: string, make: DemoCream): Promise<DemoCream> {
  const { starter } = make.plan;
  const { cultures } = (await cultureRegister.read(db, kitchenId)).state;
  const grains = [...cultures.values()].find(
    (c) => c.kind === starter.kind && isGrains(c) && c.gone === null,
  );
  if (!grains) return make;
  return {
    ...make,
    plan: { ...make.plan, starter: { ...starter, cultureId: grains.id, lineId: grains.lineId } },
  };
}
const isGrains = ({ kind }: Pick<Culture, 'kind'>): boolean => kind === 'kefir-grains';

/** How much of something that came out besides is gone by now, kg; `null` when it is nothing the milk room has. */
function eaten(make: DemoCream, given: DraftEvent, all: readonly DraftEvent[]): number | null {
  const { gives } = productOf(make.plan);
  const takes = PRODUCT_TAKES[make.plan.product];
  if (given.type === 'weighed') {
    const { of, massKg } = given.data;
    if (of) return gives?.[of] ? massKg : null;
    // Cream that was ripened is churned; what came of milk is eaten.
    return gives?.out && takes === 'milk' ? restOfJarsKg(massKg) : null;
  }
  // The first weighing of whey made its lot; the last one says how much it was.
  if (given.type !== 'drain-weighed' || !gives?.whey) return null;
  const weighings = all.filter((e) => e.type === 'drain-weighed');
  const last = weighings.at(-1);
  if (weighings[0] !== given || !last) return null;
  // What was stirred back was not in the bowl any more.
  const backKg = all.reduce((sum, e) => sum + (e.type === 'whey-returned' ? e.data.massKg : 0), 0);
  return last.data.massKg > backKg ? last.data.massKg - backKg : null;
}

/** Plays one make of cream and stores it. */
export async function storeCream(
  db: DataSource,
  kitchenId: string,
  make: DemoCream,
  untilMs: number,
  timeline?: Timeline,
): Promise<string> {
  const startMs = Date.parse(make.plan.startAt);
  const makeId = ulid(Math.min(startMs, untilMs));
  // What begins later is planned now.
  const plan = await withBoughtMilk(db, kitchenId, make.plan, untilMs);
  const events = make.play(makeId, plan, Math.max(untilMs, startMs), membersOf(plan, untilMs));
  const drafts = events.map((event) => {
    const at = new Date(Math.min(Date.parse(event.at), untilMs)).toISOString();
    return { ...event, at, id: ulid(Date.parse(at)), streamId: makeId, version: EVENT_VERSION };
  });
  await appendEvents(db, kitchenId, poured(plan, drafts), untilMs);
  // What came of it some time ago is eaten by now.
  for (const given of drafts) {
    const atMs = Date.parse(given.at) + 2.5 * DAY_MS;
    const gone = atMs > untilMs ? null : eaten(make, given, drafts);
    if (gone === null || gone < 0.001) continue;
    const massKg = Math.round(gone * 1000) / 1000;
    const typed = { value: Math.round(massKg * 1000), unit: 'g' } as const;
    const used = { kind: 'give', to: 'used', massKg, typed, note: 'the stall' } as const;
    timeline?.add([entry(given.id, atMs, 'milk-moved', used)]);
  }
  return makeId;
}
