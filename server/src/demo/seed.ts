import { demoHistory, demoUnderWay, LANTERN_FOLD, playMake, type DemoMake } from '@morning-crock/core/demo';
import { EVENT_VERSION, type KitchenChange } from '@morning-crock/core/contract';
import { withFactors } from '@morning-crock/core';
import type { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import { appendEvents } from '../features/events/append.ts';
import { readKitchen } from '../features/kitchen/kitchen-service.ts';
import { readFactors } from '../features/learning/routes.ts';
import { listMakes, readMake } from '../features/makes/make-service.ts';
import { importTrace } from '../features/traces/trace-service.ts';

const HOUR_MS = 3_600_000;
/** A demo make begun longer ago than this is no longer worth calling under way. */
const STALE_MS = 14 * HOUR_MS;

async function store(db: DataSource, kitchenId: string, make: DemoMake, untilMs: number): Promise<void> {
  const makeId = ulid(Date.parse(make.plan.startAt));
  const { events, log } = playMake(makeId, make.plan, make.truth, make.habits, untilMs);
  const drafts = events.map((event) => ({
    ...event,
    id: ulid(Date.parse(event.at)),
    streamId: makeId,
    version: EVENT_VERSION,
  }));
  await appendEvents(db, kitchenId, drafts, untilMs);
  const stored = log && (await readMake(db, kitchenId, makeId));
  if (!stored) return;
  const { settings } = await readKitchen(db, kitchenId);
  await importTrace(
    db,
    kitchenId,
    settings,
    stored.state,
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
}

/** Fills a new demo kitchen, or begins new makes beside what is there when none is under way any more. */
export async function seedDemo(db: DataSource, kitchenId: string, nowMs: number): Promise<{ made: number }> {
  const present = await listMakes(db, kitchenId);
  let made = 0;
  if (present.length === 0) {
    const changes = Object.entries(LANTERN_FOLD).map(
      ([section, value]) => ({ section, value }) as KitchenChange,
    );
    const at = new Date(nowMs).toISOString();
    await appendEvents(
      db,
      kitchenId,
      changes.map((data) => ({
        id: ulid(nowMs),
        streamId: kitchenId,
        at,
        cookId: null,
        deviceId: 'seed',
        version: EVENT_VERSION,
        type: 'kitchen-changed',
        data,
      })),
      nowMs,
    );
    for (const make of demoHistory(nowMs)) {
      await store(db, kitchenId, make, nowMs);
      made++;
    }
  }
  const running = present.some((m) => m.status === 'under-way' && nowMs - Date.parse(m.startedAt) < STALE_MS);
  if (!running) {
    const factors = await readFactors(db, kitchenId);
    for (const make of demoUnderWay(nowMs)) {
      await store(db, kitchenId, { ...make, plan: withFactors(make.plan, factors) }, nowMs);
      made++;
    }
  }
  return { made };
}
