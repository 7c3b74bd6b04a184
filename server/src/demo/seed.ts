import {
  demoChurningDue,
  demoKefir,
  demoRipening,
  demoUnderWay,
  lanternFoldAt,
} from '@morning-crock/core/demo';
import {
  freeKg,
  goOn,
  milkFromLots,
  openLots,
  withFactors,
  DAY_MS,
  HOUR_MS,
  MINUTE_MS,
} from '@morning-crock/core';
import type { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import { entry, SEED_DEVICE } from './entry.ts';
import { cultureRegister } from '../features/cultures/culture-service.ts';
import { appendEvents } from '../features/events/append.ts';
import { readEvents } from '../features/events/event-log.ts';
import { readKitchen } from '../features/kitchen/kitchen-service.ts';
import { workHere } from '../work/work.ts';
import { readFactors } from '../features/learning/routes.ts';
import { milkRegister } from '../features/milk/milk-service.ts';
import { listMakes, readMake } from '../features/makes/make-service.ts';
import { nextTurn, onGrains, store, storeCream, type Branches } from './store-make.ts';
import { storePast } from './past.ts';

/** A demo make begun longer ago than this is no longer worth calling under way. */
const STALE_MS = 14 * HOUR_MS;
/** Seven products of a week's milk. */
const STALL_DAY = [
  ['Yogurt', 'yogurt', 6.4],
  ['Kefir', 'kefir', 1.7],
  ['Buttermilk', 'buttermilk', 2.3],
  ['Cultured cream', 'cultured-cream', 1.2],
  ['Fresh cheese', 'cream-cheese', 3.6],
  ['Brined cheese', 'brined', 7.8],
  ['Skyr', 'skyr', 4.7],
] as const;

/** A churning that waits for the cream in the pot. */
async function storeChurningDue(db: DataSource, kitchenId: string, nowMs: number): Promise<void> {
  const due = demoChurningDue(nowMs);
  const lots = openLots((await milkRegister.read(db, kitchenId)).state);
  const pot = lots.find((lot) => lot.role === 'pot' && lot.place === 'cold');
  const massKg = pot ? freeKg(pot) * 0.85 : 0;
  const milk = pot && milkFromLots(due.plan.milk, lots, [{ lotId: pot.id, massKg }], 'cream');
  await storeCream(db, kitchenId, milk ? { ...due, plan: { ...due.plan, milk } } : due, nowMs);
}

/** So long ago the milk should have been cool. */
const LATE_MIN = 45;

/** What is made for the stall each week, and the day that is going on, in which some milk cools more slowly than was thought. */
async function storeDays(db: DataSource, kitchenId: string, nowMs: number): Promise<void> {
  const { settings: kitchen } = await readKitchen(db, kitchenId);
  const stallId = ulid(nowMs - DAY_MS);
  const zeroMs = Math.floor((nowMs - 3 * HOUR_MS) / (5 * MINUTE_MS)) * 5 * MINUTE_MS;
  const zeroAt = new Date(zeroMs).toISOString();
  const whole = { version: 1, zeroAt, keptFree: [], skims: [], moved: [], because: '', broken: 0 };
  const underWay = (await listMakes(db, kitchenId, workHere)).filter(({ status }) => status === 'under-way');
  const makes = [];
  for (const { id: makeId } of underWay) {
    const state = (await readMake(db, kitchenId, makeId))?.state;
    if (state) makes.push({ id: ulid(nowMs), state, by: null, fixed: {}, who: {} });
  }
  const going = goOn({ kitchen, zeroMs, days: 2, keptFree: [], makes, slots: [], nowMs });
  const late = makes.find(({ state }) => state.current?.step.facts.moves === 'down')?.id;
  const first = going?.hands.find(({ make }) => make === late);
  const slots = (going?.hands ?? []).map(({ make, step, title, cookId, from, to }) => {
    const before = make === late ? LATE_MIN : 0;
    return {
      make,
      task: step,
      title,
      cook: cookId,
      from: from - (first ? before : 0),
      to: to - (first ? before : 0),
    };
  });
  await appendEvents(
    db,
    kitchenId,
    [
      entry(stallId, nowMs - DAY_MS, 'day-changed', {
        kind: 'laid',
        day: {
          ...whole,
          name: 'For the stall',
          days: 2,
          every: 4,
          begunAt: null,
          slots: [],
          makes: STALL_DAY.map(([name, methodId, litres]) => ({
            id: ulid(nowMs - DAY_MS),
            name,
            methodId,
            litres,
            by: null,
            fixed: {},
            who: {},
            makeId: null,
          })),
        },
      }),
      ...(slots.length === 0
        ? []
        : [
            entry(ulid(zeroMs), zeroMs, 'day-changed', {
              kind: 'laid',
              day: {
                ...whole,
                name: 'Midweek',
                days: 2,
                every: null,
                begunAt: zeroAt,
                slots,
                makes: makes.map(({ id, state }) => ({
                  id,
                  name: state.plan.name,
                  methodId: state.plan.method.id,
                  litres: Math.max(0.1, state.plan.milk.litres),
                  by: null,
                  fixed: {},
                  who: {},
                  makeId: state.id,
                })),
              },
            }),
          ]),
    ],
    nowMs,
  );
}

/** The youngest living turn of each branch, when the demo goes on. */
async function youngestBranches(db: DataSource, kitchenId: string): Promise<Branches | null> {
  const { cultures } = (await cultureRegister.read(db, kitchenId)).state;
  const live = [...cultures.values()]
    .filter((c) => c.gone === null && !c.backUp && c.kind === 'fresh-yogurt' && c.lineId !== c.id)
    .sort((a, b) => b.bornMs - a.bornMs);
  const house = live.find((c) => !c.name.includes('ewes'));
  const ewe = live.find((c) => c.name.includes('ewes')) ?? house;
  return house && ewe ? { lineId: house.lineId, house: house.id, ewe: ewe.id } : null;
}

/** Bedtimes that go with the hour of a later start; what somebody changed themselves stays. */
async function keepHours(db: DataSource, kitchenId: string, nowMs: number): Promise<void> {
  const events = await readEvents(db, { kitchenId, streamId: kitchenId });
  const changed = events.some(
    (e) => e.type === 'kitchen-changed' && e.data.section === 'cooks' && e.deviceId !== SEED_DEVICE,
  );
  if (changed) return;
  const { zone } = (await readKitchen(db, kitchenId)).settings.site;
  const { cooks } = lanternFoldAt(nowMs, zone);
  const data = { section: 'cooks', value: cooks } as const;
  await appendEvents(db, kitchenId, [entry(kitchenId, nowMs, 'kitchen-changed', data, SEED_DEVICE)], nowMs);
}

/** Fills a new demo kitchen, or begins new makes beside what is there when none is under way any more. */
export async function seedDemo(db: DataSource, kitchenId: string, nowMs: number): Promise<{ made: number }> {
  const present = await listMakes(db, kitchenId, workHere);
  let made = 0;
  if (present.length === 0) {
    made = await storePast(db, kitchenId, nowMs);
  }
  const running = present.some((m) => m.status === 'under-way' && nowMs - Date.parse(m.startedAt) < STALE_MS);
  if (!running) {
    if (present.length > 0) await keepHours(db, kitchenId, nowMs);
    const branches = await youngestBranches(db, kitchenId);
    const factors = await readFactors(db, kitchenId, workHere);
    for (const make of demoUnderWay(nowMs)) {
      if (branches) {
        const lineId = { ...make.plan.starter, lineId: branches.lineId };
        const plan = withFactors({ ...make.plan, starter: lineId }, factors);
        await nextTurn(db, kitchenId, { ...make, plan }, branches, nowMs);
      } else await store(db, kitchenId, { ...make, plan: withFactors(make.plan, factors) }, nowMs);
      made++;
    }
    await storeCream(db, kitchenId, demoRipening(nowMs), nowMs);
    await storeCream(db, kitchenId, await onGrains(db, kitchenId, demoKefir(nowMs)), nowMs);
    await storeChurningDue(db, kitchenId, nowMs);
    made += 3;
    await storeDays(db, kitchenId, nowMs);
  }
  return { made };
}
