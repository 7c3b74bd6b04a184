import {
  demoChurningDue,
  demoCreamPast,
  demoCultures,
  demoHerd,
  demoHistory,
  demoKefir,
  demoMethods,
  demoMilk,
  demoRipening,
  demoShelf,
  demoUnderWay,
  LANTERN_FOLD,
  playMake,
  type DemoCream,
  type DemoMake,
} from '@morning-crock/core/demo';
import {
  EVENT_VERSION,
  type Culture,
  type CultureChange,
  type DraftEvent,
  type KitchenChange,
} from '@morning-crock/core/contract';
import { freeKg, goOn, milkFromLots, openLots, productOf, withFactors } from '@morning-crock/core';
import type { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import { entry } from './entry.ts';
import { storeLarder } from './larder.ts';
import { poured, withBoughtMilk } from './milk-for.ts';
import { cultureRegister } from '../features/cultures/culture-service.ts';
import { appendEvents } from '../features/events/append.ts';
import { readKitchen } from '../features/kitchen/kitchen-service.ts';
import { workHere } from '../work/work.ts';
import { readFactors } from '../features/learning/routes.ts';
import { milkRegister } from '../features/milk/milk-service.ts';
import { listMakes, readMake } from '../features/makes/make-service.ts';
import { importTrace } from '../features/traces/trace-service.ts';

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
const DAY_MS = 24 * HOUR_MS;
/** A demo make begun longer ago than this is no longer worth calling under way. */
const STALE_MS = 14 * HOUR_MS;
/** The culture is fed up to this before a make takes of it. */
const FED_UP_KG = 0.28;

/** Plays one make and stores it; gives what it kept, the next turn of its culture. */
async function store(
  db: DataSource,
  kitchenId: string,
  make: DemoMake,
  untilMs: number,
): Promise<DraftEvent | undefined> {
  const makeId = ulid(Date.parse(make.plan.startAt));
  const plan = await withBoughtMilk(db, kitchenId, make.plan, untilMs);
  const { events, log } = playMake(makeId, plan, make.truth, make.habits, untilMs);
  const drafts = events.map((event) => ({
    ...event,
    id: ulid(Date.parse(event.at)),
    streamId: makeId,
    version: EVENT_VERSION,
  }));
  await appendEvents(db, kitchenId, poured(plan, drafts), untilMs);
  const kept = drafts.find((d) => d.type === 'reserved');
  const stored = log && (await readMake(db, kitchenId, makeId));
  if (!stored) return kept;
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
  return kept;
}

/** The branches of the fold's heirloom: one for the cows' milk, one for the ewes'. */
interface Branches {
  readonly lineId: string;
  house: string;
  ewe: string;
}

const branchOf = (make: DemoMake): 'house' | 'ewe' => (make.plan.milk.kind === 'ewe' ? 'ewe' : 'house');

/** Plays a make from the youngest turn of its branch, fed some days before; what it keeps is the next turn. */
async function nextTurn(
  db: DataSource,
  kitchenId: string,
  make: DemoMake,
  branches: Branches,
  nowMs: number,
): Promise<void> {
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
  const kept = await store(db, kitchenId, { ...make, plan: { ...make.plan, starter } }, nowMs);
  if (!kept) return;
  branches[branch] = kept.id;
  await change(Date.parse(kept.at) + DAY_MS / 2, { kind: 'discard', reason: 'eaten', note: '' });
}

async function cultureOf(db: DataSource, kitchenId: string, id: string): Promise<Culture | undefined> {
  return (await cultureRegister.read(db, kitchenId)).state.cultures.get(id);
}

/** Everything the fold has done before today. */
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

async function storePast(db: DataSource, kitchenId: string, nowMs: number): Promise<number> {
  const newId = (atMs: number): string => ulid(Math.round(atMs));
  const changes = Object.entries({ ...LANTERN_FOLD, herd: demoHerd(nowMs) }).map(
    ([section, value]) => ({ section, value }) as KitchenChange,
  );
  const milk = demoMilk(nowMs, newId);
  const { entries, rootId } = demoCultures(nowMs, newId);
  await appendEvents(
    db,
    kitchenId,
    [
      ...changes.map((data) => entry(kitchenId, nowMs, 'kitchen-changed', data, 'seed')),
      ...milk.map(({ lot, atMs, data }) => entry(lot, atMs, 'milk-moved', data)),
      ...entries.map(({ culture, atMs, data }) => entry(culture, atMs, 'culture-changed', data)),
    ],
    nowMs,
  );
  const branches: Branches = { lineId: rootId, house: rootId, ewe: '' };
  let made = 0;
  for (const make of demoHistory(nowMs)) {
    const startMs = Date.parse(make.plan.startAt);
    if (branchOf(make) === 'ewe' && branches.ewe === '') {
      branches.ewe = ulid(startMs);
      await appendEvents(
        db,
        kitchenId,
        [
          entry(branches.house, startMs - 3 * DAY_MS, 'culture-changed', {
            kind: 'split',
            into: { cultureId: branches.ewe, name: 'Hearthside for the ewes', place: 'cold' },
            massKg: 0.02,
            backUp: false,
          }),
        ],
        nowMs,
      );
    }
    await nextTurn(db, kitchenId, make, branches, nowMs);
    made++;
    const turn = await cultureOf(db, kitchenId, branches.house);
    if (branchOf(make) === 'house' && turn?.turn === 5) {
      await appendEvents(
        db,
        kitchenId,
        [
          entry(turn.id, turn.bornMs + HOUR_MS, 'culture-changed', {
            kind: 'split',
            into: { cultureId: newId(turn.bornMs), name: 'Hearthside, back-up', place: 'freezer' },
            massKg: 0.02,
            backUp: true,
          }),
        ],
        nowMs,
      );
    }
  }
  for (const make of demoCreamPast(nowMs)) {
    await storeCream(db, kitchenId, make, nowMs);
    made++;
  }
  for (const make of demoShelf(nowMs)) {
    await storeCream(db, kitchenId, await onGrains(db, kitchenId, make), nowMs);
    made++;
  }
  const methodId = newId(nowMs - 12 * DAY_MS);
  await appendEvents(
    db,
    kitchenId,
    demoMethods(methodId).map((method) =>
      entry(methodId, nowMs - (13 - 2 * method.version) * DAY_MS, 'method-changed', {
        kind: 'saved',
        method,
      }),
    ),
    nowMs,
  );
  return made;
}

/** A make of kefir stands on the grains of the register. */
async function onGrains(db: DataSource, kitchenId: string, make: DemoCream): Promise<DemoCream> {
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
  if (given.type === 'weighed') return given.data.of && gives?.[given.data.of] ? given.data.massKg : null;
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
async function storeCream(
  db: DataSource,
  kitchenId: string,
  make: DemoCream,
  untilMs: number,
): Promise<void> {
  const startMs = Date.parse(make.plan.startAt);
  const makeId = ulid(Math.min(startMs, untilMs));
  // What begins later is planned now.
  const plan = await withBoughtMilk(db, kitchenId, make.plan, untilMs);
  const events = make.play(makeId, plan, Math.max(untilMs, startMs));
  const drafts = events.map((event) => {
    const at = new Date(Math.min(Date.parse(event.at), untilMs)).toISOString();
    return { ...event, at, id: ulid(Date.parse(at)), streamId: makeId, version: EVENT_VERSION };
  });
  await appendEvents(db, kitchenId, poured(plan, drafts), untilMs);
  // What came of it some time ago is eaten by now.
  for (const given of drafts) {
    const atMs = Date.parse(given.at) + 2.5 * DAY_MS;
    if (atMs > untilMs) continue;
    const gone = eaten(make, given, drafts);
    if (gone === null) continue;
    const massKg = Math.round(gone * 1000) / 1000;
    const typed = { value: Math.round(massKg * 1000), unit: 'g' } as const;
    await appendEvents(
      db,
      kitchenId,
      [entry(given.id, atMs, 'milk-moved', { kind: 'give', to: 'used', massKg, typed, note: 'the stall' })],
      untilMs,
    );
  }
}

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

/** Fills a new demo kitchen, or begins new makes beside what is there when none is under way any more. */
export async function seedDemo(db: DataSource, kitchenId: string, nowMs: number): Promise<{ made: number }> {
  const present = await listMakes(db, kitchenId, workHere);
  let made = 0;
  if (present.length === 0) {
    made = await storePast(db, kitchenId, nowMs);
    await storeLarder(db, kitchenId, nowMs);
  }
  const running = present.some((m) => m.status === 'under-way' && nowMs - Date.parse(m.startedAt) < STALE_MS);
  if (!running) {
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
