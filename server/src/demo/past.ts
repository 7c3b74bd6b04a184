import {
  demoCreamPast,
  demoCultures,
  demoHerd,
  demoHistory,
  demoMethods,
  demoMilk,
  demoShelf,
  demoToday,
  lanternFoldAt,
  type DemoCream,
  type DemoMake,
} from '@morning-crock/core/demo';
import type { KitchenChange } from '@morning-crock/core/contract';
import type { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import { entry, SEED_DEVICE } from './entry.ts';
import { larderStory } from './larder.ts';
import { createTimeline } from './timeline.ts';
import { appendEvents } from '../features/events/append.ts';
import { readKitchen } from '../features/kitchen/kitchen-service.ts';
import { readMake } from '../features/makes/make-service.ts';
import { branchOf, cultureOf, nextTurn, onGrains, storeCream, type Branches } from './store-make.ts';
import { DAY_MS, HOUR_MS } from '@morning-crock/core';

/** A make of yogurt of the past: the ewes' branch is parted off before their first, and a back-up made of the fifth turn. */
async function storeTurn(
  db: DataSource,
  kitchenId: string,
  make: DemoMake,
  branches: Branches,
  nowMs: number,
): Promise<string> {
  const startMs = Date.parse(make.plan.startAt);
  const split = (
    of: string,
    atMs: number,
    into: { cultureId: string; name: string; place: 'cold' | 'freezer' },
  ) =>
    appendEvents(
      db,
      kitchenId,
      [
        entry(of, atMs, 'culture-changed', {
          kind: 'split',
          into,
          massKg: 0.02,
          backUp: into.place === 'freezer',
        }),
      ],
      nowMs,
    );
  if (branchOf(make) === 'ewe' && branches.ewe === '') {
    branches.ewe = ulid(startMs);
    await split(branches.house, startMs - 3 * DAY_MS, {
      cultureId: branches.ewe,
      name: 'Hearthside for the ewes',
      place: 'cold',
    });
  }
  const makeId = await nextTurn(db, kitchenId, make, branches, nowMs);
  const turn = await cultureOf(db, kitchenId, branches.house);
  if (branchOf(make) === 'house' && turn?.turn === 5)
    await split(turn.id, turn.bornMs + HOUR_MS, {
      cultureId: ulid(Math.round(turn.bornMs)),
      name: 'Hearthside, back-up',
      place: 'freezer',
    });
  return makeId;
}

/** Everything the fold has done before today. */
export async function storePast(db: DataSource, kitchenId: string, nowMs: number): Promise<number> {
  const newId = (atMs: number): string => ulid(Math.round(atMs));
  const { zone } = (await readKitchen(db, kitchenId)).settings.site;
  const today = demoToday(nowMs, zone);
  const changes = Object.entries({ ...lanternFoldAt(nowMs, zone), herd: demoHerd(nowMs) }).map(
    ([section, value]) => ({ section, value }) as KitchenChange,
  );
  const timeline = createTimeline(db, kitchenId, nowMs);
  const { entries, rootId } = demoCultures(nowMs, newId);
  await appendEvents(
    db,
    kitchenId,
    changes.map((data) => entry(kitchenId, nowMs, 'kitchen-changed', data, SEED_DEVICE)),
    nowMs,
  );
  timeline.add([
    ...demoMilk(nowMs, today, newId).map(({ lot, atMs, data }) => entry(lot, atMs, 'milk-moved', data)),
    ...entries.map(({ culture, atMs, data }) => entry(culture, atMs, 'culture-changed', data)),
  ]);
  const branches: Branches = { lineId: rootId, house: rootId, ewe: '' };
  const cream = async (make: DemoCream): Promise<string> =>
    storeCream(db, kitchenId, await onGrains(db, kitchenId, make), nowMs, timeline);
  const past: readonly { readonly startMs: number; readonly store: () => Promise<string> }[] = [
    ...demoHistory(today).map((make) => ({
      startMs: Date.parse(make.plan.startAt),
      store: () => storeTurn(db, kitchenId, make, branches, nowMs),
    })),
    ...[...demoCreamPast(nowMs), ...demoShelf(nowMs)].map((make) => ({
      startMs: Date.parse(make.plan.startAt),
      store: () => cream(make),
    })),
  ].sort((a, b) => a.startMs - b.startMs);
  let putUp = 0;
  for (const { startMs, store } of past) {
    await timeline.until(startMs);
    const state = (await readMake(db, kitchenId, await store()))?.state;
    const story = state ? larderStory(state, putUp, nowMs) : [];
    if (story.length > 0) putUp++;
    timeline.add(story);
  }
  await timeline.until(nowMs);
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
  return past.length;
}
