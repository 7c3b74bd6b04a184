import { demoHistory, demoUnderWay, LANTERN_FOLD, playMake, type DemoMake } from '@morning-crock/core/demo';
import { EVENT_VERSION, type KitchenChange } from '@morning-crock/core/contract';
import type { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import { appendEvents } from '../features/events/append.ts';
import { listMakes } from '../features/makes/make-service.ts';

const HOUR_MS = 3_600_000;
/** A demo make begun longer ago than this is no longer worth calling under way. */
const STALE_MS = 14 * HOUR_MS;

async function store(db: DataSource, kitchenId: string, make: DemoMake, untilMs: number): Promise<void> {
  const makeId = ulid(Date.parse(make.plan.startAt));
  const drafts = playMake(makeId, make.plan, make.truth, make.habits, untilMs).events.map((event) => ({
    ...event,
    id: ulid(Date.parse(event.at)),
    streamId: makeId,
    version: EVENT_VERSION,
  }));
  await appendEvents(db, kitchenId, drafts, untilMs);
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
    for (const make of demoUnderWay(nowMs)) {
      await store(db, kitchenId, make, nowMs);
      made++;
    }
  }
  return { made };
}
